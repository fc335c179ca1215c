/** A storm in one sentence: what stands where, when, and whether it comes to a door. */
import { headOf, nameOf, rainOf, type Job } from '../../job/job';
import { showClock, showPercent, showSmall, text, type UnitSystem } from '../../units';
import type { StormCase } from '../cases';
import type { Failure } from '../failing';
import type { StormTold } from '../stormRun';

/** Less water than so over an inlet is as good as none, m. */
const WORTH = 0.01;

/** What fails, as in “with Lawn basin blocked”. */
export function failureWords(job: Job, { kind, id, share = 1 }: Failure): string {
  const name = nameOf(job, id);
  const half = share < 1 ? `${text(showPercent(share))} ` : '';
  switch (kind) {
    case 'blocked':
      return `${name} ${half}blocked`;
    case 'stopped':
      return `${name} ${half}stopped up`;
    case 'worn':
      return `${name} worn`;
    case 'shut':
      return `${name} shut`;
    case 'power':
      return `the power off at ${name}`;
    case 'high':
      return `${name} brimful`;
    case 'off':
      return `${name} off its pipe`;
    case 'full':
      return `the ground full round ${name}`;
  }
}

function stormName(job: Job, { rain, failing }: StormSaid): string {
  const element = rainOf(job);
  const years =
    rain === 'rarer'
      ? element?.openings?.returnPeriod
      : element && 'returnPeriod' in element.source
        ? element.source.returnPeriod
        : undefined;
  const called =
    rain === 'gauge'
      ? 'In the storm of the gauge'
      : years === undefined
        ? 'In the design storm'
        : `In the ${years}-year storm`;
  return failing.length === 0
    ? called
    : `${called} with ${failing.map((each) => failureWords(job, each)).join(' and ')}`;
}

/** A storm as it is said: its rain, and what fails in it. */
export type StormSaid = Pick<StormCase, 'failing'> & { rain: StormCase['rain'] | 'gauge' };

const small = (metres: number, units: UnitSystem): string => text(showSmall(metres, units));

/** A door's own sill, or the one that an inlet stands before. */
export const sillWords = (job: Job, id: string): string =>
  `the sill ${job.elements.get(id)?.kind === 'opening' ? 'of' : 'at'} ${nameOf(job, id)}`;

/** What a storm comes to: the nearest that water comes to a sill; else the deepest over an inlet, and when it is gone. */
export function stormSentence(
  job: Job,
  of: StormSaid,
  told: Pick<StormTold, 'doors' | 'landings' | 'ponds' | 'reached' | 'length'>,
): string {
  const { units } = headOf(job);
  const isBroken = told.reached < told.length - 1e-6;
  const begins = `${stormName(job, of)}${isBroken ? `, broken off at ${showClock(told.reached)},` : ''}`;
  const doors = told.doors.filter(({ margin }) => margin !== null);
  const nearest = doors.sort((a, b) => a.margin! - b.margin!)[0];
  const deepest = told.landings.reduce((most, each) => (each.peak > most.peak ? each : most), {
    id: '',
    peak: 0,
    at: 0,
  });
  const pond = told.ponds[0];
  const parts: string[] = [];
  if (nearest) {
    const { id, margin, at } = nearest;
    parts.push(
      margin! < 0
        ? `water stands ${small(-margin!, units)} over ${sillWords(job, id)} at ${showClock(at)}`
        : `water stays ${small(margin!, units)} below ${sillWords(job, id)}, nearest at ${showClock(at)}`,
    );
  } else if (deepest.peak >= WORTH)
    parts.push(
      `water stands ${small(deepest.peak, units)} over ${nameOf(job, deepest.id)} at ${showClock(deepest.at)}`,
    );
  else parts.push('nothing stands over an inlet');
  if (pond)
    parts.push(
      pond.dryAt === null
        ? `some still stands in the yard at ${showClock(told.reached)}`
        : `what stands in the yard is gone by ${showClock(pond.dryAt)}`,
    );
  return `${begins} ${parts.join('; ')}.`;
}

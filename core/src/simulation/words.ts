/** A storm in one sentence: what stands where, when, and whether it comes to a door. */
import { headOf, nameOf, rainOf, type Job } from '../job/job';
import { showSmall, text, type UnitSystem } from '../units';
import type { StormCase } from './cases';
import type { Failure } from './failing';
import type { StormTold } from './stormRun';

/** Less water than so over an inlet is as good as none, m. */
const WORTH = 0.01;

/** Time in a storm, as 0:41. */
export const clock = (seconds: number): string => {
  const minutes = Math.round(seconds / 60);
  return `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, '0')}`;
};

/** What fails, as in “with Lawn basin blocked”. */
export function failureWords(job: Job, { kind, id }: Failure): string {
  const name = nameOf(job, id);
  switch (kind) {
    case 'blocked':
      return `${name} blocked`;
    case 'shut':
      return `${name} shut`;
    case 'power':
      return `the power off at ${name}`;
    case 'high':
      return `${name} brimful`;
    case 'off':
      return `${name} off its pipe`;
  }
}

function stormName(job: Job, { rain, failing }: Pick<StormCase, 'rain' | 'failing'>): string {
  const element = rainOf(job);
  const years =
    rain === 'rarer'
      ? element?.openings?.returnPeriod
      : element && 'returnPeriod' in element.source
        ? element.source.returnPeriod
        : undefined;
  const called = years === undefined ? 'In the design storm' : `In the ${years}-year storm`;
  return failing.length === 0
    ? called
    : `${called} with ${failing.map((each) => failureWords(job, each)).join(' and ')}`;
}

const small = (metres: number, units: UnitSystem): string => text(showSmall(metres, units));

/** What a storm comes to: the nearest that water comes to a sill; else the deepest over an inlet, and when it is gone. */
export function stormSentence(job: Job, of: Pick<StormCase, 'rain' | 'failing'>, told: StormTold): string {
  const { units } = headOf(job);
  const begins = stormName(job, of);
  const reached = told.doors.filter(({ margin }) => margin !== null);
  const nearest = reached.sort((a, b) => a.margin! - b.margin!)[0];
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
        ? `water stands ${small(-margin!, units)} over the sill of ${nameOf(job, id)} at ${clock(at)}`
        : `water stays ${small(margin!, units)} below the sill of ${nameOf(job, id)}, nearest at ${clock(at)}`,
    );
  } else if (deepest.peak >= WORTH)
    parts.push(`water stands ${small(deepest.peak, units)} over ${nameOf(job, deepest.id)} at ${clock(deepest.at)}`);
  else parts.push('nothing stands over an inlet');
  if (pond)
    parts.push(
      pond.dryAt === null
        ? `some still stands in the yard at ${clock(told.reached)}`
        : `what stands in the yard is gone by ${clock(pond.dryAt)}`,
    );
  return `${begins} ${parts.join('; ')}.`;
}

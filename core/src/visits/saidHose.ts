/** A hose test in words: what is to be seen of so much water, and what was. */
import { headOf, nameOf, type Job } from '../job/job';
import type { TestOf } from '../job/kinds';
import { showFlow, text, type UnitSystem } from '../units';
import { watch } from './figures';
import { expectHose, judgeHose, type HoseExpected, type HoseJudged, type HoseSeen } from './line/hoseTest';
import type { Told, VisitSaid } from './visitSaid';
import { flowOf, hoseSeen } from './visitTests';
import { wayDown, type WayDown } from './line/wayDown';

const range = (low: string, high: string): string => (low === high ? low : `${low} to ${high}`);

/** What is to be seen of a flow poured into a way. */
export function hoseExpects(
  job: Job,
  way: WayDown,
  flow: number,
  expected: HoseExpected = expectHose(way, flow),
): string {
  const { units } = headOf(job);
  const end = nameOf(job, way.to);
  const { shows, out, up } = expected;
  if (!shows)
    return `Even as planned ${text(showFlow(flow, units))} does not come through${up ? `: it comes up at ${nameOf(job, up)}` : ''}.`;
  const comes = out ? `, and ${range(showFlow(out.low, units).value, text(showFlow(out.high, units)))} come out` : '';
  return `${text(showFlow(flow, units))} shows at ${end} after ${range(watch(shows.low), watch(shows.high))}${comes}.`;
}

export function sayHose(job: Job, plan: Told, test: TestOf<'hose'>, units: UnitSystem): VisitSaid {
  const of = `Hose test at ${nameOf(job, test.into)}`;
  const bare = (sentence: string): VisitSaid => ({ of, asPlanned: null, expects: '', sentence });
  if (!job.elements.get(test.into)) return bare('What it was of has been taken out since.');
  const way = wayDown(job, plan, test.into);
  if (!way) return bare('No pipe leads from here to a way out: the plan says nothing to it.');
  if (way.soaks) return bare('Its pipe has holes: how much of the water soaks away on the way, no plan can say.');
  const expects = test.bucket ? hoseExpects(job, way, flowOf(test.bucket)) : '';
  if (test.running !== undefined) return { of, asPlanned: null, expects, sentence: 'The water is running.' };
  const seen = hoseSeen(test);
  if (!seen)
    return { ...bare('How long the bucket took at the hose is not said: without that nothing can be told.'), expects };
  const expected = expectHose(way, seen.flow);
  const judged = judgeHose(expected, seen);
  const limits = expected.shows ? { low: expected.shows.low, high: expected.shows.high } : {};
  return {
    of,
    // Where nobody looked, or not for long enough, nothing is judged.
    asPlanned: judged.shows === null && judged.out === null && judged.up === null ? null : judged.asPlanned,
    expects,
    sentence: hoseSentence(job, judged, seen, expected, units),
    ...limits,
  };
}

function hoseSentence(
  job: Job,
  judged: HoseJudged,
  seen: HoseSeen,
  { shows, out }: HoseExpected,
  units: UnitSystem,
): string {
  const parts: string[] = [];
  if (judged.up) parts.push(`It comes up at ${nameOf(job, judged.up)}.`);
  if (judged.shows === null && seen.shows === null && shows)
    parts.push(`Nothing had shown after ${watch(seen.waited ?? 0)}: it may take ${watch(shows.most)}, so wait longer.`);
  if (judged.shows === 'never') parts.push(`Nothing had shown after ${watch(seen.waited!)}.`);
  else if (judged.shows === 'high')
    parts.push(`Slow: ${watch(seen.shows!)}, ${times(seen.shows! / shows!.likely)} as long as it should take.`);
  else if (judged.shows === 'low')
    parts.push(`Too soon: ${watch(seen.shows!)}. Is it the right line, and was it dry before?`);
  else if (typeof seen.shows === 'number')
    parts.push(
      `It showed after ${watch(seen.shows)}${judged.shows === 'edge' ? ', at the edge of what is to be expected' : ''}.`,
    );
  if (judged.out === 'low')
    parts.push(
      `${text(showFlow(seen.flow - seen.out!, units))} of ${text(showFlow(seen.flow, units))} is lost on the way.`,
    );
  else if (seen.out !== undefined && out) parts.push(`${text(showFlow(seen.out, units))} comes out.`);
  if (parts.length === 0) return 'Nothing was seen that could be judged yet.';
  const good = judged.asPlanned && (judged.shows !== null || judged.out !== null);
  return `${good ? 'As planned. ' : ''}${parts.join(' ')}`;
}

/** How many times as much, as it is said. */
export const times = (share: number): string => `${share < 1.95 ? share.toFixed(1) : Math.round(share)} times`;

/** Visits of a job as tests of a line: what was seen, in the terms that explanations are ranked by. */
import { ofKind, type Job } from '../job/job';
import type { TestOf, Visit } from '../job/kinds';
import type { HoseSeen } from './line/hoseTest';
import type { LineTest } from './line/tests';
import { wayDown, type OfPlan, type WayDown } from './line/wayDown';

/** A pipe that holds its water: no more than so much of it falls, m. */
export const HELD = 0.003;
/** Tests farther apart than this, ms, are of another season. */
const TOGETHER = 60 * 86_400_000;

/** Flow of a bucket filled in so long, m³/s. */
export const flowOf = ({ volume, seconds }: { volume: number; seconds: number }): number => volume / seconds;

/** What a hose test saw; null while no bucket was filled or its clock still runs. */
export function hoseSeen({ bucket, end, running, shows, waited, up }: TestOf<'hose'>): HoseSeen | null {
  if (!bucket || running !== undefined) return null;
  return {
    flow: flowOf(bucket),
    ...(shows !== undefined ? { shows } : waited !== undefined ? { shows: null, waited } : {}),
    ...(end ? { out: flowOf(end) } : {}),
    up: up ?? null,
  };
}

/** What one visit tells of a line; none of what says nothing of pipes. */
export function testsOf(
  job: Job,
  plan: OfPlan & { landings: Record<string, { invert: number | null }> },
  { test }: Visit,
): LineTest[] {
  switch (test.type) {
    case 'hose': {
      const [way, seen] = [wayDown(job, plan, test.into), hoseSeen(test)];
      return way && seen && !way.soaks ? [{ type: 'hose', way, seen }] : [];
    }
    case 'levels':
      return test.read.flatMap(({ at, level }) => {
        const invert = plan.landings[at]?.invert;
        return invert === null || invert === undefined
          ? []
          : [{ type: 'levels' as const, landing: at, off: level - invert }];
      });
    case 'hold':
      return plan.runs[test.run] ? [{ type: 'hold', run: test.run, held: test.drop <= HELD }] : [];
    case 'camera': {
      if (!plan.runs[test.run]) return [];
      const first = test.met.find(({ found }) => found !== 'nothing') ?? test.met[0]!;
      return [{ type: 'camera', run: test.run, found: first.found, along: first.along }];
    }
    default:
      return [];
  }
}

/** Runs and landings that a test is about. */
const about = (test: LineTest): string[] =>
  test.type === 'hose' ? test.way.pipes.map(({ run }) => run) : [test.type === 'levels' ? test.landing : test.run];

/** The tests of the line of one hose test, that one first: those near it in time, since something was last mended there. */
export function testsOfLine(
  job: Job,
  plan: Parameters<typeof testsOf>[1],
  visit: Visit,
): { ways: WayDown[]; tests: LineTest[] } {
  const [first] = testsOf(job, plan, visit);
  if (first?.type !== 'hose') return { ways: [], tests: [] };
  const { way } = first;
  const runs = new Set(way.pipes.map(({ run }) => run));
  const on = new Set([...runs, ...way.landings.map(({ id }) => id)]);
  const at = Date.parse(visit.at);
  const visits = ofKind(job, 'visit').filter((each) => each.id !== visit.id);
  const mended = visits
    .filter((each) => each.mended && Date.parse(each.at) <= at)
    .reduce((latest, each) => Math.max(latest, Date.parse(each.at)), -Infinity);
  const near = visits.filter((each) => Math.abs(Date.parse(each.at) - at) <= TOGETHER && Date.parse(each.at) > mended);
  const others = near
    .flatMap((each) => testsOf(job, plan, each))
    .filter((test) => about(test).some((id) => on.has(id)));
  const above = Object.keys(plan.landings).flatMap((id) => {
    const other = id === way.from ? null : wayDown(job, plan, id);
    return other && !other.soaks && other.pipes.some(({ run }) => runs.has(run)) ? [other] : [];
  });
  const pourable = above.filter(({ landings: [head] }) => head!.mouths.some(({ id }) => id === head!.id));
  return { ways: [way, ...pourable], tests: [first, ...others] };
}

/** Laying the rest of a run anew from where it was laid otherwise: a grade break there, what lies below it as it was read. */
import { freeName, splitRun } from '../job/edits/insert';
import type { Change } from '../job/change';
import { freshId } from '../job/ids';
import { elementOf, nameOf, type Job } from '../job/job';
import type { Junction } from '../job/kinds';
import { wayOfRun } from '../job/places';
import type { RunPlan } from '../plan/solution';
import type { Rest } from './asLaid';
import type { DigStation } from './digSheet';

/** Nearer to a run's end than this nothing is parted off, m. */
const LEAST = 0.1;

/**
 * The change that re-pitches what is not laid yet: from the reading (`level`, m) at a station up to the head, which is raised by what the
 * least pitch asks. Null at a run's own end, where there is nothing between to part.
 */
export function rePitch(job: Job, plan: RunPlan, station: DigStation, level: number, rest: Rest): Change | null {
  const run = elementOf(job, 'run', plan.id);
  if (!run || station.along < LEAST || run.length - station.along < LEAST) return null;
  const gradeBreak: Junction = {
    id: freshId('node'),
    kind: 'junction',
    form: 'bend',
    name: freeName(job, 'Grade break'),
    groundLevel: station.ground,
  };
  // Set at both ends: what is laid stays where it was read, and the rest leads up to the head.
  const graded = { ...run, grade: { type: 'levels' as const, up: plan.invertUp + rest.raise, down: plan.invertDown } };
  const change = splitRun(graded, gradeBreak, freshId('run'), station.along, wayOfRun(job, run));
  const puts = change.puts.map((element) => {
    if (element.kind !== 'run') return element;
    return element.id === run.id
      ? { ...element, grade: { type: 'levels' as const, up: plan.invertUp + rest.raise, down: level } }
      : { ...element, grade: { type: 'levels' as const, up: level, down: plan.invertDown } };
  });
  return { label: `Re-pitch the rest up to ${nameOf(job, rest.head)}`, puts, removes: [] };
}

/** Laying the rest of a run anew from where it was laid otherwise: a grade break there, what lies below it as it was read. */
import { freeName, splitRun } from '../job/edits/insert';
import type { Change } from '../job/change';
import { freshId } from '../job/ids';
import { elementOf, nameOf, type Job } from '../job/job';
import type { Junction, Run } from '../job/kinds';
import { wayOfRun } from '../job/places';
import type { RunPlan } from '../plan/solution';
import type { DigStation } from './digSheet';

/** Nearer to a run's end than this nothing is parted off, m. */
const LEAST = 0.1;

/**
 * The change that re-pitches what is not laid yet: from the reading (`level`, m) at a station up to the head, raised by so much (m). What
 * is laid stays where it was read. Null at a run's own end, where there is nothing between to part.
 */
export function rePitch(job: Job, plan: RunPlan, station: DigStation, level: number, raise: number): Change | null {
  const run = elementOf(job, 'run', plan.id);
  if (!run || station.along < LEAST || run.length - station.along < LEAST) return null;
  const gradeBreak: Junction = {
    id: freshId('node'),
    kind: 'junction',
    form: 'bend',
    name: freeName(job, 'Grade break'),
    groundLevel: station.ground,
  };
  const { puts } = splitRun(run, gradeBreak, freshId('run'), station.along, wayOfRun(job, run));
  const graded = (part: Run, up: number, down: number): Run => ({ ...part, grade: { type: 'levels', up, down } });
  return {
    label: `Re-pitch the rest up to ${nameOf(job, plan.from)}`,
    puts: puts.map((part) => {
      if (part.kind !== 'run') return part;
      return part.id === run.id ? graded(part, plan.invertUp + raise, level) : graded(part, level, plan.invertDown);
    }),
    removes: [],
  };
}

/** A cleanout put in where a line runs too far without one. */
import { changed, put, type Change } from '../../job/change';
import { freeName, splitRun } from '../../job/edits/insert';
import { runOf } from '../../job/edits/pipes';
import { freshId } from '../../job/ids';
import type { Job } from '../../job/job';
import type { Element, Junction, Run } from '../../job/kinds';
import { wayOfRun } from '../../job/places';
import { fromAccess } from '../../snags/pipes/noCleanout';
import { groundAlong } from '../../network/groundAlong';
import type { RunPlan } from '../../plan/solution';
import { fixOfChange, type FixRule } from './fix';

/** Nearer than this to the head of a run there is nothing to split, m: the junction there is brought to grade itself. */
const AT_HEAD = 1;

export const cleanout: FixRule = {
  code: 'noCleanout',
  *candidates(snag, job, solution) {
    const run = runOf(job, snag.at);
    const planned = solution.runs[snag.at]!;
    const runs = Object.values(solution.runs);
    const along = snag.limit - fromAccess(job, runs)[runs.indexOf(planned)]!;
    const head = job.elements.get(run.from);
    if (head?.kind === 'junction' && head.form !== 'wye' && head.form !== 'tee')
      yield fixOfChange(put(`Bring ${head.name} to grade as a cleanout`, { ...head, form: 'cleanout' }));
    if (along < AT_HEAD || along > run.length - 0.01) return;
    const every = snag.limit;
    const count = Math.max(1, Math.ceil((run.length - along) / every - 1e-9));
    const label = count === 1 ? 'Put in a cleanout' : `Put in ${count} cleanouts`;
    const places = Array.from({ length: count }, (_, k) => along + k * every);
    yield { label, change: { ...splitAt(job, run, places, planned, false), label } };
    // Where the ground at a new landing would press the pipe down, it is held where it lies.
    yield { label, change: { ...splitAt(job, run, places, planned, true), label } };
  },
};

/** A run split by cleanouts at several places (m from its head), left to find its levels or held where it lies. */
function splitAt(job: Job, run: Run, places: readonly number[], planned: RunPlan, held: boolean): Change {
  let now = job;
  let rest = run;
  const puts = new Map<string, Element>();
  places.forEach((place, k) => {
    const landing: Junction = {
      id: freshId('cleanout'),
      kind: 'junction',
      form: 'cleanout',
      name: freeName(now, 'Cleanout'),
      groundLevel: groundAlong(planned, place),
    };
    const below = freshId('runBelowCleanout');
    const split = splitRun(rest, landing, below, place - (places[k - 1] ?? 0), wayOfRun(now, rest));
    for (const element of split.puts)
      puts.set(
        element.id,
        held && element.id === below && element.kind === 'run'
          ? { ...element, grade: heldAt(element, planned.invertUp - planned.pitch * place) }
          : element,
      );
    now = changed(now, { ...split, puts: [...puts.values()] });
    rest = now.elements.get(below) as Run;
  });
  return { label: '', puts: [...puts.values()], removes: [] };
}

const heldAt = ({ grade }: Run, up: number): Run['grade'] =>
  grade.type === 'levels' ? { ...grade, up } : { type: 'levels', up };

/** What mends a line that the ground between its landings, a tree or a tape speaks against. */
import { put } from '../../job/change';
import { freeName, splitRun } from '../../job/edits/insert';
import { runOf } from '../../job/edits/pipes';
import { freshId } from '../../job/ids';
import type { Junction } from '../../job/kinds';
import { wayOfRun } from '../../job/places';
import { fixOfChange, type FixRule } from './fix';

export const onGround: readonly FixRule[] = [
  {
    code: 'groundBetween',
    *candidates(snag, job) {
      const run = runOf(job, snag.at);
      const way = wayOfRun(job, run);
      const along = snag.length ?? 0;
      if (!way || along < 0.3 || along > run.length - 0.3) return;
      const landing: Junction = {
        id: freshId('bend'),
        kind: 'junction',
        form: 'bend',
        name: freeName(job, 'Grade break'),
        groundLevel: 0,
      };
      yield {
        ...fixOfChange(splitRun(run, landing, freshId('run'), along, way)),
        label: 'Put a grade break at the dip',
      };
    },
  },
  {
    code: 'deepBetween',
    *candidates(snag, job) {
      yield fixOfChange(put('Plan protection for the trench', { ...runOf(job, snag.at), shored: true }));
    },
  },
  {
    code: 'rootsCrossed',
    *candidates(snag, job) {
      const run = runOf(job, snag.at);
      for (const material of ['doubleWall', 'smooth'] as const)
        yield fixOfChange(
          put(material === 'smooth' ? 'Lay it in glued pipe' : 'Lay it in gasketed double wall', { ...run, material }),
        );
    },
  },
  {
    code: 'lengthDisagrees',
    *candidates(snag, job) {
      yield fixOfChange(put('Take its length from the plan', { ...runOf(job, snag.at), lengthFrom: 'plan' }));
    },
  },
];

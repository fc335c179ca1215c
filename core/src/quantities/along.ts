/** What goes in along a trench besides its pipe: tape and wire over it, anchors where it is steep, copper where roots are. */
import { elementOf, ofKind, type Job } from '../job/job';
import type { BuildWays } from '../job/buildWays';
import { isNew, landsOnGutter } from '../job/kinds';
import type { Solution } from '../plan/solution';
import { METRES_PER_FOOT } from '../units/constants';
import type { Counting } from './counting';
import { ownMeets, type Trench } from './earth';
import type { Dug } from './worksDug';

/** From this pitch pipe creeps down its trench, m/m, and is held every so many metres: 15 ft. */
const STEEP = 0.2;
const ANCHORED = 15 * METRES_PER_FOOT;

/** Couplings for a pipe of the sprinklers that is cut and put back. */
const REPAIRS = 2;

interface Along {
  job: Job;
  solution: Pick<Solution, 'runs'>;
  trenches: readonly Trench[];
  works: readonly Dug[];
  ways: BuildWays;
}

export function countAlong({ job, solution, trenches, works, ways }: Along, counting: Counting): void {
  const tape = counting.of({ type: 'markingTape' });
  const wire = counting.of({ type: 'tracer' });
  const repair = counting.of({ type: 'sprinklerRepair' });
  for (const trench of [...trenches.map(ownMeets), ...works])
    for (const { id } of trench.meets)
      if (elementOf(job, 'service', id)?.form === 'irrigation') repair(trench.id, REPAIRS);
  for (const { id, own } of trenches) {
    // Over pipes in one trench lies one tape.
    if (ways.markingTape) tape(id, own);
    if (ways.tracer) wire(id, own);
  }
  const { runs } = solution;
  const within = new Map(
    !ways.copperWrap
      ? []
      : trenches.map(({ id, meets }) => [
          id,
          meets.filter(({ kind }) => kind === 'tree').reduce((sum, { from, to }) => sum + to - from, 0),
        ]),
  );
  for (const run of ofKind(job, 'run')) {
    const plan = runs[run.id];
    if (!plan || !isNew(run)) continue;
    const { nominal, parallel = 1 } = run;
    if (plan.pitch > STEEP)
      counting.add({ type: 'anchor' }, run.id, parallel * Math.max(1, Math.floor(run.length / ANCHORED)));
    if (ways.copperWrap) counting.add({ type: 'copperSock', nominal }, run.id, parallel * (within.get(run.id) ?? 0));
  }
  for (const { id, freezeOverflow } of ofKind(job, 'fixedFlow'))
    if (freezeOverflow) counting.add({ type: 'frostOverflow' }, id);
  if (ways.leafFilters)
    for (const spout of ofKind(job, 'downspout'))
      if (!landsOnGutter(spout) && runs[ofKind(job, 'run').find(({ from }) => from === spout.id)?.id ?? ''])
        counting.add({ type: 'leafFilter', size: spout.size }, spout.id);
}

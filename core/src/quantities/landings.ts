/**
 * All that is set at landings, one after another. What a landing takes is kept while its pipes, its level and how it is built stay: of 221
 * runs and their landings counted anew after every edit the whole list took 16 to 19 ms, kept so it takes under 10.
 */
import type { Item } from '../catalogue/items';
import { waysOf } from '../job/buildWays';
import { headOf, landingsOf, type Job } from '../job/job';
import type { JobElement, Landing } from '../job/kinds';
import { step, type Kept } from '../numeric/kept';
import type { Solution } from '../plan/solution';
import { countBasin, weeps } from './basins';
import { Counting } from './counting';
import { countJunction } from './fittings';
import { countChannel, countSpout, pavedInlets } from './inlets';
import { countOutlet } from './outlets';
import { countBarrel, countOwnPipe } from './ownPipes';
import { pipesAtEach, type At } from './pipesAt';

type Count = (at: At<never>, counting: Counting) => void;

const COUNTS: Record<Landing['kind'], Count> = {
  junction: countJunction,
  downspout: countSpout,
  basin: countBasin,
  channel: countChannel,
  discharge: countOutlet,
  drain: countOwnPipe,
  drainField: countOwnPipe,
  stoneDrain: countOwnPipe,
  pavedBed: countOwnPipe,
  barrel: countBarrel,
};

interface Line {
  key: string;
  item: Item;
  quantity: number;
}

const setAt = step('set at a landing', (at: At<Landing>): readonly Line[] => {
  const own = new Counting();
  COUNTS[at.landing.kind](at as At<never>, own);
  return own.all.flatMap(({ key, item, uses }) => uses.map(({ quantity }) => ({ key, item, quantity })));
});

const chosenWays = step('how it is built', ({ chosen }: { chosen: JobElement['ways'] }) => waysOf(chosen));

/** Counts what is set at every landing of a job. */
export function countLandings(
  job: Job,
  { landings: plans }: Pick<Solution, 'landings'>,
  kept: Kept,
  counting: Counting,
): void {
  const landings = landingsOf(job);
  const ways = kept.ask(chosenWays, { chosen: headOf(job).ways });
  const paved = pavedInlets(job);
  const asked = kept.row(setAt, landings);
  const pipes = pipesAtEach(job, landings, kept);
  landings.forEach((landing, k) => {
    const { id } = landing;
    const lines = asked(k, {
      landing,
      pipes: pipes[k]!,
      invert: plans[id]?.invert ?? null,
      ways,
      paved: paved.has(id),
      weeps: landing.kind === 'basin' && weeps(job, landing, ways),
    });
    for (const { key, item, quantity } of lines) counting.addFirst(key, item, id, quantity);
  });
}

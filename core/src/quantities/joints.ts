/** What makes the joints of what was counted: couplers between sticks, cleaner, primer and cement, lubricant of gaskets, tape. */
import { packOf, PIPE_SUPPLY } from '../catalogue/supply';
import type { BuildWays } from '../job/buildWays';
import { METRES_PER_INCH } from '../units/constants';
import type { Counted, Counting, Use } from './counting';
import type { Item } from '../catalogue/items';

/** Joints that each part is fitted by, as it is sold: two of a coupler, three of a wye. */
const HUBS: Partial<Record<Item['type'], number>> = {
  coupler: 2,
  slipCoupler: 2,
  wye: 3,
  tee: 3,
  bend: 2,
  reducer: 2,
  adapter: 1,
  cap: 1,
  cleanoutCap: 1,
  boxOutlet: 1,
  inletSeal: 1,
  channelOutlet: 1,
  downspoutAdapter: 1,
};
/** L for a joint of 4 in, and as much more as it has more area: of cement, half as much of primer and of cleaner, and of lubricant on a gasket. Usual on the can. */
const CEMENT = 0.027;
const LUBRICANT = 0.015;
const SIZE = 4 * METRES_PER_INCH;

/**
 * Couplers for one pipe, by the runs that want them. Sticks with a bell join in it, each run's one cut piece lying at its head, where its
 * end goes into a fitting: they want none. Of pipe without bells every joint within a run does.
 */
export function couplersFor(counted: Counted, pack: number): Use[] {
  if (counted.item.type !== 'pipe' || PIPE_SUPPLY[counted.item.material].belled) return [];
  return counted.uses.map((use) => ({ id: use.id, quantity: bellsIn(use, pack) }));
}

/** Joints from stick to stick of one piece. */
const bellsIn = ({ quantity }: Use, pack: number): number => Math.max(0, Math.ceil(quantity / pack - 1e-6) - 1);

/** Joints of every make, by the parts that have them: what is pushed together dry, or not taped, takes nothing. */
export function countJoints(
  parts: readonly Counted[],
  { gluedJoints, tapedJoints }: Pick<BuildWays, 'gluedJoints' | 'tapedJoints'>,
  counting: Counting,
): void {
  const glued = new Map<string, number>();
  const lubricated = new Map<string, number>();
  const taped = new Map<string, number>();
  for (const part of parts) {
    const { item } = part;
    if (!('material' in item)) continue;
    const { joint, belled } = PIPE_SUPPLY[item.material];
    if ((joint === 'glued' && !gluedJoints) || (joint === 'taped' && !tapedJoints)) continue;
    const isBelled = item.type === 'pipe' && belled;
    const stick = isBelled ? packOf(item.material, item.nominal).length : 0;
    const hubs = HUBS[item.type] ?? 0;
    if (hubs === 0 && !isBelled) continue;
    const [at, each] =
      joint === 'taped'
        ? // Twice round.
          [taped, 2 * Math.PI * item.nominal]
        : [joint === 'glued' ? glued : lubricated, (item.nominal / SIZE) ** 2];
    for (const use of part.uses) {
      // A bell takes the next stick's end.
      const joints = isBelled ? bellsIn(use, stick) : hubs * use.quantity;
      if (joints > 0) at.set(use.id, (at.get(use.id) ?? 0) + joints * each);
    }
  }
  const [cement, primer, cleaner] = (['cement', 'primer', 'cleaner'] as const).map((type) => counting.of({ type }));
  for (const [id, joints] of glued) {
    cement!(id, CEMENT * joints);
    primer!(id, (CEMENT / 2) * joints);
    cleaner!(id, (CEMENT / 2) * joints);
  }
  const lubricant = counting.of({ type: 'lubricant' });
  for (const [id, joints] of lubricated) lubricant(id, LUBRICANT * joints);
  const tape = counting.of({ type: 'tape' });
  for (const [id, length] of taped) tape(id, length);
}

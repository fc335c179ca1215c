/** What makes the joints of what was counted: couplers between sticks, cleaner, primer and cement, lubricant of gaskets, tape. */
import { packOf, PIPE_SUPPLY } from '../catalogue/supply';
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
  return betweenSticks(counted, pack);
}

/** Joints from stick to stick, by the runs that have them. */
const betweenSticks = ({ uses }: Counted, pack: number): Use[] =>
  uses.map(({ id, quantity }) => ({ id, quantity: Math.max(0, Math.ceil(quantity / pack - 1e-6) - 1) }));

/** Joints of every make, by the parts that have them. */
export function countJoints(parts: readonly Counted[], counting: Counting): void {
  const cement = counting.of({ type: 'cement' });
  const primer = counting.of({ type: 'primer' });
  const cleaner = counting.of({ type: 'cleaner' });
  const lubricant = counting.of({ type: 'lubricant' });
  const tape = counting.of({ type: 'tape' });
  for (const part of parts) {
    const { item } = part;
    if (!('material' in item)) continue;
    const { joint, belled } = PIPE_SUPPLY[item.material];
    // A bell takes the next stick's end.
    const bells = item.type === 'pipe' && belled ? betweenSticks(part, packOf(item.material, item.nominal).length) : [];
    const hubs = HUBS[item.type] ?? 0;
    const area = (item.nominal / SIZE) ** 2;
    for (const { id, quantity } of [...bells, ...part.uses.map((use) => ({ ...use, quantity: hubs * use.quantity }))]) {
      if (quantity <= 0) continue;
      if (joint === 'glued') {
        cement(id, CEMENT * area * quantity);
        primer(id, (CEMENT / 2) * area * quantity);
        cleaner(id, (CEMENT / 2) * area * quantity);
      } else if (joint === 'gasket') lubricant(id, LUBRICANT * area * quantity);
      // Twice round.
      else tape(id, quantity * 2 * Math.PI * item.nominal);
    }
  }
}

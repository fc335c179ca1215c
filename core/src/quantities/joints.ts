/** What makes the joints of what was counted: couplers between sticks, primer and cement, tape. */
import { PIPE_SUPPLY } from '../catalogue/supply';
import { METRES_PER_INCH } from '../units/constants';
import type { Counted, Counting, Use } from './counting';
import type { Item } from '../catalogue/items';

/** Hubs that pipe goes into, of each fitting. */
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
};
/** L of cement for a joint of 4 in, and as much more as it has more area; half as much primer. Usual on the can. */
const CEMENT = 0.027;
const SIZE = 4 * METRES_PER_INCH;

/**
 * Couplers for one pipe, by the runs that want them. Sticks with a bell join in it, each run's one cut piece lying at its head, where its
 * end goes into a fitting: they want none. Of pipe without bells every joint within a run does.
 */
export function couplersFor({ item, uses }: Counted, pack: number): Use[] {
  if (item.type !== 'pipe' || PIPE_SUPPLY[item.material].belled) return [];
  return uses.map(({ id, quantity }) => ({ id, quantity: Math.max(0, Math.ceil(quantity / pack - 1e-6) - 1) }));
}

/** Joints of every make, by the parts that have them. */
export function countJoints(parts: readonly Counted[], counting: Counting): void {
  const glue = counting.of({ type: 'cement' });
  const primer = counting.of({ type: 'primer' });
  const tape = counting.of({ type: 'tape' });
  for (const { item, uses } of parts) {
    const hubs = HUBS[item.type];
    if (hubs === undefined || !('material' in item)) continue;
    const { joint } = PIPE_SUPPLY[item.material];
    if (joint !== 'glued' && joint !== 'taped') continue;
    // Cement by area, half as much primer; tape twice round.
    const cement = hubs * CEMENT * (item.nominal / SIZE) ** 2;
    for (const { id, quantity } of uses)
      if (joint === 'glued') {
        glue(id, cement * quantity);
        primer(id, (cement * quantity) / 2);
      } else tape(id, hubs * quantity * 2 * Math.PI * item.nominal);
  }
}

/** What of a job a line of its price pays for: for who asks where the money goes. */
import { SET_ITEMS } from '../quantities/met';
import type { Item } from '../catalogue/items';
import type { TakeOff } from '../quantities/takeOff';
import type { WorkRate } from './book';
import type { PriceLine } from './price';

/** Work that is counted by parts of these types; the rest of it is done along the trenches. */
const BY_PARTS: Partial<Record<WorkRate, readonly Item['type'][]>> = {
  lay: ['pipe', 'pumpLine'],
  set: SET_ITEMS,
  channelSet: ['channel'],
  saw: ['saw'],
  slab: ['slab'],
  turf: ['turf'],
  sod: ['sodCut'],
  sow: ['seed'],
  earth: ['dug', 'fill'],
  stonePlaced: ['stone'],
  haul: ['spoil'],
};

/** Ids of what a line pays for; none of a visit, of what is rented and of extras, which are for the whole job. */
export function paidFor(line: PriceLine, { parts, trenches }: TakeOff): string[] {
  if (line.rented !== undefined || line.extra !== undefined || line.note !== undefined || line.work === 'visit')
    return [];
  if (line.work === null) return parts.find(({ key }) => key === line.key)?.uses.map(({ id }) => id) ?? [];
  const types = BY_PARTS[line.work];
  const ids = types
    ? parts.filter(({ item }) => types.includes(item.type)).flatMap(({ uses }) => uses.map(({ id }) => id))
    : trenches.map(({ id }) => id);
  return [...new Set(ids)];
}

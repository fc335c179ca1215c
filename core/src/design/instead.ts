/** One work in the place of another, all that led to it and from it kept: the same thing by another name, so that both can be compared. */
import { put, type Change } from '../job/change';
import type { Channel, StoneDrain } from '../job/kinds';
import { METRES_PER_INCH } from '../units/constants';

/** Top of open stone below the slab that sheds to it. */
const BELOW_SLAB = 2 * METRES_PER_INCH;
const WIDTH = 12 * METRES_PER_INCH;
const DEPTH = 18 * METRES_PER_INCH;

/** An open stone drain where a channel drain stands, `groundLevel` (m) its grate as it lies. */
export function stoneInstead(channel: Channel, groundLevel: number): Change {
  const { id, name, way, length, sillLevel } = channel;
  const stone: StoneDrain = {
    id,
    kind: 'stoneDrain',
    name,
    ...(way ? { way } : { length }),
    groundLevel: groundLevel - BELOW_SLAB,
    slabLevel: groundLevel,
    ...(sillLevel === undefined ? {} : { sillLevel }),
    width: WIDTH,
    depth: DEPTH,
    stone: 'round',
    fabric: 'wrapped',
  };
  return put(`Make ${name} an open stone drain`, stone);
}

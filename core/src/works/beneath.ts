/** What seeps out of swales into the drains beneath them. */
import type { Soil } from '../catalogue/soils';
import { wetAt } from '../hydraulics/swaleFlow';
import type { Drain, Swale } from '../job/kinds';
import { placeAlong } from '../job/places';
import { footOnWay, wayLength } from '../site/place';
import { conductivityOf, lengthOf } from './measures';
import { shapeOf } from './swale';

/** A drain within a pace of a swale's middle lies beneath it, m. */
const PACE = 1;
/** Places along a swale at which the drain beneath is looked for. */
const STATIONS = 24;

/** How much of a swale a drain lies beneath, m: all of it where that was said, else by the plan. */
export function lengthOver(swale: Swale, drain: Pick<Drain, 'id' | 'way' | 'length'>): number {
  if (swale.beneath === drain.id) return Math.min(lengthOf(swale), lengthOf(drain) || Infinity);
  const { way } = drain;
  if (!swale.way || !way) return 0;
  const whole = wayLength(swale.way);
  let over = 0;
  for (let k = 0; k < STATIONS; k++) {
    const at = placeAlong(swale.way, (whole * (k + 0.5)) / STATIONS);
    if ((footOnWay(way, at)?.distance ?? Infinity) < PACE) over += 1 / STATIONS;
  }
  return over * lengthOf(swale);
}

/**
 * What sinks out of swales that run full into a drain beneath them, m³/s: Darcy at a gradient of one through the wet perimeter, the most
 * that the soil between them lets through.
 */
export const seepsInto = (drain: Drain, swales: readonly Swale[], soil: Soil | undefined): number =>
  swales.reduce((sum, swale) => {
    const over = lengthOver(swale, drain);
    return over > 0 ? sum + conductivityOf(swale, soil) * wetAt(shapeOf(swale), swale.depth).perimeter * over : sum;
  }, 0);

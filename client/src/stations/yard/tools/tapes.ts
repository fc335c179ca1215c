/** Two corners that tapes are laid from, or that a picture is laid by. */
import type { Place } from '@katabasis/core';
import type { Draft } from '../../../drawing/yard/OverPlan';
import type { Tapes } from '../doing';
import type { Board } from './entry';

/** With one corner more; both are there once two were tapped. */
export function withTape(tapes: Tapes | null, place: Place): Tapes {
  if (!tapes?.a) return { a: place, b: null };
  return tapes.b ? tapes : { ...tapes, b: place };
}

/** What was tapped of them; nothing while a place is pointed at. */
export function tapesBegun({ begun: { tapes }, mark }: Board): Draft | null {
  if (!tapes?.a || mark) return null;
  return { places: tapes.b ? [tapes.a, tapes.b] : [tapes.a], closed: false };
}

/** Pipes side by side under an outline, down its fall, and the collector that gathers their feet. */
import { distance, wayLength, type Place } from '../site/place';

export interface FieldLines {
  /** Each from its head to its foot. */
  laterals: [Place, Place][];
  /** Along their feet to where the field's pipe leaves. */
  collector: Place[];
  /** Of all pipes together, and between two of them, m. */
  length: number;
  spacing: number;
}

/** No field has more pipes than this; where its spacing would ask for more they lie further apart. */
const MOST = 400;
/** A stretch shorter than this is not laid, m. */
const LEAST = 0.3;

/**
 * Lays a field: pipes `spacing` m apart, running to `fall` (rad from north, clockwise), cut where the outline is cut, gathered to `foot`.
 *
 *      head ┆   ┆   ┆   ┆        u points down the fall,
 *           ┆   ┆   ┆   ┆        v across it
 *      ─────┴───┴───┴───┴──▶ foot
 */
export function layField(outline: readonly Place[], spacing: number, fall: number, foot: Place): FieldLines {
  const [sine, cosine] = [Math.sin(fall), Math.cos(fall)];
  const turned = outline.map(({ east, north }) => ({
    u: east * sine + north * cosine,
    v: east * cosine - north * sine,
  }));
  const back = (u: number, v: number): Place => ({ east: u * sine + v * cosine, north: u * cosine - v * sine });
  const [low, high] = [Math.min(...turned.map(({ v }) => v)), Math.max(...turned.map(({ v }) => v))];
  const count = Math.min(MOST, Math.max(1, Math.round((high - low) / spacing)));
  const wide = (high - low) / count;
  const between = count < MOST ? Math.min(spacing, wide) : wide;
  const laterals: [Place, Place][] = [];
  for (let k = 0; k < count; k++) {
    const v = (low + high) / 2 + (k - (count - 1) / 2) * between;
    const cuts: number[] = [];
    turned.forEach((a, at) => {
      const b = turned[(at + 1) % turned.length]!;
      if (a.v > v !== b.v > v) cuts.push(a.u + ((v - a.v) / (b.v - a.v)) * (b.u - a.u));
    });
    cuts.sort((one, other) => one - other);
    for (let at = 0; at + 1 < cuts.length; at += 2)
      if (cuts[at + 1]! - cuts[at]! >= LEAST) laterals.push([back(cuts[at]!, v), back(cuts[at + 1]!, v)]);
  }
  const feet = laterals.map(([, end]) => end);
  if (feet.length > 1 && distance(feet[0]!, foot) < distance(feet.at(-1)!, foot)) feet.reverse();
  const collector = [...feet, foot];
  const length = laterals.reduce((sum, [a, b]) => sum + distance(a, b), wayLength(collector));
  return { laterals, collector, length, spacing: between };
}

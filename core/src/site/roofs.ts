/**
 * Roofs over an outline: gable, hip or shed over four walls, and over six with a valley where the wing meets the house. All faces have
 * one pitch, so that what lies beneath each is a matter of distances from the eaves: a face holds what is nearest to its own.
 */
import { difference, setPrecision, type Geom } from 'polyclip-ts';
import { areaOf, distance, leftness, onward, bearing, sidesOf, signedArea, type Place } from './place';

/** Nearer than this two lines of a roof are one, m. */
setPrecision(1e-7);

export const ROOF_FORMS = ['gable', 'hip', 'shed'] as const;
export type RoofForm = (typeof ROOF_FORMS)[number];

export interface Face {
  outline: Place[];
  /** The edge that its gutter runs along. */
  eave: [Place, Place];
  /** Water comes down a valley on to it, or off it into one. */
  valley: boolean;
}

/** How far a corner may be from square, as the cosine of its angle. */
const SQUARE = 0.2;

/** Faces of a roof over an outline; null where it is neither four square walls nor six in the shape of an L. */
export function roofOver(outline: readonly Place[], form: RoofForm): Face[] | null {
  const round = signedArea(outline) < 0 ? [...outline].reverse() : [...outline];
  if (!isSquare(round)) return null;
  if (round.length === 4) return overFour(round, form);
  return round.length === 6 ? overSix(round, form) : null;
}

const isSquare = (outline: readonly Place[]): boolean =>
  outline.every((corner, k) => {
    const before = outline[(k + outline.length - 1) % outline.length]!;
    const after = outline[(k + 1) % outline.length]!;
    return Math.abs(Math.cos(bearing(corner, before) - bearing(corner, after))) <= SQUARE;
  });

/** Signed distance of a place to the left of the way from a to b, m. */
const off = (a: Place, b: Place, place: Place): number => leftness(a, b, place) / (distance(a, b) || 1);

/** The part of a convex outline where a linear measure is not negative. */
function cut(outline: readonly Place[], measure: (place: Place) => number): Place[] {
  const kept: Place[] = [];
  for (const [a, b] of sidesOf(outline)) {
    const [here, there] = [measure(a), measure(b)];
    if (here >= 0) kept.push(a);
    if (here >= 0 !== there >= 0) {
      const share = here / (here - there);
      kept.push({ east: a.east + share * (b.east - a.east), north: a.north + share * (b.north - a.north) });
    }
  }
  return kept;
}

/** Faces over four walls that go round anticlockwise: the ridge runs the long way. */
function overFour(corners: readonly Place[], form: RoofForm): Face[] {
  const sides = sidesOf(corners);
  const long = distance(...sides[0]!) >= distance(...sides[1]!) ? [0, 2] : [1, 3];
  if (form === 'shed') return [{ outline: [...corners], eave: sides[long[0]!]!, valley: false }];
  const eaves = form === 'gable' ? long : [0, 1, 2, 3];
  return eaves.map((own) => ({
    outline: eaves
      .filter((other) => other !== own)
      .reduce<Place[]>(
        (rest, other) => cut(rest, (place) => off(...sides[other]!, place) - off(...sides[own]!, place)),
        [...corners],
      ),
    eave: sides[own]!,
    valley: false,
  }));
}

/** The foot of a place on the line of a wall. */
function footOf(a: Place, b: Place, place: Place): Place {
  return onward(place, bearing(a, b) + Math.PI / 2, off(a, b, place));
}

interface Wing {
  /** The house's corners and the wing's, both anticlockwise. */
  house: Place[];
  wing: Place[];
  /** The side of the wing, by index, that lies against the house. */
  joined: number;
}

/** Faces over an L: the greater part as a house of four walls, the other as its wing, whose roof runs on into the house's. */
function overSix(corners: readonly Place[], form: RoofForm): Face[] | null {
  const inner = corners.findIndex((corner, k) => leftness(corners[(k + 5) % 6]!, corner, corners[(k + 1) % 6]!) < 0);
  if (inner === -1 || form === 'shed') return null;
  //   c2 ── c1
  //   │     │        c0 is the inner corner. The wall c1–c0 run on to c3–c4 parts the L one way,
  //   │     c0 ── c5   the wall c5–c0 run on to c2–c3 the other.
  //   │           │
  //   c3 ──────── c4
  const c = Array.from({ length: 6 }, (_, k) => corners[(inner + k) % 6]!) as [
    Place,
    Place,
    Place,
    Place,
    Place,
    Place,
  ];
  const below = footOf(c[3], c[4], c[0]);
  const beside = footOf(c[2], c[3], c[0]);
  const ways: Wing[] = [
    { house: [c[1], c[2], c[3], below], wing: [c[0], below, c[4], c[5]], joined: 0 },
    { house: [beside, c[3], c[4], c[5]], wing: [c[0], c[1], c[2], beside], joined: 3 },
  ];
  // A wing's ridge must not stand over the house's: it is no wider than the house is deep.
  const fitting = ways
    .filter(({ house, wing, joined }) => distance(...sidesOf(wing)[joined]!) <= depthOf(house) + 1e-6)
    .sort((a, b) => areaOf(b.house) - areaOf(a.house));
  return fitting[0] ? withWing(fitting[0], form) : null;
}

const depthOf = (house: readonly Place[]): number => Math.min(...sidesOf(house).map((side) => distance(...side)));

function withWing({ house, wing, joined }: Wing, form: RoofForm): Face[] {
  const main = overFour(house, form);
  const sides = sidesOf(wing);
  const out = sides[(joined + 1) % 4]!;
  const end = sides[(joined + 2) % 4]!;
  const back = sides[(joined + 3) % 4]!;
  const ends = form === 'hip' ? [end] : [];
  const [a, b] = sides[joined]!;
  const middle = { east: (a.east + b.east) / 2, north: (a.north + b.north) / 2 };
  const against = main.find((face) => Math.abs(off(...face.eave, middle)) < 0.05);
  // The wing's ground, run on under the whole house where the roofs meet.
  const reach = against ? 2 * Math.sqrt(areaOf(house)) + distance(...sidesOf(house)[0]!) : 0;
  const ground = [onward(out[0], bearing(...out), -reach), out[1], back[0], onward(back[1], bearing(...back), reach)];
  const wingFace = (own: [Place, Place], others: readonly [Place, Place][]): Face => ({
    outline: [...others, ...(against ? [against.eave] : [])].reduce<Place[]>(
      (rest, other) =>
        other === against?.eave
          ? cut(rest, (place) => off(...own, place) - off(...other, place))
          : cut(rest, (place) => off(...other, place) - off(...own, place)),
      ground,
    ),
    eave: own,
    valley: against !== undefined && own !== end,
  });
  const wings = [
    wingFace(out, [back, ...ends]),
    wingFace(back, [out, ...ends]),
    ...ends.map((each) => wingFace(each, [out, back])),
  ];
  if (!against) return [...main, ...wings];
  const left = difference(ring(against.outline), ...wings.map(({ outline }) => ring(outline)))
    .map(([outer]) => outer!.slice(0, -1).map(([east, north]) => ({ east, north })))
    .sort((one, other) => areaOf(other) - areaOf(one));
  return [
    ...main.filter((face) => face !== against),
    ...left
      .filter((outline) => areaOf(outline) > 0.01)
      .map((outline): Face => ({ outline, eave: against.eave, valley: true })),
    ...wings,
  ];
}

const ring = (outline: readonly Place[]): Geom => [outline.map(({ east, north }): [number, number] => [east, north])];

/** Formulas of the site: levels, places, ground and soil, as sums. */
import { z } from 'zod';
import { flood } from '../ground/flood';
import { findPonds } from '../ground/ponds';
import { Surface } from '../ground/surface';
import {
  bookLevels,
  collimationOf,
  LONGEST_ROD,
  PERMITTED,
  type BookFault,
  type Level,
  type Reading,
  type TwoPeg,
} from '../site/levelBook';
import type { Place } from '../site/place';
import { inverseAugerHole } from '../site/soilTest';
import { tie, type Tie } from '../site/tie';
import { closeTraverse, type Side } from '../site/traverse';
import { anyNumber, BadGiven, field, positive, rising, sum, type Sum } from './sum';

const M = 'm';
const place = z.strictObject({ east: anyNumber, north: anyNumber });
const point = z.string().min(1).max(120);
const rod = z.number().min(-LONGEST_ROD).max(LONGEST_ROD);

const BOOK_FAULTS: Record<BookFault['why'], string> = {
  noSetUp: 'is read without a set-up: a back sight must come first',
  unknownBack: 'is a back sight to a point of no known level',
  backTwice: 'is a second back sight of one set-up',
  rodTooLong: 'is longer than any rod',
};

/** A grid of as many levels in each row. */
const rows = z
  .array(z.array(anyNumber).min(1).max(2000))
  .min(1)
  .max(2000)
  .refine((grid) => grid.every((row) => row.length === grid[0]!.length), { error: 'must hold rows of one length' });

export const siteSums: readonly Sum[] = [
  sum(
    'levels.book',
    'HI = level + back sight, level = HI − rod; a misclosure within what is permitted is shared by set-ups.',
    {
      known: field(
        z
          .array(z.strictObject({ point, level: anyNumber }))
          .min(1)
          .max(10_000),
        M,
      ),
      readings: field(
        z.array(z.strictObject({ point, sight: z.enum(['back', 'between', 'fore']), rod })).max(100_000),
        'rod m, negative upside down',
      ),
      permitted: field(positive.optional(), `m, ${PERMITTED} when absent`),
    },
    { points: M, misclosure: M, adjusted: 'true or false' },
    (given: { known: Level[]; readings: Reading[]; permitted?: number }) => {
      const { points, misclosure, adjusted, faults } = bookLevels(given.known, given.readings, given.permitted);
      const fault = faults[0];
      if (fault) throw new BadGiven(`readings.${fault.reading}`, BOOK_FAULTS[fault.why]);
      return { points, misclosure, adjusted };
    },
  ),
  sum(
    'levels.twoPeg',
    'Collimation = ((endB − endA) − (midB − midA)) / distance; end readings from beside A.',
    {
      distance: field(positive, M),
      midA: field(rod, M),
      midB: field(rod, M),
      endA: field(rod, M),
      endB: field(rod, M),
    },
    { collimation: 'm/m, up positive' },
    (given: TwoPeg) => ({ collimation: collimationOf(given) }),
  ),
  sum(
    'plan.traverse',
    'Corners summed from the origin; the closing error shared by length (Bowditch 1808).',
    {
      sides: field(
        z
          .array(z.strictObject({ length: positive, bearing: anyNumber }))
          .min(3)
          .max(10_000),
        'length m; bearing rad from north, clockwise',
      ),
    },
    { misclosure: M, ratio: '–', corners: M },
    (given: { sides: Side[] }) => closeTraverse(given.sides),
  ),
  sum(
    'plan.tie',
    'Where two circles meet.',
    {
      a: field(place, M),
      b: field(place, M),
      fromA: field(positive, M),
      fromB: field(positive, M),
      side: field(z.enum(['left', 'right']), 'of the way from a to b'),
    },
    { east: M, north: M },
    (given: Tie) => {
      const tied = tie(given);
      if (tied.ok) return tied.place;
      throw new BadGiven(
        tied.why === 'onePlace' ? 'b' : 'fromB',
        tied.why === 'onePlace'
          ? 'is the same place as a'
          : tied.why === 'short'
            ? `does not reach: the tapes are ${tied.by.toPrecision(3)} m too short to meet`
            : `does not meet the other tape: one is ${tied.by.toPrecision(3)} m too long`,
      );
    },
  ),
  sum(
    'ground.level',
    'Linear in the triangles of Delaunay; null outside of them.',
    {
      points: field(
        z
          .array(place.extend({ level: anyNumber }))
          .min(3)
          .max(100_000),
        M,
      ),
      at: field(z.array(place).max(100_000), M),
    },
    { levels: M },
    (given: { points: (Place & { level: number })[]; at: Place[] }) => {
      const surface = Surface.of(given.points);
      if (!surface) throw new BadGiven('points', 'make no triangle: they are all in a line, or fewer than three');
      return { levels: given.at.map((each) => surface.levelAt(each)) };
    },
  ),
  sum(
    'ground.ponds',
    'Priority flood (Barnes, Lehman & Mulla 2014), 8 neighbours, edges open; a pond is the joined cells that fill to one level.',
    { levels: field(rows, 'm, by rows'), cell: field(positive, M) },
    { ponds: 'area m²; depth, spillLevel m; volume m³' },
    (given: { levels: number[][]; cell: number }) => {
      const levels = Float64Array.from(given.levels.flat());
      const ponds = findPonds(levels, flood(levels, given.levels[0]!.length, given.levels.length), given.cell);
      return { ponds: ponds.map(({ area, depth, volume, spillLevel }) => ({ area, depth, volume, spillLevel })) };
    },
  ),
  sum(
    'soil.inverseAugerHole',
    'K = (r/2) × fall of ln(h + r/2) with time, by least squares (Porchet).',
    {
      radius: field(positive, M),
      times: field(rising, 's'),
      depths: field(z.array(z.number().min(0).max(100)).min(2).max(100_000), 'm of water'),
    },
    { conductivity: 'm/s' },
    (given: { radius: number; times: number[]; depths: number[] }) => {
      if (given.depths.length !== given.times.length)
        throw new BadGiven('depths', `must be as many as the times, ${given.times.length}`);
      return { conductivity: inverseAugerHole(given.radius, given.times, given.depths) };
    },
  ),
];

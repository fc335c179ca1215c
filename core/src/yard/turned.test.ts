/** Nothing that is told of a yard may hang on how the plan is turned: catchments, ponds and spills of shapes whose areas are known. */
import fc from 'fast-check';
import { Surface, type GroundPoint } from '../ground/surface';
import type { Basin, Channel } from '../job/kinds';
import type { Place } from '../site/place';
import { basin, channel } from '../testing/parts';
import { CELLS_OF_A_PLAN, meetsFirst, runWater, type YardWater } from './water';

type Shape = (x: number, y: number) => number;

const turned =
  (by: number) =>
  (x: number, y: number): Place => ({
    east: 7 + x * Math.cos(by) - y * Math.sin(by),
    north: -3 + x * Math.sin(by) + y * Math.cos(by),
  });

/** Water over a shape levelled at some places, turned by an angle. */
function yardOf(shape: Shape, places: readonly (readonly [number, number])[], by: number): YardWater {
  const turn = turned(by);
  const points = places.map(([x, y]): GroundPoint => ({ ...turn(x, y), level: shape(x, y) }));
  return runWater({ surface: Surface.of(points)! } as never, [], [], CELLS_OF_A_PLAN)!;
}

function lattice(length: number, half: number): [number, number][] {
  const places: [number, number][] = [];
  for (let x = 0; x <= length; x += 2) for (let y = -half; y <= half; y += 2) places.push([x, y]);
  return places;
}

function gathered(water: YardWater, inlet: Basin | Channel): number {
  let cells = 0;
  meetsFirst(water, [inlet]).forEach((met, cell) => void (met === 0 && water.flow.receiver[cell] !== -2 && cells++));
  return cells * water.grid.cell ** 2;
}

const turn = fc.double({ min: 0, max: 2 * Math.PI, noNaN: true });

it('a V gathers to its low end what runs down its two sides above it, within 3 %, however the plan is turned', () => {
  const slope = fc.double({ min: 0.005, max: 0.05, noNaN: true });
  fc.assert(
    fc.property(turn, slope, fc.double({ min: 0.01, max: 0.08, noNaN: true }), (by, along, across) => {
      fc.pre(across / along < 8 && across / along > 0.8);
      const [length, half, at] = [30, 10, 26];
      const water = yardOf((x, y) => -along * x + across * Math.abs(y), lattice(length, half), by);
      // A drop that lands y off the bottom comes down to it so much further along; by hand, the trapezoid above that line.
      const shift = (half * along) / across;
      const exact = 2 * half * (at - shift / 2) + (shift > at ? (shift - at) ** 2 * (half / shift) : 0);
      const found = gathered(water, basin({ place: turned(by)(at, 0) }));
      expect(Math.abs(found / exact - 1)).toBeLessThan(0.03);
    }),
    { numRuns: 60 },
  );
});

it('a channel across a slope gathers its length times the way up, within a cell at each of its ends', () => {
  fc.assert(
    fc.property(turn, fc.double({ min: -0.6, max: 0.6, noNaN: true }), (by, askew) => {
      const water = yardOf((x) => -0.03 * x, lattice(24, 10), by);
      const [dx, dy] = [4 * Math.sin(askew), 4 * Math.cos(askew)];
      const way = [turned(by)(16 - dx, -dy), turned(by)(16 + dx, dy)];
      const found = gathered(water, channel({ way, length: 8 }));
      expect(Math.abs(found - 2 * dy * 16)).toBeLessThan(2 * water.grid.cell * 16);
    }),
    { numRuns: 60 },
  );
});

it('a cone’s paths run straight down it', () => {
  const places: [number, number][] = [[0, 0]];
  for (let r = 1; r <= 12; r++)
    for (let k = 0; k < 72; k++) places.push([r * Math.cos((k * Math.PI) / 36), r * Math.sin((k * Math.PI) / 36)]);
  const water = yardOf((x, y) => -0.05 * Math.hypot(x, y), places, 0);
  const { grid, flow } = water;
  const bearing = (cell: number): { bearing: number; from: number } => {
    const east = grid.east + (cell % grid.cols) * grid.cell - 7;
    const north = grid.north + Math.floor(cell / grid.cols) * grid.cell + 3;
    return { bearing: Math.atan2(north, east), from: Math.hypot(north, east) };
  };
  const off: number[] = [];
  for (const start of flow.order) {
    if (Math.abs(bearing(start).from - 3) > 0.5) continue;
    let cell = start;
    while (flow.receiver[cell]! >= 0) cell = flow.receiver[cell]!;
    const turns = bearing(cell).bearing - bearing(start).bearing;
    off.push(Math.atan2(Math.sin(turns), Math.cos(turns)));
  }
  // From one neighbour to the next is 0.79; a cell at 3 m is 0.07.
  const sorted = off.map(Math.abs).sort((a, b) => a - b);
  expect(sorted[Math.floor(sorted.length / 2)]).toBeLessThan(0.05);
  expect(sorted.at(-1)).toBeLessThan(0.2);
  expect(Math.abs(off.reduce((sum, each) => sum + each, 0) / off.length)).toBeLessThan(0.01);
});

/** A round bowl with so many levels a ring: it falls off by 10 % all round, but for a notch in its rim. */
const bowl = (radius: number, deep: number, notch: number) => {
  const ring = 48;
  const on = (r: number, k: number): [number, number] => [
    r * Math.cos((2 * k * Math.PI) / ring),
    r * Math.sin((2 * k * Math.PI) / ring),
  ];
  const places: [number, number][] = [[0, 0]];
  for (let part = 1; part <= 8; part++) for (let k = 0; k < ring; k++) places.push(on((part * radius) / 8, k));
  for (let k = 0; k < ring; k++) places.push(on(radius + 1, k), on(9, k));
  const shape: Shape = (x, y) => {
    const r = Math.hypot(x, y);
    if (Math.abs(r - radius) < 1e-9 && Math.abs(Math.atan2(y, x)) < 1e-9) return -notch;
    return r < radius ? deep * ((r / radius) ** 2 - 1) : -0.1 * (r - radius);
  };
  return { places, shape, area: (ring / 2) * Math.sin((2 * Math.PI) / ring) * radius ** 2 };
};

it('a small round bowl holds what it holds, and spills at its rim, however it lies under the cells', () => {
  fc.assert(
    fc.property(turn, fc.double({ min: 0.8, max: 4, noNaN: true }), (by, radius) => {
      const { places, shape, area } = bowl(radius, 0.15, 0);
      const [pond] = yardOf(shape, places, by).ponds;
      expect(pond!.spillLevel).toBeCloseTo(0, 9);
      expect(Math.abs(pond!.area / area - 1)).toBeLessThan(0.03);
      // Between rings its depth is straight: 8 rings hold 1 − 1/64 of the paraboloid on the same outline.
      const held = (area * 0.15 * (1 - 1 / 64)) / 2;
      expect(Math.abs(pond!.volume / held - 1)).toBeLessThan(0.04);
    }),
    { numRuns: 60 },
  );
});

it('a notch in the rim is where it spills, and never lower', () => {
  fc.assert(
    fc.property(turn, fc.double({ min: 0.02, max: 0.06, noNaN: true }), (by, notch) => {
      const { places, shape } = bowl(2, 0.15, notch);
      const [pond] = yardOf(shape, places, by).ponds;
      const over = pond!.spillLevel + notch;
      // Its sides rise to the rim over a 48th of it: a step across lies within half a cell of its lowest place.
      expect(over).toBeGreaterThan(-1e-9);
      expect(over).toBeLessThan((notch / ((2 * Math.PI * 2) / 48)) * 0.75 * 0.2);
    }),
    { numRuns: 20 },
  );
});

it('water does not step over a ridge between two middles to the lower ground behind it', () => {
  // A terrace that falls gently back from its edge; beyond the edge the bank drops steeply.
  const shape: Shape = (x) => (x < 10 ? -0.02 * (10 - x) : -0.5 * (x - 10));
  const places: [number, number][] = [];
  for (let y = -8; y <= 8; y += 2) for (const x of [0, 4, 8, 10, 12, 14]) places.push([x, y]);
  for (let k = 0; k < 12; k++) {
    const by = k / 3;
    const { grid, flow } = yardOf(shape, places, by);
    const [right, up] = [Math.cos(by), Math.sin(by)];
    const over = flow.order.filter((cell) => {
      const x = (at: number): number =>
        (grid.east + (at % grid.cols) * grid.cell - 7) * right +
        (grid.north + Math.floor(at / grid.cols) * grid.cell + 3) * up;
      const to = flow.receiver[cell]!;
      return to >= 0 && x(cell) < 10 && x(to) >= 10;
    });
    expect(over).toHaveLength(0);
  }
});

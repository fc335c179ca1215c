/** Water over ground against what is known of it. */
import { BLOCKED } from '../../ground/padded';
import { GroundFlow } from './groundFlow';
import { takesIn, soakingOf } from './soak';
import { greenAmpt } from '../../runoff/greenAmpt';
import { Sheet } from '../sheet';

interface Field {
  cols: number;
  rows: number;
  cell: number;
  level: (col: number, row: number) => number;
  barred?: (col: number, row: number) => boolean;
  roughness?: number;
}

function field({ cols, rows, cell, level, barred = () => false, roughness = 0.03 }: Field): GroundFlow {
  const levels = new Float64Array(cols * rows);
  const kinds = new Uint8Array(cols * rows);
  for (let at = 0; at < levels.length; at++) {
    const [col, row] = [at % cols, Math.floor(at / cols)];
    levels[at] = level(col, row);
    if (barred(col, row)) kinds[at] = BLOCKED;
  }
  return new GroundFlow({
    cols,
    rows,
    cell,
    levels,
    kinds,
    ridges: [],
    roughness: new Float64Array(levels.length).fill(roughness),
  });
}
const isRim =
  (cols: number, rows: number) =>
  (col: number, row: number): boolean =>
    col === 0 || row === 0 || col === cols - 1 || row === rows - 1;

it('a lake at rest over any bed stays at rest', () => {
  const size = 30;
  const lake = field({
    cols: size,
    rows: size,
    cell: 0.5,
    level: (c, r) => 0.2 * (Math.sin(c) + Math.cos(1.3 * r)),
    barred: isRim(size, size),
  });
  for (const at of lake.cells) lake.depth[at] = Math.max(0, 0.3 - lake.ground[at]!);
  const before = Float64Array.from(lake.depth);
  lake.run(300);
  const moved = Math.max(...before.map((depth, at) => Math.abs(depth - lake.depth[at]!)));
  expect(moved).toBeLessThan(1e-12);
});

it.each([
  [0.5, 0.03],
  [0.25, 0.15],
])(
  'steady rain on a plane in cells of %d m with n %d leaves as it falls, as deep as the kinematic wave is',
  (cell, roughness) => {
    const [length, slope, rain] = [40, 0.02, 2e-5];
    const cols = length / cell;
    const plane = field({
      cols,
      rows: 3,
      cell,
      level: (c) => 10 - c * cell * slope,
      barred: (_, r) => r !== 1,
      roughness,
    });
    let left = 0;
    for (let t = 0; t < 2400; t++) {
      if (t === 2100) left = plane.left;
      for (const at of plane.cells) plane.depth[at]! += rain;
      plane.run(1);
    }
    // Mean of five minutes: about the film that does not run it goes by little steps.
    expect((plane.left - left) / 300 / (rain * length * cell)).toBeCloseTo(1, 1);
    const kinematic = (x: number): number => ((rain * x * roughness) / Math.sqrt(slope)) ** 0.6;
    const middle = cols / 2;
    expect(plane.depth[cols + middle]! / kinematic((middle + 0.5) * cell)).toBeCloseTo(1, 1);
  },
);

it('a bowl fills with all that falls into it, and to one level', () => {
  const size = 24;
  const bowl = field({
    cols: size,
    rows: size,
    cell: 0.5,
    level: (c, r) => 0.01 * ((c - 11.5) ** 2 + (r - 11.5) ** 2),
    barred: isRim(size, size),
  });
  const [rain, time] = [1e-4, 1200];
  for (let t = 0; t < time; t++) {
    for (const at of bowl.cells) bowl.depth[at]! += rain;
    bowl.run(1);
  }
  expect(bowl.stored).toBeCloseTo(rain * time * bowl.cells.length * bowl.area, 9);
  bowl.run(1200);
  const wet = [...bowl.cells].filter((at) => bowl.depth[at]! > 0.01).map((at) => bowl.ground[at]! + bowl.depth[at]!);
  expect(Math.max(...wet) - Math.min(...wet)).toBeLessThan(0.002);
});

it('no wall lets through what stands before it, and no depth falls below naught', () => {
  const yard = field({
    cols: 40,
    rows: 20,
    cell: 0.3,
    level: (c, r) => 1 - 0.02 * c + 0.05 * Math.sin(r),
    barred: (c, r) => c === 20 && r !== 7,
  });
  for (const at of yard.cells) if (at % 40 < 10) yard.depth[at] = 0.2;
  for (let t = 0; t < 120; t++) {
    yard.run(1);
    expect(yard.cells.reduce((least, at) => Math.min(least, yard.depth[at]!), 0)).toBeGreaterThan(-1e-15);
  }
  const behind = [...yard.cells].filter((at) => at % 40 > 20 && yard.depth[at]! > 0.002);
  expect(behind.length).toBeGreaterThan(0);
  const shut = field({ cols: 40, rows: 20, cell: 0.3, level: (c) => 1 - 0.02 * c, barred: (c) => c === 20 });
  for (const at of shut.cells) if (at % 40 < 10) shut.depth[at] = 0.2;
  shut.run(120);
  expect([...shut.cells].some((at) => at % 40 > 20 && shut.depth[at]! > 0)).toBe(false);
});

it('soft ground takes in what Green and Ampt say, step by step, to 3 %', () => {
  const soak = soakingOf('siltLoam', 'ordinary');
  const [intensity, duration, dt] = [2e-5, 7200, 2];
  let taken = 0;
  for (let t = 0; t < duration; t += dt) taken += Math.min(intensity * dt, takesIn(soak, taken, dt));
  const { infiltrated } = greenAmpt({
    conductivity: soak.conductivity,
    suction: soak.drawn,
    deficit: 1,
    intensity,
    duration,
  });
  expect(taken / infiltrated).toBeCloseTo(1, 1);
  expect(Math.abs(taken / infiltrated - 1)).toBeLessThan(0.03);
});

it('a roof gives all its rain once it runs, and not a drop more', () => {
  const roof = new Sheet({ area: 80, length: 6, slope: 0.3, roughness: 0.015, wetting: 0.0005, soaking: null });
  let ran = 0;
  let last = 0;
  for (let t = 0; t < 1200; t++) ran += last = roof.step(2e-5, 1);
  expect(last).toBeCloseTo(80 * 2e-5, 7);
  expect(ran + roof.stored + roof.wetted).toBeCloseTo(roof.fell, 12);
});

it('a front over a flat bed runs as Hunter worked out, and is as deep behind', () => {
  const [speed, roughness, cell, cols] = [0.1, 0.1, 0.5, 140];
  const bed = field({
    cols,
    rows: 3,
    cell,
    level: () => 0,
    barred: (c, r) => c === 0 || r !== 1 || c === cols - 1,
    roughness,
  });
  // h = (7/3 n² u² (u t − x))^(3/7): Hunter, Horritt, Bates, Wilson & Werner 2005, Adv. Water Resources 28.
  const known = (x: number, t: number): number =>
    x >= speed * t ? 0 : ((7 / 3) * roughness ** 2 * speed ** 2 * (speed * t - x)) ** (3 / 7);
  const first = cols + 1;
  for (let k = 1; k <= 8000; k++) {
    bed.depth[first] = known(0, k / 20);
    bed.run(0.05);
  }
  const found = Array.from({ length: cols - 3 }, (_, k) => bed.depth[first + k]!);
  const front = found.findLastIndex((depth) => depth > 0.002) * cell;
  expect(Math.abs(front - speed * 400)).toBeLessThan(3);
  const away = found.map((depth, k) => Math.abs(depth - known(k * cell, 400))).slice(0, 70);
  expect(Math.max(...away)).toBeLessThan(0.002);
});

it('a film beside a pond goes by longer steps, loses nothing, and comes to what short steps come to', () => {
  const size = 40;
  const yard = (): GroundFlow => {
    const flow = field({
      cols: size,
      rows: size,
      cell: 0.5,
      level: (c, r) => 0.01 * c + 0.02 * Math.sin(r / 5) - (Math.hypot(c - 12, r - 25) < 8 ? 0.5 : 0),
      barred: isRim(size, size),
    });
    for (const at of flow.cells) flow.depth[at] = Math.max(0.006, 0.1 - flow.ground[at]!);
    return flow;
  };
  const [long, short] = [yard(), yard()];
  const before = long.stored;
  let steps = 0;
  for (let t = 0; t < 40; t += 2) {
    long.run(2);
    steps += long.steps;
    for (let k = 0; k < 40; k++) short.run(0.05);
  }
  // The short ones let every tile go by one step; the long ones are of several paces.
  expect(steps).toBeGreaterThan(4 * 20);
  expect(long.stored).toBeCloseTo(before, 9);
  expect(short.stored).toBeCloseTo(before, 9);
  const apart = [...long.cells].map((at) => Math.abs(long.depth[at]! - short.depth[at]!)).sort((a, b) => a - b);
  expect(apart[Math.floor(0.95 * apart.length)]!).toBeLessThan(0.005);
  expect(apart.at(-1)!).toBeLessThan(0.03);
});

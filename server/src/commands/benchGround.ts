/** Times the ground: levels to a surface with its contours, and water over a grid, beside one plain pass that copies the grid. */
import {
  contoursOf,
  findPonds,
  flood,
  GroundSurface,
  metFirst,
  planJob,
  yardWater,
  type GroundPoint,
} from '@katabasis/core';
import { quillfeather } from '@katabasis/core/samples';

const LEVELS = 10_000;
const SIDE = 1000;
const ROUNDS = 7;

const median = (work: () => void, rounds = ROUNDS): number => {
  const times: number[] = [];
  for (let k = 0; k < rounds; k++) {
    const start = performance.now();
    work();
    times.push(performance.now() - start);
  }
  return times.sort((a, b) => a - b)[rounds >> 1]!;
};

/** The same numbers at every run. */
function dice(): () => number {
  let seed = 11;
  return () => (seed = (seed * 16807) % 2147483647) / 2147483647;
}

const roll = dice();
const rough = (east: number, north: number): number =>
  10 + 0.3 * Math.sin(east / 7) + 0.4 * Math.cos(north / 9) + 0.005 * east + 0.01 * roll();

const levels: GroundPoint[] = Array.from({ length: LEVELS }, () => {
  const [east, north] = [200 * roll(), 200 * roll()];
  return { east, north, level: rough(east, north) };
});
const surfaced = median(() => void contoursOf(GroundSurface.of(levels)!, 0.1));
console.log(`${LEVELS} levels to a surface with contours: median ${surfaced.toFixed(0)} ms`);

const grid = new Float64Array(SIDE * SIDE);
for (let row = 0; row < SIDE; row++)
  for (let col = 0; col < SIDE; col++) grid[row * SIDE + col] = rough(col / 5, row / 5);
const marks = new Int32Array(SIDE * SIDE).fill(-1);
for (let k = 0; k < 12; k++) marks[Math.floor(roll() * marks.length)] = k;
const copied = median(() => {
  const copy = new Float64Array(grid.length);
  for (let k = 0; k < grid.length; k++) copy[k] = grid[k]!;
}, 31);
const water = median(() => {
  const flow = flood(grid, SIDE, SIDE);
  findPonds(grid, flow, 0.2, 0.01);
  metFirst(flow, marks);
});
console.log(
  `a grid of ${SIDE} × ${SIDE} filled, routed, its ponds and catchments found: median ${water.toFixed(0)} ms; a plain copy ${copied.toFixed(1)} ms; ratio ${(water / copied).toFixed(0)}`,
);

const fresh = (): void => {
  const job = quillfeather();
  const elements = job.elements.all.map((element) => (element.kind === 'spotLevel' ? { ...element } : element));
  yardWater({ id: 'bench', elements: job.elements.with(elements) });
};
console.log(
  `the sample's ground and its water from nothing: median ${median(fresh).toFixed(1)} ms; its plan again ${median(() => void planJob(quillfeather())).toFixed(2)} ms`,
);

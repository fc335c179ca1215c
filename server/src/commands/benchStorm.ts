/** Times storms: the clinic's hour of rain and an hour after, all its cases, a step of many pipes, and a yard of many cells; beside a plain pass that copies the same cells. */
import { planJob, type Job } from '@katabasis/core';
import { quillfeather } from '@katabasis/core/samples';
import { rainfallOf, rankCases, StormRun } from '@katabasis/core/simulation';
import { largeYard, wideYard } from '@katabasis/core/trial';

const ROUNDS = 3;
const dry = { wetness: 'ordinary' as const, failing: [] };

function timed(work: () => void): number {
  const start = performance.now();
  work();
  return performance.now() - start;
}

const median = (work: () => void, rounds = ROUNDS): number =>
  Array.from({ length: rounds }, () => timed(work)).sort((a, b) => a - b)[rounds >> 1]!;

function rained(job: Job, cells?: number): { run: StormRun; first: number; whole: number } {
  const plan = planJob(job);
  const start = performance.now();
  const run = new StormRun(job, plan, { rain: rainfallOf(job, 'design')!, ...dry, ...(cells ? { cells } : {}) });
  run.advance();
  const first = performance.now() - start;
  while (!run.isOver) run.advance();
  return { run, first, whole: performance.now() - start };
}

/** One pass over some cells; in a function of its own, as only there it is compiled as what it is timed beside. */
function copy(from: Float64Array, to: Float64Array, by: number): void {
  for (let k = 0; k < from.length; k++) to[k] = from[k]! + by;
}

/** ms of one pass that copies so many cells. */
function copyOf(cells: number): number {
  const [from, to] = [new Float64Array(cells).fill(1), new Float64Array(cells)];
  const passes = 2000;
  return (
    median(() => {
      for (let pass = 0; pass < passes; pass++) copy(from, to, pass);
    }, 5) / passes
  );
}

const job = quillfeather();
rained(job);
const { run, first, whole } = rained(job);
const cells = run.simulation.ground!.flow.cells.length;
const pass = copyOf(cells);
console.log(
  `the clinic, an hour of rain and an hour after, ${cells} cells: ${whole.toFixed(0)} ms, its first picture ${first.toFixed(0)} ms; a copy of its cells ${pass.toFixed(4)} ms; ratio ${(whole / pass).toFixed(0)}, for ${Math.round(run.simulation.time / run.simulation.dt)} steps`,
);

let cases = 0;
const all = timed(() => {
  for (const { of } of rankCases(job, planJob(job))) cases = of;
});
console.log(`all ${cases} cases of the clinic: ${(all / 1000).toFixed(1)} s`);

const yard = largeYard(200, 500);
const large = new StormRun(yard, planJob(yard), { rain: rainfallOf(yard, 'design')!, ...dry });
const { water } = large.simulation.pipes;
const enters = new Float64Array(water.nodes.length).fill(2e-4);
const held = new Float64Array(water.nodes.length).fill(NaN);
const STEPS = 300;
let rounds = 0;
const steps = timed(() => {
  for (let k = 0; k < STEPS; k++) {
    water.step(2, enters, held);
    rounds += water.rounds;
  }
});
console.log(
  `a step of ${water.runs.length} pipes, ${water.cells} cells: ${(steps / STEPS).toFixed(2)} ms, ${(rounds / STEPS).toFixed(1)} rounds; ratio to a copy ${(steps / STEPS / copyOf(water.cells)).toFixed(0)}`,
);

for (const many of [4000, 16_000]) {
  const { run: fine, whole: time } = rained(job, many);
  console.log(`the clinic on ${fine.simulation.ground!.flow.cells.length} cells: ${(time / 1000).toFixed(1)} s`);
}

for (const side of [100, 200, 240]) {
  const before = process.memoryUsage();
  const { run: wide, first: soon, whole: time } = rained(wideYard(226, side));
  const after = process.memoryUsage();
  const took = (after.heapUsed + after.arrayBuffers - before.heapUsed - before.arrayBuffers) / 1e6;
  const { flow } = wide.simulation.ground!;
  console.log(
    `226 pipes on ${flow.cells.length} cells of ${flow.given.cell} m: ${(time / 1000).toFixed(1)} s, the first picture ${(soon / 1000).toFixed(1)} s, ${took.toFixed(0)} MB; a copy of its cells ${copyOf(flow.cells.length).toFixed(3)} ms`,
  );
}

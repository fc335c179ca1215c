/** Times proposals: the clinic's first and all of them, 40 inlets with how near they come, and a line under the finger; beside one search for the cheapest ways over the same grid. */
import { Elements, ofKind, type Element, type Job } from '@katabasis/core';
import { cheapestFrom, Moving, proposalsFor, proposalsOf } from '@katabasis/core/proposals';
import { quillfeather } from '@katabasis/core/samples';

function laid(job: Job): { first: number; all: number; gap: number | null } {
  const start = performance.now();
  let first: number | null = null;
  let gap: number | null = null;
  for (const { laid: plans } of proposalsFor(job)) {
    first ??= performance.now() - start;
    gap ??= plans.find(({ layout }) => layout.kind === 'joined')?.layout.gap ?? null;
  }
  return { first: first ?? 0, all: performance.now() - start, gap };
}

const quantile = (times: readonly number[], share: number): number =>
  [...times].sort((a, b) => a - b)[Math.floor(share * times.length)]!;

function told(name: string, job: Job): void {
  const pass = cheapestFrom(job)!;
  const passes = Array.from({ length: 9 }, () => {
    const start = performance.now();
    pass.run();
    return performance.now() - start;
  });
  const one = quantile(passes, 0.5);
  const { first, all, gap } = laid(job);
  console.log(
    `${name}, ${pass.cells} cells: first plan ${(first / 1000).toFixed(1)} s, all ${(all / 1000).toFixed(1)} s, within ${((gap ?? 0) * 100).toFixed(1)} %; one search over the grid ${one.toFixed(1)} ms; ratio of the first ${(first / one).toFixed(0)}`,
  );
}

/** The clinic's lawns and ways out with 40 basins on a slope instead. */
function forty(): Job {
  const side = 40;
  const elements: Element[] = [
    { id: 'rain', kind: 'rain', intensity: 3e-5, source: { type: 'typed' } },
    {
      id: 'out',
      kind: 'discharge',
      name: 'Ditch',
      form: 'daylight',
      receiving: 'ditch',
      place: { east: 20, north: 39.5 },
      groundLevel: 0.8,
      buildingDistance: 20,
    },
  ];
  for (let k = 0; k < 441; k++) {
    const place = { east: 2 * (k % 21), north: 2 * Math.floor(k / 21) };
    elements.push({ id: `l${k}`, kind: 'spotLevel', name: `L${k}`, place, level: 3 - 0.03 * place.north });
  }
  for (let k = 0; k < 40; k++)
    elements.push({
      id: `basin${k}`,
      kind: 'basin',
      name: `Basin ${k}`,
      grate: 'flat12',
      levelFrom: 'ground',
      groundLevel: 0,
      place: { east: (k * 7.31) % side, north: (k * 3.77) % (0.4 * side) },
    });
  return { id: 'forty', elements: Elements.of(elements) };
}

const clinic = quillfeather();
laid(clinic);
told('the clinic', clinic);
told('40 inlets', forty());

const all = proposalsOf(clinic);
const moving = Moving.of(all.found[0]!, clinic, [])!;
const held = ofKind(all.found[0]!.job, 'run').at(-1)!.id;
const moves = Array.from({ length: 100 }, (_, k) => {
  const start = performance.now();
  moving.through({ east: -12 + 0.3 * k, north: 3 + (k % 9) }, held);
  return performance.now() - start;
});
console.log(
  `a line under the finger: p50 ${quantile(moves, 0.5).toFixed(1)} ms, p95 ${quantile(moves, 0.95).toFixed(1)} ms; ${Math.round(process.memoryUsage().heapUsed / 1e6)} MB in use`,
);

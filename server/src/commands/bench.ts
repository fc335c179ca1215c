/** Times planJob, as a ratio to a walk of the same lines that does no hydraulics, so that machines can be compared. */
import {
  changed,
  fixOf,
  jobFrom,
  planJob,
  put,
  setInvert,
  sizeJob,
  solveWaterLine,
  tellSnag,
  type Element,
  type Job,
  type WaterNetwork,
} from '@katabasis/core';
import { largeYard } from '@katabasis/core/trial';
import { Bench } from 'tinybench';
import { counting } from './benchCounting';
import { inUse, timed, at, shown } from './measured';

/** A trunk with a branch at every wye: half the runs trunk, half branches; a roof face to every third branch. */
function yard(runs: number, faces: number): Job {
  const elements: Element[] = [
    { id: 'job', kind: 'job', name: 'Bench', units: 'us', pitchStyle: 'ground' },
    { id: 'rain', kind: 'rain', intensity: 4.2e-5, source: { type: 'typed' } },
    { id: 'out', kind: 'discharge', name: 'Out', form: 'daylight', receiving: 'swale', groundLevel: -0.02 * 8 * runs },
  ];
  const half = runs / 2;
  for (let k = 0; k < half; k++) {
    const ground = -0.015 * 8 * k;
    const size = 0.0254 * (k < half / 8 ? 6 : k < half / 3 ? 8 : 12);
    elements.push({ id: `w${k}`, kind: 'junction', form: 'wye', name: `w${k}`, groundLevel: ground });
    elements.push({
      id: `d${k}`,
      kind: 'downspout',
      name: `d${k}`,
      storey: 1,
      size: 'rect3x4',
      groundLevel: ground + 0.1,
    });
    elements.push({
      id: `b${k}`,
      kind: 'run',
      from: `d${k}`,
      to: `w${k}`,
      length: 5,
      material: 'smooth',
      nominal: 0.1016,
      grade: { type: 'auto' },
    });
    elements.push({
      id: `t${k}`,
      kind: 'run',
      from: `w${k}`,
      to: k + 1 < half ? `w${k + 1}` : 'out',
      length: 8,
      material: 'doubleWall',
      nominal: size,
      grade: { type: 'auto' },
    });
  }
  for (let k = 0; k < faces; k++) {
    elements.push({
      id: `f${k}`,
      kind: 'roofFace',
      name: `f${k}`,
      storey: 1,
      shape: { type: 'area', area: 60 },
      feeds: [{ to: `d${Math.floor((k * half) / faces)}`, share: 1 }],
    });
  }
  return jobFrom('bench', elements);
}

/** Orders the runs upstream to downstream and sums a number down them: what any network plan must do at least. */
function bareWalk(job: Job): number {
  const out = new Map<string, string>();
  const waiting = new Map<string, number>();
  for (const element of job.elements.all) {
    if (element.kind !== 'run') continue;
    out.set(element.from, element.to);
    waiting.set(element.to, (waiting.get(element.to) ?? 0) + 1);
  }
  const sums = new Map<string, number>();
  const ready = [...out.keys()].filter((id) => !waiting.get(id));
  for (let at = 0; at < ready.length; at++) {
    const to = out.get(ready[at]!);
    if (to === undefined) continue;
    sums.set(to, (sums.get(to) ?? 0) + (sums.get(ready[at]!) ?? 0) + 1);
    const left = waiting.get(to)! - 1;
    waiting.set(to, left);
    if (left === 0) ready.push(to);
  }
  return sums.get('out') ?? 0;
}

/** A trunk of half the runs with a branch at every node, in the solver's own arrays. */
function comb(runs: number): WaterNetwork {
  const count = runs / 2;
  const inverts = new Float64Array(2 * count + 1);
  const inflows = new Float64Array(2 * count + 1);
  const list: WaterNetwork['runs'][number][] = [];
  for (let k = 0; k < count; k++) {
    inverts[2 * k] = 0.05 * (count - k) + 0.1;
    inverts[2 * k + 1] = inverts[2 * k]! + 0.06;
    inflows[2 * k + 1] = 0.4 / count;
    list.push({ from: 2 * k + 1, to: 2 * k, length: 5, diameter: 0.1, roughness: 0.01 });
    list.push({
      from: 2 * k,
      to: k + 1 < count ? 2 * k + 2 : 2 * count,
      length: 8,
      diameter: 0.3 + (0.4 * k) / count,
      roughness: 0.012,
    });
  }
  return {
    inverts,
    inflows,
    losses: Float64Array.from(inverts, (_, k) => (k % 2 === 0 ? 0.5 : 0)),
    runs: list,
    order: Int32Array.from(list, (_, k) => k),
  };
}

async function waterLines(): Promise<void> {
  const medians = new Map<number, number>();
  for (const runs of [1000, 2000, 20_000]) {
    const network = comb(runs);
    const bench = new Bench({ time: 1500, warmupTime: 400 });
    bench.add('water line', () => void solveWaterLine(network, () => 0.4));
    await bench.run();
    const { result } = bench.tasks[0]!;
    if (!('latency' in result)) continue;
    medians.set(runs, result.latency.p50);
    const before = inUse();
    const kept = solveWaterLine(network, () => 0.4);
    const used = inUse() - before;
    console.log(
      `water line, ${runs} runs: median ${result.latency.p50.toFixed(2)} ms, about ${(used / 1e6).toFixed(1)} MB for its answer (${kept.reaches.length} reaches)`,
    );
  }
  console.log(
    `growth from 2000 to 20000 runs: ${(medians.get(20_000)! / medians.get(2000)!).toFixed(1)} times for 10 times the runs`,
  );
}

/** The same job of elements that nothing is remembered of. */
const anew = (job: Job): Job => jobFrom(job.id, structuredClone([...job.elements]));

/** Times a plan from nothing, with nothing remembered. */
const planTimes = (job: Job, count: number): number[] => {
  timed(Math.ceil(count / 3), () => {
    const fresh = anew(job);
    return () => void planJob(fresh);
  });
  return timed(count, () => {
    const fresh = anew(job);
    return () => void planJob(fresh);
  });
};

/** Sizes and pitch of a whole job with the next best, as a ratio to one plan of it: what a tap on the plan waits for. */
function sizing(): void {
  const job = yard(60, 20);
  const plan = planJob(job);
  const planned = at(planTimes(job, 100), 0.5);
  const sized = at(
    timed(8, () => () => void sizeJob(job, plan)),
    0.5,
  );
  console.log(`sizeJob, 60 runs: median ${sized.toFixed(0)} ms; ratio to one plan ${(sized / planned).toFixed(0)}`);
}

/** A yard of 200 runs and 5,000 elements, rain tables, doors checked in a rarer rain: what a finger and a tap wait for. */
function editing(): void {
  const job = largeYard(200, 5000);
  let plan = planJob(job);
  const { snags } = plan;
  const whole = at(planTimes(job, 15), 0.5);
  const size = `${job.elements.ofKind('run').length} runs, ${job.elements.size} elements, ${snags.length} snags`;
  const landing = job.elements.ofKind('run')[20]!.from;
  const { invert } = plan.landings[landing]!;
  const drag = (k: number): (() => void) => {
    const change = setInvert(job, landing, invert! - 0.002 * (k % 50))!;
    return () => void (plan = planJob(changed(job, change), plan)).verdict.sentence;
  };
  let moves = 0;
  timed(100, () => drag(moves++));
  const dragged = timed(400, () => drag(moves++));
  console.log(
    `a landing dragged, ${size}: ${shown(dragged)}; ratio to a plan from nothing ${(at(dragged, 0.5) / whole).toFixed(2)}`,
  );
  let edits = 0;
  const edited = timed(200, () => {
    const runs = job.elements.ofKind('run');
    const run = runs[(edits * 37) % runs.length]!;
    const change = put('Make it 8 in', { ...run, nominal: 0.2032, length: run.length + ++edits * 0.001 });
    return () => {
      const after = changed(job, change);
      const next = planJob(after, plan);
      plan = next;
      if (next.snags[0]) tellSnag(after, next, next.snags[0]);
    };
  });
  console.log(`an edit of a run with its plan, snags and sentence: ${shown(edited)}`);
  plan = counting(job, plan);
  const own = planJob(job, plan);
  const fixes = snags.map((snag) => timed(1, () => () => void fixOf(job, own, snag))[0]!).sort((a, b) => a - b);
  console.log(`a fix looked for, ${fixes.length} snags: ${shown(fixes)}, longest ${fixes.at(-1)!.toFixed(0)} ms`);
}

async function main(): Promise<void> {
  await waterLines();
  sizing();
  editing();
  const sizes: [number, number][] = [
    [60, 20],
    [500, 160],
    [5000, 1600],
  ];
  const medians = new Map<string, number>();
  for (const [runs, faces] of sizes) {
    const job = yard(runs, faces);
    const plan = at(planTimes(job, runs > 1000 ? 12 : 60), 0.5);
    const walk = at(
      timed(60, () => () => void bareWalk(job)),
      0.5,
    );
    medians.set(`plan ${runs}`, plan).set(`walk ${runs}`, walk);
    console.log(
      `planJob from nothing, ${runs} runs, ${faces} roof faces: median ${plan.toFixed(3)} ms; bare walk ${walk.toFixed(4)} ms; ratio ${(plan / walk).toFixed(0)}`,
    );
  }
  const grew = (task: string): string => (medians.get(`${task} 5000`)! / medians.get(`${task} 500`)!).toFixed(1);
  console.log(
    `growth from 500 to 5000 runs: planJob ${grew('plan')} times, the bare walk ${grew('walk')} times, for 10 times the runs`,
  );
}

await main();

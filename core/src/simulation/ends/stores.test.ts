/** What keeps water at a line's end, over time: against what is known in closed form. */
import type { FixedFlow, Discharge } from '../../job/kinds';
import type { Job } from '../../job/job';
import { basin, jobOf, out, pipe, rain } from '../../testing/parts';
import { planJob } from '../../verdict/planJob';
import { usualPump } from '../../works/pumpBasin';
import { Simulation } from '../simulation';
import { runStorm } from '../stormRun';

/** A tap that always runs into a basin, and from there to a way out; it does not rain. */
const fed = (flow: number, more: Partial<Discharge>): Job => {
  const tap: FixedFlow = { id: 'tap', kind: 'fixedFlow', name: 'Tap', flow, feeds: [{ to: 'basin', share: 1 }] };
  return jobOf(rain(), tap, basin(), pipe('basin', { length: 5 }), out(more));
};
const DRY = { rain: { step: 60, intensities: [0] }, wetness: 'ordinary' as const, failing: [] };

it('a dry well under a steady inflow rises as it must: A n h’ = Q − k (A + P h), to 5 mm', () => {
  const store = { area: 2, depth: 1.2, cover: 0.3, voids: 0.9, conductivity: 4e-5 };
  const [flow, k, around] = [1e-4, store.conductivity / 2, 4 * Math.sqrt(store.area)];
  const told = runStorm(
    fed(flow, { form: 'dryWell', groundLevel: -0.3, store }),
    planJob(fed(flow, { form: 'dryWell', groundLevel: -0.3, store })),
    { ...DRY, length: 3 * 3600 },
  );
  const floor = -0.3 - store.cover - store.depth;
  const known = (t: number): number =>
    ((flow / k - store.area) / around) * (1 - Math.exp((-k * around * t) / (store.area * store.voids)));
  const at = told.landings.findIndex(({ id }) => id === 'out');
  const rises = told.frames.filter(({ time }) => time > 1800);
  for (const { time, levels } of rises.filter(({ time: t }) => known(t) < 1.1)) {
    // The basin and its pipe fill first, and hold some litres of it.
    expect(Math.abs(levels[at]! - floor - known(time))).toBeLessThan(0.005);
  }
  expect(rises.length).toBeGreaterThan(20);
});

it('a pump starts as often as its basin fills and empties: V/Q + V/(P − Q)', () => {
  const flow = 1e-3;
  const job = fed(flow, { form: 'pump', groundLevel: -0.3, pump: usualPump(-0.3) });
  const plan = planJob(job);
  const work = plan.works.out;
  if (work?.kind !== 'pump') throw new Error('It is no pump.');
  const simulation = new Simulation(job, plan, { ...DRY, step: 1 });
  const starts: number[] = [];
  let [pumped, ran] = [0, false];
  while (simulation.time < 2 * 3600) {
    simulation.step();
    const now = simulation.balance.pumped;
    const runs = now > pumped + 1e-12;
    if (runs && !ran) starts.push(simulation.time);
    [pumped, ran] = [now, runs];
  }
  expect(starts.length).toBeGreaterThan(5);
  const period = (starts.at(-1)! - starts[2]!) / (starts.length - 3);
  const known = work.volume / flow + work.volume / (work.rate - flow);
  // The foot of its line fills and empties with it.
  expect(Math.abs(period / known - 1)).toBeLessThan(0.1);
});

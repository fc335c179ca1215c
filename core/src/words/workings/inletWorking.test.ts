import { planJob, type Plan } from '../../verdict/planJob';
import { inletYard } from '../../testing/inletYard';
import { withFields } from '../../testing/parts';
import { showFlow, showLength, showSmall, showSump, text } from '../../units';
import { INLET_QUANTITIES, inletWorking, type InletQuantity } from './inletWorking';
import { LANDING_QUANTITIES, landingWorking } from './landingWorking';
import type { Working } from './working';
import { channelCapacity } from '../../inlets';
import type { Channel } from '../../job/kinds';

const job = inletYard;
const plan = planJob(job);

/** What the plan says that the working should come to. */
const figures = ({ inlets, openings }: Plan): [string, InletQuantity, string][] => {
  const drain = inlets.channel as Extract<Plan['inlets'][string], { kind: 'channel' }>;
  const low = inlets.basin as Extract<Plan['inlets'][string], { kind: 'basin' }>;
  return [
    ['basin', 'water', text(showSmall(low.ponding, 'metric'))],
    ['basin', 'capacity', text(showFlow(low.capacity, 'metric'))],
    ['basin', 'sump', text(showSump(low.sump!, 'metric'))],
    ['basin', 'sill', text(showSmall(low.freeboard!, 'metric'))],
    ['basin', 'rarerSill', text(showSmall(Math.abs(openings!.freeboards.basin!), 'metric'))],
    ['channel', 'water', text(showSmall(drain.profile.maxDepth, 'metric'))],
    ['channel', 'capacity', text(showFlow(channelCapacity(job.elements.get('channel') as Channel), 'metric'))],
    ['channel', 'outlet', text(showFlow(drain.outletCapacity!, 'metric'))],
    ['channel', 'over', text(showLength(drain.profile.overLength, 'metric'))],
    ['high', 'passed', text(showFlow(inlets.high!.passedOn, 'metric'))],
    ['spout', 'water', text(showFlow((inlets.spout as { capacity: number }).capacity, 'metric'))],
  ];
};

it.each(figures(plan))('the working of %s, %s, comes to what the plan says', (id, quantity, shown) => {
  expect(text(inletWorking(job, plan, id, quantity)!.result)).toBe(shown);
});

const whole = ({ title, says, formula, numbers, source }: Working): void => {
  for (const words of [title, says, formula, source, ...numbers])
    expect(words).not.toMatch(/NaN|undefined|null|Infinity/);
  expect(numbers.length).toBeGreaterThan(0);
  expect(source.length).toBeGreaterThan(8);
};

it.each(['us', 'metric'] as const)(
  'every working there is stands whole, in %s units, and there is none for what there is not',
  (units) => {
    const other = withFields(job, 'job', { units });
    let count = 0;
    for (const id of Object.keys(plan.inlets)) {
      for (const quantity of INLET_QUANTITIES) {
        const working = inletWorking(other, plan, id, quantity);
        if (!working) continue;
        whole(working);
        count++;
      }
    }
    // Of two basins, a channel and a downspout: 5 + 3 for the one without sill or sump, 6, and the downspout's one for whatever is asked.
    expect(count).toBeGreaterThan(16);
    expect(inletWorking(other, plan, 'high', 'sill')).toBeNull();
    expect(inletWorking(other, plan, 'channel', 'sump')).toBeNull();
    for (const id of Object.keys(plan.landings))
      for (const quantity of LANDING_QUANTITIES) whole(landingWorking(other, plan, id, quantity)!);
    expect(landingWorking(other, plan, 'nowhere', 'water')).toBeNull();
  },
);

it('shows the grate’s two limits so that a hand can repeat them', () => {
  const { numbers } = inletWorking(job, plan, 'basin', 'capacity')!;
  // 12 × 12: 1.66 × (1.219 × 0.6) × 0.0508^1.5 = 13.90 L/s and 0.67 × (0.0400 × 0.6) × √(2 g 0.0508) = 16.05 L/s.
  expect(numbers.join()).toMatch(/weir: 1\.66 × 0\.731 × 0\.0508\^1\.5 = 13\.90 L\/s/);
  expect(numbers.join()).toMatch(/orifice: 0\.67 × 0\.0240 × √\(2 × 9\.807 × 0\.0508\) = 16\.05 L\/s/);
});

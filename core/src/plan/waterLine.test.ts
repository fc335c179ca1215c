import { applyChange } from '../job/change';
import type { Element, Junction } from '../job/kinds';
import { planJob } from '../verdict/planJob';
import { fixOf } from '../design/fixes';
import { basin, channel, codes, ground, jobOf, out, pipe } from '../testing/parts';

const G = 9.80665;
const junction = (more: Partial<Junction>): Junction => ({
  id: 'node',
  kind: 'junction',
  form: 'wye',
  name: 'Node',
  groundLevel: 0,
  ...more,
});
/** Two basins that join at a node and run on full, under a swale that stands high: losses show whole. */
const joined = (more: Partial<Junction>, second = true): ReturnType<typeof jobOf> => {
  const other: Element[] = second
    ? [basin({ id: 'other', name: 'Other' }), ground(120, 'other'), pipe('other', { to: 'node', length: 6 })]
    : [];
  return jobOf(
    ground(150, 'basin'),
    basin(),
    junction(more),
    ...other,
    out({ standingLevel: -0.3 }),
    pipe('basin', { to: 'node', length: 10 }),
    pipe('node', { length: 15, nominal: 0.1524 }),
  );
};
/** Rise of the water line at the node over the head of the pipe that leaves it, as K of V²/2g. */
function lossAt(job: ReturnType<typeof jobOf>): number {
  const plan = planJob(job);
  const run = plan.runs['pipe-node']!;
  expect(run.regime).toBe('full');
  const velocity = run.flow / ((Math.PI * run.diameter ** 2) / 4);
  return ((plan.landings.node!.waterLevel! - run.waterUp) * 2 * G) / velocity ** 2;
}

describe('what fittings cost', () => {
  it.each([
    ['a wye', joined({}), 0.5],
    ['a tee', joined({ form: 'tee' }), 1.3],
    ['one 45', joined({ form: 'bend' }, false), 0.3],
    ['two 45s', joined({ form: 'bend', turn: 'two45' }, false), 0.4],
    ['a square bend', joined({ form: 'bend', turn: 'one90' }, false), 1],
    ['a cleanout', joined({ form: 'cleanout' }, false), 0],
  ])('of %s: K V²/2g on the head of the pipe that leaves', (_, job, k) => expect(lossAt(job)).toBeCloseTo(k, 9));
});

describe('a tee', () => {
  it('that carries some volume is told, and made a wye', () => {
    const job = joined({ form: 'tee' });
    const plan = planJob(job);
    const snag = plan.snags.find(({ code }) => code === 'teeLoaded')!;
    // 150 and 120 m² of paving: the larger comes straight through.
    expect(snag.figure).toBeCloseTo(120 * 4e-5, 12);
    const { job: mended } = applyChange(job, fixOf(job, plan, snag)!.change);
    expect(mended.elements.get('node')).toMatchObject({ form: 'wye' });
    expect(codes(planJob(mended))).not.toContain('teeLoaded');
  });

  it('under a trickle, or with nothing from the side, is let be', () => {
    expect(
      codes(
        planJob(
          jobOf(
            ground(4, 'basin'),
            basin(),
            junction({ form: 'tee' }),
            basin({ id: 'other' }),
            ground(4, 'other'),
            out(),
            pipe('basin', { to: 'node' }),
            pipe('other', { to: 'node' }),
            pipe('node'),
          ),
        ),
      ),
    ).not.toContain('teeLoaded');
    expect(codes(planJob(joined({ form: 'tee' }, false)))).not.toContain('teeLoaded');
  });
});

it('a hole in a channel’s end stands under less water than one in its floor, and is no higher than the channel', () => {
  const takes = (more: object): number => {
    const inlet = planJob(
      jobOf(ground(50, 'channel'), channel({ depth: 0.2, ...more }), out(), pipe('channel', { nominal: 0.1016 })),
    ).inlets.channel!;
    return inlet.kind === 'channel' ? inlet.outletCapacity! : NaN;
  };
  // 0.6 × π/4 × 0.1016² × √(2 g h), h = 0.2 m over the floor and 0.2 − 0.0508 over the middle of one in the end.
  expect(takes({})).toBeCloseTo(0.6 * 0.0081073 * Math.sqrt(2 * G * 0.2), 6);
  expect(takes({ hole: 'end' })).toBeCloseTo(0.6 * 0.0081073 * Math.sqrt(2 * G * 0.1492), 6);
  expect(takes({ hole: 'end', depth: 0.08 })).toBeLessThan(
    0.6 * (Math.PI / 4) * 0.08 ** 2 * Math.sqrt(2 * G * 0.04) + 1e-12,
  );
});

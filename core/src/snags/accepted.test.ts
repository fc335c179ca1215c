/** A snag that is accepted with a reason counts no more, until it is worse than it was then. */
import { applyChange, changed } from '../job/change';
import type { Job } from '../job/job';
import { jobFaults } from '../job/faults';
import type { Run } from '../job/kinds';
import { face, jobOf, out, pipe, spout, withFields } from '../testing/parts';
import { takeOff } from '../quantities/takeOff';
import { quoteOf } from '../sheets/quote';
import { planJob, type Plan } from '../verdict/planJob';
import { acceptSnag, takeBackAcceptance } from './accepted';
import type { Snag } from './snag';

/** A downspout to a slope that nobody has levelled: one thing to mind. */
const job = jobOf(
  face(60, 'spout'),
  spout(),
  out({ groundLevel: -0.9, receiving: 'slope', bank: undefined, stone: true }),
  pipe('spout', { length: 18, nominal: 0.1016 }),
);
const minded = (plan: Plan): Snag => plan.snags.find(({ code }) => code === 'bankAssumed')!;
const accepted = (of: Job): Job =>
  changed(of, acceptSnag(of, minded(planJob(of)), 'The customer mounds soil over its end', '2026-11-30'));

it('stands with its reason and its day, and counts no more', () => {
  const before = planJob(job);
  expect([before.verdict.state, before.verdict.minds]).toEqual(['mind', 1]);
  const after = planJob(accepted(job), before);
  expect([after.verdict.state, after.verdict.minds]).toEqual(['holds', 0]);
  expect(minded(after).accepted).toEqual({ reason: 'The customer mounds soil over its end', on: '2026-11-30' });
  expect(jobFaults(accepted(job))).toEqual([]);
});

it('comes back once it is worse, and not for a hair', () => {
  const lower = (down: number): Plan =>
    planJob(withFields(accepted(job), 'pipe-spout', { grade: { type: 'levels', up: down } } as Partial<Run>));
  const { crownUp, diameter } = planJob(job).runs['pipe-spout']!;
  expect(minded(lower(crownUp - diameter + 0.001)).accepted).toBeDefined();
  const worse = lower(crownUp - diameter + 0.1);
  expect(minded(worse).accepted).toBeUndefined();
  expect(worse.verdict.minds).toBe(1);
});

it('is accepted once, taken back, and undone', () => {
  const twice = changed(accepted(job), acceptSnag(accepted(job), minded(planJob(job)), 'Other words', '2026-12-01'));
  expect(minded(planJob(twice)).accepted).toEqual({ reason: 'Other words', on: '2026-12-01' });
  const back = applyChange(twice, takeBackAcceptance(twice, minded(planJob(twice))));
  expect(planJob(back.job).verdict.minds).toBe(1);
  expect(back.job.elements.get('job')).toEqual(job.elements.get('job'));
  expect(planJob(changed(back.job, back.inverse)).verdict.minds).toBe(0);
});

describe('what the customer wants otherwise than it should be', () => {
  const short = withFields(job, 'out', { bank: { length: 3, topLevel: -0.75 } });
  const cover = (plan: Plan): Snag => plan.snags.find(({ code }) => code === 'coverShort')!;
  const wanted = changed(short, acceptSnag(short, cover(planJob(short)), 'No digging by the roses', '2026-11-30'));

  it('stands in its place with its day, is no promise, and the rest is judged as before', () => {
    const [before, after] = [planJob(short).verdict, planJob(wanted).verdict];
    expect([before.state, before.fixes]).toEqual(['fix', 1]);
    expect([after.state, after.fixes, after.minds]).toEqual(['mind', 0, before.minds + 1]);
    expect(after.sentence).toMatch(/^As the customer wants it: /);
    expect(cover(planJob(wanted)).accepted).toEqual({ reason: 'No digging by the roses', on: '2026-11-30' });
  });

  it('is to be mended again once it is worse, and his offer says that he was told', () => {
    const worse = planJob(withFields(wanted, 'out', { bank: { length: 3, topLevel: -0.85 } }));
    expect([worse.verdict.state, cover(worse).accepted]).toEqual(['fix', undefined]);
    const plan = planJob(wanted);
    expect(quoteOf(wanted, plan, takeOff(wanted, plan)).cautions.join(' ')).toMatch(
      /You want it otherwise, and were told on 2026-11-30: .* out of the ground\. No digging by the roses/,
    );
  });

  it('is none while it was accepted as a thing to be minded only', () => {
    const head = wanted.elements.get('job') as { accepted: { severity?: string }[] };
    const lightly = head.accepted.map(({ severity: _was, ...rest }) => rest);
    expect(planJob(withFields(wanted, 'job', { accepted: lightly })).verdict.state).toBe('fix');
  });

  it('a Stop is never accepted, whatever somebody wrote', () => {
    const high = withFields(job, 'out', { groundLevel: 0.5 });
    const stop = planJob(high).snags.find(({ severity }) => severity === 'stop')!;
    const plan = planJob(changed(high, acceptSnag(high, stop, 'never mind', '2026-11-30')));
    expect([plan.verdict.state, plan.verdict.stops]).toEqual(['stop', planJob(high).verdict.stops]);
  });
});

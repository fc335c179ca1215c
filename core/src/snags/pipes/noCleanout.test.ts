import { applyChange } from '../../job/change';
import type { Element } from '../../job/kinds';
import { jobFaults } from '../../job/faults';
import { ofKind, type Job } from '../../job/job';
import { planJob } from '../../verdict/planJob';
import { basin, codes, ground, jobOf, out, pipe } from '../../testing/parts';
import { fixOf } from '../../design/fixes';

const wye: Element = { id: 'wye', kind: 'junction', form: 'wye', name: 'Wye', groundLevel: -0.2 };
const line = (first: number, second: number, more: Element[] = []): Job =>
  jobOf(
    ground(50, 'basin'),
    basin(),
    wye,
    out({ groundLevel: -1.9, controlLevel: -4 }),
    pipe('basin', { id: 'upper', to: 'wye', length: first }),
    pipe('wye', { id: 'lower', length: second, grade: { type: 'pitch', pitch: 0.03 }, shored: true }),
    ...more,
  );

it('counts from where a rod goes in, over wyes, to 100 ft', () => {
  expect(codes(planJob(line(14, 16)))).not.toContain('noCleanout');
  const plan = planJob(line(14, 17));
  expect(plan.snags.filter((snag) => snag.code === 'noCleanout')).toMatchObject([
    { at: 'lower', figure: 31, limit: expect.closeTo(30.48, 9) },
  ]);
});

it('takes the nearer way in where two lines meet', () => {
  const branch: Element[] = [
    basin({ id: 'other' }),
    ground(20, 'other'),
    pipe('other', { id: 'branch', to: 'wye', length: 5 }),
  ];
  expect(codes(planJob(line(14, 24, branch)))).not.toContain('noCleanout');
});

it('is mended by cleanouts, as many as it takes, each within reach of the last, and the pipe stays where it was set', () => {
  let job = line(20, 75);
  const before = planJob(job).landings.out!.invert;
  for (let count = 0; count < 5; count++) {
    const plan = planJob(job);
    const snag = plan.snags.find((each) => each.code === 'noCleanout');
    if (!snag) break;
    job = applyChange(job, fixOf(job, plan, snag)!.change).job;
    expect(jobFaults(job)).toEqual([]);
  }
  expect(codes(planJob(job))).not.toContain('noCleanout');
  expect(ofKind(job, 'junction').filter(({ form }) => form === 'cleanout')).toHaveLength(3);
  expect(ofKind(job, 'run').reduce((sum, { length }) => sum + length, 0)).toBeCloseTo(95, 9);
  expect(planJob(job).landings.out!.invert).toBeCloseTo(before!, 9);
});

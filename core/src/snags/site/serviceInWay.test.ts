import { changed } from '../../job/change';
import type { Element, Service } from '../../job/kinds';
import type { Job } from '../../job/job';
import { fixOf } from '../../design/fixes';
import { basin, ground, jobOf, out, pipe } from '../../testing/parts';
import { planJob } from '../../verdict/planJob';
import { tellSnag } from '../tell';

/** Level ground at 0; a smooth 6 in pipe (168 mm outside) from 0.457 m down falls 20 m at 1 %; a line across it 10 m down. */
const crossed = (depth: number | undefined, more: Partial<Service> = {}, pipeMore: object = {}): Job =>
  jobOf(
    ground(40, 'basin'),
    basin(),
    out({ stone: true, groundLevel: -1.2, bank: { length: 3, topLevel: 0 } }),
    pipe('basin', { grade: { type: 'levels', up: -0.5, down: -0.7 }, ...pipeMore }),
    {
      id: 'gas',
      kind: 'service',
      name: 'Gas',
      form: 'gas',
      markedBy: 'Locating service',
      beside: 'pipe-basin',
      along: 10,
      away: 0,
      ...(depth === undefined ? {} : { depth }),
      ...more,
    } as Element,
  );
const found = (job: Job) => planJob(job).snags.find(({ code }) => code === 'serviceInWay');

it('a pipe that runs into a service is a Stop, one that passes nearer than 12 in is minded', () => {
  // There the pipe lies from 0.608 down to 0.440 under the ground, outside.
  expect(found(crossed(0.5))).toMatchObject({ severity: 'stop', at: 'pipe-basin', other: 'gas', length: 10 });
  expect(found(crossed(0.6))!.severity).toBe('stop');
  expect(found(crossed(0.7))).toMatchObject({ severity: 'mind', figure: expect.closeTo(0.092, 2) });
  expect(found(crossed(0.93))).toBeUndefined();
  // Over it: 0.1 m through, so its bottom lies at 0.2.
  expect(found(crossed(0.1))).toMatchObject({ severity: 'mind', figure: expect.closeTo(0.24, 2) });
  expect(found(crossed(0.02))).toBeUndefined();
});

it('nothing is said of one whose depth nobody knows, of what is cut and put back, nor of an old pipe that lies there', () => {
  expect(found(crossed(undefined))).toBeUndefined();
  expect(found(crossed(0.5, { form: 'irrigation' }))).toBeUndefined();
  expect(found(crossed(0.5, {}, { old: { fate: 'kept' } }))).toBeUndefined();
});

it('says where, and its fix leads the line past with the room that is asked', () => {
  const job = crossed(0.55);
  const plan = planJob(job);
  const snag = found(job)!;
  expect(tellSnag(job, plan, snag).headline).toMatch(/^Basin to Swale runs into Gas 10\.00\sm down it\.$/);
  const fix = fixOf(job, plan, snag)!;
  expect(fix.label).toMatch(/under it|over it/);
  expect(found(changed(job, fix.change))).toBeUndefined();
});

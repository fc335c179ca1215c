import { changed } from '../job/change';
import type { Job } from '../job/job';
import type { Run, Visit, VisitTest } from '../job/kinds';
import { unknownsOf } from '../oldSystem/unknowns';
import { basin, ground, jobOf, out, pipe } from '../testing/parts';
import { oldFound } from './oldFound';

const job = (old: Run['old']): Job =>
  jobOf(
    ground(100, 'basin'),
    basin(),
    out({ groundLevel: -1.6 }),
    pipe('basin', { length: 30, name: 'Old line', ...(old ? { old } : {}) }),
  );
const visit = (test: VisitTest): Visit => ({ id: 'v', kind: 'visit', at: '2026-12-01T09:00:00Z', test });
const camera = (...found: ('stopped' | 'standing' | 'openJoint' | 'rough' | 'nothing')[]): Visit =>
  visit({ type: 'camera', run: 'pipe-basin', met: found.map((each, k) => ({ along: k, found: each })) });
const after = (of: Job, each: Visit): Job =>
  oldFound(of, each).reduce((now, { change }) => ({ ...now, elements: changed(now, change).elements }), of);

it('a camera and two levels leave nothing of an old pipe unknown, and are offered but once', () => {
  const old = job({ fate: 'kept' });
  const levels = visit({
    type: 'levels',
    read: [
      { at: 'basin', level: -0.5 },
      { at: 'out', level: -0.9 },
    ],
  });
  const seen = after(after(old, camera('nothing')), levels);
  expect(unknownsOf(old).map(({ of }) => of)).toEqual(['fall', 'state']);
  expect(unknownsOf(seen)).toEqual([]);
  expect(oldFound(seen, levels)).toEqual([]);
  expect(oldFound(seen, camera('nothing'))).toEqual([]);
});

it.each([
  [['rough', 'nothing'], 'Old line is silted or rooted'],
  [['rough', 'stopped'], 'Old line is broken'],
  [['openJoint'], 'Old line is broken'],
] as const)('the worst that a camera met counts: %j', (met, label) => {
  expect(oldFound(job({ fate: 'kept' }), camera(...met)).map((each) => each.label)).toEqual([label]);
});

it('says nothing by water that stands, nor of a pipe that is ours or cut off', () => {
  expect(oldFound(job({ fate: 'kept' }), camera('standing'))).toEqual([]);
  expect(oldFound(job(undefined), camera('stopped'))).toEqual([]);
  expect(oldFound(job({ fate: 'cutOff' }), camera('stopped'))).toEqual([]);
});

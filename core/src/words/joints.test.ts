import { changed, put } from '../job/change';
import { elementOf } from '../job/job';
import type { Run } from '../job/kinds';
import { basin, jobOf, out, pipe } from '../testing/parts';
import { jointWords } from './joints';

const yard = (above: Partial<Run>, below: Partial<Run>) => {
  const job = jobOf(
    basin(),
    basin({ id: 'low', name: 'Low basin' }),
    out(),
    pipe('basin', { to: 'low', ...above }),
    pipe('low', below),
  );
  return jointWords(job, elementOf(job, 'run', 'pipe-low')!).map((words) => words.replaceAll('\u00a0', ' '));
};

it('says what joins two pipes of a different make, size or wall, and nothing of two that are alike', () => {
  expect(yard({}, {})).toEqual([]);
  expect(yard({ material: 'singleWall' }, {})).toEqual(['An adapter at Low basin, from single-wall to PVC.']);
  expect(yard({ material: 'singleWall' }, { material: 'doubleWall' })[0]).toMatch(/^A coupler at Low basin/);
  expect(yard({}, { material: 'clay' })[0]).toMatch(/^A flexible boot with two clamps at Low basin/);
  expect(yard({ nominal: 0.1016 }, {})).toEqual(['An increaser at Low basin, from 100 mm to 150 mm.']);
  expect(yard({ perforated: true }, {})).toEqual([
    'Perforated pipe goes on as solid at Low basin: a coupler, joined tight.',
  ]);
});

it('a pipe that is cut off joins nothing', () => {
  const job = jobOf(basin(), basin({ id: 'low' }), out(), pipe('basin', { to: 'low', material: 'clay' }), pipe('low'));
  const cut = changed(job, put('Cut', { ...elementOf(job, 'run', 'pipe-basin')!, old: { fate: 'cutOff' } }));
  expect(jointWords(cut, elementOf(cut, 'run', 'pipe-low')!)).toEqual([]);
});

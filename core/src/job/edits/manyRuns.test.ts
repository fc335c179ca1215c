import type { Run } from '../kinds';
import { basin, jobOf, out, pipe } from '../../testing/parts';
import { runsWithin } from './manyRuns';

const at = (east: number, north: number) => ({ east, north });
const square = (east: number, side: number) => [at(east, -5), at(east + side, -5), at(east + side, 5), at(east, 5)];
/** A pipe of 20 m to the east, and an old one beside it. */
const job = jobOf(
  basin({ place: at(0, 0) }),
  basin({ id: 'other', place: at(0, 1) }),
  basin({ id: 'typed' }),
  out({ place: at(20, 0) }),
  pipe('basin'),
  pipe('other', { old: { fate: 'kept' } }),
  pipe('typed'),
);
const within = (...outline: Parameters<typeof runsWithin>[1]): string[] =>
  runsWithin(job, outline).map(({ id }: Run) => id);

it('chooses the new pipes that lie within an outline for half of their length', () => {
  expect(within(...square(-1, 30))).toEqual(['pipe-basin']);
  expect(within(...square(9, 30))).toEqual(['pipe-basin']);
  expect(within(...square(11, 30))).toEqual([]);
  expect(within(...square(-1, 11.5))).toEqual(['pipe-basin']);
  expect(within(...square(-1, 9))).toEqual([]);
  expect(within(...square(-1, 30).slice(0, 2))).toEqual([]);
});

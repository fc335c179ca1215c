import { quillfeather } from '@katabasis/core/samples';
import { sceneOf } from '../../drawing/yard/scene';
import { shownGround, shownThings, SHOWS } from './showing';

const things = sceneOf(quillfeather());
const kindsOf = (show: (typeof SHOWS)[number], chosen: string | null = null): Set<string> =>
  new Set(shownThings(things, show, chosen).map(({ kind }) => kind));

it('shows the house always, of the rest what is asked for, and what is chosen whatever is asked for', () => {
  for (const show of SHOWS) expect(kindsOf(show)).toContain('building');
  expect(shownThings(things, 'all', null)).toBe(things);
  expect([...kindsOf('pipes')]).toEqual(expect.arrayContaining(['run', 'junction', 'service', 'discharge']));
  expect(kindsOf('pipes').has('spotLevel')).toBe(false);
  expect(kindsOf('ground').has('run')).toBe(false);
  expect(kindsOf('water').has('run')).toBe(false);
  const level = things.find(({ kind }) => kind === 'spotLevel')!.id;
  expect(shownThings(things, 'pipes', level).filter(({ kind }) => kind === 'spotLevel')).toHaveLength(1);
});

it('of the ground leaves out what is not asked for, and is the same where all of it is', () => {
  const some = [{}] as never[];
  const ground = { contours: some, arrows: some, ponds: some, ways: some, catchment: null, wordsOf: String };
  expect(shownGround(ground, 'all')).toBe(ground);
  expect(shownGround(ground, 'pipes')).toMatchObject({ contours: [], arrows: [], ponds: [], ways: some });
  expect(shownGround(null, 'pipes')).toBeNull();
});

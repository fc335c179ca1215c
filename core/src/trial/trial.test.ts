import type { Job } from '../job/job';
import { basin, ground, jobOf, out, pipe, withElements, withFields } from '../testing/parts';
import { planJob } from '../verdict/planJob';
import { runTrial } from './trial';
import { walkOf } from './walk';

it('finds nothing told to hold that a walk over the levels and the water refuses, no fix that worsens, and no dearer sizing', () => {
  const calm = runTrial(5, { from: 71, moods: ['calm'] });
  const wild = runTrial(1, { from: 73, moods: ['wild'] });
  const doors = runTrial(3, { from: 71, moods: ['doors'] });
  const clean = runTrial(35, { from: 71, moods: ['clean'] });
  expect([...calm.broken, ...wild.broken, ...doors.broken, ...clean.broken]).toEqual([]);
  expect(clean.holds).toBe(35);
  expect(calm.holds).toBeGreaterThan(0);
  expect(calm.fixes + wild.fixes).toBeGreaterThan(20);
  expect(calm.sizings).toBeGreaterThan(1);
});

describe('the walk', () => {
  const sound = jobOf(ground(60, 'basin'), basin(), out({ stone: true }), pipe('basin'));

  const withDoor = (sillLevel: number): Job =>
    withElements(
      withFields(sound, 'basin', { place: { east: 4, north: -2 } }),
      {
        id: 'house',
        kind: 'building',
        name: 'House',
        outline: [0, 1, 2].map((k) => ({ east: 8 * (k % 2), north: 5 * (k >> 1) })),
      },
      { id: 'door', kind: 'opening', name: 'Door', form: 'door', building: 'house', wall: 0, sillLevel },
    );

  it('agrees with a door high enough', () => expect(walkOf(withDoor(0.3), planJob(withDoor(0.3)))).toEqual([]));
  it('agrees with a job that holds', () => expect(walkOf(sound, planJob(sound))).toEqual([]));

  it.each([
    ['a grate too small', withFields(sound, 'basin', { grate: 'round6', clogging: 0.8 }), /basin ponds/],
    [
      'a pipe too small',
      withFields(sound, 'pipe-basin', { nominal: 0.04 }),
      /carries more than it holds|water comes out/,
    ],
    [
      'a pipe near the ground',
      withFields(sound, 'pipe-basin', { grade: { type: 'levels', up: -0.2 } }),
      /of cover at 0.0 m/,
    ],
    ['an end too low', withFields(sound, 'pipe-basin', { grade: { type: 'levels', down: -1.6 } }), /under its level/],
    [
      'a pipe that climbs',
      withFields(sound, 'pipe-basin', { grade: { type: 'levels', up: -1.6, down: -1.5 } }),
      /does not fall/,
    ],
    ['water against its end', withFields(sound, 'out', { standingLevel: 0.1 }), /water comes out of basin/],
    [
      'a deep trench',
      withFields(sound, 'pipe-basin', { grade: { type: 'levels', up: -1.9, down: -2.2 } }),
      /deep open trench/,
    ],
    ['a door too low that no inlet names', withDoor(0.02), /water from basin comes near door/],
    ['a sill too low', withFields(sound, 'basin', { sillLevel: 0.02 }), /near the sill/],
  ])('refuses %s by itself', (_, job, words) => expect(walkOf(job, planJob(job)).join()).toMatch(words));
});

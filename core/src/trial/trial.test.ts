import type { Job } from '../job/job';
import { basin, ground, jobOf, out, pipe, rain, withElements, withFields } from '../testing/parts';
import { levelled } from '../testing/levelledYard';
import { planJob } from '../verdict/planJob';
import { runTrial } from './trial';
import { walkOf } from './walk/walk';
import { rainfallOf, runStorm } from '../simulation';
import { layersTold } from '../simulation/givesWay/layersTold';
import { walkGivesWay } from './walk/walkGivesWay';

it('finds nothing told to hold that a walk over the levels and the water refuses, no fix that worsens, and no dearer sizing', () => {
  const calm = runTrial(5, { from: 71, moods: ['calm'] });
  const wild = runTrial(1, { from: 73, moods: ['wild'] });
  const doors = runTrial(3, { from: 71, moods: ['doors'] });
  const whole = runTrial(4, { from: 71, moods: ['whole'] });
  const clean = runTrial(35, { from: 71, moods: ['clean'] });
  expect([...calm.broken, ...wild.broken, ...doors.broken, ...whole.broken, ...clean.broken]).toEqual([]);
  // One with something to mind is judged again once that is mended.
  expect(clean.holds).toBeGreaterThanOrEqual(35);
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
    [
      'a door that is low where the ground to it was measured',
      withElements(
        withDoor(0.02),
        ...levelled(({ east, north }) => (Math.hypot(east - 12, north - 10) < 9 ? -0.06 : 0.4), 0, {
          east: -8,
          north: -12,
        }),
      ),
      /water from basin comes near door/,
    ],
    [
      'a sill that is wet in the rarer rain alone',
      withFields(withElements(sound, rain({ openings: { returnPeriod: 100, intensity: 4e-4 } })), 'basin', {
        sillLevel: 0.09,
      }),
      /sill at basin is wet in the rarer rain/,
    ],
    [
      'two pipes that cross at one depth',
      jobOf(
        basin({ place: { east: 0, north: 0 } }),
        out({ place: { east: 20, north: 0 }, stone: true, groundLevel: -2 }),
        basin({ id: 'north', place: { east: 8, north: 8 } }),
        out({ id: 'south', place: { east: 12, north: -12 }, stone: true, groundLevel: -2 }),
        pipe('basin', { grade: { type: 'levels', up: -0.5, down: -0.7 } }),
        pipe('north', { to: 'south', grade: { type: 'levels', up: -0.55, down: -0.7 } }),
      ),
      /lies in pipe-north where they cross/,
    ],
    ['a sill too low', withFields(sound, 'basin', { sillLevel: 0.02 }), /near the sill/],
  ])('refuses %s by itself', (_, job, words) => expect(walkOf(job, planJob(job)).join()).toMatch(words));
});

it("weighs what gives way by the storm's own balance, and misses what it leaves out", () => {
  const job = jobOf(
    ground(90, 'up'),
    ground(40, 'basin'),
    basin({
      id: 'up',
      grate: 'round6',
      groundLevel: 0.2,
      passesTo: 'basin',
      approach: { slope: 0.03, roughness: 0.012, width: 3 },
    }),
    basin(),
    pipe('up', { to: 'basin', length: 9 }),
    pipe('basin'),
    out({ stone: true }),
  );
  const plan = planJob(job);
  const told = runStorm(job, plan, { rain: rainfallOf(job, 'design')!, wetness: 'ordinary', failing: [] });
  expect(walkGivesWay(job, plan, told)).toEqual([]);
  const layers = layersTold(job, plan, told, () => null);
  const without = { ...layers, pipes: { ...layers.pipes, parts: [] } };
  expect(walkGivesWay(job, plan, told, without).join()).toMatch(/0 is carried, and \d/);
  const lies = { ...layers, grates: { ...layers.grates, parts: [{ ...layers.grates.parts[0]!, passed: 1e3 }] } };
  expect(walkGivesWay(job, plan, told, lies).join()).toMatch(/up passes on 1000 of/);
});

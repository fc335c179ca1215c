/** Trenches that are shared as they are drawn: by hand, by a walk in small steps, and what an edit leaves alone. */
import fc from 'fast-check';
import { besides } from '../job/edits/besides';
import { jobFaults } from '../job/faults';
import { ofKind, type Job } from '../job/job';
import type { Element } from '../job/kinds';
import { changed, put } from '../job/change';
import { wayOfRun } from '../job/places';
import { footOnWay, type Place } from '../site/place';
import { basin, ground, jobOf, out, pipe } from '../testing/parts';
import { largeYard } from '../trial/seeded';
import { planJob } from '../verdict/planJob';
import { sharedTrenches } from './sharing';
import { sharingWords } from './sharingWords';
import { takeOff, type TakeOff } from './takeOff';

const at = (east: number, north: number): Place => ({ east, north });

/** Two lines from basins to ways out of their own, by their places; the first lies 0.2 m deeper. */
function twoLines(ways: readonly (readonly Place[])[], more: readonly object[] = [{}, {}]): Job {
  return jobOf(
    ...ways.flatMap((way, k) => {
      const id = 'ab'[k]!;
      const length = way
        .slice(1)
        .reduce((sum, p, j) => sum + Math.hypot(p.east - way[j]!.east, p.north - way[j]!.north), 0);
      return [
        ground(20, id),
        basin({ id, place: way[0]! }),
        out({ id: `out-${id}`, place: way.at(-1)!, groundLevel: -1, stone: true }),
        pipe(id, {
          to: `out-${id}`,
          length,
          bends: way.slice(1, -1),
          nominal: 0.1016,
          grade: { type: 'levels', up: -0.8 + 0.2 * k, down: -1.2 + 0.2 * k },
          ...more[k],
        }),
      ];
    }),
  );
}
const counted = (job: Job): TakeOff => takeOff(job, planJob(job));

it('a run that comes beside a deeper one for a part of its way widens that one’s trench there, and digs its own before', () => {
  // Along the other from 10 m on, half a metre off: over 12 of its 20 m.
  const job = twoLines([
    [at(0, 0), at(30, 0)],
    [at(10, -8), at(10, -0.5), at(22, -0.5)],
  ]);
  const [a, b] = counted(job).trenches;
  expect(a!.shared).toEqual([]);
  expect(b!.shared).toEqual([{ with: 'pipe-a', from: expect.closeTo(7.5, 6), to: expect.closeTo(19.5, 6) }]);
  expect(b!.own).toBeCloseTo(7.5, 6);
  const alone = counted(
    twoLines(
      [
        [at(0, 0), at(30, 0)],
        [at(10, -8), at(10, -0.5), at(22, -0.5)],
      ],
      [{}, { apart: true }],
    ),
  );
  const own = alone.trenches[1]!;
  // What is shared is as deep, and as much narrower: the pipe with 4 in of room in place of 8.
  expect(own.shared).toEqual([]);
  const dug = (b!.volume - b!.ownVolume) / (own.volume - b!.ownVolume);
  const wide = 0.1016 * 1.055;
  expect(dug).toBeCloseTo((wide + 0.1016) / Math.max(0.3048, wide + 0.2032), 3);
  const said = (id: string): string[] =>
    sharingWords(job, planJob(job), id).map((each) => each.replaceAll('\u00a0', ' '));
  expect(said('pipe-b')).toEqual([
    // Its invert there −0.6 − 0.4 · 13.5/19.5 m, the other's −0.8 − 0.4 · 16/30.
    'In one trench with Basin to Swale for 12.00 m, 136 mm above it.',
  ]);
  expect(said('pipe-a')).toEqual(['In one trench with Basin to Swale for 12.00 m, 136 mm below it.']);
});

it.each<[string, readonly (readonly Place[])[]]>([
  [
    'too far off',
    [
      [at(0, 0), at(30, 0)],
      [at(0, 0.7), at(30, 0.7)],
    ],
  ],
  [
    'askew',
    [
      [at(0, 0), at(30, 0)],
      [at(5, -1), at(9, 1)],
    ],
  ],
  [
    'one beyond the other',
    [
      [at(0, 0), at(10, 0)],
      [at(10.2, 0), at(20, 0)],
    ],
  ],
  [
    'side by side for a yard',
    [
      [at(0, 0), at(10, 0)],
      [at(9, 0.3), at(20, 0.3)],
    ],
  ],
])('trenches are dug apart: %s', (_, ways) => {
  expect(counted(twoLines(ways)).trenches.map(({ shared }) => shared)).toEqual([[], []]);
});

it('a walk in small steps finds the same stretches side by side, and of any two one digs its own', () => {
  const place = fc.record({ east: fc.integer({ min: 0, max: 120 }), north: fc.integer({ min: 0, max: 12 }) });
  const way = fc
    .array(place, { minLength: 2, maxLength: 4 })
    .map((places) => places.map(({ east, north }) => at(east / 10, north / 10)))
    .filter((places) =>
      places.every((p, k) => k === 0 || Math.hypot(p.east - places[k - 1]!.east, p.north - places[k - 1]!.north) > 0.5),
    );
  fc.assert(
    fc.property(way, way, (one, other) => {
      const job = twoLines([one, other]);
      const plan = planJob(job);
      const shared = sharedTrenches(job, plan.runs, 0.6);
      const runs = ofKind(job, 'run').map((run) => ({ run, way: wayOfRun(job, run)! }));
      // Never each in the trench of the other.
      expect(shared.size).toBeLessThan(2);
      for (const [id, stretches] of shared) {
        const guest = runs.find(({ run }) => run.id === id)!;
        const host = runs.find(({ run }) => run.id === stretches[0]!.with)!;
        for (const { from, to } of stretches)
          for (let along = from + 0.02; along < to - 0.02; along += 0.05) {
            const here = walkTo(guest.way, along);
            expect(footOnWay(host.way, here)!.distance).toBeLessThanOrEqual(0.6 + 1e-6);
          }
      }
    }),
    { numRuns: 300 },
  );
});

/** The place so far along a way. */
function walkTo(way: readonly Place[], along: number): Place {
  let [left, k] = [along, 1];
  for (; k < way.length - 1; k++) {
    const length = Math.hypot(way[k]!.east - way[k - 1]!.east, way[k]!.north - way[k - 1]!.north);
    if (left <= length) break;
    left -= length;
  }
  const [a, b] = [way[k - 1]!, way[k]!];
  const length = Math.hypot(b.east - a.east, b.north - a.north);
  return at(a.east + ((b.east - a.east) * left) / length, a.north + ((b.north - a.north) * left) / length);
}

it('an edit works out anew only the trenches that it reaches', () => {
  const job = largeYard(60, 400);
  const plan = planJob(job);
  const taken = takeOff(job, plan);
  const run = ofKind(job, 'run')[20]!;
  const next = changed(job, put('Longer', { ...run, length: run.length + 0.1 }));
  const again = takeOff(next, planJob(next, plan), taken);
  const before = new Set(taken.trenches);
  const anew = again.trenches.filter((each) => !before.has(each));
  expect(anew.length).toBeGreaterThan(0);
  expect(anew.length).toBeLessThan(8);
});

it('a solid line laid in a drain’s trench digs none of its own, widens that, and says how it lies to the drain’s pipe', () => {
  const drain = {
    id: 'drain',
    kind: 'drain',
    name: 'Wet strip',
    groundLevel: 0,
    way: [at(0, 0.4), at(20, 0.4)],
    length: 20,
    depth: 0.6,
    nominal: 0.1016,
    pitch: 0.01,
    spacing: 6,
    firmDepth: 0.45,
    soil: 'loam',
  } as unknown as Element;
  const line = (more: object): Job => changed(twoLines([[at(0, 0), at(20, 0)]], [more]), put('Put in a drain', drain));
  const [alone, beside] = [counted(line({ apart: true })), counted(line({ beside: 'drain' }))];
  expect(jobFaults(line({ beside: 'drain' }))).toEqual([]);
  expect(alone.trenches[0]!.own).toBe(20);
  expect(beside.trenches[0]!.own).toBe(0);
  expect(beside.trenches[0]!.volume).toBeLessThan(alone.trenches[0]!.volume);
  expect(beside.trenches[0]!.volume).toBeGreaterThan(0);
  const said = sharingWords(line({ beside: 'drain' }), planJob(line({ beside: 'drain' })), 'pipe-a');
  expect(said.map((each) => each.replaceAll('\u00a0', ' '))).toEqual([
    expect.stringMatching(/^In one trench with Wet strip, \d+ mm (above|below) it\.$/),
  ]);
  // Drawn beside a drain that lies deeper it is dug with that, unless somebody says that it is not; a shallower drain takes none in.
  expect(counted(line({})).trenches[0]).toEqual(beside.trenches[0]);
  const shallow = changed(line({}), put('Less deep', { ...drain, depth: 0.4 } as Element));
  expect(counted(shallow).trenches[0]!.own).toBe(20);
  // A pipe that is drawn there is offered the drain's trench.
  expect(besides(line({}), ofKind(line({}), 'run')[0]!).map(({ id }) => id)).toContain('drain');
});

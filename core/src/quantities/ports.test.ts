/** The law of fittings: every port of every thing in a plan is met by a part that fits both sides in make and size. */
import { jobFrom, type Job } from '../job/job';
import type { Element } from '../job/kinds';
import { brackenfold, quillfeather, situations, wrenmoor } from '../samples';
import { basin, channel, face, ground, jobOf, out, pipe, spout } from '../testing/parts';
import { portsUnmet } from '../testing/portsMet';
import { seededJob } from '../trial';
import { seededWhole } from '../trial/seededWhole';
import { METRES_PER_INCH } from '../units/constants';
import { planJob } from '../verdict/planJob';
import { takeOff, type TakeOff } from './takeOff';
import { partLabel } from './partLabel';

const counted = (job: Job): TakeOff => takeOff(job, planJob(job));
const inches = (count: number): number => count * METRES_PER_INCH;

/** Of new pipe nobody sells clay: a random one is laid in another make. */
const sold = (job: Job): Job =>
  jobFrom(
    job.id,
    job.elements.all.map((element) =>
      element.kind === 'run' && element.material === 'clay' && !element.old
        ? { ...element, material: 'doubleWall' as const }
        : element,
    ),
  );

it('holds over a thousand random yards of all kinds, every sample and every situation', () => {
  const samples = [quillfeather(), brackenfold(), wrenmoor(), ...Object.values(situations()).map(({ job }) => job)];
  for (const job of samples) expect([job.id, portsUnmet(job, counted(job))]).toEqual([job.id, []]);
  for (let seed = 1; seed <= 450; seed++)
    for (const job of [seededWhole(seed), seededJob(seed, 'calm'), ...(seed <= 100 ? [sold(seededJob(seed))] : [])])
      expect([job.id, portsUnmet(job, counted(job))]).toEqual([job.id, []]);
});

it('the checker finds what is left out, and what does not fit', () => {
  const job = jobOf(face(60, 'spout'), spout(), out(), pipe('spout', { nominal: inches(4) }));
  const taken = counted(job);
  expect(portsUnmet(job, taken)).toEqual([]);
  const without = (type: string): TakeOff => ({
    ...taken,
    parts: taken.parts.filter(({ item }) => item.type !== type),
  });
  expect(portsUnmet(job, without('downspoutAdapter')).join()).toMatch(/spout: one socket of smooth 1016 is left over/);
  const other = changedBends(taken);
  expect(portsUnmet(job, other).join()).toMatch(/joined by nothing/);
});

/** The same with its bends of another make. */
const changedBends = (taken: TakeOff): TakeOff => ({
  ...taken,
  parts: taken.parts.map((part) =>
    part.item.type === 'bend' ? { ...part, item: { ...part.item, material: 'doubleWall' } } : part,
  ),
});

describe('in a line, by hand', () => {
  const listAt = (job: Job, id: string): Record<string, number> =>
    Object.fromEntries(
      counted(job).parts.flatMap(({ item, uses, unit }) => {
        const at = uses.filter((use) => use.id === id).reduce((sum, { quantity }) => sum + quantity, 0);
        return at > 0 && unit === 'piece' ? [[partLabel(item, 'us').replace(/\s/g, ' '), at]] : [];
      }),
    );
  const line = (second: Element, more: object = {}): Job =>
    jobOf(
      face(60, 'spout'),
      spout(),
      pipe('spout', { to: second.id, nominal: inches(3), length: 8 }),
      second,
      pipe(second.id, { nominal: inches(4), material: 'singleWall', ...more }),
      out(),
    );

  it('a downspout on 4 in corrugated that 3 in PVC runs into', () => {
    // 3 in adapted to the other make and widened; the downspout down a 4 in leg by a wye and a street bend.
    expect(listAt(line(spout({ id: 'second' })), 'second')).toEqual({
      '3 in adapter, PVC to single-wall': 1,
      '4 in × 3 in reducer, single-wall': 1,
      '4 in × 4 in wye, single-wall': 1,
      '4 in 45° bend, single-wall': 1,
      '3 × 4 in downspout to 4 in adapter, single-wall': 1,
      Screws: 4,
    });
  });

  it('a channel, and a basin, likewise', () => {
    expect(listAt(line(channel({ id: 'second', length: 3, width: inches(4) })), 'second')).toEqual({
      '3 in adapter, PVC to single-wall': 1,
      '4 in × 3 in reducer, single-wall': 1,
      '4 in × 4 in wye, single-wall': 1,
      '4 in 45° bend, single-wall': 1,
      '4 in channel outlet to 4 in pipe, single-wall': 1,
      '4 in channel drain with its grate, lengths of 3′ 3″': 3,
      '4 in channel end': 2,
    });
    expect(listAt(line(basin({ id: 'second' })), 'second')).toMatchObject({
      '3 in basin outlet, PVC': 1,
      '4 in basin outlet, single-wall': 1,
    });
  });

  it('a downspout spliced into an old clay main, and a line into a main of known size', () => {
    const clay = { material: 'clay', nominal: inches(6), old: { fate: 'kept' } } as const;
    const job = jobOf(
      face(60, 'spout'),
      ground(30, 'basin'),
      basin(),
      pipe('basin', { to: 'spout', ...clay }),
      spout(),
      pipe('spout', clay),
      out(),
    );
    expect(listAt(job, 'spout')).toEqual({
      '6 in flexible boot with clamps, old clay to PVC': 2,
      '6 in × 4 in wye, PVC': 1,
      '4 in 45° bend, PVC': 1,
      '3 × 4 in downspout to 4 in adapter, PVC': 1,
      Screws: 4,
    });
    const main = jobOf(
      ground(60, 'basin'),
      basin(),
      pipe('basin', { nominal: inches(4) }),
      out({ form: 'main', controlLevel: -1.5, mainDiameter: inches(6), mainMaterial: 'smooth', bank: undefined }),
    );
    expect(listAt(main, 'out')).toEqual({
      '6 in × 4 in wye, PVC': 1,
      '4 in 45° bend, PVC': 1,
      '6 in slip coupler, PVC': 2,
    });
  });
});

it('glue is for the bells between sticks as well: 60 m of 4 in has 19', () => {
  const job = jobOf(
    ground(60, 'basin'),
    basin(),
    out({ groundLevel: -2 }),
    pipe('basin', { length: 60, nominal: inches(4) }),
  );
  const net = (type: string): number => counted(job).parts.find(({ item }) => item.type === type)!.net;
  // 19 bells and the basin's outlet, 0.027 L each.
  expect(net('cement')).toBeCloseTo(20 * 0.027, 9);
  expect(net('primer')).toBeCloseTo(10 * 0.027, 9);
  expect(net('cleaner')).toBeCloseTo(10 * 0.027, 9);
});

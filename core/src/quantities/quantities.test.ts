import fc from 'fast-check';
import { packOf } from '../catalogue/supply';
import { changed, put } from '../job/change';
import { jobFrom, type Job } from '../job/job';
import type { Element } from '../job/kinds';
import { placesOf, putDown } from '../job/places';
import { planJob } from '../verdict/planJob';
import { brackenfold, quillfeather, situations, wrenmoor } from '../samples';
import { seededJob } from '../trial';
import { at, moved } from '../testing/levelledYard';
import { basin, ground, jobOf, out, pipe, spout } from '../testing/parts';
import { METRES_PER_FOOT, METRES_PER_INCH } from '../units/constants';
import { partLabel } from './partLabel';
import { partsTable, partWorking } from './words';
import { cutStock } from '../numeric/cuttingStock';
import { coverAgainstFloating } from './floats';
import { takeOff, type Part, type TakeOff } from './takeOff';
import { trenchVolume } from './trench';

const counted = (job: Job): TakeOff => takeOff(job, planJob(job));
const feet = (count: number): number => count * METRES_PER_FOOT;
const inches = (count: number): number => count * METRES_PER_INCH;
/** Amounts bought by what they are called; sticks and rolls of pipe. */
const bought = ({ parts }: TakeOff, units: 'us' | 'metric' = 'us'): Record<string, number> =>
  Object.fromEntries(
    parts.map((part) => [partLabel(part.item, units).replace(/\s/g, ' '), part.packs?.sticks ?? part.buy]),
  );
const netOf = (taken: TakeOff, type: Part['item']['type']): number =>
  taken.parts.filter(({ item }) => item.type === type).reduce((sum, { net }) => sum + net, 0);

describe('the clinic, counted by hand', () => {
  const taken = counted(quillfeather());
  const list = bought(taken);

  it('pipe: 106 ft of 6 in in sticks of 20 ft, 200 ft of 4 in with its legs and riser in sticks of 10', () => {
    // 44 = 2 × 20 + 4 and 62 = 3 × 20 + 2; 4 and 2 come off one stick.
    expect(list['6 in double-wall pipe']).toBe(6);
    // 18 whole, 8 + 2, 6 + 4, three legs and the cleanout's riser off one: 21; with a twentieth for waste 22.
    expect(list['4 in PVC pipe']).toBe(22);
    const four = taken.parts.find(({ item }) => item.type === 'pipe' && item.material === 'smooth')!;
    expect(
      cutStock(
        four.uses.map(({ quantity }) => quantity),
        feet(10),
      ).sticks,
    ).toBe(21);
    expect(
      four.uses.filter(({ id }) => id.startsWith('run')).reduce((sum, { quantity }) => sum + quantity, 0),
    ).toBeCloseTo(feet(200), 2);
  });

  it('fittings: a wye for each branch and the cleanout, smooth pipe adapted three times and widened once', () => {
    expect(list).toMatchObject({
      '6 in × 4 in wye, double-wall': 2,
      '4 in × 4 in wye, PVC': 1,
      '6 in × 4 in reducer, double-wall': 1,
      '4 in adapter, PVC to double-wall': 3,
      '4 in cleanout cap, PVC': 1,
      // Under each of three downspouts, and out of the floor of the channel.
      '4 in 90° bend, PVC': 4,
    });
  });

  it('inlets: three downspouts on pipe, a basin with two of its four openings used, 16 ft of channel in lengths of a metre', () => {
    expect(list).toMatchObject({
      '3 × 4 in downspout to 4 in adapter, PVC': 3,
      Screws: 12,
      'Basin box for a 12 × 12 in flat grate': 1,
      '12 × 12 in flat grate': 1,
      'Plug for a 12 × 12 in flat box': 2,
      '4 in basin outlet, PVC': 2,
      '4 in channel drain with its grate, lengths of 3′ 3″': 5,
      '4 in channel end': 2,
      '4 in channel outlet to 4 in pipe, PVC': 1,
    });
  });

  it('earth: what is dug is what is filled and what is hauled', () => {
    expect(netOf(taken, 'dug')).toBeCloseTo(netOf(taken, 'backfill') + netOf(taken, 'spoil'), 9);
    // 306 ft of trench a foot wide or a little more, a foot and a half deep in the middle.
    expect(netOf(taken, 'dug') / (feet(306) * feet(1) * feet(1.5))).toBeGreaterThan(1);
    expect(netOf(taken, 'dug') / (feet(306) * feet(1) * feet(1.5))).toBeLessThan(1.6);
    expect(taken.missing).toEqual([]);
  });
});

describe('bends from the plan', () => {
  const turned = (degrees: number, material: 'smooth' | 'singleWall' = 'smooth'): Record<string, number> => {
    const end = moved(at(0, 10), (degrees * Math.PI) / 180, at(0, 10));
    const taken = counted(
      jobOf(
        basin({ place: at(0, 0) }),
        ground(50, 'basin'),
        out({ place: end }),
        pipe('basin', { bends: [at(0, 10)], lengthFrom: 'plan', material, nominal: inches(4) }),
      ),
    );
    return bought(taken);
  };
  it.each([
    [3, {}],
    [22, { '22½': 1 }],
    [45, { '45': 1 }],
    [60, { '45': 1, '22½': 1 }],
    [90, { '45': 2 }],
    [120, { '45': 3 }],
  ] as const)('%i° is made of 45s and at most one 22½', (degrees, wanted) => {
    const got = Object.entries(turned(degrees)).flatMap(([label, count]) => {
      const bend = /(22½|45)° bend/.exec(label);
      return bend ? [[bend[1], count]] : [];
    });
    expect(Object.fromEntries(got)).toEqual(wanted);
  });
  it('pipe that bends by hand wants none', () =>
    expect(Object.keys(turned(90, 'singleWall')).filter((label) => label.includes('bend'))).toEqual([]));
});

describe('laws', () => {
  it('a run split by a wye that nothing joins has the same pipe and the same trench', () => {
    const whole = jobOf(
      ground(50, 'basin'),
      basin(),
      out({ groundLevel: -1 }),
      pipe('basin', { grade: { type: 'levels', up: -0.6, down: -1 } }),
    );
    fc.assert(
      fc.property(fc.double({ min: 1, max: 19, noNaN: true }), (split) => {
        const level = -0.6 - 0.02 * split;
        const plan = planJob(whole).runs['pipe-basin']!;
        const middle = plan.groundUp + ((plan.groundDown - plan.groundUp) * split) / 20;
        const parted = changed(
          whole,
          put(
            'Split',
            { id: 'mid', kind: 'junction', form: 'wye', name: 'Mid', groundLevel: middle } as Element,
            pipe('basin', { to: 'mid', length: split, grade: { type: 'levels', up: -0.6, down: level } }),
            pipe('mid', { length: 20 - split, grade: { type: 'levels', up: level, down: -1 } }),
          ),
        );
        const [one, two] = [counted(whole), counted(parted)];
        expect(netOf(two, 'pipe')).toBeCloseTo(netOf(one, 'pipe'), 9);
      }),
      { numRuns: 20 },
    );
  });

  it('turning and moving a whole site changes nothing that is counted', () => {
    const job = quillfeather();
    const shifted = (turn: number): Job => {
      const on = (place: { east: number; north: number }) => moved(place, turn, at(31, -17));
      return changed(
        job,
        put(
          'Turn',
          ...job.elements.all.map((element) => {
            const places = placesOf(element);
            const next = (places.length > 0 ? putDown(element, places.map(on)) : element) as Element & {
              bends?: { east: number; north: number }[];
              eave?: [{ east: number; north: number }, { east: number; north: number }];
            };
            return {
              ...next,
              ...(next.bends ? { bends: next.bends.map(on) } : {}),
              ...(next.eave ? { eave: next.eave.map(on) } : {}),
            } as Element;
          }),
        ),
      );
    };
    const before = bought(counted(job));
    const after = bought(counted(shifted(0)));
    for (const [label, amount] of Object.entries(before))
      expect([label, after[label]! / amount]).toEqual([label, expect.closeTo(1, 3)]);
  });

  it('longer is never fewer sticks, less dug or less hauled', () => {
    const of = (length: number): TakeOff =>
      counted(
        jobOf(
          ground(50, 'basin'),
          basin(),
          out(),
          pipe('basin', { length, grade: { type: 'levels', up: -0.6, down: -0.9 } }),
        ),
      );
    let before = of(4);
    for (const length of [5, 6.096, 6.1, 7, 20, 61]) {
      const now = of(length);
      for (const type of ['dug', 'spoil', 'pipe'] as const)
        expect(netOf(now, type)).toBeGreaterThanOrEqual(netOf(before, type) - 1e-9);
      before = now;
    }
  });

  it('every figure of every sample and situation is a number, its working adds up, and each place is there', () => {
    const jobs = [quillfeather(), brackenfold(), wrenmoor(), ...Object.values(situations()).map(({ job }) => job)];
    for (const job of jobs) {
      const { parts, trenches } = counted(job);
      for (const part of parts) {
        expect(part.net).toBeGreaterThan(0);
        expect(part.buy).toBeGreaterThanOrEqual(part.net - 1e-9);
        expect(part.uses.reduce((sum, { quantity }) => sum + quantity, 0)).toBeCloseTo(part.net, 9);
        for (const { id } of part.uses) expect(job.elements.has(id)).toBe(true);
        expect(partLabel(part.item, 'metric')).not.toMatch(/undefined|NaN/);
        for (const { shown } of partWorking(job, part))
          expect(`${shown.value}${shown.unit}`).not.toMatch(/undefined|NaN/);
        if (part.item.type !== 'pipe' && part.unit === 'piece') expect(Number.isInteger(part.net)).toBe(true);
      }
      expect(partsTable(job, parts)).toHaveLength(parts.length + 1);
      for (const trench of trenches) expect(trench.displaced).toBeLessThanOrEqual(trench.volume + 1e-9);
    }
  });
});

describe('what cannot be counted is named, and the rest is there', () => {
  it('a downspout in no line, new pipe of old clay, a drain of no length', () => {
    const taken = counted(
      jobOf(ground(50, 'basin'), basin(), out(), pipe('basin', { material: 'clay' }), {
        id: 'drain',
        kind: 'drain',
        name: 'Drain',
        groundLevel: 0,
        depth: 0.6,
        nominal: inches(4),
      } as Element),
    );
    expect(taken.missing).toEqual([
      { id: 'pipe-basin', why: 'oldPipe' },
      { id: 'drain', why: 'noSize' },
    ]);
    expect(netOf(taken, 'box')).toBe(1);
  });

  it('an old pipe that is kept is not bought; one that is cut off is capped; a new pipe into it is booted', () => {
    const yard = jobOf(
      ground(50, 'spout'),
      spout(),
      { id: 'wye', kind: 'junction', form: 'wye', name: 'Wye', groundLevel: 0 } as Element,
      out(),
      pipe('spout', { to: 'wye' }),
      pipe('wye', { material: 'clay', old: { fate: 'kept' } }),
    );
    const list = bought(counted(yard), 'metric');
    // What comes down is a 4 in leg, widened into it.
    expect(Object.keys(list).filter((label) => /^\d.* pipe$/.test(label))).toEqual([
      '150 mm PVC pipe',
      '100 mm PVC pipe',
    ]);
    expect(list['150 mm × 100 mm reducer, PVC']).toBe(1);
    expect(list['150 mm flexible boot with clamps, PVC to old clay']).toBe(1);
    const cut = changed(yard, put('Cut', pipe('wye', { material: 'clay', old: { fate: 'cutOff' } })));
    expect(bought(counted(cut), 'metric')['150 mm end cap, old clay']).toBe(1);
  });
});

describe('trench, sticks and floating', () => {
  it('by the prismoidal rule is the integral of its section, also where it comes out of the ground', () => {
    const line = fc.array(
      fc.record({
        step: fc.double({ min: 0.1, max: 9, noNaN: true }),
        depth: fc.double({ min: -1, max: 3, noNaN: true }),
      }),
      { minLength: 2, maxLength: 8 },
    );
    fc.assert(
      fc.property(
        line,
        fc.double({ min: 0.1, max: 2, noNaN: true }),
        fc.double({ min: 0, max: 2, noNaN: true }),
        (points, width, sideSlope) => {
          const stations = points.map((_, k) => points.slice(0, k).reduce((sum, { step }) => sum + step, 0));
          const depths = points.map(({ depth }) => depth);
          let sum = 0;
          const N = 4000;
          for (let k = 1; k < stations.length; k++) {
            const length = stations[k]! - stations[k - 1]!;
            for (let j = 0; j < N; j++) {
              const depth = Math.max(0, depths[k - 1]! + ((depths[k]! - depths[k - 1]!) * (j + 0.5)) / N);
              sum += (length / N) * depth * (width + sideSlope * depth);
            }
          }
          expect(Math.abs(trenchVolume({ stations, depths, width, sideSlope }) - sum)).toBeLessThan(1e-4 * (1 + sum));
        },
      ),
      { numRuns: 40 },
    );
  });

  it('sticks are as few as any way of cutting gives, tried all', () => {
    const fewest = (pieces: readonly number[], stick: number): number => {
      let best = pieces.length;
      const go = (k: number, left: number[]): void => {
        if (left.length >= best) return;
        if (k === pieces.length) return void (best = left.length);
        left.forEach((room, j) => {
          if (room >= pieces[k]!)
            go(
              k + 1,
              left.map((each, i) => (i === j ? each - pieces[k]! : each)),
            );
        });
        go(k + 1, [...left, stick - pieces[k]!]);
      };
      go(0, []);
      return best;
    };
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 10 }), { minLength: 1, maxLength: 7 }), (pieces) => {
        const cut = cutStock(pieces, 10);
        expect(cut.proved).toBe(true);
        expect(cut.sticks).toBe(fewest(pieces, 10));
        for (const stick of cut.pieces)
          expect(stick.reduce((sum, each) => sum + each, 0)).toBeLessThanOrEqual(10 + 1e-6);
        expect(cut.pieces.flat().sort()).toEqual([...pieces].sort());
      }),
      { numRuns: 200 },
    );
  });

  it('three dozen pieces are cut exactly, in few steps', () => {
    const pieces = Array.from({ length: 36 }, (_, k) => 0.4 + ((k * 37) % 25) / 10);
    const cut = cutStock(pieces, 3.048);
    expect(cut.sticks).toBeGreaterThanOrEqual(Math.ceil(pieces.reduce((sum, each) => sum + each, 0) / 3.048));
    // It is told as proved only where the search came to its end.
    expect(cut.proved).toBe(true);
    expect(cut.steps).toBeLessThan(1000);
  });

  it('4 in smooth pipe floats until a hand of soil lies on it, as worked by hand; rolls come by the hundred feet', () => {
    // Do 107 mm: lift 88.3 N/m, own weight 15.1; 8000 N/m³ over 0.107 m wide and beside the crown hold the rest with 75 mm.
    expect(coverAgainstFloating('smooth', inches(4))).toBeGreaterThan(0.06);
    expect(coverAgainstFloating('smooth', inches(4))).toBeLessThan(0.09);
    expect(packOf('singleWall', inches(4))).toEqual({ of: 'roll', length: feet(100) });
    expect(packOf('singleWall', inches(8)).of).toBe('stick');
  });
});

it('of random jobs everything is counted once, and an edit counts what it reaches as a fresh count does', () => {
  for (let seed = 1; seed <= 40; seed++) {
    const job = seededJob(seed);
    const plan = planJob(job);
    const taken = takeOff(job, plan);
    expect(netOf(taken, 'dug')).toBeCloseTo(netOf(taken, 'backfill') + netOf(taken, 'spoil'), 6);
    const laid = job.elements.ofKind('run').filter((run) => run.old === undefined && run.material !== 'clay');
    const pieces = taken.parts.filter(({ item }) => item.type === 'pipe').flatMap(({ uses }) => uses);
    for (const { id, length, parallel = 1 } of laid)
      expect(pieces.filter((use) => use.id === id).map(({ quantity }) => quantity)).toEqual(
        Array(parallel).fill(length),
      );
    for (const { item, packs } of taken.parts) if (item.type === 'pipe') expect(packs!.proved).toBe(true);
    // The same job read anew has nothing remembered of it.
    expect(takeOff(jobFrom(job.id, structuredClone(job.elements.all)), plan)).toEqual(taken);
  }
});

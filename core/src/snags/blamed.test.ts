/** Good jobs that were blamed: each must be clean of what it was told, and a worse one beside it must not. */
import type { Job } from '../job/job';
import type { Discharge, DrainField, Element, PavedBed, Run, SpotLevel } from '../job/kinds';
import { fixOf } from '../design/fixes';
import { noWorse } from '../design/fixes/prove';
import { sizeJob } from '../design/sizeJob';
import { takeOff } from '../quantities/takeOff';
import { partLabel } from '../quantities/partLabel';
import { workFacts } from '../words/works';
import { changed } from '../job/change';
import {
  basin,
  channel,
  codes,
  face,
  ground,
  jobOf,
  node,
  out,
  pipe,
  spout,
  withElements,
  withFields,
} from '../testing/parts';
import { digSheet } from '../field/digSheet';
import { planJob } from '../verdict/planJob';
import { tellSnag } from './tell';

const told = (job: Job, code: string) => {
  const plan = planJob(job);
  const snag = plan.snags.find((each) => each.code === code)!;
  const { headline, why, instead } = tellSnag(job, plan, snag);
  return { severity: snag.severity, headline, why: why.replaceAll('\u00a0', ' '), instead };
};

describe('a lawn line that holds grit', () => {
  /** 40 m² of lawn into 4 in at the only fall that there is: 1.1 %. */
  const line = (control: number): Job =>
    jobOf(
      ground(40, 'basin', { coefficient: 0.25, cover: 'lawnLoam' } as object),
      basin(),
      out({ groundLevel: control, bank: { length: 3, topLevel: 0 } }),
      pipe('basin', { length: 20, nominal: 0.1016 }),
    );

  it('is minded, with what to do, where neither size nor fall mends it', () => {
    const job = line(-0.63);
    const { severity, instead } = told(job, 'willSilt');
    expect(severity).toBe('mind');
    expect(instead).toMatch(/^Flush it twice a year/);
    expect(planJob(job).verdict.fixes).toBe(0);
  });

  it('is a Fix where another size keeps it clean', () => {
    const wide = withFields(line(-0.85), 'pipe-basin', { nominal: 0.254 });
    expect(told(withFields(wide, 'ground-basin', { area: 36, coefficient: 1 }), 'willSilt').severity).toBe('fix');
  });

  it('two figures that read the same are not compared in words', () => {
    for (let area = 20; area < 200; area += 1) {
      const job = withFields(line(-0.63), 'ground-basin', { area });
      if (!codes(planJob(job)).includes('willSilt')) continue;
      const [is, wanted] = told(job, 'willSilt').why.match(/\d+\.\d+/g) ?? [];
      expect(wanted === undefined || is !== wanted).toBe(true);
    }
  });
});

it('a bed’s own water may run in its perforated outlet; a roof’s beside it may not', () => {
  const bed: PavedBed = {
    id: 'bed',
    kind: 'pavedBed',
    name: 'Bed',
    area: 60,
    groundLevel: 0,
    depth: 0.3,
    soil: 'clay',
  };
  const job = jobOf(bed, out({ stone: true }), pipe('bed', { perforated: true, nominal: 0.1016 }));
  expect(codes(planJob(job))).not.toContain('rainInPerforated');
  const roof = withElements(job, spout(), face(40, 'spout'), pipe('spout', { to: 'bed', length: 6, nominal: 0.1016 }));
  expect(codes(planJob(roof))).toContain('rainInPerforated');
});

it('a pit soaks from its first inch: what its floor takes never fills it', () => {
  const K = 1e-4;
  // 9 m² of floor take K·A of it once half is silted: 0.45 L/s, and the hour's rain brings less.
  const pit = (area: number): Job =>
    jobOf(
      ground(area, 'basin'),
      basin(),
      out({
        form: 'dryWell',
        groundLevel: 0,
        bank: undefined,
        store: { area: 9, depth: 1, cover: 0.5, voids: 0.4, conductivity: K },
      }),
      pipe('basin'),
    );
  const standing = (area: number): number => {
    const plan = planJob(pit(area)).works.out;
    if (plan?.kind !== 'store') throw new Error('It is no store.');
    return plan.peakLevel - plan.bottom;
  };
  expect(standing((0.9 * (K / 2) * 9) / 4e-5)).toBeCloseTo(0, 9);
  // A little more stands toward where the sides take the rest, A + P·h = Q / K: h = h∞ (1 − exp(−K P t / (0.4 A))), 0.15 m and 0.6 after the hour.
  const stands = standing((1.2 * (K / 2) * 9) / 4e-5);
  expect(Math.abs(stands / (0.15 * -Math.expm1(-0.6)) - 1)).toBeLessThan(0.02);
});

describe('daylight, where nobody has said how the ground drops to it', () => {
  const line = (receiving: Discharge['receiving'], length: number, fall: number, more: Partial<Discharge> = {}): Job =>
    jobOf(
      face(60, 'spout'),
      spout(),
      out({ groundLevel: -fall, receiving, bank: undefined, stone: true, ...more }),
      pipe('spout', { length, nominal: 0.1016 }),
    );

  it.each([
    ['slope', 18, 0.9],
    ['slope', 18, 5.4],
    ['lawn', 25, 1.1],
    ['street', 9, 0.8],
    ['swale', 18, 1],
    ['swale', 18, 2.7],
    ['ditch', 25, 4],
  ] as const)(
    'into the %s %d m off and %d m down: covered, over a bank that is told to be assumed',
    (receiving, length, fall) => {
      const plan = planJob(line(receiving, length, fall));
      const blamed = plan.snags.filter(({ severity, code }) => severity !== 'mind' && code !== 'velocityHigh');
      expect(blamed.map(({ code }) => code)).toEqual([]);
      const told = plan.snags.find(({ code }) => code === 'bankAssumed')!;
      // On ground that falls evenly the pipe would have had this over it, by hand: from its head to its end both are straight.
      const run = plan.runs['pipe-spout']!;
      const share = 3.048 / length;
      expect(told.figure).toBeCloseTo(
        -fall * (1 - share) - (run.crownUp + (run.crownDown - run.crownUp) * (1 - share)),
        9,
      );
    },
  );

  it('what is assumed goes with the job; what was typed or levelled stays, and is judged as it is', () => {
    const covered = (job: Job): number => planJob(job).runs['pipe-spout']!.coveredGround;
    const job = line('swale', 18, 1);
    expect(covered(withFields(job, 'spout', { groundLevel: -0.2 }))).toBeCloseTo(covered(job) - 0.2, 9);
    const typed = line('swale', 18, 1, { bank: { length: 3.048, topLevel: -0.83 } });
    expect(covered(withFields(typed, 'spout', { groundLevel: -0.2 }))).toBe(-0.83);
    expect(codes(planJob(typed))).toContain('coverShort');
    expect(codes(planJob(typed))).not.toContain('bankAssumed');
    const dug = (of: Job) => digSheet(of, planJob(of), 1).flatMap(({ stations }) => stations);
    expect(dug(job).map(({ up, assumed }) => [up, assumed])).toEqual(
      dug(job).map(({ up }) => [up, up > 0.1 && up < 3.1]),
    );
    expect(dug(typed).some(({ assumed }) => assumed)).toBe(false);
    // A length alone leaves the top assumed.
    const half = line('swale', 18, 1, { bank: { length: 2 } });
    expect([covered(half), planJob(half).runs['pipe-spout']!.comesOutOver]).toEqual([0, 2]);
    expect(codes(planJob(half))).toContain('bankAssumed');
  });

  it('ground that was levelled there is taken as it is', () => {
    const levelled = (before: number): Job => {
      const job = line('slope', 18, 0.9);
      const placed = withFields(withFields(job, 'spout', { place: { east: 0, north: 0 } }), 'out', {
        place: { east: 18, north: 0 },
      });
      const spot = (id: string, x: number, y: number, level: number) =>
        ({ id, kind: 'spotLevel', name: id, place: { east: x, north: y }, level }) as SpotLevel;
      // A strip 4 m wide, its section the same all along it.
      return withElements(
        placed,
        ...[-2, 2].flatMap((y) => [
          spot(`top${y}`, -1, y, 0),
          spot(`edge${y}`, 18 - 3.048, y, before),
          spot(`foot${y}`, 19, y, -0.9),
        ]),
      );
    };
    const bank = planJob(levelled(-0.1));
    expect(Math.abs(bank.runs['pipe-spout']!.coveredGround + 0.1)).toBeLessThan(0.02);
    expect(codes(bank)).not.toContain('bankAssumed');
    expect(codes(bank)).not.toContain('coverShort');
    expect(codes(planJob(levelled(-0.75)))).toContain('coverShort');
    // A line that leaves the strip for it, and comes back at its end, has nothing levelled over it there.
    const round = withFields(levelled(-0.1), 'pipe-spout', {
      bends: [
        { east: 10, north: 0 },
        { east: 11, north: 4 },
        { east: 17, north: 4 },
      ],
      lengthFrom: 'plan',
    });
    expect(codes(planJob(round))).toContain('bankAssumed');
  });
});

describe('a shallow channel in a pool deck', () => {
  /** 2 in wide and 3 in deep, its 2 in pipe 6 m under the deck to a bend beside it, 5 in down, and on to daylight. */
  const deck = (under: Run['under']): Job =>
    jobOf(
      ground(15, 'channel', { cover: 'paving' }),
      channel({ width: 0.0508, depth: 0.0762, length: 6, hole: 'floor', slope: 0 }),
      node('bend', { id: 'bend', groundLevel: -0.02 }),
      out({ groundLevel: -0.6, bank: { length: 3, topLevel: -0.1 }, stone: true }),
      pipe('channel', { to: 'bend', length: 6, nominal: 0.0508, under }),
      pipe('bend', { length: 12, nominal: 0.0762 }),
    );

  it('is covered by the slab that it stands in, and its pipe starts at its floor', () => {
    const plan = planJob(deck('slab'));
    expect(codes(plan)).not.toContain('coverShort');
    // Down to the bend's 12 in under turf; at its own end right under the channel's floor.
    expect(plan.runs['pipe-channel']!.crownUp).toBeCloseTo(-0.0762, 9);
    expect(planJob(deck(undefined)).runs['pipe-channel']!.crownUp).toBeCloseTo(-0.3048, 9);
  });

  it('set at its floor without a slab it is short of cover, and one tap says that there is one', () => {
    const job = withFields(deck(undefined), 'pipe-channel', { grade: { type: 'levels', up: -0.0762 - 0.0508 } });
    const plan = planJob(job);
    const fix = fixOf(
      job,
      plan,
      plan.snags.find(({ code, at }) => code === 'coverShort' && at === 'pipe-channel')!,
    )!;
    expect(codes(planJob(changed(job, fix.change)))).not.toContain('coverShort');
  });
});

describe('what was silent, and harms', () => {
  const field = (more: Partial<DrainField> = {}): Job =>
    jobOf(
      {
        id: 'field',
        kind: 'drainField',
        name: 'Green',
        groundLevel: 0,
        depth: 0.6,
        nominal: 0.1016,
        area: 557,
        soil: 'clayLoam',
        ...more,
      } as DrainField,
      out({ groundLevel: -1.5 }),
      pipe('field'),
    );
  const square = (side: number): DrainField['outline'] =>
    [
      [0, 0],
      [side, 0],
      [side, side],
      [0, side],
    ].map(([east, north]) => ({ east: east!, north: north! }));

  it('no fabric: a Fix in soil with fines, a Mind in clay, and nothing once it is wrapped', () => {
    expect(told(field({ fabric: 'none' }), 'fabricMissing').severity).toBe('fix');
    expect(told(field({ fabric: 'none' }), 'fabricMissing').why).toMatch(/^Clay loam brings fines/);
    expect(told(field({ fabric: 'none', soil: 'clay' }), 'fabricMissing').severity).toBe('mind');
    expect(codes(planJob(field({ fabric: 'wrapped' })))).not.toContain('fabricMissing');
    expect(codes(planJob(field()))).not.toContain('fabricMissing');
  });

  it('rows and slots are bought as such', () => {
    const bought = (perforations?: DrainField['perforations']): string[] =>
      takeOff(field({ perforations }), planJob(field({ perforations }))).parts.map(({ item }) => partLabel(item, 'us'));
    expect(bought('rows').join()).toMatch(/perforated: two rows of holes/);
    expect(bought('slots').join()).toMatch(/perforated: slots all round/);
    expect(bought().join()).toMatch(/pipe, perforated,/);
  });

  it('a typed area that its outline no longer bears out, which still counts until somebody says otherwise', () => {
    const job = field({ outline: square(20) });
    expect(told(job, 'areaDisagrees').headline).toMatch(/typed as .*; on the plan it is/);
    const plan = planJob(job);
    const fix = fixOf(
      job,
      plan,
      plan.snags.find(({ code }) => code === 'areaDisagrees')!,
    )!;
    expect(planJob(changed(job, fix.change)).works.field).toMatchObject({ area: 400 });
    expect(codes(planJob(field({ outline: square(Math.sqrt(557)) })))).not.toContain('areaDisagrees');
  });

  it('a spring shows in what comes to the end of a drain', () => {
    const spring: Element = {
      id: 'spring',
      kind: 'fixedFlow',
      name: 'Spring',
      flow: 3 * 6.309e-5,
      feeds: [{ to: 'field', share: 1 }],
    };
    const flow = (job: Job): number => Number(workFacts(job, planJob(job), 'field')[0]!.shown.value);
    // 3 gpm, told in L/s.
    expect(flow(withElements(field(), spring)) - flow(field())).toBeCloseTo(0.19, 2);
  });

  it('a fix that brings something says what, and one that brings nothing is taken first', () => {
    // 20 m of even ground that falls 0.3 m, its cover already short: what fall is missing may cost cover.
    const job = jobOf(
      ground(60, 'basin'),
      basin(),
      out({ groundLevel: -0.45, bank: { length: 3, topLevel: -0.2 }, stone: true }),
      pipe('basin', { length: 20, nominal: 0.1016 }),
    );
    const plan = planJob(job);
    for (const snag of plan.snags) {
      const fix = fixOf(job, plan, snag);
      if (!fix) continue;
      const after = planJob(changed(job, fix.change));
      const asItWas = noWorse(plan.snags, after.snags, snag);
      const worse = after.snags.filter((each) => each.severity !== 'mind' && !asItWas(each));
      expect(fix.brings ?? []).toHaveLength(worse.length);
    }
  });

  it('a sizing says whose level or pitch it sets anew', () => {
    const job = jobOf(
      ground(300, 'basin'),
      basin(),
      out({ groundLevel: -1.2, stone: true }),
      pipe('basin', { length: 20, nominal: 0.0762, grade: { type: 'levels', up: -0.6 } }),
    );
    const { best } = sizeJob(job, planJob(job))!;
    const now = best.change.puts.find(({ id }) => id === 'pipe-basin') as Run | undefined;
    expect(best.replaces).toEqual(now && now.grade.type !== 'levels' ? ['pipe-basin'] : []);
  });
});

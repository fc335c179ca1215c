/** Good jobs that were blamed: each must be clean of what it was told, and a worse one beside it must not. */
import type { Job } from '../job/job';
import type { Discharge, PavedBed, SpotLevel } from '../job/kinds';
import { basin, codes, face, ground, jobOf, out, pipe, spout, withElements, withFields } from '../testing/parts';
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
  });
});

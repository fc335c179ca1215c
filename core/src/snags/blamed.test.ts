/** Good jobs that were blamed: each must be clean of what it was told, and a worse one beside it must not. */
import type { Job } from '../job/job';
import type { PavedBed } from '../job/kinds';
import { basin, codes, face, ground, jobOf, out, pipe, spout, withElements, withFields } from '../testing/parts';
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

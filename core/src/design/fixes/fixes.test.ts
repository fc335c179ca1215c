import fc from 'fast-check';
import { applyChange } from '../../job/change';
import type { Basin, Channel, Element } from '../../job/kinds';
import { jobFaults } from '../../job/faults';
import { jobFrom, type Job } from '../../job/job';
import { basin, ground, inOrderOfIds, jobOf, node, out, pipe } from '../../testing/parts';
import { planJob } from '../../verdict/planJob';
import { randomJob } from '../../testing/randomJob';
import { fixOf } from '.';
import { isFixed } from './prove';
import { tellSnag } from '../../snags/tell';
import { numbersIn } from '../../trial/trial';

/** Random jobs with inlets in them: some landings become basins or channel drains, with ground that sheds to them and doors behind them, and some faces come down valleys. */
const jobs = fc
  .tuple(
    randomJob({ byHand: true }),
    fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 20, maxLength: 20 }),
  )
  .map(([job, draws]): Job => {
    const elements: Element[] = [];
    job.elements.all.forEach((element, index) => {
      const draw = draws[index % draws.length]!;
      if (element.kind === 'rain' && draw > 0.4)
        return void elements.push({
          ...element,
          openings: { returnPeriod: 100, intensity: element.intensity * (1 + draw) },
        });
      if (element.kind === 'roofFace' && draw > 0.6)
        return void elements.push({ ...element, valley: { gutterRun: 20 * draw } });
      if (element.kind !== 'junction' || draw < 0.5) return void elements.push(element);
      const { id, name, groundLevel } = element;
      const basin: Basin = {
        id,
        kind: 'basin',
        name,
        groundLevel,
        grate: draw < 0.7 ? 'round6' : 'flat18',
        ...(draw < 0.65 ? { sillLevel: groundLevel + 0.1 } : {}),
        ...(draw < 0.55 ? { spillLevel: groundLevel + draw / 5 } : {}),
        ...(draw > 0.6 ? { count: 2 } : {}),
        ...(draw > 0.75 ? { approach: { slope: 0.03, roughness: 0.012, width: 1 + draw } } : {}),
      };
      const channel: Channel = {
        id,
        kind: 'channel',
        name,
        groundLevel,
        width: 0.1,
        depth: 0.1 + draw / 10,
        length: 3 + 10 * draw,
        slope: draw > 0.9 ? 0.003 : 0,
        ...(draw > 0.92 ? { topSlope: 0.03 } : {}),
        ...(draw > 0.95 ? { outlet: draw > 0.97 ? [0, 3] : 'middle' } : {}),
        ...(draw > 0.88 ? { section: 'round', sillLevel: groundLevel + 0.03 } : {}),
      };
      elements.push(draw > 0.85 ? channel : basin);
      elements.push({
        id: `g${index}`,
        kind: 'surface',
        name: `Ground ${index}`,
        cover: draw < 0.6 ? 'mulch' : 'paving',
        area: 20 + 400 * draw,
        feeds: [{ to: id, share: 1 }],
      });
    });
    return jobFrom('random', elements);
  });

it('plans every job that its schema accepts, however poor, without a NaN and without an exception', () => {
  fc.assert(
    fc.property(jobs, (job) => {
      expect(jobFaults(job)).toEqual([]);
      const plan = planJob(job);
      expect(numbersIn(plan).some(Number.isNaN)).toBe(false);
      expect(plan.verdict.sentence).not.toMatch(/NaN|undefined|Infinity/);
      // Water is counted once: what comes out is what was shed, less what is led nowhere or runs past.
      const lost = [...plan.sources.lost.values()].reduce((sum, area) => sum + area, 0);
      const past = [...plan.onSlope].reduce((sum, [, inlet]) => sum + (inlet.to === null ? inlet.passed : 0), 0);
      const shed = plan.sources.contributingAreas.reduce((sum, each) => sum + each.effectiveArea, 0);
      expect(plan.landings.n0!.passing).toBeCloseTo((shed - lost) * plan.rain - past, 9);
    }),
    { numRuns: 150 },
  );
});

it('tells every snag in plain words, with its figure and its limit', () => {
  fc.assert(
    fc.property(jobs, (job) => {
      const plan = planJob(job);
      for (const snag of plan.snags) {
        const { headline, why, figure, limit } = tellSnag(job, plan, snag);
        for (const words of [headline, why, figure.value, limit.value])
          expect(words).not.toMatch(/NaN|undefined|Infinity|null/);
        expect(headline).toMatch(/^\S.*\.$/);
        expect(why.length).toBeGreaterThan(20);
      }
    }),
    { numRuns: 60 },
  );
});

it('every fix leaves a sound job, and its snag gone or milder', () => {
  const seen = new Map<string, number>();
  fc.assert(
    fc.property(jobs, (job) => {
      const plan = planJob(job);
      for (const snag of plan.snags) {
        const fix = fixOf(job, plan, snag);
        if (!fix) continue;
        seen.set(snag.code, (seen.get(snag.code) ?? 0) + 1);
        const { job: next, inverse } = applyChange(job, fix.change);
        expect(jobFaults(next)).toEqual([]);
        expect(fix.label.length).toBeLessThan(60);
        const same = planJob(next).snags.find(
          (other) => other.code === snag.code && other.at === snag.at && other.other === snag.other,
        );
        const miss = (each: { figure: number; limit: number }): number => Math.abs(each.figure - each.limit);
        if (same && miss(same) > miss(snag) + 1e-6)
          throw new Error(`${snag.code} is worse for its fix "${fix.label}": ${miss(snag)} to ${miss(same)}`);
        expect(inOrderOfIds(applyChange(next, inverse).job)).toEqual(inOrderOfIds(job));
      }
    }),
    { numRuns: 15 },
  );
  expect([...seen.keys()].length).toBeGreaterThan(6);
});

it('two devices that take the same fix put in two things, which a job can hold both', () => {
  const far = jobOf(
    ground(50, 'basin'),
    basin(),
    out({ groundLevel: -1.3, stone: true }),
    pipe('basin', { length: 45 }),
  );
  const plan = planJob(far);
  const snag = plan.snags.find(({ code }) => code === 'noCleanout')!;
  const [one, other] = [fixOf(far, plan, snag)!.change, fixOf(far, plan, snag)!.change];
  const put = (change: typeof one): string[] => change.puts.map(({ id }) => id).filter((id) => !far.elements.has(id));
  expect(put(one)).toHaveLength(2);
  expect(put(other).filter((id) => put(one).includes(id))).toEqual([]);
});

it('mends one thing beside two others of one kind at one place, which neither hide one another nor look like something new', () => {
  const wye = node('wye', { groundLevel: -0.2 });
  // Two pipes of different size come together in one smaller than both.
  const job = jobOf(
    ground(30, 'bed', { cover: 'mulch', coefficient: 0.3 }),
    basin({ id: 'bed' }),
    basin({ id: 'a' }),
    basin({ id: 'b' }),
    ground(10, 'a'),
    ground(10, 'b'),
    wye,
    out(),
    pipe('bed', { length: 25 }),
    pipe('a', { to: wye.id, nominal: 0.2032, length: 8 }),
    pipe('b', { to: wye.id, nominal: 0.254, length: 8 }),
    pipe(wye.id),
  );
  const plan = planJob(job);
  const narrow = plan.snags.filter(({ code }) => code === 'largerIntoSmaller');
  expect(narrow.map(({ at, limit }) => [at, limit])).toEqual([
    ['pipe-node', 0.2032],
    ['pipe-node', 0.254],
  ]);
  const inMulch = plan.snags.find(({ code }) => code === 'flatInMulch')!;
  const dome = fixOf(job, plan, inMulch)!;
  expect(dome.change.puts).toMatchObject([{ id: 'bed', grate: 'dome12' }]);
  // Made as wide as the larger of them, none narrows any more; and to mend the one is no mend while the other stands.
  for (const snag of narrow) {
    const wider = fixOf(job, plan, snag)!;
    const after = planJob(applyChange(job, wider.change).job);
    expect(after.snags.filter(({ code, other }) => code === snag.code && other === snag.other)).toEqual([]);
  }
  const larger = [{ ...narrow[0]!, limit: 0.3048 }, narrow[1]!];
  expect(isFixed(inMulch, plan.snags, [...narrow].reverse())).toBe(true);
  expect(isFixed(inMulch, plan.snags, larger)).toBe(false);
  expect(isFixed(inMulch, plan.snags, [...narrow, { ...narrow[0]!, other: 'pipe-bed' }])).toBe(false);
  // Another thing in the place of the one to be mended is no mend.
  expect(isFixed(narrow[0]!, [narrow[0]!], [{ ...narrow[0]!, other: 'pipe-bed' }])).toBe(false);
});

/** The laws of earth and of the list: every cubic yard goes somewhere, and every element gives a line or says why not. */
import fc from 'fast-check';
import { changed, put } from '../job/change';
import { headOf, type Job } from '../job/job';
import { landsOnGutter, isLaid, type Element } from '../job/kinds';
import { OUTFALLS } from '../catalogue/outfalls';
import { swellOf } from '../catalogue/supply';
import { drainOf } from '../testing/someWorks';
import { basin, ground, jobOf, out, pipe } from '../testing/parts';
import { seededWhole } from '../trial/seededWhole';
import { planJob } from '../verdict/planJob';
import { takeOff, type Part, type TakeOff } from './takeOff';

const counted = (job: Job): TakeOff => takeOff(job, planJob(job));
const partOf = ({ parts }: TakeOff, type: Part['item']['type']): Part | undefined =>
  parts.find(({ item }) => item.type === type);
const netOf = (taken: TakeOff, type: Part['item']['type']): number => partOf(taken, type)?.net ?? 0;
const inWays = (job: Job, ways: object): Job => changed(job, put('Ways', { ...headOf(job), ways } as Element));

it('what is dug is filled again or left over; what is left over fills elsewhere or is hauled; what lacks is brought in', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 100_000 }), fc.constantFrom('used', 'hauled'), (seed, earth) => {
      const job = inWays(seededWhole(seed), { earth });
      const taken = counted(job);
      const left = partOf(taken, 'spoil');
      const [used, loose] = [left?.used ?? 0, left?.loose ?? 0];
      expect(netOf(taken, 'dug')).toBeCloseTo(netOf(taken, 'backfill') + netOf(taken, 'spoil'), 6);
      expect(used + netOf(taken, 'broughtIn')).toBeCloseTo(netOf(taken, 'fill'), 6);
      expect(used + loose / swellOf(headOf(job).soil ?? 'loam')).toBeCloseTo(netOf(taken, 'spoil'), 6);
      if (earth === 'hauled') expect(used).toBe(0);
    }),
    { numRuns: 60 },
  );
});

it('every element that is built gives at least one line, or is named among what could not be counted', () => {
  for (let seed = 1; seed <= 150; seed++) {
    const job = seededWhole(seed);
    const taken = counted(job);
    const told = new Set([...taken.parts.flatMap(({ uses }) => uses), ...taken.missing].map(({ id }) => id));
    const runs = job.elements.ofKind('run').filter(isLaid);
    const isBuilt = (element: Element): boolean => {
      if ('here' in element && element.here) return false;
      switch (element.kind) {
        case 'run':
          return element.old === undefined;
        case 'downspout':
          return !landsOnGutter(element) && runs.some(({ from, old }) => from === element.id && !old);
        case 'junction':
          return runs.some(({ from, to, old }) => !old && (from === element.id || to === element.id));
        case 'discharge':
          // A pipe that ends in the open takes nothing but itself.
          return !OUTFALLS[element.form].opensOut && runs.some(({ to, old }) => to === element.id && !old);
        case 'basin':
        case 'channel':
        case 'drain':
        case 'drainField':
        case 'stoneDrain':
        case 'pavedBed':
        case 'barrel':
        case 'swale':
        case 'culvert':
        case 'berm':
        case 'sleeve':
          return true;
        default:
          return false;
      }
    };
    const silent = job.elements.all.filter((element) => isBuilt(element) && !told.has(element.id));
    expect([seed, silent.map(({ kind, id }) => `${kind} ${id}`)]).toEqual([seed, []]);
  }
});

it('runs in one trench are dug once: the second only widens it', () => {
  const two = (beside?: string): Job =>
    jobOf(
      ground(40, 'a'),
      ground(40, 'b'),
      basin({ id: 'a' }),
      basin({ id: 'b' }),
      pipe('a', { length: 20, grade: { type: 'levels', up: -0.6, down: -0.8 } }),
      pipe('b', { length: 20, grade: { type: 'levels', up: -0.6, down: -0.8 }, ...(beside ? { beside } : {}) }),
      out({ groundLevel: -0.8, stone: true }),
    );
  const [apart, together] = [counted(two()), counted(two('pipe-a'))];
  const widths = together.trenches.map(({ width }) => width);
  const [first, second] = [together.trenches[0]!, together.trenches[1]!];
  expect(second.volume / first.volume).toBeCloseTo(widths[1]! / widths[0]!, 9);
  expect(netOf(together, 'dug')).toBeLessThan(netOf(apart, 'dug'));
  expect(netOf(together, 'pipe')).toBeCloseTo(netOf(apart, 'pipe'), 9);
  // Turf is stripped a foot wider than the trench once.
  expect(netOf(apart, 'sodCut') - netOf(together, 'sodCut')).toBeCloseTo(20 * (0.3048 + widths[0]! - widths[1]!), 6);
});

it('old pipe that is taken out is dug, filled again and hauled, and none of it is bought', () => {
  const job = jobOf(
    ground(40, 'a'),
    basin({ id: 'a' }),
    pipe('a'),
    basin({ id: 'old' }),
    pipe('old', { length: 12, material: 'clay', nominal: 0.1524, old: { fate: 'takenOut' } }),
    out({ stone: true }),
  );
  const at = (type: Part['item']['type']): number =>
    partOf(counted(job), type)?.uses.find(({ id }) => id === 'pipe-old')?.quantity ?? 0;
  // 6 in of clay, 1.25 times as wide outside, in 15½ in of trench as deep as pipe usually lies.
  const outside = 1.25 * 0.1524;
  const width = outside + 8 * 0.0254;
  expect(at('dug')).toBeCloseTo(12 * width * (0.3048 + outside), 6);
  expect(at('spoil')).toBeCloseTo((12 * Math.PI * outside ** 2) / 4, 6);
  expect(at('backfill')).toBeCloseTo(at('dug') - at('spoil'), 9);
  expect(at('pipe')).toBe(0);
});

it('an old drain on old pipe takes nothing; on new pipe it takes their joint', () => {
  const job = (old: object): Job =>
    jobOf({ ...drainOf(), here: true } as Element, pipe('drain', { nominal: 0.1016, ...old }), out({ stone: true }));
  const at = (of: Job): string[] =>
    counted(of).parts.flatMap(({ item, uses }) => (uses.some(({ id }) => id === 'drain') ? [item.type] : []));
  expect(at(job({ old: { fate: 'kept' } }))).toEqual([]);
  expect(at(job({}))).toContain('adapter');
});

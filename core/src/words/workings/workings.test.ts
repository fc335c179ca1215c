/** Every line of a working that says what something comes to is worked out anew from the numbers it shows. */
import { runInNewContext } from 'node:vm';
import { headOf, type Job } from '../../job/job';
import { planJob } from '../../verdict/planJob';
import { inletYard } from '../../testing/inletYard';
import { ground, jobOf, withFields } from '../../testing/parts';
import { culvertOf, swaleOf } from '../../testing/someWorks';
import { workFacts } from '../works';
import { budgetWorking } from './budgetWorking';
import { contributingAreaWorking } from './contributingAreaWorking';
import { INLET_QUANTITIES, inletWorking } from './inletWorking';
import { LANDING_QUANTITIES, landingWorking } from './landingWorking';
import { RUN_QUANTITIES, runWorking } from './runWorking';
import type { Working } from './working';
import { workWorking } from './workWorking';

type Units = 'us' | 'metric';
const plan = planJob(inletYard);

/** Swales of every section, one backed up by the culvert below it, and culverts free, drowned and between. */
const openYard = jobOf(
  ...(['v', 'trapezoid', 'parabola'] as const).flatMap((section, k) => [
    ground(400 * (k + 1), `s${k}`, { id: `g${k}` }),
    swaleOf({ id: `s${k}`, name: `Swale ${k}`, section, bottomWidth: 0.4, length: 30, to: `c${k}` }),
    culvertOf({ id: `c${k}`, name: `Culvert ${k}`, nominal: 0.45 - 0.1 * k, ...(k === 1 ? { pipes: 2 } : {}) }),
  ]),
);
const openPlan = planJob(openYard);

/** Of all swales and culverts, in a job's units. */
const openWorkings = (units: Units): Working[] => {
  const job = withFields(openYard, 'job', { units });
  return Object.keys(openPlan.works).flatMap((id) =>
    workFacts(job, openPlan, id).flatMap(({ label }) => workWorking(job, openPlan, id, label)?.() ?? []),
  );
};

const workingsOf = (job: Job): Working[] =>
  [
    ...openWorkings(headOf(job).units),
    ...Object.keys(plan.runs).flatMap((id) => RUN_QUANTITIES.map((each) => runWorking(job, plan, id, each))),
    ...Object.keys(plan.inlets).flatMap((id) => INLET_QUANTITIES.map((each) => inletWorking(job, plan, id, each))),
    ...Object.keys(plan.landings).flatMap((id) =>
      LANDING_QUANTITIES.map((each) => landingWorking(job, plan, id, each)),
    ),
    ...plan.sources.contributingAreas.map(({ id }) => contributingAreaWorking(job, plan, id)),
    budgetWorking(job, plan, 'out'),
  ].filter((each) => each !== null) as Working[];

/** One of each unit that a working names, in m and s or ft and s; a short one after those that begin with it. */
const UNITS: Record<Units, [string, number][]> = {
  metric: [
    ['L\\/s', 1e-3],
    ['L', 1e-3],
    ['mm\\/h', 1 / 3.6e6],
    ['mm', 1e-3],
    ['%', 1e-2],
    ['m\\/s|m²|m|Pa|gpm|pipes', 1],
  ],
  us: [
    // 7.48052 gallons to a cubic foot.
    ['gpm', 1 / 448.831],
    ['in\\/h', 1 / 43_200],
    ['in\\/ft', 1 / 12],
    ['in', 1 / 12],
    ['%', 1e-2],
    ['ft³\\/s|ft³|ft\\/s|lb\\/ft²|ft²|ft|pipes', 1],
  ],
};

/** Feet, inches and their eighths as sums in feet: `2′ 10 1/4″` to `(2+(10+1/4)/12)`. */
const inFeet = (words: string): string =>
  words
    .replaceAll(
      /(\d+)′(?: (?:(\d+)(?!\/))?(?: ?(\d)\/(\d))?″)?/g,
      (_, feet: string, inches = '0', over = '0', under = '1') => `(${feet}+(${inches}+${over}/${under})/12)`,
    )
    .replaceAll(
      /(?:(\d+)(?!\/) )?(\d)\/(\d)(?:″| in(?![\p{L}/]))/gu,
      (_, inches = '0', over: string, under: string) => `((${inches}+${over}/${under})/12)`,
    )
    .replaceAll(/(\d+)″/g, '($1/12)')
    // The leader's figure gives gallons a minute.
    .replaceAll('27.8 ×', '27.8 / 448.831 ×');

/** What an expression in the words of a working comes to; null for what is not arithmetic. */
function worked(words: string, units: Units): number | null {
  let sum = words.replaceAll(/[\u00a0\u202f]/g, ' ').replaceAll(/(?<=\d),(?=\d{3})/g, '');
  sum = sum.replace(' that always runs', '').replaceAll('−', '-');
  if (units === 'us') sum = inFeet(sum);
  for (const [unit, by] of UNITS[units])
    sum = sum.replaceAll(new RegExp(`([\\d.]+(?:e[+-]?\\d+)?) ?(?:${unit})(?![\\p{L}\\d/²³])`, 'gu'), `($1*${by})`);
  sum = sum
    .replaceAll('×', '*')
    .replaceAll('⅓', '(1/3)')
    .replaceAll('⅔', '(2/3)')
    .replaceAll('^', '**')
    .replaceAll('²', '**2')
    .replaceAll('√', 'sqrt');
  if (!/^(?:sqrt\(|[\d.e+\-*/() ])+$/.test(sum) || !/\d/.test(sum)) return null;
  return runInNewContext(sum, { sqrt: Math.sqrt }) as number;
}

/** Half of the last place that a number is shown to, SI: `12.30 L/s` to 0.005 L/s. */
function halfPlace(shown: string, units: Units): number {
  const [digits] = /[\d.]+/.exec(shown.replaceAll(',', ''))!;
  // To an eighth of an inch in a level, to an inch in a length along the ground.
  if (units === 'us' && /[′″]| in$/.test(shown.replaceAll('\u00a0', ' '))) return /\/\d/.test(shown) ? 1 / 192 : 1 / 24;
  const unit = worked(shown.replace(/^\D*[\d.,]+/, '1'), units) ?? 1;
  return 0.5 * unit * 10 ** -(digits.split('.')[1]?.length ?? 0);
}

interface Sum {
  line: string;
  left: number;
  right: number;
  place: number;
}

/** The sums of a line: what stands left of an equals sign and what right, where both are arithmetic. */
const sumsOf = (line: string, units: Units): Sum[] =>
  line.split(/[;,:] /).flatMap((part) => {
    const sides = part.split(' = ');
    return sides.slice(1).flatMap((shown, k) => {
      const [left, right] = [worked(sides[k]!, units), worked(shown, units)];
      return left === null || right === null ? [] : [{ line: part, left, right, place: halfPlace(shown, units) }];
    });
  });

const SUMS = (['metric', 'us'] as const).flatMap((units) =>
  workingsOf(withFields(inletYard, 'job', { units })).flatMap(({ title, numbers }) =>
    numbers.flatMap((line) => sumsOf(line, units)).map((sum) => ({ title, units, ...sum })),
  ),
);

it('works out a sum as it is written', () => {
  expect(worked('0.67 × 0.0240 × √(2 × 9.807 × 0.0508)', 'metric')).toBeCloseTo(0.01605, 5);
  expect(worked('6.00 L/s / 18.8 L/s', 'metric')).toBeCloseTo(0.319, 3);
  expect(worked('crown −0.305 m', 'metric')).toBeNull();
  expect(halfPlace('1,443 mm', 'metric')).toBeCloseTo(0.0005, 9);
});

it.each(SUMS)('$title, $units: $line', ({ left, right, place }) => {
  // What is put in is rounded too: to a hundredth of what comes out at most.
  expect(Math.abs(left - right)).toBeLessThanOrEqual(0.01 * Math.abs(right) + place);
});

it.each([
  ['Design flow', 4],
  ['Full capacity', 4],
  ['Depth of water', 4],
  ['Pitch', 4],
  ['Drop', 4],
  ['Cover', 4],
  ['Keeping clean', 8],
  ['Water over the grate', 4],
  ['What the grate takes', 4],
  ['What the sump holds', 1],
  ['What the downspout takes', 1],
  ['Carries to its bank', 8],
  ['Water in it', 8],
  ['Speed', 3],
  ['Water before it', 9],
])('%s shows its sums, in metres and in feet', (title, least) => {
  for (const units of ['metric', 'us'])
    expect(
      SUMS.filter((sum) => sum.units === units && sum.title === title && /[×/−]/.test(sum.line)).length,
    ).toBeGreaterThanOrEqual(least);
});

it('a job in feet is worked in feet throughout, and in metric on asking', () => {
  for (const { metric, numbers, formula, result } of workingsOf(withFields(inletYard, 'job', { units: 'us' }))) {
    const words = [formula, ...numbers, result.unit].join(' ');
    expect(words).not.toMatch(/\d\s*(?:mm|m|m²|L|L\/s|Pa|m\/s|mm\/h)(?![\p{L}\d])|\de-\d/u);
    expect(metric?.numbers.join(' ') ?? '').not.toMatch(/gpm;|ft/);
  }
});

/** Every line of a working that says what something comes to is worked out anew from the numbers it shows. */
import { runInNewContext } from 'node:vm';
import { planJob } from '../../plan/planJob';
import { inletYard } from '../../testing/inletYard';
import { budgetWorking } from './budgetWorking';
import { contributingAreaWorking } from './contributingAreaWorking';
import { INLET_QUANTITIES, inletWorking } from './inletWorking';
import { LANDING_QUANTITIES, landingWorking } from './landingWorking';
import { RUN_QUANTITIES, runWorking } from './runWorking';
import type { Working } from './working';

const job = inletYard;
const plan = planJob(job);

const WORKINGS: Working[] = [
  ...Object.keys(plan.runs).flatMap((id) => RUN_QUANTITIES.map((each) => runWorking(job, plan, id, each))),
  ...Object.keys(plan.inlets).flatMap((id) => INLET_QUANTITIES.map((each) => inletWorking(job, plan, id, each))),
  ...Object.keys(plan.landings).flatMap((id) => LANDING_QUANTITIES.map((each) => landingWorking(job, plan, id, each))),
  ...plan.sources.contributingAreas.map(({ id }) => contributingAreaWorking(job, plan, id)),
  budgetWorking(job, plan, 'out'),
].filter((each) => each !== null);

/** SI of one of each unit that a working names; `m` after those that begin with it. */
const UNITS: [string, number][] = [
  ['L\\/s', 1e-3],
  ['L', 1e-3],
  ['mm\\/h', 1 / 3.6e6],
  ['mm', 1e-3],
  ['%', 1e-2],
  ['m\\/s|m²|m|Pa|gpm|pipes', 1],
];

/** What an expression in the words of a working comes to, SI; null for what is not arithmetic. */
function worked(words: string): number | null {
  let sum = words.replaceAll(/[\u00a0\u202f]/g, ' ').replaceAll(/(?<=\d),(?=\d{3})/g, '');
  sum = sum.replace(' that always runs', '').replaceAll('−', '-');
  for (const [unit, by] of UNITS)
    sum = sum.replaceAll(new RegExp(`([\\d.]+(?:e[+-]?\\d+)?) ?(?:${unit})(?![\\p{L}\\d/²])`, 'gu'), `($1*${by})`);
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
function halfPlace(shown: string): number {
  const [digits] = /[\d.]+/.exec(shown.replaceAll(',', ''))!;
  const unit = worked(shown.replace(/^\D*[\d.,]+/, '1')) ?? 1;
  return 0.5 * unit * 10 ** -(digits.split('.')[1]?.length ?? 0);
}

interface Sum {
  line: string;
  left: number;
  right: number;
  place: number;
}

/** The sums of a line: what stands left of an equals sign and what right, where both are arithmetic. */
const sumsOf = (line: string): Sum[] =>
  line.split(/[;,:] /).flatMap((part) => {
    const sides = part.split(' = ');
    return sides.slice(1).flatMap((shown, k) => {
      const [left, right] = [worked(sides[k]!), worked(shown)];
      return left === null || right === null ? [] : [{ line: part, left, right, place: halfPlace(shown) }];
    });
  });

const SUMS = WORKINGS.flatMap(({ title, numbers }) => numbers.flatMap(sumsOf).map((sum) => ({ title, ...sum })));

it('works out a sum as it is written', () => {
  expect(worked('0.67 × 0.0240 × √(2 × 9.807 × 0.0508)')).toBeCloseTo(0.01605, 5);
  expect(worked('6.00 L/s / 18.8 L/s')).toBeCloseTo(0.319, 3);
  expect(worked('crown −0.305 m')).toBeNull();
  expect(halfPlace('1,443 mm')).toBeCloseTo(0.0005, 9);
});

it.each(SUMS)('$title: $line', ({ left, right, place }) => {
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
])('%s shows its sums', (title, least) =>
  expect(SUMS.filter((sum) => sum.title === title && /[×/−]/.test(sum.line)).length).toBeGreaterThanOrEqual(least),
);

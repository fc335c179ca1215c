/** Storms over what is odd or wrong: worked out as far as it can be, with numbers everywhere and nothing lost. */
import type { Element } from '../job/kinds';
import { headOf, jobFrom, type Job } from '../job/job';
import { largeYard } from '../trial/seeded';
import { basin, ground, house, jobOf, out, pipe, rain } from '../testing/parts';
import { swaleOf } from '../testing/someWorks';
import { planJob } from '../verdict/planJob';
import { failuresOf, rainfallOf, runStorm, stormCases, type StormIn, type StormTold } from './index';

const level = (east: number, north: number, at: number): Element => ({
  id: `level-${east}-${north}`.replaceAll('.', '_').replaceAll('--', '-m'),
  kind: 'spotLevel',
  name: `${east} ${north}`,
  place: { east, north },
  level: at,
});
const field = (count: number, at: (east: number, north: number) => number, space = 2): Element[] =>
  Array.from({ length: count * count }, (_, k) => {
    const [east, north] = [(k % count) * space, Math.floor(k / count) * space];
    return level(east, north, at(east, north));
  });

const HARD = { step: 60, intensities: new Array<number>(10).fill(6e-5) };
function rained(job: Job, more: Partial<StormIn> & { length?: number } = {}): StormTold {
  const plan = planJob(job);
  return runStorm(job, plan, { rain: HARD, wetness: 'ordinary', failing: [], cells: 300, length: 900, ...more });
}

const numbersIn = (value: unknown): number[] => {
  if (typeof value === 'number') return [value];
  if (ArrayBuffer.isView(value)) return [...(value as Float64Array)];
  return typeof value === 'object' && value !== null ? Object.values(value).flatMap(numbersIn) : [];
};

const yard = (...more: Element[]): Job =>
  jobOf(rain(), basin({ place: { east: 4, north: 4 } }), ground(200, 'basin'), pipe('basin'), out(), ...more);

it.each<[string, Job]>([
  ['every level the same', yard(...field(5, () => 0))],
  ['a hole in the levels', yard(...field(6, (east, north) => (east === 4 && north === 4 ? -1.5 : 0)))],
  ['three levels', yard(level(0, 0, 0), level(8, 0, -0.1), level(0, 8, -0.2))],
  ['levels in one line', yard(level(0, 0, 0), level(4, 0, 0), level(8, 0, 0))],
  ['one level', yard(level(3, 3, 0))],
  [
    'an inlet far outside',
    jobOf(rain(), basin({ place: { east: 900, north: 900 } }), pipe('basin'), out(), ...field(4, () => 0)),
  ],
  [
    'a house over all of it',
    yard(
      {
        ...house,
        outline: [
          { east: -50, north: -50 },
          { east: 50, north: -50 },
          { east: 50, north: 50 },
          { east: -50, north: 50 },
        ],
      },
      ...field(5, () => 0),
    ),
  ],
  ['a cliff', yard(...field(5, (east) => (east > 4 ? -8 : 0)))],
  ['a pit far under the zero of the job', yard({ ...out({ form: 'dryWell', groundLevel: -40 }), id: 'pit' })],
  [
    'a pump without a curve',
    jobOf(rain(), basin(), ground(90, 'basin'), pipe('basin', { length: 4 }), out({ form: 'pump', groundLevel: -0.2 })),
  ],
  ['a swale that runs uphill', jobOf(rain(), ground(300, 'swale'), swaleOf({ headLevel: -0.9, footLevel: -0.3 }))],
  [
    'a pipe that runs uphill',
    jobOf(
      rain(),
      basin(),
      ground(90, 'basin'),
      pipe('basin', { grade: { type: 'inverts', up: -1, down: -0.4 } as never }),
      out({ groundLevel: -0.3 }),
    ),
  ],
  ['nothing but rain', jobOf(rain())],
])('%s', (_, job) => {
  const told = rained(job);
  expect(told.balance.error).toBeLessThan(1e-9);
  expect(
    numbersIn({ ...told, ponds: told.ponds.map(({ dryAt: _none, ...pond }) => pond) }).every(Number.isFinite),
  ).toBe(true);
});

it('without a rain there is no storm to try; one longer than a day ends with the day', () => {
  const dry = jobFrom('dry', [headOf(yard())]);
  expect(rainfallOf(dry, 'design')).toBeNull();
  expect(stormCases(dry, planJob(dry))).toEqual([]);
  const told = rained(yard(), {
    rain: { step: 3600, intensities: new Array<number>(30).fill(1e-7) },
    length: 200_000,
    step: 60,
  });
  expect([told.length, told.reached >= told.length]).toEqual([86_400, true]);
});

it('two hundred runs with a third of all failing, and five thousand levels, end', () => {
  const many = largeYard(200, 500);
  const failing = failuresOf(many, planJob(many)).filter((_, k) => k % 3 === 0);
  const told = rained(many, { failing, length: 240 });
  expect(told.balance.error).toBeLessThan(1e-9);
  const rough = jobOf(rain(), ...field(71, (east, north) => 0.2 * Math.sin(east / 9) * Math.cos(north / 7), 1));
  expect(rained(rough, { length: 240 }).balance.error).toBeLessThan(1e-9);
}, 60_000);

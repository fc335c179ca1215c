import type { Job } from '../job/job';
import { takeOff } from '../quantities/takeOff';
import { basin, ground, jobOf, out, pipe, withFields } from '../testing/parts';
import { planJob } from '../verdict/planJob';
import type { Element } from '../job/kinds';
import { cautionsOf } from './cautions';
import { engineersWork } from './engineer';
import { quoteOf } from './quote';

const ACRE = 4046.86;

const yard = (area: number, outs: Partial<Parameters<typeof out>[0]> = {}, ...more: Element[]): Job =>
  jobOf(
    ground(area, 'basin'),
    basin({ place: { east: 0, north: 0 } }),
    pipe('basin', { length: 20 }),
    out({ place: { east: 20, north: 0 }, groundLevel: -2, ...outs }),
    ...more,
  );

const said = (job: Job): string => {
  const plan = planJob(job);
  return engineersWork(job, plan, takeOff(job, plan)).join(' ');
};

it('a yard of a house is nobody’s but the contractor’s', () => {
  expect(said(yard(0.99 * ACRE))).toBe('');
});

it.each([
  ['an acre that sheds', yard(1.01 * ACRE), /the runoff of .* because from an acre on/],
  [
    'a trench deeper than any table',
    withFields(yard(60), 'pipe-basin', { grade: { type: 'levels', up: -6.3 } }),
    /trench 6\.\d+ m deep/,
  ],
  [
    'a trench through a retaining wall',
    yard(
      60,
      {},
      {
        id: 'wall',
        kind: 'barrier',
        name: 'Terrace wall',
        form: 'retainingWall',
        way: [
          { east: 10, north: -5 },
          { east: 10, north: 5 },
        ],
      },
    ),
    /a trench through Terrace wall, because/,
  ],
  ['a sewer', yard(60, { form: 'main', controlLevel: -2, mainIs: 'sanitary' }), /anything at .*sanitary sewer/],
])('%s is a licensed engineer’s work, on the crew’s paper and in the offer', (_, job, because) => {
  expect(said(job).replaceAll('\u00a0', ' ')).toMatch(because);
  const plan = planJob(job);
  const taken = takeOff(job, plan);
  for (const each of engineersWork(job, plan, taken)) {
    expect(cautionsOf(job, plan, taken)[0]).toMatch(/^A licensed engineer’s work: /);
    expect(quoteOf(job, plan, taken).excluded).toContain(each);
  }
});

it('what somebody has seen is told with its reason, once, and a fence is no wall', () => {
  const seen = jobOf(
    {
      id: 'job',
      kind: 'job',
      name: 'Lot',
      units: 'metric',
      pitchStyle: 'ground',
      beyond: ['floodPlain', 'commercial'],
    },
    ground(3 * ACRE, 'basin'),
    basin(),
    pipe('basin', { length: 20 }),
    out({ groundLevel: -2 }),
  );
  expect(said(seen)).toBe(
    'A licensed engineer’s work: a flood plain, because what is filled or dug there raises the water of others. A licensed engineer’s work: a commercial site, because its runoff is regulated: volumes, rates and records are asked for.',
  );
});

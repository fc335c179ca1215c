import fc from 'fast-check';
import { changed, put } from '../job/change';
import { basin, codes, ground, jobOf, out, pipe, rain, withFields } from '../testing/parts';
import { bedOf, culvertOf, swaleOf } from '../testing/someWorks';
import { planJob, type Plan } from '../verdict/planJob';
import { headOf, type Job } from '../job/job';

const depthOf = ({ works }: Plan, id: string): number => (works[id] as { depth: number }).depth;

it('a pit and a bed that lie in the job’s soil are worked out anew when that is another', () => {
  const { soil: _own, ...bed } = bedOf();
  const job = jobOf(
    ground(40, 'basin'),
    basin(),
    pipe('basin'),
    out({ form: 'dryWell', groundLevel: 0, bank: undefined, store: { area: 4, depth: 1, cover: 0.5, voids: 0.9 } }),
    bed,
  );
  const times = (soil: 'sand' | 'clay') => {
    const { works } = planJob(changed(job, put('Soil', { ...headOf(job), soil })));
    return [works.out, works.bed].map((work) => (work as { drainTime: number }).drainTime);
  };
  const [sand, clay] = [times('sand'), times('clay')];
  sand.forEach((time, k) => expect(clay[k]!).toBeGreaterThan(50 * time));
});

it('a swale between two culverts that backs up stands against the upper one too', () => {
  const yard = (lower: number): Plan =>
    planJob(
      jobOf(
        ground(3000, 'swale'),
        swaleOf({ to: 'culvert' }),
        culvertOf({ invertUp: -0.9, invertDown: -0.95, to: 'between' }),
        swaleOf({ id: 'between', headLevel: -0.95, footLevel: -1, length: 5, to: 'last' }),
        culvertOf({ id: 'last', invertUp: -1, invertDown: -1.05, nominal: lower }),
      ),
    );
  const [free, choked] = [yard(0.6096), yard(0.254)];
  expect(depthOf(choked, 'between')).toBeGreaterThan(depthOf(free, 'between') + 0.2);
  expect(depthOf(choked, 'swale')).toBeGreaterThan(depthOf(free, 'swale') + 0.1);
});

describe('open stone before a door', () => {
  const SILL = 0.13;
  const jobWith = (nominal: number, rarer: number, length: number): Job =>
    jobOf(
      rain({ intensity: 1.2e-5, openings: { returnPeriod: 100, intensity: rarer } }),
      ground(261, 'stone'),
      {
        id: 'stone',
        kind: 'stoneDrain',
        name: 'Stone',
        groundLevel: -0.05,
        slabLevel: 0,
        sillLevel: SILL,
        width: 0.5,
        depth: 0.45,
        length: 3,
      },
      pipe('stone', { nominal, length }),
      out({ groundLevel: -0.9 }),
    );
  const yard = (nominal: number, rarer = 4e-5, length = 28): Plan => planJob(jobWith(nominal, rarer, length));
  const rarerStone = ({ rarerWorks }: Plan) => rarerWorks!.stone as { waterLevel: number; freeboard: number };

  it('is judged by its pipe as well as by its stone: a line that stands over the sill is a Stop', () => {
    const small = yard(0.1016, 6e-5);
    expect(rarerStone(small).freeboard).toBeLessThan(0);
    expect(codes(small)).toContain('waterAtDoor');
    expect(small.verdict.state).toBe('stop');
    const large = yard(0.2032, 6e-5);
    expect(codes(large)).not.toContain('waterAtDoor');
    expect(rarerStone(large).freeboard).toBeGreaterThan(0.1);
  });

  it('no pipe, rain or length makes the door drier than the line under it lets it be', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(0.0762, 0.1016, 0.1524, 0.2032),
        fc.double({ min: 1.2e-5, max: 9e-5, noNaN: true }),
        fc.double({ min: 5, max: 60, noNaN: true }),
        (nominal, rarer, length) => {
          const job = jobWith(nominal, rarer, length);
          const plan = planJob(job);
          // The same rain as the one that lines are sized by: what its water line is there is told.
          const same = withFields(job, 'rain', { intensity: rarer });
          const line = planJob(same).landings.stone!.waterLevel!;
          expect(rarerStone(plan).freeboard).toBeLessThanOrEqual(SILL - line + 1e-9);
          expect(rarerStone(plan).waterLevel).toBeGreaterThanOrEqual(line - 1e-9);
        },
      ),
      { numRuns: 60 },
    );
  });
});

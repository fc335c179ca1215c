import { changed, put } from '../job/change';
import { basin, ground, jobOf, out, pipe } from '../testing/parts';
import { bedOf, culvertOf, swaleOf } from '../testing/someWorks';
import { planJob, type Plan } from '../verdict/planJob';
import { headOf } from '../job/job';

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

import type { Culvert, Swale } from '../job/kinds';
import { ground, jobOf, rain, withFields } from '../testing/parts';
import { planJob } from '../verdict/planJob';
import { openWayLines, openWaySection } from './openWay';

const swale: Swale = {
  id: 'swale',
  kind: 'swale',
  name: 'Back swale',
  length: 30,
  section: 'trapezoid',
  bottomWidth: 0.3,
  sideSlope: 3,
  depth: 0.3,
  lining: 'grass',
  headLevel: 0,
  footLevel: -0.5,
};
const culvert: Culvert = {
  id: 'culvert',
  kind: 'culvert',
  name: 'Culvert',
  length: 6,
  nominal: 0.3,
  material: 'smooth',
  invertUp: -0.5,
  invertDown: -0.6,
  roadLevel: 0.3,
  inlet: 'projecting',
  stone: true,
};

it('a swale that runs off the job is a line, and the verdict speaks of it', () => {
  const job = jobOf(ground(200, 'swale'), swale);
  const plan = planJob(job);
  const [line] = openWayLines(job, plan);
  // It falls 0.5 m over 30 m, of which 1 % asks 0.3.
  expect(line).toMatchObject({ to: null, length: 30, fall: 0.5, tightest: { id: 'swale' } });
  expect(line!.spare).toBeCloseTo(0.2, 12);
  const left = line!.tightest!.left;
  expect(left).toBeCloseTo(swale.depth - (plan.works.swale as { depth: number }).depth, 12);
  expect(plan.verdict).toMatchObject({ state: 'holds' });
  expect(plan.verdict.sentence.replaceAll('\u00a0', ' ')).toBe(
    `Carries the design rain down Back swale and off the job, ${Math.round(left * 1000)} mm under its bank.`,
  );
});

it('a swale into a culvert is one line: bed, bank, pipe and the water before the road', () => {
  const job = jobOf(ground(400, 'swale'), { ...swale, to: 'culvert' }, culvert);
  const plan = planJob(job);
  const [line, ...others] = openWayLines(job, plan);
  expect(others).toEqual([]);
  expect(line!.ways.map(({ id }) => id)).toEqual(['swale', 'culvert']);
  expect(line!.fall).toBeCloseTo(0.6, 12);
  const section = openWaySection(plan, line!);
  expect(section).toMatchObject({ length: 36, top: 0.3, bottom: -0.6 });
  const [bed] = section.beds;
  const [pipe] = section.pipes;
  expect(bed!.map(({ invert, crown }) => [invert, crown])).toEqual([
    [0, 0.3],
    [-0.5, -0.2],
  ]);
  // The water in the swale's foot is that which stands before the culvert.
  expect(bed![1].water).toBeCloseTo(pipe![0].water, 9);
  expect(pipe![1].water).toBeGreaterThan(-0.6);
  expect(plan.verdict.sentence).toContain('down Back swale, Culvert and off the job');
});

it('where no water gets anywhere nothing is told to hold', () => {
  const plan = planJob(jobOf(rain(), swale));
  expect(plan.verdict).toMatchObject({ state: 'empty', sentence: 'No water reaches a way out yet.' });
  // One that goes round is not walked for ever.
  const round = withFields(jobOf(ground(50, 'swale'), { ...swale, to: 'culvert' }, culvert), 'culvert', {
    to: 'swale',
  });
  expect(openWayLines(round, planJob(round))).toEqual([]);
});

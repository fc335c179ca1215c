import { LEAST_SHORT } from '../numeric/tolerance';
import { basin, ground, jobOf, out, pipe } from '../testing/parts';
import { seededJob } from '../trial';
import { planJob } from './planJob';
import { verdictOf } from './verdict';

it('a sentence gives no negative spare: what stands full is told as such', () => {
  const full = planJob(
    jobOf(
      ground(20, 'basin'),
      basin({ groundLevel: 0.6 }),
      pipe('basin', { nominal: 0.1016 }),
      out({ form: 'popup', groundLevel: 0, bank: undefined, drain: { type: 'leach', area: 1, soil: 'sand' } }),
    ),
  );
  expect(full.budgets[0]!.left).toBeLessThan(0);
  expect(['holds', 'mind']).toContain(full.verdict.state);
  expect(full.verdict.sentence).toContain('; its line stands full');
  for (let seed = 1; seed <= 150; seed++)
    expect(planJob(seededJob(seed)).verdict.sentence).not.toMatch(/with [−-]\s?\d/);
});

it('a shortfall that no rod reads is none: nothing to spare, and nothing that stands full', () => {
  const job = jobOf(ground(20, 'basin'), basin(), pipe('basin'), out());
  const plan = planJob(job);
  const saidOf = (left: number): string =>
    verdictOf(job, { ...plan, budgets: [{ ...plan.budgets[0]!, left }] }, []).sentence.replaceAll('\u00a0', ' ');
  expect(saidOf(-LEAST_SHORT / 2)).toContain('with 0 mm of fall to spare');
  expect(saidOf(-2 * LEAST_SHORT)).toContain('; its line stands full');
});

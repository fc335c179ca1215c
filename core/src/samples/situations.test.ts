import { jobFaults } from '../job/faults';
import { planJob } from '../verdict/planJob';
import { codes } from '../testing/parts';
import { walkOf } from '../trial/walk/walk';
import { situations } from './situations';

const CASES = Object.entries(situations());

it.each(CASES)('%s plans as the trade would expect', (_, { job, holds, told, notTold }) => {
  expect(jobFaults(job)).toEqual([]);
  const plan = planJob(job);
  for (const code of told) expect(codes(plan)).toContain(code);
  for (const code of notTold) expect(codes(plan)).not.toContain(code);
  if (!holds) {
    expect(['stop', 'fix']).toContain(plan.verdict.state);
    return;
  }
  // What holds is judged by the walk over the laid levels and the water as well, which shares nothing with the rules.
  expect(walkOf(job, plan)).toEqual([]);
  expect(plan.snags.filter(({ severity }) => severity !== 'mind').map(({ code, at }) => `${code} ${at}`)).toEqual([]);
});

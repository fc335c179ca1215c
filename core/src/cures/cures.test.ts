/** What is offered against a storm does what it says, in that same storm. */
import { changed } from '../job/change';
import { quillfeather } from '../samples';
import { rainfallOf, rankOf, runStorm, type Failure } from '../simulation';
import { planJob } from '../verdict/planJob';
import { curesOf, type CureTried } from './cures';

it.each([[[]], [[{ kind: 'blocked', id: 'basin' }]]] as [Failure[]][])(
  'in the rarer storm with %j',
  (failing) => {
    const job = quillfeather();
    const plan = planJob(job);
    const storm = { rain: rainfallOf(job, 'rarer')!, wetness: 'ordinary' as const, failing, cells: 400 };
    const told = runStorm(job, plan, storm);
    let last: CureTried | null = null;
    let before = 0;
    for (const tried of curesOf(job, plan, { ...storm, told })) {
      expect(tried.tried).toBe(before + 1);
      before = tried.tried;
      last = tried;
    }
    expect(last!.tried).toBe(last!.of);
    expect(last!.found.length).toBeGreaterThan(0);
    const curing = last!.found.filter(({ cures }) => cures);
    expect([...curing].sort((a, b) => a.adds - b.adds)).toEqual(curing);
    expect(last!.found.slice(0, curing.length)).toEqual(curing);
    // The first is as good as it says when it is rained on again.
    const { fix, gains } = last!.found[0]!;
    const after = changed(job, fix.change);
    const then = rankOf(runStorm(after, planJob(after), storm));
    expect(rankOf(told).deepest - then.deepest).toBeCloseTo(gains, 9);
  },
  120_000,
);

/** The clinic a year on: it holds, what was written down of its visits is what the core says of them, and the wet lawn was the leaves. */
import { laidLines } from '../asBuilt';
import { jobFaults } from '../job/faults';
import { elementOf, ofKind } from '../job/job';
import { planJob } from '../verdict/planJob';
import { joinedCauses } from '../visits/explained';
import { triedRain, type RainTold } from '../visits/rainVisit';
import { sayVisit } from '../visits/said';
import { quillfeatherLaid } from './quillfeatherLaid';

const job = quillfeatherLaid();
const plan = planJob(job);
/** What the rain of a visit comes to, after so many storms; all of them where nothing is said. */
const rained = (id: string, storms = Infinity): RainTold => {
  const test = elementOf(job, 'visit', id)!.test;
  if (test.type !== 'rain') throw new Error(id);
  let last: RainTold | null = null;
  for (const told of triedRain(job, plan, test)) {
    last = told;
    if (told.done >= storms) break;
  }
  return last!;
};

it('is a sound job that holds, laid within a quarter inch where it was read', () => {
  expect(jobFaults(job)).toEqual([]);
  expect(plan.verdict).toMatchObject({ stops: 0, fixes: 0 });
  expect(laidLines(job, plan)[0]).toEqual({ letter: 'A', read: 4, off: [] });
});

it('says of each visit what stands with it', () => {
  const visits = ofKind(job, 'visit');
  expect(visits).toHaveLength(6);
  for (const visit of visits) {
    const { of, sentence, asPlanned } = sayVisit(job, plan, visit);
    expect({ of, sentence }).toEqual({ of: visit.said!.of, sentence: visit.said!.sentence });
    expect(asPlanned ?? undefined).toBe(visit.said!.asPlanned);
  }
});

it('the first rain was as planned; in autumn the grate was shut', () => {
  expect(rained('visitFirstRain', 3).asPlanned).toBe(true);
  const autumn = rained('visitAutumn');
  expect(autumn.asPlanned).toBe(false);
  expect(joinedCauses(autumn.ranked)[0]!.cause).toMatchObject({ kind: 'blocked', id: 'basin' });
}, 60_000);

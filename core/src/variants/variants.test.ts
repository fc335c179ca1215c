import fc from 'fast-check';
import { applyChange } from '../job/change';
import { jobFaults } from '../job/faults';
import { headOf, jobFrom, ofKind, type Job } from '../job/job';
import type { Element, Variant } from '../job/kinds';
import { removal } from '../job/edits/remove';
import { planJob } from '../verdict/planJob';
import { randomJob } from '../testing/randomJob';
import { brackenfold, quillfeather, wrenmoor } from '../samples';
import { compareOptions, keepAside, optionName, takeOption } from './variants';

const options = (job: Job): readonly Variant[] => ofKind(job, 'variant');
const kept = (job: Job, name = 'Second'): Job => applyChange(job, keepAside(job, name)).job;
function taken(job: Job, option: Variant): Job {
  const result = takeOption(job, option);
  if (!result.ok) throw new Error(result.sentence);
  return applyChange(job, result.change).job;
}
/** All of a job but what it is called among its options, and what is kept aside. */
const bare = (job: Job): Element[] =>
  job.elements.all
    .filter(({ kind }) => kind !== 'variant')
    .map((element) => (element.kind === 'job' ? { ...element, option: undefined } : element) as Element)
    .sort((a, b) => (a.id < b.id ? -1 : 1));

it.each([quillfeather(), brackenfold(), wrenmoor()].map((job) => [headOf(job).name, job] as const))(
  '%s: kept aside, torn down and taken again it is what it was, and what was torn down can be taken back',
  (_, job) => {
    const start = kept(job);
    const torn = [...ofKind(start, 'basin'), ...ofKind(start, 'discharge'), ...ofKind(start, 'run')].reduce(
      (now, { id }) => (now.elements.has(id) ? applyChange(now, removal(now, id)).job : now),
      start,
    );
    expect(jobFaults(torn)).toEqual([]);
    const back = taken(torn, options(torn)[0]!);
    expect(bare(back)).toEqual(bare(job));
    expect(planJob(back).verdict).toEqual(planJob(job).verdict);
    const again = taken(back, options(back)[0]!);
    expect(bare(again)).toEqual(bare(torn));
  },
);

it('whatever is changed of the plan or taken from the site in between, an option that is taken leaves nothing pointing at nothing', () => {
  fc.assert(
    fc.property(randomJob({ byHand: true }), fc.array(fc.nat(), { maxLength: 6 }), (job, picks) => {
      let now = kept(job);
      for (const pick of picks) {
        const able = now.elements.all.filter(({ kind }) => kind !== 'job' && kind !== 'rain' && kind !== 'variant');
        if (able.length > 0) now = applyChange(now, removal(now, able[pick % able.length]!.id)).job;
      }
      const result = takeOption(now, options(now)[0]!);
      if (!result.ok) throw new Error(result.sentence);
      expect(jobFaults(applyChange(now, result.change).job)).toEqual([]);
    }),
    { numRuns: 120 },
  );
});

it('options are compared by what each costs and comes to, the cheapest first; one that cannot be read says why', () => {
  const job = kept(quillfeather());
  const wider = applyChange(job, {
    label: 'x',
    puts: ofKind(job, 'run').map((run) => ({ ...run, nominal: run.nominal + 0.0508 })),
    removes: [],
  }).job;
  const broken: Element = {
    ...options(wider)[0]!,
    id: 'broken',
    name: 'Broken',
    elements: [{ id: 'r', kind: 'run', length: -1 }],
  };
  const compared = compareOptions(applyChange(wider, { label: 'x', puts: [broken], removes: [] }).job, planJob(wider));
  expect(compared.map(({ name }) => name)).toEqual(['First plan', headOf(wider).option, 'Broken']);
  expect(compared[2]).toMatchObject({ sentence: expect.stringMatching(/^Broken cannot be read: its run r/) });
  const [first, second] = compared;
  if (!('price' in first!) || !('price' in second!)) throw new Error();
  expect(second.price.price).toBeGreaterThan(first.price.price);
});

it('refuses an option that would bring in more than a plan', () => {
  const job = quillfeather();
  const option: Variant = {
    id: 'o',
    kind: 'variant',
    name: 'Odd',
    elements: [{ ...(job.elements.get('gas') as object), id: 'gas2', kind: 'service' }],
    links: {},
  };
  expect(takeOption(jobFrom('x', [...job.elements.all, option]), option)).toMatchObject({ ok: false });
});

it('options kept aside without a name are numbered, the first plan being the first', () => {
  const names: string[] = [];
  let job = quillfeather();
  for (let k = 0; k < 3; k++) {
    job = applyChange(job, keepAside(job)).job;
    names.push(optionName(job));
  }
  expect(names).toEqual(['Option 2', 'Option 3', 'Option 4']);
  expect(options(job).map(({ name }) => name)).toEqual(['First plan', 'Option 2', 'Option 3']);
});

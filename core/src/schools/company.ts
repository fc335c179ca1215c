/** What a company has said of each question, and how its new jobs begin by it. */
import type { Company } from '../api/company';
import { changed } from '../job/change';
import { headOf, jobFrom, type Job } from '../job/job';
import type { Element } from '../job/kinds';
import type { JobElement } from '../job/kinds/job';
import type { School } from './school';
import { schoolById } from './schools';

type Ways = NonNullable<Company['ways']>;

/** The head of a job of which nothing is said but its ways. */
const bare = (ways: Ways | undefined): Job => {
  const head: JobElement = { id: 'job', kind: 'job', name: 'New', units: 'us', pitchStyle: 'ground' };
  return jobFrom('new', [ways ? { ...head, ways } : head]);
};

/** The side of a question that a company's new jobs begin on; null where it has said nothing and nothing is usual. */
export const sideOfCompany = ({ ways, schools }: Company, school: School): string | null =>
  schools?.[school.id] ?? school.chosen(bare(ways));

/** The company with a question's side, as a job has it, for its new jobs. */
export function withSide(company: Company, { id, way }: School, job: Job, side: string): Company {
  if (way === undefined) return { ...company, schools: { ...company.schools, [id]: side } };
  const { [way as keyof Ways]: _was, ...others } = company.ways ?? {};
  const value = headOf(job).ways?.[way as keyof Ways];
  return { ...company, ways: value === undefined ? others : { ...others, [way]: value } };
}

/** A new job's elements, built as the company builds: its ways and its crew in the head, and each question on its side. */
export function byCompany(elements: readonly Element[], { ways, calendar, schools = {} }: Company): Element[] {
  const headed = elements.map((element) =>
    element.kind === 'job' ? { ...element, ...(ways ? { ways } : {}), ...(calendar ? { calendar } : {}) } : element,
  );
  let job = jobFrom('new', headed);
  for (const [id, side] of Object.entries(schools)) {
    const school = schoolById(id);
    if (school?.sides.some((each) => each.id === side)) job = changed(job, school.choose(job, side));
  }
  return [...job.elements.all];
}

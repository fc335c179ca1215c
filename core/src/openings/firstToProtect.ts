import { groundInlets, ofKind, type Job } from '../job/job';
import type { Element } from '../job/kinds';

/** The first thing that says at what level it must stay dry: an inlet, a stone drain, or an opening that is drawn. */
export const firstToProtect = (job: Job): Element | undefined =>
  [...groundInlets(job), ...ofKind(job, 'stoneDrain'), ...ofKind(job, 'opening')].find(
    ({ sillLevel }) => sillLevel !== undefined,
  );

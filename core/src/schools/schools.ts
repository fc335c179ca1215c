/** All questions that builders answer in more than one way, in the order that a job meets them. */
import type { Job } from '../job/job';
import { BUILT_SCHOOLS } from './built';
import { DRAIN_SCHOOLS } from './drains';
import { END_SCHOOLS } from './ends';
import { PIPE_SCHOOLS } from './pipe';
import type { School } from './school';
import { WORK_SCHOOLS } from './work';

export const SCHOOLS: readonly School[] = [
  ...BUILT_SCHOOLS,
  ...PIPE_SCHOOLS,
  ...DRAIN_SCHOOLS,
  ...END_SCHOOLS,
  ...WORK_SCHOOLS,
];

export const schoolById = (id: string): School | undefined => SCHOOLS.find((school) => school.id === id);

/** Those that a job asks. */
export const schoolsIn = (job: Job): School[] => SCHOOLS.filter(({ asks }) => asks(job));

/** What a screen needs that only lists jobs: none of what plans them, and no schemas. */
export { freshId } from '../job/ids';
export { JOB_STATES, type JobState } from '../job/states';
export { isJobList, isPlainProblem } from './plainly';
export type { JobList, JobQuery, JobRow, Problem } from './wire';

/** What a screen needs that only lists jobs: none of what plans them. */
export { changeSchema } from '../job/change';
export { freshId } from '../job/ids';
export { elementSchema, JOB_STATES, type JobState } from '../job/kinds';
export * from './wire';

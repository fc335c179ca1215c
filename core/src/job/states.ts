/** How far a job has come, in the order of the work. */
export const JOB_STATES = ['asked', 'planned', 'offered', 'agreed', 'digging', 'done', 'dropped'] as const;
export type JobState = (typeof JOB_STATES)[number];

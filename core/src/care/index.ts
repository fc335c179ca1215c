export { careAbout, careOf } from './care';
export { daysOf, duesOf, type Due } from './dates';
export { careDays, careSheet, dayWords, type CareSheet } from './sheet';
export { keptOf, roundOf, townOf, type KeptJob, type RoundJob, type Stop } from './rounds';
export { keepingOf, USUAL_SEASONS, warrantyEnds } from './season';
export type { CareTask } from './task';

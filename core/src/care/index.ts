export { careAbout, careOf } from './care';
export { daysOf, duesOf, type Due } from './dates';
export { careDays, careSheet, dayWords, type CareSheet } from './sheet';
export { keepingOf, warrantyEnds } from './season';
export type { CareTask } from './task';

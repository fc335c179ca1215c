/** Random jobs, for trials and benches: nothing that ships uses them. */
export { dice } from '../numeric/dice';
export { largeYard, seededJob } from './seeded';
export { wideYard } from './wideYard';

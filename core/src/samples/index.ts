/** Invented jobs that come with the demo. */
import type { Job } from '../job/job';
import { brackenfold } from './brackenfold';
import { quillfeather } from './quillfeather';

export const samples = (): Job[] => [quillfeather(), brackenfold()];
export { brackenfold, quillfeather };
export { dice } from './dice';
export { largeYard, seededJob } from './seeded';
export { situations, type Situation } from './situations';
export { quillfeatherGround, someGround } from './hiddenGround';

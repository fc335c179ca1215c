/** Invented jobs that come with the demo. */
import type { Job } from '../job/job';
import { brackenfold } from './brackenfold';
import { quillfeather } from './quillfeather';
import { wrenmoor } from './wrenmoor';

export const samples = (): Job[] => [quillfeather(), brackenfold(), wrenmoor()];
export { brackenfold, quillfeather, wrenmoor };
export { situations, type Situation } from './situations';
export { quillfeatherGround, someGround } from './hiddenGround';

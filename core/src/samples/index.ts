/** Invented jobs that come with the demo. */
import type { Job } from '../job/job';
import { brackenfold } from './brackenfold';
import { brackenfoldOld } from './brackenfoldOld';
import { quillfeather } from './quillfeather';
import { quillfeatherLaid } from './quillfeatherLaid';
import { wrenmoor } from './wrenmoor';

export const samples = (): Job[] => [quillfeather(), brackenfold(), wrenmoor(), quillfeatherLaid(), brackenfoldOld()];
export { brackenfold, brackenfoldOld, quillfeather, quillfeatherLaid, wrenmoor };
export { situations, type Situation } from './situations';
export { quillfeatherGround, someGround } from './hiddenGround';

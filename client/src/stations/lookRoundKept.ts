/** Which sample is looked round, and how far: kept on the device until it is done. */
import { z } from 'zod';
import { note } from '../input/notes';
import { useNoted } from '../input/useNoted';

const NAME = 'katabasis.lookRound';
const schema = z.object({ job: z.string(), step: z.number() }).nullable();
type Kept = z.infer<typeof schema>;

/** The job that is looked round; null where none is. */
export const lookingAt = (kept: Kept): string | null => kept?.job ?? null;

export const beginLookRound = (job: string): void => note(NAME, { job, step: 0 });

export const useLookRound = (): [Kept, (next: (now: Kept) => Kept) => void] => useNoted<Kept>(NAME, schema, null);

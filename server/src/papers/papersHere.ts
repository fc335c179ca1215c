/** Papers of a database in memory, which no other thread can read: made between the requests. */
import { ProblemError } from '../http/problem';
import { make, type Kept } from './make';
import type { Papers } from './papers';

export const papersHere = (kept: Kept): Papers => ({
  make: (task, { onStep } = {}) =>
    new Promise((resolve, reject) => {
      void make(task, kept, (said) => {
        if ('done' in said) onStep?.(said.done, said.of);
        else if ('made' in said) resolve(said.made);
        else reject(new ProblemError(said.problem.status, said.problem.title, said.problem));
      });
    }),
  close: () => undefined,
});

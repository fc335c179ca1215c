/** Who asks, as the door let them in. */
import type { Context } from 'koa';
import type { Device } from '../devices/store';
import { ProblemError } from '../http/problem';
import type { Person, Reach } from '../people/store';

/** What `ctx.state` tells of who asks. */
export interface Asker extends Reach {
  device: Device | null;
  /** Whose device it is; nobody's in particular where it was let in by the code, or is the server's own machine. */
  person: Person | null;
  /** Whether it sits at the server's own machine. */
  local: boolean;
  /** As the change log names it. */
  name: string;
}

export const askerOf = (ctx: Context): Asker => ctx.state.asker as Asker;

/** Whoever is signed in; a device of the office is nobody. */
export function ownPerson(ctx: Context): Person {
  const { person } = askerOf(ctx);
  if (!person) throw new ProblemError(403, 'Nobody is signed in on this device.');
  return person;
}

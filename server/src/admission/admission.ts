/**
 * Who may use the API. Who shows the key of the server's own machine may; any other shows the cookie of a device that was let in. Files of
 * the application itself are open to all who reach the server: there is nothing of anybody's in them.
 */
import type { Context, Middleware } from 'koa';
import { deviceNameSchema, OFFICE_RIGHTS, rightsOf, type Right, type Role } from '@katabasis/core';
import type { DeviceStore } from '../devices/store';
import { fromOf } from '../http/cameFrom';
import { LOOPBACK, nameOf } from '../http/guard';
import { ProblemError } from '../http/problem';
import type { PeopleStore, Person, Reach } from '../people/store';
import type { Asker } from './asker';
import { ruleOf } from './rules';

export const COOKIE = 'katabasis';
/** A year: a phone is not asked again each season. */
const COOKIE_MS = 365 * 24 * 3600 * 1000;

const NO_RIGHTS: ReadonlySet<Right> = new Set();
const NO_ROLES: ReadonlyMap<string, Role> = new Map();

/** A cookie that no script reads and no other site sends; over https for https only. */
export function setCookie(ctx: Context, name: string, value: string): void {
  const secure = fromOf(ctx).protocol === 'https' || ctx.get('origin').startsWith('https://');
  // The connection itself is a proxy's, and plain.
  ctx.cookies.secure = secure;
  ctx.cookies.set(name, value, { httpOnly: true, sameSite: 'strict', maxAge: COOKIE_MS, secure, overwrite: true });
}

/** A local page may say what its device is called; a paired one has its name. */
function localName(ctx: Context): string {
  let said = '';
  try {
    said = decodeURIComponent(ctx.get('katabasis-device'));
  } catch {
    // Not written as a header can be: it goes without.
  }
  const name = deviceNameSchema.safeParse(said);
  return name.success ? name.data : 'This computer';
}

export interface AdmissionParts {
  devices: DeviceStore;
  people: PeopleStore;
  /** Whether who asks sits at the server's own machine. */
  isLocal: (ctx: Context) => boolean;
  /** Port of the near door, told to pages that were opened on this machine. */
  door?: number | undefined;
}

export function admission({ devices, people, isLocal, door }: AdmissionParts): Middleware {
  return (ctx, next) => {
    const token = ctx.cookies.get(COOKIE);
    const known = token ? devices.whose(token) : null;
    const person = known?.person ? people.find(known.person) : null;
    // Whoever it was of has gone: it is nobody's, and lets nobody in.
    const admitted = known && (known.person === null || person) ? known : null;
    const local = isLocal(ctx);
    if (!admitted && !local && ruleOf(ctx.method, ctx.path)?.needs !== 'open') {
      const { host, isForwarded } = fromOf(ctx);
      if (door !== undefined && LOOPBACK.includes(nameOf(host)) && !isForwarded)
        ctx.set('Katabasis-Door', String(door));
      throw new ProblemError(401, 'This device has not been let in. Sign in, or type the code on the server’s screen.');
    }
    // Once in a while its year begins anew.
    if (admitted?.isDue) setCookie(ctx, COOKIE, token!);
    const device = admitted && { id: admitted.id, name: admitted.name };
    ctx.state.asker = {
      device,
      person,
      local,
      name: person?.name ?? device?.name ?? localName(ctx),
      ...(admitted || local ? reachOf(people, person, local) : { jobs: null, rights: NO_RIGHTS, roles: NO_ROLES }),
    } satisfies Asker;
    return next();
  };
}

/** Who signed in may what they may, on whatever machine; the server's own machine is its owner's, a device of the office plans. */
function reachOf(people: PeopleStore, person: Person | null, local: boolean): Reach {
  if (person) return people.reach(person);
  return { jobs: null, rights: local ? rightsOf('owner') : OFFICE_RIGHTS, roles: NO_ROLES };
}

/**
 * Who may use the API. Who shows the key of the server's own machine may; any other shows the cookie of a device that was let in. Files of
 * the application itself are open to all who reach the server: there is nothing of anybody's in them.
 */
import type { Context, Middleware } from 'koa';
import { deviceNameSchema } from '@katabasis/core';
import type { Device, DeviceStore } from '../devices/store';
import { fromOf } from '../http/cameFrom';
import { LOOPBACK, nameOf } from '../http/guard';
import { ProblemError } from '../http/problem';

export const COOKIE = 'katabasis';
/** A year: a phone is not asked again each season. */
const COOKIE_MS = 365 * 24 * 3600 * 1000;

/** What `ctx.state` tells of who asks. */
export interface Asker {
  device: Device | null;
  /** Whether it sits at the server's own machine. */
  local: boolean;
  /** As the change log names it. */
  name: string;
}

const OPEN = new Set(['/api/health', '/api/devices/pair', '/api/here']);

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
  /** Whether who asks sits at the server's own machine. */
  isLocal: (ctx: Context) => boolean;
  /** Port of the near door, told to pages that were opened on this machine. */
  door?: number | undefined;
}

export function admission({ devices, isLocal, door }: AdmissionParts): Middleware {
  return (ctx, next) => {
    const token = ctx.cookies.get(COOKIE);
    const known = token ? devices.whose(token) : null;
    const local = isLocal(ctx);
    if (!known && !local && !OPEN.has(ctx.path.toLowerCase())) {
      const { host, isForwarded } = fromOf(ctx);
      if (door !== undefined && LOOPBACK.includes(nameOf(host)) && !isForwarded)
        ctx.set('Katabasis-Door', String(door));
      throw new ProblemError(401, 'This device has not been let in. Type the code on the server’s screen.');
    }
    // Once in a while its year begins anew.
    if (known?.isDue) setCookie(ctx, COOKIE, token!);
    const device = known && { id: known.id, name: known.name };
    ctx.state.asker = { device, local, name: device?.name ?? localName(ctx) } satisfies Asker;
    return next();
  };
}

export const askerOf = (ctx: Context): Asker => ctx.state.asker as Asker;

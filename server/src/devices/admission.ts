/**
 * Who may use the API. The machine that the server runs on may; any other shows the cookie of a device that was let in. Files of the
 * application itself are open to all who reach the server: there is nothing of anybody's in them.
 */
import type { Context, Middleware } from 'koa';
import { deviceNameSchema } from '@katabasis/core';
import { ProblemError } from '../http/problem';
import type { Device, DeviceStore } from './store';

export const COOKIE = 'katabasis';
/** A year: a phone is not asked again each season. */
export const COOKIE_MS = 365 * 24 * 3600 * 1000;

const LOOPBACK = /^(127\.|::1$|::ffff:127\.)/;

/** What proxies say of whom they ask for: a request with any of it comes from elsewhere, whatever machine the proxy runs on. */
const FORWARDED =
  /^(forwarded|via|client-ip|true-client-ip|cf-.*|x-forwarded.*|x-real-ip|x-client-ip|x-cluster-client-ip|x-original-.*)$/;

/** Whether a request comes from the machine that the server runs on, and for nobody else. */
export const isLocal = ({ req }: Context): boolean =>
  LOOPBACK.test(req.socket.remoteAddress ?? '') && !Object.keys(req.headers).some((name) => FORWARDED.test(name));

/** What `ctx.state` tells of who asks. */
export interface Asker {
  device: Device | null;
  /** Whether it sits at the server's own machine. */
  local: boolean;
  /** As the change log names it. */
  name: string;
}

const OPEN = new Set(['/api/health', '/api/devices/pair']);

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

export function admission(devices: DeviceStore, local: typeof isLocal = isLocal): Middleware {
  return (ctx, next) => {
    const token = ctx.cookies.get(COOKIE);
    const device = token ? devices.whose(token) : null;
    const here = local(ctx);
    if (!device && !here && !OPEN.has(ctx.path.toLowerCase()))
      throw new ProblemError(401, 'This device has not been let in. Type the code on the server’s screen.');
    ctx.state.asker = { device, local: here, name: device?.name ?? localName(ctx) } satisfies Asker;
    return next();
  };
}

export const askerOf = (ctx: Context): Asker => ctx.state.asker as Asker;

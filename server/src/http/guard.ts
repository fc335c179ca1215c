/** Keeps other web sites' pages from talking to a contractor's own server: foreign Host and Origin are refused. */
import { hostname, networkInterfaces } from 'node:os';
import type { Middleware } from 'koa';
import { fromOf } from './cameFrom';
import { ProblemError } from './problem';

/** This machine's own addresses on its network, as they stand in an address of the web; those of one link only are left out. */
function ownAddresses(family: 'IPv4' | 'IPv6'): string[] {
  return Object.values(networkInterfaces())
    .flatMap((each) => each ?? [])
    .filter((address) => address.family === family && !address.internal && !address.address.startsWith('fe80'))
    .map(({ address }) => (family === 'IPv6' ? `[${address}]` : address));
}

/** Addresses to be typed or scanned: short ones where there are any. */
export function lanAddresses(): string[] {
  const short = ownAddresses('IPv4');
  return short.length > 0 ? short : ownAddresses('IPv6');
}

/** Names that a machine has for itself, as they stand in an address of the web. */
export const LOOPBACK = ['localhost', '127.0.0.1', '[::1]'];

/** Whether a server that listens there is reached from its own machine only. */
export const isLoopback = (listen: string): boolean => LOOPBACK.includes(listen) || listen === '::1';

/** Names in a list: `drain.example.org, other.example`. */
export const namesFrom = (text: string | undefined): string[] =>
  (text ?? '')
    .toLowerCase()
    .split(/[\s,]+/)
    .filter(Boolean);

/** Names that a browser may call this server by. `names`: those that it has on the open web or a network, as configured. */
export function allowedHosts(listen: string, names: readonly string[] = []): ReadonlySet<string> {
  if (isLoopback(listen)) return new Set([...LOOPBACK, ...names]);
  const name = hostname()
    .toLowerCase()
    .replace(/\.local$/, '');
  const all = listen === '0.0.0.0' || listen === '::';
  const bare = listen.includes(':') ? `[${listen.toLowerCase()}]` : listen.toLowerCase();
  const addresses = all ? [...ownAddresses('IPv4'), ...ownAddresses('IPv6')] : [bare];
  // By its name, as a network's own directory or the phone's neighbours' list gives it.
  return new Set([...LOOPBACK, ...names, name, `${name}.local`, ...addresses]);
}

export const nameOf = (host: string): string => host.replace(/:\d+$/, '').toLowerCase();

/**
 * Refuses a Host that is not ours (DNS rebinding) and an Origin that is not the page we served (cross-site requests). `named`: names that
 * were configured; a proxy in front of them may speak https with the browser and not say so.
 */
export function guard(allowed: ReadonlySet<string>, named: ReadonlySet<string> = new Set()): Middleware {
  return async (ctx, next) => {
    const { host, protocol } = fromOf(ctx);
    const name = nameOf(host);
    if (!allowed.has(name)) throw new ProblemError(403, 'This server does not answer to that name.');
    const origin = ctx.get('origin');
    const own = named.has(name) ? ['http', 'https'] : [protocol];
    if (origin !== '' && !own.some((each) => origin === `${each}://${host}`))
      throw new ProblemError(403, 'Requests from other sites are refused.');
    if (ctx.get('sec-fetch-site') === 'cross-site' && ctx.method !== 'GET')
      throw new ProblemError(403, 'Requests from other sites are refused.');
    await next();
  };
}

/** Keeps other web sites' pages from talking to a contractor's own server: foreign Host and Origin are refused. */
import { hostname, networkInterfaces } from 'node:os';
import type { Middleware } from 'koa';
import { ProblemError } from './problem';

/** This machine's own addresses on the local network, IPv4. */
export function lanAddresses(): string[] {
  return Object.values(networkInterfaces())
    .flatMap((each) => each ?? [])
    .filter((address) => address.family === 'IPv4' && !address.internal)
    .map((address) => address.address);
}

/** Names that a browser may call this server by. */
export function allowedHosts(listen: string): ReadonlySet<string> {
  const own = ['localhost', '127.0.0.1', '[::1]'];
  if (listen === '127.0.0.1' || listen === 'localhost') return new Set(own);
  const name = hostname()
    .toLowerCase()
    .replace(/\.local$/, '');
  const all = listen === '0.0.0.0' || listen === '::';
  // By its name, as a network's own directory or the phone's neighbours' list gives it.
  return new Set([...own, name, `${name}.local`, ...(all ? lanAddresses() : [listen.toLowerCase()])]);
}

const nameOf = (host: string): string => host.replace(/:\d+$/, '').toLowerCase();

/** Refuses a Host that is not ours (DNS rebinding) and an Origin that is not the page we served (cross-site requests). */
export function guard(allowed: ReadonlySet<string>): Middleware {
  return async (ctx, next) => {
    const host = ctx.get('host');
    if (!allowed.has(nameOf(host))) throw new ProblemError(403, 'This server does not answer to that name.');
    const origin = ctx.get('origin');
    if (origin !== '' && origin !== `${ctx.protocol}://${host}`)
      throw new ProblemError(403, 'Requests from other sites are refused.');
    if (ctx.get('sec-fetch-site') === 'cross-site' && ctx.method !== 'GET')
      throw new ProblemError(403, 'Requests from other sites are refused.');
    await next();
  };
}

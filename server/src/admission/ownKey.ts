/**
 * The key of the server's own machine: who shows it sits there. It lies in the data folder, where its owner alone can read it; an address
 * tells nothing, as a proxy on the same machine has it too.
 */
import { randomBytes, timingSafeEqual } from 'node:crypto';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import type { Context } from 'koa';
import { fromOf } from '../http/cameFrom';
import { hashOf } from './hashOf';

const KEY_HEADER = 'katabasis-key';

/** The key that lies in a file; made where there is none. */
export function keyIn(file: string): string {
  try {
    const key = readFileSync(file, 'utf8').trim();
    if (key !== '') return key;
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'ENOENT') throw error;
  }
  const key = randomBytes(32).toString('base64url');
  mkdirSync(dirname(file), { recursive: true });
  writeFileSync(file, `${key}\n`, { mode: 0o600 });
  return key;
}

/** Name of the cookie that holds a key. A browser gives all servers of one machine the same cookies: each looks for its own. */
export const keyCookie = (key: string): string => `katabasis-here-${hashOf(key).slice(0, 8)}`;

/** Tells requests of the server's own machine: those that show the key, and do not say that they are somebody else's. */
export function keyHolder(key: string): (ctx: Context) => boolean {
  const own = Buffer.from(hashOf(key));
  const cookie = keyCookie(key);
  const fits = (shown: string | undefined): boolean =>
    shown !== undefined && timingSafeEqual(Buffer.from(hashOf(shown)), own);
  return (ctx) => !fromOf(ctx).isForwarded && (fits(ctx.get(KEY_HEADER)) || fits(ctx.cookies.get(cookie)));
}

/** The replicator, a program of its own: follows the database's write-ahead log and writes what it finds to a folder or an S3-like store. */
import { execFile } from 'node:child_process';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';
import { CannotStart } from '../start/cannotStart';

const LONGEST_MS = 10 * 60_000;
const require = createRequire(import.meta.url);

/** Where the program lies; throws, in words, on a system that it is not packed for. */
export function litestreamAt(): string {
  try {
    return require.resolve('@flydotio/litestream-linux-x64/litestream');
  } catch {
    throw new CannotStart('The replicator is packed for Linux on x64 only; elsewhere keep a copy with KATABASIS_COPY.');
  }
}

/** A place for a replica: `file:///mnt/disk/katabasis`, or `s3://bucket/path` with the keys in Litestream's own environment. */
export interface ReplicaPlace {
  /** Of the database's replica. */
  url: string;
  /** Of the photos; none where the place is no folder. */
  files: string | null;
}

export function placeFrom(text: string): ReplicaPlace {
  let url: URL;
  try {
    url = new URL(text);
  } catch {
    throw new CannotStart(`A replica lies at file:///FOLDER or s3://BUCKET/PATH, and "${text}" is neither.`);
  }
  if (url.protocol === 's3:') return { url: `${text.replace(/\/+$/, '')}/database`, files: null };
  if (url.protocol !== 'file:')
    throw new CannotStart(`A replica lies at file:///FOLDER or s3://BUCKET/PATH, and "${text}" is neither.`);
  const folder = fileURLToPath(url);
  return { url: `file://${join(folder, 'database')}`, files: join(folder, 'files') };
}

/** Puts the database of a replica together into a file that is not there yet. `at`: an ISO time; else all that there is. */
export async function putTogether({ url }: ReplicaPlace, target: string, at?: string): Promise<void> {
  const args = ['restore', '-o', target, ...(at === undefined ? [] : ['-timestamp', at]), url];
  try {
    await promisify(execFile)(litestreamAt(), args, { timeout: LONGEST_MS });
  } catch (error) {
    const said = String((error as { stderr?: unknown }).stderr ?? '')
      .trim()
      .split('\n')
      .at(-1);
    throw new Error(`The replica at ${url} could not be put together. ${said || (error as Error).message}`);
  }
}

/** The replicator, a program of its own: follows the database's write-ahead log and writes what it finds to a folder or an S3-like store. */
import { execFile } from 'node:child_process';
import { rmSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';
import { CannotStart } from '../start/cannotStart';
import type { ReplicaKey } from './key';

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
  /** What it is sealed with; null of one that anybody reads. */
  key: ReplicaKey | null;
}

export function placeFrom(text: string, key: ReplicaKey | null = null): ReplicaPlace {
  let url: URL;
  try {
    url = new URL(text);
  } catch {
    throw new CannotStart(`A replica lies at file:///FOLDER or s3://BUCKET/PATH, and "${text}" is neither.`);
  }
  if (url.protocol === 's3:') return { url: `${text.replace(/\/+$/, '')}/database`, files: null, key };
  if (url.protocol !== 'file:')
    throw new CannotStart(`A replica lies at file:///FOLDER or s3://BUCKET/PATH, and "${text}" is neither.`);
  const folder = fileURLToPath(url);
  return { url: `file://${join(folder, 'database')}`, files: join(folder, 'files'), key };
}

/** What the replicator is told of a database and its replica. JSON is YAML. Whoever reads it reads the key. */
export function writeConfig(path: string, database: string, { url, key }: ReplicaPlace, more: object = {}): void {
  const age = key && { age: { identities: [key.identity], recipients: [key.recipient] } };
  const replicas = [{ url, ...more, ...age }];
  const dbs = [{ path: database, 'monitor-interval': '250ms', replicas }];
  writeFileSync(path, JSON.stringify({ dbs }), { mode: 0o600 });
}

/** Puts the database of a replica together into a file that is not there yet. `at`: an ISO time; else all that there is. */
export async function putTogether(place: ReplicaPlace, target: string, at?: string): Promise<void> {
  const config = `${target}.yml`;
  writeConfig(config, target, place);
  const args = ['restore', '-config', config, '-o', target, ...(at === undefined ? [] : ['-timestamp', at]), target];
  try {
    await promisify(execFile)(litestreamAt(), args, { timeout: LONGEST_MS });
  } catch (error) {
    const said = String((error as { stderr?: unknown }).stderr ?? '')
      .trim()
      .split('\n')
      .at(-1);
    throw new Error(`The replica at ${place.url} could not be put together. ${said || (error as Error).message}`);
  } finally {
    rmSync(config, { force: true });
  }
}

/**
 * Files by the SHA-256 of their bytes, in a folder beside the database: written whole and flushed under a name of their own, then named by
 * hash, then referenced. A kill at any moment leaves a stray at most, never a row without its bytes.
 */
import { createHash, randomUUID } from 'node:crypto';
import { createWriteStream, type ReadStream, createReadStream } from 'node:fs';
import { mkdir, open, rename, rm } from 'node:fs/promises';
import { join } from 'node:path';
import type { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { Db } from '../database';
import { ProblemError } from '../http/problem';

/** A phone's photo is a few MB. */
const MAX_BYTES = 20_000_000;

export interface KeptFile {
  size: number;
  type: string;
}

export class FileStore {
  private readonly db: Db;
  private readonly folder: string;

  constructor(db: Db, folder: string) {
    this.db = db;
    this.folder = folder;
  }

  find(hash: string): KeptFile | undefined {
    return this.db.prepare<[string], KeptFile>('select size, type from files where hash = ?').get(hash);
  }

  /** Keeps a body under its hash. One that is here already is no error; one that is not what its hash says is refused. */
  async keep(hash: string, type: string, body: Readable): Promise<void> {
    if (this.find(hash)) return;
    await mkdir(this.folder, { recursive: true });
    const draft = join(this.folder, `draft-${randomUUID()}`);
    try {
      const size = await this.write(draft, hash, body);
      await rename(draft, this.path(hash));
      await flush(this.folder);
      const at = new Date().toISOString();
      this.db
        .prepare('insert into files (hash, size, type, kept_at) values (?, ?, ?, ?) on conflict do nothing')
        .run(hash, size, type, at);
    } finally {
      await rm(draft, { force: true });
    }
  }

  read(hash: string): ReadStream {
    return createReadStream(this.path(hash));
  }

  private path(hash: string): string {
    return join(this.folder, hash);
  }

  private async write(path: string, hash: string, body: Readable): Promise<number> {
    const sum = createHash('sha256');
    let size = 0;
    await pipeline(
      body,
      async function* (chunks: AsyncIterable<Buffer>) {
        for await (const chunk of chunks) {
          size += chunk.length;
          if (size > MAX_BYTES) throw new ProblemError(413, 'A file is at most 20 MB.');
          sum.update(chunk);
          yield chunk;
        }
      },
      createWriteStream(path, { flush: true }),
    );
    if (sum.digest('hex') !== hash) throw new ProblemError(422, 'The file did not arrive whole; send it again.');
    return size;
  }
}

/** Makes a rename in a folder last. */
async function flush(folder: string): Promise<void> {
  const handle = await open(folder);
  try {
    await handle.sync();
  } finally {
    await handle.close();
  }
}

/**
 * Files by the SHA-256 of their bytes, in a folder beside the database: written whole and flushed under a name of their own, then named by
 * hash, then referenced. A kill at any moment leaves a stray at most. They come whole, or in pieces that go on where they broke off.
 */
import { createHash, randomUUID } from 'node:crypto';
import { createReadStream, createWriteStream, readdirSync, rmSync, statSync, type ReadStream } from 'node:fs';
import { mkdir, open, rename, rm } from 'node:fs/promises';
import { join } from 'node:path';
import type { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { Arrival } from '@katabasis/core';
import type { Db } from '../database';
import { chunksOf } from '../http/bytes';
import { ProblemError } from '../http/problem';
import { typeOf } from './typeOf';

/** A phone's photo is a few MB. */
const MAX_BYTES = 20_000_000;
/** All that one device may keep here. */
const MAX_BYTES_OF_DEVICE = 5_000_000_000;
/** How long a broken upload may be taken up again, ms. */
const PIECES_KEPT_MS = 3 * 24 * 3600 * 1000;

const tooLarge = (): ProblemError => new ProblemError(413, 'A file is at most 20 MB.');
const notWhole = (): ProblemError => new ProblemError(422, 'The file did not arrive whole; send it again.');

export interface KeptFile {
  size: number;
  type: string;
}

export class FileStore {
  private readonly db: Db;
  private readonly folder: string;
  /** Pieces being written, one after another for each file. */
  private readonly writing = new Map<string, Promise<unknown>>();

  constructor(db: Db, folder: string) {
    this.db = db;
    this.folder = folder;
  }

  /** Lets go of what broke off and is not taken up again. */
  clear(): void {
    for (const name of namesIn(this.folder)) {
      const path = join(this.folder, name);
      const isOld = name.startsWith('piece-') && Date.now() - statSync(path).mtimeMs > PIECES_KEPT_MS;
      if (isOld || /^draft-|\.draft$/.test(name)) rmSync(path, { force: true });
    }
  }

  /** A file that is kept: its bytes are here, all of them. */
  find(hash: string): KeptFile | undefined {
    const row = this.db.prepare<[string], KeptFile>('select size, type from files where hash = ?').get(hash);
    return row && sizeOf(this.path(hash)) === row.size ? row : undefined;
  }

  /** Those of these that are not here. */
  lacking(hashes: readonly string[]): string[] {
    return hashes.filter((hash) => !this.find(hash));
  }

  /** Keeps a body under its hash. One that is here already is no error; one that is not what its hash says is refused. */
  async keep(hash: string, body: Readable, by: string | null = null): Promise<void> {
    if (this.find(hash)) return;
    this.refuseMore(by, 0);
    await mkdir(this.folder, { recursive: true });
    const draft = join(this.folder, `draft-${randomUUID()}`);
    try {
      let size = 0;
      await pipeline(
        chunksOf(body),
        async function* (chunks: AsyncIterable<Buffer>) {
          for await (const chunk of chunks) {
            size += chunk.length;
            if (size > MAX_BYTES) throw tooLarge();
            yield chunk;
          }
        },
        createWriteStream(draft, { flush: true, mode: 0o600 }),
      );
      await this.take(draft, hash, by);
    } finally {
      await rm(draft, { force: true });
    }
  }

  /** How much of a file a device has sent. */
  arrival(hash: string, by: string | null): Arrival {
    const kept = this.find(hash);
    return kept ? { has: kept.size, done: true } : { has: sizeOf(this.piece(hash, by)) ?? 0, done: false };
  }

  /** Takes the piece of a file that begins at a byte; gives how far it has come. One that does not join on is left. */
  add(hash: string, piece: Buffer, { at, of, by }: { at: number; of: number; by: string | null }): Promise<Arrival> {
    const path = this.piece(hash, by);
    const before = this.writing.get(path) ?? Promise.resolve();
    const next = before.catch(() => undefined).then(() => this.write(hash, piece, { at, of, by }));
    this.writing.set(path, next);
    return next.finally(() => {
      if (this.writing.get(path) === next) this.writing.delete(path);
    });
  }

  private async write(
    hash: string,
    piece: Buffer,
    { at, of, by }: { at: number; of: number; by: string | null },
  ): Promise<Arrival> {
    const is = this.arrival(hash, by);
    if (is.done || at > is.has) return is;
    if (of > MAX_BYTES) throw tooLarge();
    if (at === 0) this.refuseMore(by, of);
    const path = this.piece(hash, by);
    const end = at + piece.length;
    if (end > of) throw notWhole();
    await mkdir(this.folder, { recursive: true });
    const handle = await open(path, is.has === 0 ? 'w' : 'r+', 0o600);
    try {
      await handle.write(piece, 0, piece.length, at);
      if (end === of) await handle.sync();
    } finally {
      await handle.close();
    }
    if (end < of) return { has: Math.max(is.has, end), done: false };
    try {
      await this.take(path, hash, by);
    } finally {
      // What was not what its hash says is begun anew.
      await rm(path, { force: true });
    }
    return { has: of, done: true };
  }

  read(hash: string): ReadStream {
    return createReadStream(this.path(hash));
  }

  /** A whole file, flushed: named by its hash where it is what that says, then referenced. */
  private async take(draft: string, hash: string, by: string | null): Promise<void> {
    const sum = createHash('sha256');
    for await (const chunk of createReadStream(draft)) sum.update(chunk as Buffer);
    if (sum.digest('hex') !== hash) throw notWhole();
    const type = await typeOf(draft);
    const size = sizeOf(draft)!;
    await rename(draft, this.path(hash));
    await flush(this.folder);
    this.db
      .prepare(
        `insert into files (hash, size, type, kept_at, kept_by) values (?, ?, ?, ?, ?)
         on conflict (hash) do update set size = excluded.size, type = excluded.type`,
      )
      .run(hash, size, type, new Date().toISOString(), by);
  }

  private refuseMore(by: string | null, size: number): void {
    if (by === null) return;
    const { sum } = this.db
      .prepare<[string], { sum: number }>('select ifnull(sum(size), 0) as sum from files where kept_by = ?')
      .get(by)!;
    if (sum + size > MAX_BYTES_OF_DEVICE)
      throw new ProblemError(413, 'This device has sent 5 GB of files, and the server takes no more from it.');
  }

  private path(hash: string): string {
    return join(this.folder, hash);
  }

  private piece(hash: string, by: string | null): string {
    return join(this.folder, `piece-${hash}-${by ?? 'here'}`);
  }
}

function namesIn(folder: string): string[] {
  try {
    return readdirSync(folder);
  } catch {
    // None yet.
    return [];
  }
}

function sizeOf(path: string): number | null {
  return statSync(path, { throwIfNoEntry: false })?.size ?? null;
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

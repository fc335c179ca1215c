/**
 * A replica that is a second behind at most: the database by the replicator, which follows its log, and each photo once. Where the
 * replicator ends it is begun again. Each night the replica is put together and looked at, so that it is known to be one.
 */
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { ServerState } from '@katabasis/core';
import { isSound } from '../backups/backups';
import { writeWhole } from '../files/writeWhole';
import { tellOperator } from '../http/problem';
import { after, every } from '../timers';
import { litestreamAt, putTogether, writeConfig, type ReplicaPlace } from './litestream';
import { hashesIn, ReplicaPhotos } from './photos';

const SECOND_MS = 1000;
const AGAIN_MS = 3_000;
const DAY_MS = 24 * 3600 * 1000;
/** Hours that every moment of can be put together. */
const KEPT_HOURS = 72;

type Drill = NonNullable<NonNullable<ServerState['replica']>['drill']>;

/** Photos of a place; none where it is no folder. */
export const photosOf = ({ files, key }: ReplicaPlace, here: string): ReplicaPhotos | null =>
  files === null ? null : new ReplicaPhotos(here, files, key);

export interface ReplicaParts {
  database: string;
  files: string;
  place: ReplicaPlace;
  /** Where it writes what it is told, and what the last drill came to. */
  folder: string;
}

/** The latest time at which anything below a folder was written, ms; 0 of an empty one. */
function latestBelow(folder: string): number {
  let latest = 0;
  try {
    for (const entry of readdirSync(folder, { withFileTypes: true, recursive: true }))
      if (entry.isFile()) latest = Math.max(latest, statSync(join(entry.parentPath, entry.name)).mtimeMs);
  } catch {
    // What was thinned out meanwhile is older than what is there.
  }
  return latest;
}

export class Replica {
  private child: ChildProcess | null = null;
  private ending = false;
  private readonly photos: ReplicaPhotos | null;

  constructor(private readonly parts: ReplicaParts) {
    this.photos = photosOf(parts.place, parts.files);
  }

  start(): void {
    const { database, place, folder } = this.parts;
    const config = join(folder, 'litestream.yml');
    writeConfig(config, database, place, {
      'sync-interval': '500ms',
      retention: `${KEPT_HOURS}h`,
      'snapshot-interval': '24h',
    });
    this.endFormer(config);
    this.spawn(config);
    every(SECOND_MS, () => void this.copyFiles());
    every(DAY_MS / 24, () => void this.drillWhereDue());
  }

  /** Ends a replicator that a server left behind which was killed: there is to be one alone. */
  private endFormer(config: string): void {
    try {
      const pid = Number(readFileSync(this.pidFile, 'utf8'));
      if (readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(config)) process.kill(pid, 'SIGKILL');
    } catch {
      // There is none.
    }
  }

  private get pidFile(): string {
    return join(this.parts.folder, 'litestream.pid');
  }

  private spawn(config: string): void {
    if (this.ending) return;
    const child = spawn(litestreamAt(), ['replicate', '-config', config], { stdio: ['ignore', 'ignore', 'inherit'] });
    this.child = child;
    if (child.pid !== undefined) writeFileSync(this.pidFile, String(child.pid));
    const again = (): void => {
      if (this.child === child) this.child = null;
      if (!this.ending) after(AGAIN_MS, () => this.spawn(config));
    };
    child.once('exit', again);
    child.once('error', (error) => tellOperator(error, 'The replicator'));
    child.unref();
  }

  private async copyFiles(): Promise<void> {
    try {
      await this.photos?.copy();
    } catch (error) {
      tellOperator(error, 'The replica of photos');
    }
  }

  /** Ends the replicator once it has written what is left. */
  async stop(): Promise<void> {
    this.ending = true;
    await this.copyFiles();
    const { child } = this;
    if (!child || child.exitCode !== null) return;
    const gone = new Promise<void>((done) => child.once('exit', () => done()));
    child.kill('SIGTERM');
    await gone;
  }

  private get drillFile(): string {
    return join(this.parts.folder, 'drill.json');
  }

  private lastDrill(): Drill | null {
    try {
      return JSON.parse(readFileSync(this.drillFile, 'utf8')) as Drill;
    } catch {
      return null;
    }
  }

  private async drillWhereDue(): Promise<void> {
    const last = this.lastDrill();
    if (last === null || Date.now() - Date.parse(last.at) >= DAY_MS) await this.drill();
  }

  /** Puts the replica together aside, and looks whether that is a whole database. */
  async drill(): Promise<Drill> {
    const aside = mkdtempSync(join(tmpdir(), 'katabasis-drill-'));
    const at = new Date().toISOString();
    let came: Drill;
    try {
      const target = join(aside, 'database.sqlite');
      await putTogether(this.parts.place, target);
      came = { at, why: isSound(target) ? null : 'What was put together is no whole database.' };
    } catch (error) {
      came = { at, why: (error as Error).message.slice(0, 300) };
    } finally {
      rmSync(aside, { recursive: true, force: true });
    }
    writeWhole(this.drillFile, JSON.stringify(came));
    return came;
  }

  /** How it stands: how far it is behind, ms, where that can be seen; photos that it lacks; and the last drill. */
  state(): NonNullable<ServerState['replica']> {
    const { place, database, files } = this.parts;
    const written = statSync(`${database}-wal`, { throwIfNoEntry: false })?.mtimeMs ?? 0;
    const replicated = place.url.startsWith('file:') ? latestBelow(fileURLToPath(place.url)) : null;
    return {
      running: this.child !== null && this.child.exitCode === null,
      behind: replicated === null ? null : written > replicated ? Math.round(Date.now() - written) : 0,
      photos: this.photos?.lacking() ?? hashesIn(files).length,
      sealed: place.key !== null,
      drill: this.lastDrill(),
    };
  }
}

/** Room beside a file for what is put together before it takes its place. */
export const besideIt = (target: string): string => mkdtempSync(join(dirname(target), 'replica-'));

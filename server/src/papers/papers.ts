/**
 * Papers and pages, one at a time in a thread of their own, within a time and a memory: what one asks for holds up nobody else's requests.
 * Who comes while others wait is told how many are before him, and beyond so many is asked to come again.
 */
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import type { Problem } from '@katabasis/core';
import { ProblemError } from '../http/problem';
import { ROOT } from '../paths';
import { after } from '../timers';
import type { Said, Task } from './make';

/** Longest that one may take, ms: a set of 1,250 runs takes 10 s on a slow machine. */
const LIMIT_MS = 60_000;
const MEMORY_MB = 768;
/** So many wait at most. */
const MOST_WAITING = 30;
const WORKER = join(ROOT, 'server', 'dist', 'papersWorker.mjs');

export interface Wanted {
  /** How far it has come. */
  onStep?: (done: number, of: number) => void;
  /** How many are made before it, each time that becomes fewer. */
  onAhead?: (ahead: number) => void;
  /** Called off when whoever asked has gone. */
  signal?: AbortSignal;
}

export interface Papers {
  /** What a task comes to; throws the problem where it comes to none. */
  make: (task: Task, wanted?: Wanted) => Promise<string>;
  close: () => void;
}

interface Asked {
  task: Task;
  wanted: Wanted;
  settle: (said: { made: string } | { problem: Problem }) => void;
}

const TOO_MUCH: Problem = { type: 'about:blank', title: 'This is too much to be made here.', status: 503 };

export class PaperThread implements Papers {
  private readonly waiting: Asked[] = [];
  private at: Asked | null = null;
  private worker: Worker | null = null;
  private callOff: (() => void) | null = null;

  /** `file`: the database; `files`: the folder of its photos. */
  constructor(
    private readonly file: string,
    private readonly files: string,
    private readonly limit = LIMIT_MS,
  ) {}

  async make(task: Task, wanted: Wanted = {}): Promise<string> {
    if (this.waiting.length >= MOST_WAITING)
      throw new ProblemError(
        503,
        `${MOST_WAITING} sheets and pages are to be made before this one. Ask again in a while.`,
      );
    return new Promise((resolve, reject) => {
      const asked: Asked = {
        task,
        wanted,
        settle: (said) =>
          'made' in said
            ? resolve(said.made)
            : reject(new ProblemError(said.problem.status, said.problem.title, said.problem)),
      };
      wanted.signal?.addEventListener('abort', () => this.leave(asked), { once: true });
      this.waiting.push(asked);
      if (this.at) wanted.onAhead?.(this.waiting.length);
      this.next();
    });
  }

  close(): void {
    this.waiting.length = 0;
    this.drop();
  }

  private next(): void {
    if (this.at || this.waiting.length === 0) return;
    this.at = this.waiting.shift()!;
    this.waiting.forEach(({ wanted }, k) => wanted.onAhead?.(k + 1));
    this.worker ??= this.start();
    this.worker.postMessage(this.at.task);
    this.callOff = after(this.limit, () => this.end({ problem: TOO_MUCH }, true));
  }

  private start(): Worker {
    const worker = new Worker(WORKER, {
      workerData: { file: this.file, files: this.files },
      resourceLimits: { maxOldGenerationSizeMb: MEMORY_MB },
    });
    worker.unref();
    worker.on('message', (said: Said) => {
      if (worker !== this.worker) return;
      if ('done' in said) this.at?.wanted.onStep?.(said.done, said.of);
      else this.end(said);
    });
    worker.on('error', (error) => {
      if (worker !== this.worker) return;
      console.error(`Papers: ${error.message}`);
      this.end({ problem: TOO_MUCH }, true);
    });
    return worker;
  }

  private end(said: { made: string } | { problem: Problem }, broken = false): void {
    const asked = this.at;
    this.at = null;
    this.callOff?.();
    if (broken) this.drop();
    asked?.settle(said);
    this.next();
  }

  /** Who asked has gone: what is being made for him is broken off. */
  private leave(asked: Asked): void {
    const k = this.waiting.indexOf(asked);
    if (k >= 0) this.waiting.splice(k, 1);
    else if (this.at === asked) this.end({ problem: TOO_MUCH }, true);
  }

  private drop(): void {
    this.callOff?.();
    const { worker } = this;
    this.worker = null;
    void worker?.terminate();
  }
}

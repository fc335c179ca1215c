/**
 * Verdicts for the list, one job at a time in a thread of their own and within a time. A job that takes longer, or brings the thread down,
 * is told as such and does not keep the others waiting.
 */
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import { ROOT } from '../paths';
import { after } from '../timers';
import type { Comes } from './outcome';

export interface Question {
  job: string;
}
/** The verdict on a job as of a sequence number, or why there is none. */
export type Answer = { job: string; seq: number } & Comes;

/** Longest that one job may take, ms, once the thread is up; and how long its start may take. */
const LIMIT_MS = 4_000;
const START_MS = 20_000;
const MEMORY_MB = 512;

/** The thread's own program, bundled as the server is. */
const WORKER = join(ROOT, 'server', 'dist', 'worker.mjs');

const TOO_MUCH = 'This job takes too long to work out here. Open it to see its plan.';

type Wanted = (answer: Answer | { job: string; trouble: string }) => void;

export class Planner {
  private readonly file: string;
  private readonly onAnswer: Wanted;
  private readonly limit: number;
  private readonly waiting = new Set<string>();
  private worker: Worker | null = null;
  private warm = false;
  private asked: string | null = null;
  private callOff: (() => void) | null = null;
  private closed = false;

  /** `file`: the database. `onAnswer` is told of every job asked for that is there. */
  constructor(file: string, onAnswer: Wanted, limit = LIMIT_MS) {
    this.file = file;
    this.onAnswer = onAnswer;
    this.limit = limit;
  }

  /** Asks for a job's verdict; asked for twice before its turn, it is worked out once. */
  want(job: string): void {
    this.waiting.add(job);
    this.next();
  }

  close(): void {
    this.closed = true;
    this.waiting.clear();
    this.drop();
  }

  private next(): void {
    if (this.closed || this.asked !== null) return;
    const [job] = this.waiting;
    if (job === undefined) return;
    this.waiting.delete(job);
    this.asked = job;
    this.worker ??= this.start();
    this.worker.postMessage({ job } satisfies Question);
    this.callOff = after(this.warm ? this.limit : START_MS + this.limit, () => this.giveUp());
  }

  private start(): Worker {
    const worker = new Worker(WORKER, {
      workerData: { file: this.file },
      resourceLimits: { maxOldGenerationSizeMb: MEMORY_MB },
    });
    worker.unref();
    worker.on('message', (answer: Answer | null) => {
      this.warm = true;
      this.done();
      if (answer) this.onAnswer(answer);
      this.next();
    });
    // Out of memory, or a fault of ours: told once, and the job that brought it is left aside. A thread that never got up says
    // nothing about a job.
    worker.on('error', (error: NodeJS.ErrnoException) => {
      if (worker !== this.worker) return;
      console.error(`Planning ${this.asked ?? ''} failed: ${error.message}`);
      if (this.warm || error.code === 'ERR_WORKER_OUT_OF_MEMORY') this.giveUp();
      else this.drop();
    });
    return worker;
  }

  private done(): void {
    this.callOff?.();
    this.callOff = null;
    this.asked = null;
  }

  private giveUp(): void {
    const job = this.asked;
    this.drop();
    if (job !== null) this.onAnswer({ job, trouble: TOO_MUCH });
    this.next();
  }

  private drop(): void {
    this.done();
    const { worker } = this;
    this.worker = null;
    this.warm = false;
    void worker?.terminate();
  }
}

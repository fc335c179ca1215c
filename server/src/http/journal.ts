/**
 * What failed, for whoever runs the server: lines of JSON on standard error, and the last of them at hand for the owner's page. No name, no
 * address and nothing of a job is in it: a door by its pattern, a status, a code, and where in the program it was. Each has a number that
 * the one it befell was told too.
 */
import pino, { type Logger } from 'pino';
import type { ServerState } from '@katabasis/core';
import { readAloud } from '../admission/readAloud';

const LENGTH = 6;
/** So many are at hand. */
const KEPT = 50;

export interface Failed {
  method: string;
  route: string;
  status: number;
  error: unknown;
}

/** Where in the program it was: a file and a line, never what it said. */
function placeOf(error: unknown): string | undefined {
  const { stack } = (error ?? {}) as { stack?: string };
  return /(?:[\w.-]+\/)?[\w.-]+:\d+:\d+(?=\)?$)/m.exec(stack ?? '')?.[0];
}

export class Journal {
  private readonly last: ServerState['problems'][number][] = [];

  constructor(private readonly log: Logger = lines()) {}

  /** Writes down what failed; gives its number. */
  failed({ method, route, status, error }: Failed): string {
    const number = readAloud(LENGTH);
    const { code, name } = (error ?? {}) as { code?: unknown; name?: string };
    const at = new Date().toISOString();
    this.log.error({ number, method, route, status, code, fault: name, place: placeOf(error) }, 'A request failed');
    this.last.unshift({ number, at, route: `${method} ${route}`, status });
    this.last.length = Math.min(this.last.length, KEPT);
    return number;
  }

  /** The last that failed, the latest first. */
  get problems(): ServerState['problems'] {
    return this.last;
  }
}

/** Lines as they are written: each at once, so that a kill loses none. `KATABASIS_LOG`: `silent`, `error`, `info`. */
function lines(): Logger {
  return pino(
    { base: undefined, level: process.env.KATABASIS_LOG ?? 'error', timestamp: pino.stdTimeFunctions.isoTime },
    pino.destination({ fd: 2, sync: true }),
  );
}

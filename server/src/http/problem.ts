/** Errors as `application/problem+json` (RFC 9457): what was wrong and where, never a stack. */
import type { Problem } from '@katabasis/core';
import type { Middleware } from 'koa';
import type { z } from 'zod';
import { Findings, issueSentence } from '@katabasis/core';

/** An error that the client is meant to read. */
export class ProblemError extends Error {
  readonly problem: Problem;

  constructor(
    status: number,
    title: string,
    more: Partial<Pick<Problem, 'type' | 'detail' | 'faults' | 'conflicts'>> = {},
  ) {
    super(title);
    this.problem = { type: 'about:blank', title, status, ...more };
  }
}

/** The parsed value, or a 422 that names every field. */
export function parseOr422<T>(schema: z.ZodType<T>, value: unknown): T {
  const parsed = schema.safeParse(value, { reportInput: true });
  if (parsed.success) return parsed.data;
  const faults = new Findings();
  for (const issue of parsed.error.issues)
    faults.add(() => ({ path: issue.path.join('.') || 'body', sentence: issueSentence(issue) }));
  throw new ProblemError(422, 'What was sent cannot be saved.', { faults: faults.all });
}

const TITLES: Record<number, string> = {
  400: 'The request could not be read.',
  404: 'There is nothing here.',
  405: 'That cannot be done here.',
  406: 'No answer can be given in that form.',
  413: 'That is too large to take in.',
  415: 'Only JSON is taken in here.',
};

/** What SQLite and the system say of the disk. What becomes of what was typed is said where it was. */
const DISK: readonly [RegExp, number, string][] = [
  [/^(SQLITE_FULL|ENOSPC|EDQUOT)/, 507, 'The server’s disk is full.'],
  [
    /^(SQLITE_READONLY|SQLITE_CANTOPEN|SQLITE_PERM|SQLITE_AUTH|EROFS|EACCES|EPERM)/,
    503,
    'The server may not write to its folder.',
  ],
  [/^(SQLITE_CORRUPT|SQLITE_NOTADB)/, 503, 'The server’s database is damaged.'],
  [/^SQLITE_IOERR/, 503, 'The server’s disk cannot be written to.'],
  [/^SQLITE_(BUSY|LOCKED)/, 503, 'The server is busy with its database.'],
];

/** A client that sent what no server could read: bytes that do not unpack, an address that is none. */
const ILL_SENT = /^(Z_|ERR_INVALID_URL|ERR_INVALID_CHAR|HPE_|ECONNRESET|ECONNABORTED)/;

const codeOf = (error: unknown): string => String((error as { code?: unknown } | null)?.code ?? '');

const MOST_LET_RUN = 64e6;

/** What writes down that something failed; gives the number by which it is asked about. */
type Write = (failed: { method: string; path: string; status: number; error: unknown }) => string;

/** Turns whatever is thrown below into a problem; what was not a client's doing is written down, and its number told. */
export const problems =
  (write: Write): Middleware =>
  async (ctx, next) => {
    try {
      await next();
      if (ctx.status === 404 && ctx.body === undefined && ctx.respond !== false)
        throw new ProblemError(404, TITLES[404]!);
      if (ctx.status === 405 || ctx.status === 501) throw new ProblemError(ctx.status, TITLES[405]!);
    } catch (error) {
      const problem = { ...problemOf(error) };
      if (problem.status >= 500) {
        const number = write({ method: ctx.method, path: ctx.path, status: problem.status, error });
        if (problem.status === 500) problem.title += ` Its number is ${number}.`;
      }
      ctx.status = problem.status;
      ctx.set('Cache-Control', 'no-store');
      // What comes behind a refused body is let run out, so that the connection goes on; what has no end is not waited for.
      if (!ctx.req.complete) {
        if (Number(ctx.get('content-length')) < MOST_LET_RUN) ctx.req.resume();
        else ctx.set('Connection', 'close');
      }
      ctx.body = JSON.stringify(problem);
      ctx.type = 'application/problem+json';
    }
  };

/** One line: what failed, and where a fault of ours was. */
export function tellOperator(error: unknown, what: string): void {
  const code = codeOf(error);
  const { message, stack } = error as Error;
  const known = DISK.some(([pattern]) => pattern.test(code));
  const place = known ? '' : ` at ${/(?:file:\/\/)?\/[^\s()]+:\d+:\d+/.exec(stack ?? '')?.[0] ?? 'a place not known'}`;
  console.error(`${what}: ${code ? `${code}, ` : ''}${message}${place}`);
}

const problem = (status: number, title: string): Problem => ({ type: 'about:blank', title, status });

/** What an error is to the client. */
export function problemOf(error: unknown): Problem {
  if (error instanceof ProblemError) return error.problem;
  const code = codeOf(error);
  const disk = DISK.find(([pattern]) => pattern.test(code));
  if (disk) return problem(disk[1], disk[2]);
  if (ILL_SENT.test(code)) return problem(400, TITLES[400]!);
  const { status } = error as { status?: unknown };
  if (typeof status === 'number' && status >= 400 && status < 500)
    return problem(status, TITLES[status] ?? 'The request could not be answered.');
  return problem(500, 'Something failed on the server. Nothing was saved by halves; it is tried again.');
}

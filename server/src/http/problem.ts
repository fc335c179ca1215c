/** Errors as `application/problem+json` (RFC 9457): what was wrong and where, never a stack. */
import type { Conflict, Fault, Problem } from '@katabasis/core';
import type { Middleware } from 'koa';
import type { z } from 'zod';
import { issueSentence } from '@katabasis/core';

/** An error that the client is meant to read. */
export class ProblemError extends Error {
  readonly problem: Problem;

  constructor(status: number, title: string, more: { detail?: string; faults?: Fault[]; conflicts?: Conflict[] } = {}) {
    super(title);
    this.problem = { type: 'about:blank', title, status, ...more };
  }
}

/** The parsed value, or a 422 that names every field. */
export function parseOr422<T>(schema: z.ZodType<T>, value: unknown): T {
  const parsed = schema.safeParse(value, { reportInput: true });
  if (parsed.success) return parsed.data;
  throw new ProblemError(422, 'What was sent cannot be saved.', {
    faults: parsed.error.issues.map((issue) => ({
      path: issue.path.join('.') || 'body',
      sentence: issueSentence(issue),
    })),
  });
}

const TITLES: Record<number, string> = {
  400: 'The request could not be read.',
  404: 'There is nothing here.',
  405: 'That cannot be done here.',
  413: 'That is too large to take in.',
  415: 'Only JSON is taken in here.',
};

/** Turns whatever is thrown below into a problem; keeps the reason of an unexpected one on the server. */
export const problems: Middleware = async (ctx, next) => {
  try {
    await next();
    if (ctx.status === 404 && ctx.body === undefined) throw new ProblemError(404, TITLES[404]!);
    if (ctx.status === 405 || ctx.status === 501) throw new ProblemError(ctx.status, TITLES[405]!);
  } catch (error) {
    const problem = problemOf(error);
    if (problem.status >= 500) console.error(error);
    ctx.status = problem.status;
    ctx.set('Cache-Control', 'no-store');
    ctx.body = JSON.stringify(problem);
    ctx.type = 'application/problem+json';
  }
};

function problemOf(error: unknown): Problem {
  if (error instanceof ProblemError) return error.problem;
  const status = (error as { status?: unknown }).status;
  const known = typeof status === 'number' && status >= 400 && status < 500;
  return known
    ? { type: 'about:blank', title: TITLES[status] ?? 'The request could not be answered.', status }
    : {
        type: 'about:blank',
        title: 'Something failed on the server. Nothing was saved by halves; try again.',
        status: 500,
      };
}

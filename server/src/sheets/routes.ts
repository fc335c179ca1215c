/** Papers and files of a job that is sent along: what is printed is what the screen shows, sent or not. */
import Router from '@koa/router';
import { PassThrough } from 'node:stream';
import { bytesOf } from '../http/bytes';
import { ProblemError } from '../http/problem';
import type { Papers } from '../papers/papers';

/** A job of 20,000 elements is about 5 MB. */
const MAX_BODY = 8_000_000;

/**
 * Answers with lines of JSON: `{ ahead }` while others are made before it, `{ done, of }` after each page's worth of work, and `{ bytes }`
 * in base64 at the end; or `{ problem }` where it broke off. What is wrong with what was sent is told by the status, where nothing else was
 * said before.
 */
export function sheetRoutes(papers: Papers): Router {
  const router = new Router({ prefix: '/api/sheets' });
  router.post('/:file', async (ctx) => {
    if (!ctx.is('json')) throw new ProblemError(415, 'Only JSON is taken in here.');
    // Read as it is: what it says is looked at where it is made.
    const body = (await bytesOf(ctx.req, MAX_BODY, 'That is too large to take in.')).toString('utf8');
    const gone = new AbortController();
    ctx.res.once('close', () => gone.abort());
    const lines = new PassThrough();
    const tell = (line: unknown): void => void lines.write(`${JSON.stringify(line)}\n`);
    await new Promise<void>((begin, refuse) => {
      const step = (line: unknown): void => {
        tell(line);
        begin();
      };
      const making = papers.make(
        { kind: 'sheet', body, file: ctx.params.file!, made: new Date().toISOString() },
        {
          onStep: (done, of) => step({ done, of }),
          onAhead: (ahead) => step({ ahead }),
          signal: gone.signal,
        },
      );
      making.then(
        (bytes) => {
          step({ bytes });
          lines.end();
        },
        (error: unknown) => {
          refuse(error as Error);
          // Too late for a status, where something was said already.
          const title = error instanceof ProblemError ? error.problem.title : 'This sheet could not be made.';
          lines.end(`${JSON.stringify({ problem: title })}\n`);
        },
      );
    });
    // Told as it comes, and not held back to be pressed.
    ctx.compress = false;
    ctx.type = 'application/x-ndjson';
    ctx.body = lines;
  });
  return router;
}

/** Papers and files of a job that is sent along: what is printed is what the screen shows, sent or not. */
import { FILE_FORMAT, FILE_VERSION, readFile, sheetBodySchema } from '@katabasis/core';
import Router from '@koa/router';
import { PassThrough } from 'node:stream';
import { parseOr422, ProblemError } from '../http/problem';
import { filesOf } from './files';

/**
 * Answers with lines of JSON: `{ done, of }` after each page's worth of work, and `{ bytes }` in base64 at the end; or `{ problem }` where
 * it broke off.
 */
export function sheetRoutes(): Router {
  const router = new Router({ prefix: '/api/sheets' });
  router.post('/:file', (ctx) => {
    const { job, elements, paper } = parseOr422(sheetBodySchema, ctx.request.body);
    const read = readFile({ format: FILE_FORMAT, version: FILE_VERSION, job, elements });
    if (!read.ok) throw new ProblemError(422, 'This job cannot be printed.', { faults: read.faults });
    const files = filesOf(read.job);
    const make = Object.hasOwn(files, ctx.params.file!) ? files[ctx.params.file!] : undefined;
    if (!make) throw new ProblemError(404, 'There is no such sheet of this job.');
    // Told as it comes, and not held back to be pressed.
    ctx.compress = false;
    ctx.type = 'application/x-ndjson';
    const lines = new PassThrough();
    ctx.body = lines;
    const tell = (line: unknown): void => void lines.write(`${JSON.stringify(line)}\n`);
    void (async () => {
      try {
        const bytes = await make({
          size: paper,
          made: new Date().toISOString(),
          onStep: (done, of) => tell({ done, of }),
        });
        tell({ bytes: bytes.toString('base64') });
      } catch (error) {
        console.error('A sheet could not be made:', error);
        tell({ problem: 'This sheet could not be made. The other sheets and files may.' });
      }
      lines.end();
    })();
  });
  return router;
}

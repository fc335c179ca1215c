import Router from '@koa/router';
import { ProblemError } from '../http/problem';
import type { FileStore } from './store';

const HASH = /^[0-9a-f]{64}$/;
/** Shown in the page as what they are; anything else is only ever saved. */
const SHOWN = /^image\/(jpeg|png|webp)$/;

/** Photos and files by hash: kept once, never changed, for ever fresh. */
export function fileRoutes(store: FileStore): Router {
  const router = new Router({ prefix: '/api/files' });
  router.param('hash', (hash, _ctx, next) => {
    if (!HASH.test(hash)) throw new ProblemError(404, 'There is no such file here.');
    return next();
  });

  router.put('/:hash', async (ctx) => {
    await store.keep(ctx.params.hash!, ctx.get('content-type') || 'application/octet-stream', ctx.req);
    ctx.status = 204;
  });

  router.get('/:hash', (ctx) => {
    const hash = ctx.params.hash!;
    const kept = store.find(hash);
    if (!kept) throw new ProblemError(404, 'There is no such file here.');
    ctx.set('Cache-Control', 'private, max-age=31536000, immutable');
    ctx.set('Content-Disposition', SHOWN.test(kept.type) ? 'inline' : 'attachment');
    ctx.type = kept.type;
    ctx.length = kept.size;
    ctx.body = store.read(hash);
  });
  return router;
}

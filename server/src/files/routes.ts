import { lackingBodySchema, pieceQuerySchema } from '@katabasis/core';
import Router from '@koa/router';
import { askerOf } from '../admission/asker';
import { bytesOf } from '../http/bytes';
import { Limit } from '../http/limits';
import { parseOr422, ProblemError } from '../http/problem';
import type { FileStore } from './store';

const HASH = /^[0-9a-f]{64}$/;
/** Shown in the page as what they are; anything else is only ever saved. */
const SHOWN = /^image\/(jpeg|png|webp)$/;
/** The most that one piece is, bytes. */
const PIECE = 1_000_000;
/** Kilobytes that a device may send in an hour. */
const SENT = { points: 1_000_000, seconds: 3600 };

/** Photos and files by hash: kept once, never changed, for ever fresh. */
export function fileRoutes(store: FileStore): Router {
  const router = new Router({ prefix: '/api/files' });
  const sending = new Limit(SENT, 'This device has sent very much in the last hour.');
  const spend = async (by: string | null, bytes: number): Promise<void> => {
    if (by !== null) await sending.take(by, Math.ceil(bytes / 1000));
  };
  router.param('hash', (hash, _ctx, next) => {
    if (!HASH.test(hash)) throw new ProblemError(404, 'There is no such file here.');
    return next();
  });

  router.post('/lacking', (ctx) => {
    ctx.body = { hashes: store.lacking(parseOr422(lackingBodySchema, ctx.request.body).hashes) };
  });

  router.put('/:hash', async (ctx) => {
    const by = askerOf(ctx).device?.id ?? null;
    await spend(by, Number(ctx.get('content-length')) || 0);
    await store.keep(ctx.params.hash!, ctx.req, by);
    ctx.status = 204;
  });

  router.get('/:hash/pieces', (ctx) => {
    ctx.body = store.arrival(ctx.params.hash!, askerOf(ctx).device?.id ?? null);
  });

  router.put('/:hash/pieces', async (ctx) => {
    const { at, of } = parseOr422(pieceQuerySchema, { ...ctx.query });
    const by = askerOf(ctx).device?.id ?? null;
    const piece = await bytesOf(ctx.req, PIECE, 'A piece of a file is at most 1 MB.');
    await spend(by, piece.length);
    ctx.body = await store.add(ctx.params.hash!, piece, { at, of, by });
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

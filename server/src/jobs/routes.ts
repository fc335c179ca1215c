import {
  besideQuerySchema,
  changeBodySchema,
  copyBodySchema,
  createBodySchema,
  FILE_FORMAT,
  FILE_VERSION,
  jobIdSchema,
  jobQuerySchema,
  readFile,
} from '@katabasis/core';
import Router from '@koa/router';
import { z } from 'zod';
import { askerOf } from '../admission/admission';
import type { Newsroom } from '../events/newsroom';
import { parseOr422, ProblemError } from '../http/problem';
import type { JobStore } from './store';
import type { Summaries } from './summaries';

const HISTORY_PAGE = 100;
const historyQuery = z.strictObject({ before: z.coerce.number().int().min(1).optional() });

export interface JobParts {
  store: JobStore;
  summaries: Summaries;
  news: Newsroom;
}

/** Jobs: list, new, read, change, history, copies, the bin. */
export function jobRoutes({ store, summaries, news }: JobParts): Router {
  const router = new Router({ prefix: '/api/jobs' });
  router.param('id', (id, _ctx, next) => {
    if (!jobIdSchema.safeParse(id).success) throw new ProblemError(404, 'There is no such job here.');
    return next();
  });

  router.get('/', (ctx) => {
    ctx.body = summaries.list(parseOr422(jobQuerySchema, { ...ctx.query }));
  });

  router.post('/', (ctx) => {
    const { id, elements } = parseOr422(createBodySchema, ctx.request.body);
    const read = readFile({ format: FILE_FORMAT, version: FILE_VERSION, job: id, elements });
    if (!read.ok) throw new ProblemError(422, 'This job cannot be saved.', { faults: read.faults });
    store.create(read.job);
    news.tell({ news: 'listed' });
    ctx.status = 201;
    ctx.body = store.read(id);
  });

  router.get('/rounds', (ctx) => {
    ctx.body = summaries.rounds();
  });

  router.get('/ledger', (ctx) => {
    ctx.body = summaries.ledger();
  });

  router.get('/jars', (ctx) => {
    ctx.body = summaries.jars();
  });

  router.get('/bin', (ctx) => {
    ctx.body = store.bin();
  });

  router.get('/:id', (ctx) => {
    ctx.body = store.read(ctx.params.id!);
  });

  router.get('/:id/beside', (ctx) => {
    const { epoch } = parseOr422(besideQuerySchema, { ...ctx.query });
    ctx.body = store.beside(ctx.params.id!, epoch);
  });

  router.get('/:id/raw', (ctx) => {
    ctx.body = store.raw(ctx.params.id!);
    ctx.set('Content-Disposition', `attachment; filename="${ctx.params.id!}.rows.json"`);
  });

  router.post('/:id/changes', (ctx) => {
    const id = ctx.params.id!;
    const body = parseOr422(changeBodySchema, ctx.request.body);
    const reply = store.change(id, body, askerOf(ctx).name);
    news.tell({ news: 'changed', job: id, seq: reply.seq, change: body.change });
    ctx.body = reply;
  });

  router.get('/:id/history', (ctx) => {
    const { before = Number.MAX_SAFE_INTEGER } = parseOr422(historyQuery, { ...ctx.query });
    ctx.body = store.history(ctx.params.id!, before, HISTORY_PAGE);
  });

  router.post('/:id/copies', (ctx) => {
    const body = parseOr422(copyBodySchema, ctx.request.body);
    store.copy(ctx.params.id!, body);
    news.tell({ news: 'listed' });
    ctx.status = 201;
    ctx.body = store.read(body.id);
  });

  router.delete('/:id', (ctx) => {
    store.remove(ctx.params.id!);
    news.tell({ news: 'listed' });
    ctx.status = 204;
  });

  router.post('/:id/restore', (ctx) => {
    store.restore(ctx.params.id!);
    news.tell({ news: 'listed' });
    ctx.status = 204;
  });
  return router;
}

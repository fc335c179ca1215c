import { changeBodySchema, createBodySchema, FILE_FORMAT, FILE_VERSION, jobIdSchema, readFile } from '@katabasis/core';
import Router from '@koa/router';
import { parseOr422, ProblemError } from '../http/problem';
import type { JobStore } from './store';
import { Summaries } from './summaries';

/** Jobs: list, new, read, change, delete and bring back. */
export function jobRoutes(store: JobStore): Router {
  const router = new Router({ prefix: '/api/jobs' });
  const summaries = new Summaries(store);
  router.param('id', (id, _ctx, next) => {
    if (!jobIdSchema.safeParse(id).success) throw new ProblemError(404, 'There is no such job here.');
    return next();
  });

  router.get('/', (ctx) => {
    ctx.body = { jobs: summaries.list() };
  });

  router.post('/', (ctx) => {
    const { id, elements } = parseOr422(createBodySchema, ctx.request.body);
    const read = readFile({ format: FILE_FORMAT, version: FILE_VERSION, job: id, elements });
    if (!read.ok) throw new ProblemError(422, 'This job cannot be saved.', { faults: read.faults });
    store.create(read.job);
    ctx.status = 201;
    ctx.body = store.read(id);
  });

  router.get('/:id', (ctx) => {
    ctx.body = store.read(ctx.params.id!);
  });

  router.post('/:id/changes', (ctx) => {
    ctx.body = store.change(ctx.params.id!, parseOr422(changeBodySchema, ctx.request.body));
  });

  router.delete('/:id', (ctx) => {
    store.remove(ctx.params.id!);
    ctx.status = 204;
  });

  router.post('/:id/restore', (ctx) => {
    store.restore(ctx.params.id!);
    ctx.status = 204;
  });
  return router;
}

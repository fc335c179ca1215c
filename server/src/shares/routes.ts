import { shareBodySchema } from '@katabasis/core';
import Router from '@koa/router';
import { parseOr422, ProblemError } from '../http/problem';
import type { JobStore } from '../jobs/store';
import { page, sharedPage } from './page';
import type { ShareStore } from './store';

/** Links to a job's shared pages: made, listed, withdrawn. */
export function shareRoutes(shares: ShareStore, jobs: JobStore): Router {
  const router = new Router({ prefix: '/api/jobs/:id/shares' });
  router.get('/', (ctx) => {
    ctx.body = { shares: shares.of(ctx.params.id!) };
  });
  router.post('/', (ctx) => {
    const { audience } = parseOr422(shareBodySchema, ctx.request.body);
    // Refused where there is no such job.
    const { id } = jobs.job(ctx.params.id!);
    ctx.status = 201;
    ctx.body = { link: `/s/${shares.make(id, audience)}` };
  });
  router.delete('/:share', (ctx) => {
    shares.withdraw(ctx.params.id!, ctx.params.share!);
    ctx.status = 204;
  });
  return router;
}

/** The pages themselves, for whoever holds a link. One that nobody made and one that was withdrawn are told in words. */
export function sharedPages(shares: ShareStore, jobs: JobStore): Router {
  const router = new Router();
  router.get('/s/:token', (ctx) => {
    ctx.set('Cache-Control', 'no-store');
    ctx.set('X-Robots-Tag', 'noindex');
    ctx.type = 'html';
    const found = shares.find(ctx.params.token!);
    if (!found || found.withdrawn) {
      ctx.status = found ? 410 : 404;
      const said = found
        ? 'This page was withdrawn. Ask whoever sent you the link for a new one.'
        : 'There is no such page.';
      ctx.body = page('Katabasis', `<h1>${said}</h1>`);
      return;
    }
    try {
      ctx.body = sharedPage(jobs.job(found.job), found.audience);
    } catch (error) {
      if (!(error instanceof ProblemError)) throw error;
      ctx.status = error.problem.status;
      ctx.body = page('Katabasis', '<h1>This job cannot be read here now. Ask whoever sent you the link.</h1>');
    }
  });
  return router;
}

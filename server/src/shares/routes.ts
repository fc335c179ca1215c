import { shareBodySchema } from '@katabasis/core';
import Router from '@koa/router';
import type { Context, Middleware } from 'koa';
import { photosAlong } from '@katabasis/core/as-built';
import { fromOf } from '../http/cameFrom';
import { askerAt, Limit } from '../http/limits';
import { parseOr422, ProblemError } from '../http/problem';
import type { JobStore } from '../jobs/store';
import type { Pages } from '../papers/pages';
import { page } from './page';
import { panelOf } from '../accepted/panel';
import type { AcceptedStore } from '../accepted/store';
import type { FileStore } from '../files/store';
import type { Found, ShareStore } from './store';

/** Links to a job's shared pages: made, listed, withdrawn. */
export function shareRoutes(shares: ShareStore, jobs: JobStore): Router {
  const router = new Router({ prefix: '/api/jobs/:id/shares' });
  router.get('/', (ctx) => {
    ctx.body = { shares: shares.of(ctx.params.id!) };
  });
  router.post('/', (ctx) => {
    const { audience, days = null } = parseOr422(shareBodySchema, ctx.request.body);
    // Refused where there is no such job.
    const { id } = jobs.job(ctx.params.id!);
    ctx.status = 201;
    ctx.body = { link: `/s/${shares.make(id, audience, days)}` };
  });
  router.delete('/:share', (ctx) => {
    shares.withdraw(ctx.params.id!, ctx.params.share!);
    ctx.status = 204;
  });
  return router;
}

/** Openings let pass from one address, and links that nobody made, in a time. */
const OPENED = { points: 120, seconds: 60 };
/** One page shows some dozens of them. */
const PICTURES = { points: 1200, seconds: 60 };
const GUESSED = { points: 20, seconds: 600 };

const UNREADABLE = 'This job cannot be read here now. Ask whoever sent you the link.';

/** Pages for people: what is wrong is told on one. */
const inWords: Middleware = async (ctx, next) => {
  ctx.set('Cache-Control', 'no-store');
  ctx.set('X-Robots-Tag', 'noindex');
  ctx.type = 'html';
  try {
    await next();
  } catch (error) {
    if (!(error instanceof ProblemError)) throw error;
    ctx.status = error.problem.status;
    ctx.body = page('Katabasis', `<h1>${error.problem.title}</h1>`);
  }
};

/** The customer's page, with what was accepted and asked on it: that changes where the job does not. */
async function offerPage(
  job: string,
  seq: number,
  { pages, accepted }: Pick<Shared, 'pages' | 'accepted'>,
): Promise<string> {
  const [shown, offer] = await Promise.all([pages.of(job, 'customer', seq), pages.offer(job, seq)]);
  const panel = panelOf(offer, { accepted: accepted.of(job, offer.sha256), comments: accepted.comments(job) });
  // By a function: what a customer wrote is no pattern of a replacement.
  return shown.replace('</main>', () => `${panel}</main>`);
}

/** A photo of what was laid, for who looks after it: one that the page shows, and no other file. */
function givePhoto(ctx: Context, { job, audience }: Found, { jobs, files }: Pick<Shared, 'jobs' | 'files'>): void {
  const shown = audience === 'keeper' ? photosAlong(jobs.job(job)) : [];
  const photo = shown.find(({ photo: { file } }) => file === ctx.query.photo);
  const kept = photo && files.find(photo.photo.file);
  if (!kept?.type.startsWith('image/')) throw new ProblemError(404, 'There is no such photo here.');
  ctx.type = kept.type;
  ctx.length = kept.size;
  ctx.body = files.read(photo!.photo.file);
}

/** The pages themselves, for whoever holds a link. One that nobody made and one that was withdrawn are told in words. */
interface Shared {
  shares: ShareStore;
  jobs: JobStore;
  pages: Pages;
  files: FileStore;
  accepted: AcceptedStore;
}

export function sharedPages({ shares, jobs, pages, files, accepted }: Shared): Router {
  const router = new Router();
  const opening = new Limit(OPENED, 'Pages were asked for very often from where you are.');
  const picturing = new Limit(PICTURES, 'Photos were asked for very often from where you are.');
  const guessing = new Limit(GUESSED, 'Too many links were asked for that nobody made.');
  router.use('/s/:token', inWords);
  router.get('/s/:token', async (ctx) => {
    const asker = askerAt(fromOf(ctx).address);
    await guessing.check(asker);
    const picture = ctx.query.photo;
    await (picture === undefined ? opening : picturing).take(asker);
    const found = shares.find(ctx.params.token!);
    if (!found) await guessing.take(asker);
    if (!found || found.ended) {
      ctx.status = found ? 410 : 404;
      ctx.body = page('Katabasis', `<h1>${found?.ended ?? 'There is no such page.'}</h1>`);
      return;
    }
    if (picture !== undefined) return givePhoto(ctx, found, { jobs, files });
    // The page of who looks after it leads to its dates, and knows nothing of the link that it is read by.
    const dates = 'dates' in ctx.query && found.audience === 'keeper';
    try {
      const seq = jobs.seqOf(found.job);
      if (dates) {
        ctx.body = await pages.dates(found.job, seq, new Date().toISOString());
        ctx.type = 'text/calendar';
        ctx.set('Content-Disposition', 'attachment; filename="drainage.ics"');
      } else if (found.audience === 'customer') ctx.body = await offerPage(found.job, seq, { pages, accepted });
      else ctx.body = await pages.of(found.job, found.audience, seq);
    } catch (error) {
      if (!(error instanceof ProblemError)) throw error;
      const isBusy = error.problem.status === 503;
      throw new ProblemError(error.problem.status, isBusy ? error.problem.title : UNREADABLE);
    }
  });
  return router;
}

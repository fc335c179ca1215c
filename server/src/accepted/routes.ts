/** Accepting and asking: on the customer's page by whoever holds its link, and what the office sees of it. */
import { acceptBodySchema, answerBodySchema, commentBodySchema } from '@katabasis/core';
import Router from '@koa/router';
import type { Context, Middleware } from 'koa';
import { askerOf } from '../admission/asker';
import type { Newsroom } from '../events/newsroom';
import { bytesOf } from '../http/bytes';
import { fromOf } from '../http/cameFrom';
import { askerAt, Limit } from '../http/limits';
import { numberIn } from '../http/numberIn';
import { parseOr422, ProblemError } from '../http/problem';
import type { JobStore } from '../jobs/store';
import type { Pages } from '../papers/pages';
import type { Trail } from '../people/audit';
import type { ToldStore } from '../together/told';
import type { Found, ShareStore } from '../shares/store';
import { SIGNING } from './signing';
import type { AcceptedStore } from './store';

/** A signature is some 50 kB at most. */
const MAX_BODY = 200_000;
/** Sent from one address in a time. */
const SENT = { points: 30, seconds: 600 };

export interface AcceptedParts {
  accepted: AcceptedStore;
  shares: ShareStore;
  jobs: JobStore;
  pages: Pages;
  trail: Trail;
  news: Newsroom;
  told: ToldStore;
}

async function bodyOf(ctx: Context): Promise<unknown> {
  if (!ctx.is('json')) throw new ProblemError(415, 'Only JSON is taken in here.');
  try {
    return JSON.parse((await bytesOf(ctx.req, MAX_BODY, 'That is too large to take in.')).toString('utf8'));
  } catch (error) {
    throw error instanceof ProblemError ? error : new ProblemError(400, 'The request could not be read.');
  }
}

/** A customer's own link that holds still; what is wrong with it is said. */
function linkOf(ctx: Context, shares: ShareStore): Found {
  const found = shares.find(ctx.params.token!);
  if (found?.audience !== 'customer') throw new ProblemError(404, 'There is no such page.');
  if (found.ended) throw new ProblemError(410, found.ended);
  return found;
}

/** What the browser of whoever holds a link sends. */
export function acceptingRoutes({ accepted, shares, jobs, pages, trail, news, told }: AcceptedParts): Router {
  const router = new Router();
  const sending = new Limit(SENT, 'Much was sent from where you are.');
  const limited: Middleware = async (ctx, next) => {
    await sending.take(askerAt(fromOf(ctx).address));
    await next();
  };

  router.get('/s/signing.js', (ctx) => {
    ctx.type = 'text/javascript';
    ctx.set('Cache-Control', 'no-cache');
    ctx.body = SIGNING;
  });

  router.post('/s/:token/accept', limited, async (ctx) => {
    const { job, share } = linkOf(ctx, shares);
    const body = parseOr422(acceptBodySchema, await bodyOf(ctx));
    const offer = await pages.offer(job, jobs.seqOf(job));
    if (offer.sha256 !== body.sha256)
      throw new ProblemError(409, 'The offer was changed meanwhile. Load the page again and read what it is now.');
    if (!offer.holds)
      throw new ProblemError(409, 'The plan behind this offer is still being put right. Ask whoever sent it to you.');
    const option = offer.options.find(({ said }) => said === body.chosen);
    if (offer.options.length > 0 ? !option : body.chosen !== null)
      throw new ProblemError(422, 'Say which of what can be chosen from is wanted.');
    const { address } = fromOf(ctx);
    const price = option?.amount ?? offer.price;
    if (accepted.accept({ ...body, job, share, price, offered: offer.offered, address }))
      told.add({ job, for: { needs: 'share' }, what: `${body.name} accepted the offer, ${price}.`, by: null });
    trail.add({ who: body.name, address, what: `accepted the offer of the job ${job}` });
    news.tell({ news: 'listed' });
    ctx.status = 204;
  });

  router.post('/s/:token/comments', limited, async (ctx) => {
    const { job, share } = linkOf(ctx, shares);
    jobs.seqOf(job);
    const body = parseOr422(commentBodySchema, await bodyOf(ctx));
    accepted.comment(job, share, body);
    told.add({ job, for: { needs: 'share' }, what: `${body.name} asks, as a customer: “${body.said}”`, by: null });
    news.tell({ news: 'listed' });
    ctx.status = 204;
  });
  return router;
}

/** What the office sees, and answers. */
export function acceptedRoutes({ accepted, jobs, pages, trail }: AcceptedParts): Router {
  const router = new Router({ prefix: '/api/jobs/:id/accepted' });
  router.get('/', async (ctx) => {
    const job = ctx.params.id!;
    const { sha256 } = await pages.offer(job, jobs.seqOf(job));
    ctx.body = { accepted: accepted.of(job, sha256), comments: accepted.comments(job) };
  });
  router.put('/comments/:number', (ctx) => {
    const { answer } = parseOr422(answerBodySchema, ctx.request.body);
    accepted.answer(ctx.params.id!, numberIn(ctx.params.number!), answer, askerOf(ctx).name);
    trail.by(ctx, `answered a customer of the job ${ctx.params.id!}`);
    ctx.status = 204;
  });
  return router;
}

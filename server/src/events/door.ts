/** The door at which pages listen: what each hears of are jobs that its device may know of. */
import type { Middleware } from 'koa';
import { askerOf } from '../admission/asker';
import { rightsAt } from '../admission/rules';
import { ProblemError } from '../http/problem';
import type { Newsroom } from './newsroom';

/** More than a phone or a computer has pages that listen; of the pages of one browser one does. */
const STREAMS_PER_DEVICE = 12;

export const events =
  (news: Newsroom): Middleware =>
  async (ctx, next) => {
    if (ctx.path !== '/api/events' || ctx.method !== 'GET') return next();
    const asker = askerOf(ctx);
    const device = asker.device?.id ?? null;
    if (device !== null && news.countOf(device) >= STREAMS_PER_DEVICE)
      throw new ProblemError(429, `This device listens on ${STREAMS_PER_DEVICE} pages already. Close some of them.`);
    ctx.respond = false;
    // Koa holds that nothing was found until somebody says otherwise.
    ctx.res.statusCode = 200;
    await news.listen(ctx.req, ctx.res, { device, sees: (job) => rightsAt(asker, job) !== null });
  };

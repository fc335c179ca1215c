/** The built web application: hashed files for ever, the page itself never stale, any other path to the page. */
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Middleware } from 'koa';
import serve from 'koa-static';

const HASHED = /\/_expo\/static\/|\/assets\/.*\.[0-9a-f]{32}\./;

/**
 * The page with the outline of what is coming, which stands there before the application does. The page as it is built is that of the
 * list; any other does not ask for the list ahead, but for the rest of the scripts.
 */
function outlined(page: string, path: string): string {
  if (path === '/') return page;
  return page
    .replace('data-at="list"', `data-at="${path.startsWith('/job/') ? 'job' : 'other'}"`)
    .replace(/<link rel="preload" as="fetch"[^>]*>/, '')
    .replace('rel="alternate" as="script"', 'rel="preload" as="script"');
}

export function statics(folder: string): Middleware {
  const files = serve(folder, {
    index: false,
    setHeaders: (res, path) => {
      res.setHeader('Cache-Control', HASHED.test(path) ? 'public, max-age=31536000, immutable' : 'no-cache');
    },
  });
  const page = join(folder, 'index.html');
  const fallback: Middleware = async (ctx, next) => {
    await next();
    const wantsPage =
      ctx.status === 404 &&
      !ctx.path.startsWith('/api/') &&
      (ctx.method === 'GET' || ctx.method === 'HEAD') &&
      !/\.[a-z0-9]+$/i.test(ctx.path);
    if (!wantsPage || !existsSync(page)) return;
    ctx.set('Cache-Control', 'no-cache');
    ctx.type = 'html';
    ctx.body = outlined(readFileSync(page, 'utf8'), ctx.path);
  };
  return (ctx, next) => fallback(ctx, () => files(ctx, next));
}

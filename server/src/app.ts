/** The application: guards, then the API, then the built pages. */
import { bodyParser } from '@koa/bodyparser';
import Koa, { type Middleware } from 'koa';
import compress from 'koa-compress';
import helmet from 'koa-helmet';
import type { Db } from './database';
import { guard } from './http/guard';
import { FileStore } from './files/store';
import { fileRoutes } from './files/routes';
import { problems } from './http/problem';
import { statics } from './http/statics';
import { JobStore } from './jobs/store';
import { jobRoutes } from './jobs/routes';
import { rainRoutes } from './rain/routes';

export interface AppOptions {
  db: Db;
  /** Host names answered to. */
  hosts: ReadonlySet<string>;
  /** Folder of photos and files. */
  files: string;
  /** Folder of the built web application; none for the API alone. */
  web?: string;
}

/** Bodies larger than this are refused before they are read: a job of 20,000 elements is about 5 MB. */
const MAX_BODY = '8mb';

const POLICY = helmet({
  contentSecurityPolicy: {
    useDefaults: false,
    directives: {
      defaultSrc: ["'none'"],
      scriptSrc: ["'self'"],
      workerSrc: ["'self'", 'blob:'],
      styleSrc: ["'self'", "'unsafe-inline'"],
      fontSrc: ["'self'", 'data:'],
      imgSrc: ["'self'", 'data:', 'blob:'],
      connectSrc: ["'self'"],
      manifestSrc: ["'self'"],
      baseUri: ["'none'"],
      formAction: ["'none'"],
      frameAncestors: ["'none'"],
    },
  },
  // Served over plain HTTP on the contractor's own machine.
  hsts: false,
});

const apiOnly =
  (middleware: Middleware): Middleware =>
  (ctx, next) =>
    ctx.path.startsWith('/api/') ? middleware(ctx, next) : next();

const noStore: Middleware = async (ctx, next) => {
  ctx.set('Cache-Control', 'no-store');
  await next();
};

export function createApp({ db, hosts, files, web }: AppOptions): Koa {
  const app = new Koa();
  app.use(POLICY);
  app.use(problems);
  app.use(guard(hosts));
  app.use(compress({ threshold: 1024 }));
  app.use(apiOnly(noStore));
  app.use(apiOnly(bodyParser({ enableTypes: ['json'], jsonLimit: MAX_BODY, encoding: 'utf-8' })));
  const jobs = jobRoutes(new JobStore(db));
  const rain = rainRoutes();
  const kept = fileRoutes(new FileStore(db, files));
  app.use(async (ctx, next) => {
    if (ctx.path !== '/api/health') return next();
    ctx.body = { ok: true };
  });
  app.use(jobs.routes()).use(jobs.allowedMethods());
  app.use(rain.routes()).use(rain.allowedMethods());
  app.use(kept.routes()).use(kept.allowedMethods());
  if (web) app.use(statics(web));
  return app;
}

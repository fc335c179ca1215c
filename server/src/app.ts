/** The application: guards, then the API, then the built pages. */
import type Router from '@koa/router';
import { bodyParser } from '@koa/bodyparser';
import Koa, { type Context, type Middleware } from 'koa';
import compress from 'koa-compress';
import type { Db } from './database';
import { BlockList } from 'node:net';
import { dirname } from 'node:path';
import { acceptedRoutes, acceptingRoutes } from './accepted/routes';
import { admission } from './admission/admission';
import type { Backups } from './backups/backups';
import type { NearDoor } from './admission/nearDoor';
import { byRule } from './admission/rules';
import { hereRoutes } from './admission/routes';
import type { Withdrawals } from './admission/withdrawals';
import { Pairing } from './devices/pairing';
import { deviceRoutes } from './devices/routes';
import { events } from './events/door';
import { Newsroom } from './events/newsroom';
import { picturesIn } from './files/pictures';
import { FileStore } from './files/store';
import { fileRoutes } from './files/routes';
import { Health } from './http/health';
import { Journal } from './http/journal';
import { doorOf, Measures } from './http/measures';
import { cameFrom } from './http/cameFrom';
import { guard } from './http/guard';
import { problems } from './http/problem';
import { trust } from './http/trust';
import type { Replica } from './replica/replica';
import { policyOf } from './http/policy';
import { databaseSize, stateRoutes } from './http/stateRoutes';
import { statics } from './http/statics';
import { JobStore } from './jobs/store';
import { jobRoutes } from './jobs/routes';
import { Summaries, type Outcome } from './jobs/summaries';
import { engineName } from './planning/engine';
import { comesTo } from './planning/outcome';
import { Pages } from './papers/pages';
import { PaperThread } from './papers/papers';
import { papersHere } from './papers/papersHere';
import { peopleDoors } from './people/doors';
import { storesIn } from './stores';
import { Planner } from './planning/planner';
import { rainRoutes } from './rain/routes';
import { bookRoutes } from './books/routes';
import { companyIn, companyRoutes } from './company/routes';
import { yearRoutes } from './company/years';
import { officeRoutes } from './offices/routes';
import { sharedPages, shareRoutes } from './shares/routes';
import { sheetRoutes } from './sheets/routes';
import { togetherDoors } from './together/routes';
import { LocateOffice } from './stand-ins/locateOffice';

export interface AppOptions {
  db: Db;
  pairing?: Pairing;
  /** Where other devices reach this server; none when only this machine does. */
  addresses?: () => string[];
  /** Whether a request comes from the server's own machine. */
  isLocal: (ctx: Context) => boolean;
  /** How a browser on that machine gets its key. */
  near?: { door: NearDoor; key: string };
  /** Who was shut out, whatever database is put back. */
  withdrawals?: Withdrawals;
  /** Host names answered to; those of them that were configured; and proxies that are believed. */
  hosts: ReadonlySet<string>;
  named?: ReadonlySet<string>;
  proxies?: BlockList;
  /** Folder of photos and files. */
  files: string;
  /** Certificate of the authority that this network's https is of, where there is one. */
  root?: string | undefined;
  /** Daily backups, and a file that is kept as a second copy, where there are any. */
  backups?: Backups;
  copy?: string | undefined;
  replica?: Replica | null;
  /** Folder of the built web application; none for the API alone. */
  web?: string;
}

/** Bodies larger than this are refused before they are read: a job of 20,000 elements is about 5 MB. */
const MAX_BODY = '8mb';

/** Paths are ours in any case of letters: what is asked of the API is never answered with the page. */
const isApi = (path: string): boolean => path.toLowerCase().startsWith('/api/');

const apiOnly =
  (middleware: Middleware): Middleware =>
  (ctx, next) =>
    isApi(ctx.path) ? middleware(ctx, next) : next();

const noStore: Middleware = async (ctx, next) => {
  ctx.set('Cache-Control', 'no-store');
  await next();
};

/** Says on each answer which life of the database it is of. */
const inEpoch =
  (epoch: string): Middleware =>
  async (ctx, next) => {
    ctx.set('Katabasis-Epoch', epoch);
    await next();
  };

/** Who takes no encoding that there is, not even none, is answered plainly. */
const plainToTheOdd: Middleware = (ctx, next) => {
  if (!ctx.acceptsEncodings('zstd', 'br', 'gzip', 'deflate', 'identity')) ctx.compress = false;
  return next();
};

/** Reads bodies. What cannot be unpacked or read was ill sent, whatever the unpacker calls it. */
function bodies(): Middleware {
  const parse = bodyParser({ enableTypes: ['json'], jsonLimit: MAX_BODY, encoding: 'utf-8' });
  return async (ctx, next) => {
    // Looked at beside the requests; and files are no JSON.
    if (/^\/api\/(sheets|files\/[0-9a-f])/i.test(ctx.path)) return next();
    let handedOn = false;
    try {
      await parse(ctx, () => {
        handedOn = true;
        return next();
      });
    } catch (error) {
      if (handedOn || (error as { status?: unknown }).status !== undefined) throw error;
      ctx.throw(400);
    }
  };
}

/** Has verdicts worked out beside the requests; those of a database in memory, which no other thread can read, between them. */
function plannerOf(db: Db, store: JobStore, settle: (outcome: Outcome) => void): Pick<Planner, 'want' | 'close'> {
  if (!db.memory) return new Planner(db.name, settle);
  const here = (job: string): void => {
    if (!db.open) return;
    const { seq, rows } = store.raw(job);
    settle({ job, seq, ...comesTo(job, rows) });
  };
  return { want: (job) => void setImmediate(here, job), close: () => undefined };
}

export interface Application {
  app: Koa;
  /** Every door of the API, as the routers have it: method and path. */
  routes: readonly string[];
  store: JobStore;
  measures: Measures;
  /** Does once what a first request would wait for. */
  warmUp: () => void;
  /** Ends the streams of news. */
  hush: () => void;
  /** Ends what goes on beside the requests. */
  close: () => void;
}

/** What a monitor is told of besides the doors. */
function measuresOf(db: Db, news: Newsroom, health: Health): Measures {
  return new Measures({
    database_bytes: { help: 'Bytes of the database', read: () => databaseSize(db) },
    listening: { help: 'Pages that listen for news', read: () => news.listening },
    ready: { help: 'Whether a change could be saved now', read: () => (health.why() === null ? 1 : 0) },
  });
}

/** Method and path of every door of the API. */
const doorsOf = (routers: readonly Router[]): string[] =>
  routers.flatMap(({ stack }) =>
    stack.flatMap(({ methods, path }) =>
      methods
        .filter((method) => method !== 'HEAD' && String(path).startsWith('/api'))
        .map((method) => `${method} ${String(path)}`),
    ),
  );

export function createApp(options: AppOptions): Application {
  const { db, hosts, files, web, pairing = new Pairing(), addresses = () => [], near } = options;
  const { named, proxies = new BlockList(), withdrawals, backups = null, copy, replica = null } = options;
  const store = new JobStore(db);
  const news = new Newsroom();
  const planner = plannerOf(db, store, (outcome) => {
    if (!db.open) return;
    summaries.settle(outcome);
    news.tell({ news: 'listed' });
  });
  const papers = db.memory
    ? papersHere({ rowsOf: (job) => store.raw(job).rows, company: () => companyIn(db), pictureOf: picturesIn(files) })
    : new PaperThread(db.name, files);
  const summaries = new Summaries(db, engineName(), (job) => planner.want(job));
  const stores = storesIn(db, withdrawals);
  const { devices, people, trail, shares } = stores;
  const journal = new Journal();
  const health = new Health(db, dirname(db.name));
  const measures = measuresOf(db, news, health);
  const fileStore = new FileStore(db, files);
  fileStore.clear();
  const app = new Koa();
  // What is thrown in a request is answered there; this hears of connections that went away.
  app.silent = true;
  app.use(policyOf(near?.door.port));
  app.use(measures.middleware);
  app.use(problems(({ path, ...failed }) => journal.failed({ ...failed, route: doorOf(failed.method, path) })));
  app.use(cameFrom(proxies));
  app.use(guard(hosts, named));
  if (options.root !== undefined) app.use(trust(options.root));
  app.use(plainToTheOdd);
  app.use(compress({ threshold: 1024 }));
  app.use(apiOnly(noStore));
  app.use(apiOnly(inEpoch(store.epochs.id)));
  app.use(apiOnly(admission({ devices, people, isLocal: options.isLocal, door: near?.door.port })));
  app.use(apiOnly(byRule));
  app.use(apiOnly(bodies()));
  app.use(health.middleware);
  app.use(events(news));
  const pages = new Pages(papers);
  const parts = { ...stores, store, jobs: store, summaries, news, pages, files: fileStore, addresses };
  const routers = [
    jobRoutes(parts),
    ...togetherDoors(parts),
    rainRoutes(),
    sheetRoutes(papers),
    officeRoutes(new LocateOffice(db)),
    bookRoutes(db),
    companyRoutes(db, () => pages.forget()),
    yearRoutes(summaries, () => companyIn(db)),
    acceptingRoutes(parts),
    acceptedRoutes(parts),
    shareRoutes(shares, store),
    sharedPages(parts),
    fileRoutes(fileStore),
    ...(near ? [hereRoutes(near.door, near.key)] : []),
    deviceRoutes({ devices, pairing, addresses, trail, onWithdrawn: (id) => news.shutOut(id) }),
    stateRoutes({ db, health, journal, measures, devices, people, news, backups, copy, replica }),
    ...peopleDoors({ db, ...parts }),
  ];
  for (const router of routers) app.use(router.routes()).use(router.allowedMethods());
  if (web) app.use(statics(web));
  return {
    app,
    routes: doorsOf(routers),
    measures,
    store,
    warmUp: () => void summaries.list({}),
    hush: () => news.close(),
    close: () => {
      news.close();
      planner.close();
      papers.close();
    },
  };
}

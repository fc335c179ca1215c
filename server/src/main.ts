/**
 * Starts the server. Environment: KATABASIS_PORT (4870), KATABASIS_HOST (127.0.0.1), KATABASIS_DATA (folder of the database),
 * KATABASIS_SAMPLES (`keep`: put in samples that are missing; `fresh`: put all back as they were), KATABASIS_COPY (a file, best on another
 * disk, that is kept a minute behind the database at most), KATABASIS_NAME (names that it has on a network), KATABASIS_PROXY (addresses of
 * proxies in front of it that are believed), KATABASIS_KEY (the key of its own machine; else one of its making in the data folder).
 */
import { createServer, type Server } from 'node:http';
import type { BlockList } from 'node:net';
import { join } from 'node:path';
import { toString as qrOf } from 'qrcode';
import { keyHolder, keyIn } from './admission/ownKey';
import { NearDoor } from './admission/nearDoor';
import { Withdrawals } from './admission/withdrawals';
import { createApp, type Application } from './app';
import { Backups } from './backups/backups';
import { openDatabase, UnusableDatabase, type Db } from './database';
import { heedAnotherPlace, noteSamePlace } from './epochs/samePlace';
import { Pairing, spoken } from './devices/pairing';
import { FolderTaken, holdFolder, type HeldFolder } from './folder';
import { proxiesFrom } from './http/cameFrom';
import { allowedHosts, isLoopback, lanAddresses, namesFrom } from './http/guard';
import { tellOperator } from './http/problem';
import { pathsOf, ROOT, type Paths } from './paths';
import { putSamples, resetToSamples } from './samples';
import { every } from './timers';

/** What keeps the server from starting, in a sentence for whoever starts it. */
class CannotStart extends Error {}

const ASKED_ANEW =
  'This database was put back from a copy on a machine that knows nothing of devices and links shut out since: all of them are asked anew.';

const HOUR_MS = 3600 * 1000;
const MINUTE_MS = 60 * 1000;

function portFrom(text: string | undefined): number {
  const port = Number(text ?? 4870);
  if (!Number.isInteger(port) || port < 0 || port > 65_535)
    throw new CannotStart(`KATABASIS_PORT must be a port number, and is "${text}".`);
  return port;
}

function proxiesIn(text: string | undefined): BlockList {
  try {
    return proxiesFrom(text);
  } catch (error) {
    throw new CannotStart((error as Error).message);
  }
}

/** Takes the port before anything of the data is touched. */
function listening(server: Server, port: number, host: string): Promise<number> {
  return new Promise((resolve, reject) => {
    server.once('error', (error: NodeJS.ErrnoException) => {
      // A machine without IPv6.
      if (host === '::' && /^EA(FNOSUPPORT|DDRNOTAVAIL)$/.test(error.code ?? ''))
        return void listening(server, port, '0.0.0.0').then(resolve, reject);
      reject(
        new CannotStart(
          error.code === 'EADDRINUSE'
            ? `Port ${port} is taken. Stop what uses it, or set KATABASIS_PORT.`
            : error.message,
        ),
      );
    });
    server.listen(port, host, () => resolve((server.address() as { port: number }).port));
  });
}

/** Opens the database; of a damaged one says which backup is the newest good one. */
function opened({ database, backups }: Paths): Db {
  try {
    return openDatabase(database);
  } catch (error) {
    if (!(error instanceof UnusableDatabase)) throw error;
    const good = error.message.includes('damaged') ? new Backups(backups).newestGood() : null;
    const way = good ? ` The newest good backup is ${good}. Put it back with:  npm run restore -- ${good}` : '';
    throw new CannotStart(`${database}: ${error.message}${way}`);
  }
}

async function prepare(paths: Paths, samples: string | undefined): Promise<Db> {
  const db = opened(paths);
  heedAnotherPlace(db, paths.note);
  noteSamePlace(db, paths.note);
  const backups = new Backups(paths.backups);
  if (samples === 'fresh') {
    // What is put away is put away with a copy.
    if (db.prepare('select 1 from changes limit 1').get()) await backups.make(db);
    resetToSamples(db);
  } else if (samples) putSamples(db);
  return db;
}

/** Day by day: a backup, and what has been in the bin for long enough is let go. Never stops the server. */
function keepHouse(db: Db, { store }: Application, { backups: folder, note }: Paths): void {
  const backups = new Backups(folder);
  const round = (): void => {
    try {
      store.purge();
    } catch (error) {
      tellOperator(error, 'Emptying the bin');
    }
    backups.makeDue(db).catch((error: unknown) => tellOperator(error, 'The daily backup'));
  };
  round();
  every(HOUR_MS, round);
  whenSaved(db, 'The note beside the database', () => noteSamePlace(db, note));
  const copy = process.env.KATABASIS_COPY;
  if (copy) whenSaved(db, `The copy at ${copy}`, () => Backups.copy(db, copy), -1);
}

const savedIn = (db: Db): number => db.prepare<[], { n: number }>('select total_changes() as n').get()!.n;

/** Does something at the end of each minute in which something was saved, one at a time. `done`: what it was done for last. */
function whenSaved(db: Db, what: string, work: () => Promise<void> | void, done = savedIn(db)): void {
  let busy = false;
  const round = async (): Promise<void> => {
    const now = savedIn(db);
    if (busy || now === done) return;
    busy = true;
    try {
      const working = work();
      await working;
      // What it wrote itself at once is nothing new; what others wrote while it went on is.
      done = working ? now : savedIn(db);
    } catch (error) {
      tellOperator(error, what);
    }
    busy = false;
  };
  void round();
  every(MINUTE_MS, () => void round());
}

async function greet(host: string, port: number, pairing: Pairing): Promise<void> {
  console.log(`Katabasis is at http://localhost:${port}`);
  if (isLoopback(host)) return console.log('For a phone on the same network, start it with: -- --lan');
  const [first, ...more] = lanAddresses();
  console.log(`Pairing code for a phone on the same network: ${spoken(pairing.code)}`);
  for (const address of [first, ...more]) if (address) console.log(`  http://${address}:${port}`);
  if (first) console.log(await qrOf(`http://${first}:${port}/pair#${pairing.code}`, { type: 'terminal', small: true }));
}

async function start(): Promise<void> {
  const port = portFrom(process.env.KATABASIS_PORT);
  const host = process.env.KATABASIS_HOST ?? '127.0.0.1';
  const paths = pathsOf(process.env);
  const names = namesFrom(process.env.KATABASIS_NAME);
  const proxies = proxiesIn(process.env.KATABASIS_PROXY);
  const held = holdFolder(paths.folder);
  // The port is taken with nothing behind it yet; requests wait for the moments that the database takes.
  let answer: (handler: ReturnType<Application['app']['callback']>) => void = () => undefined;
  const ready = new Promise<ReturnType<Application['app']['callback']>>((resolve) => (answer = resolve));
  const server = createServer((request, response) => void ready.then((handle) => handle(request, response)));
  // Longer than any browser or client keeps a connection that it means to use again: else it is cut as the next request leaves.
  server.keepAliveTimeout = 75_000;
  const actual = await listening(server, port, host);
  const door = new NearDoor(() => actual);
  held.announce(`http://localhost:${actual}`);
  const db = await prepare(paths, process.env.KATABASIS_SAMPLES);
  const withdrawals = new Withdrawals(paths.withdrawn);
  const anew = withdrawals.heed(db);
  if (anew > 0) console.log(ASKED_ANEW);
  const key = process.env.KATABASIS_KEY ?? keyIn(paths.key);
  await door.open();
  const pairing = new Pairing();
  const addresses = (): string[] => (isLoopback(host) ? [] : lanAddresses().map((each) => `http://${each}:${actual}`));
  const application = createApp({
    db,
    hosts: allowedHosts(host, names),
    named: new Set(names),
    proxies,
    isLocal: keyHolder(key),
    near: { door, key },
    withdrawals,
    files: paths.files,
    web: join(ROOT, 'client', 'dist'),
    pairing,
    addresses,
  });
  // Once before anybody waits for it.
  application.warmUp();
  answer(application.app.callback());
  keepHouse(db, application, paths);
  stopOnSignals(server, application, db, held);
  await greet(host, actual, pairing);
}

function stopOnSignals(server: Server, application: Application, db: Db, held: HeldFolder): void {
  const stop = (): void => {
    application.close();
    server.close(() => {
      db.close();
      held.release();
      process.exit(0);
    });
    server.closeAllConnections();
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
}

start().catch((error: unknown) => {
  const known = error instanceof CannotStart || error instanceof FolderTaken;
  if (known) console.error((error as Error).message);
  else tellOperator(error, 'Katabasis could not start');
  process.exit(1);
});

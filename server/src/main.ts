/**
 * Starts the server. Environment: KATABASIS_PORT (4870), KATABASIS_HOST (127.0.0.1), KATABASIS_DATA (folder of the database),
 * KATABASIS_SAMPLES (`keep`: put in samples that are missing; `fresh`: put all back as they were), KATABASIS_COPY (a file, best on another
 * disk, that is kept a minute behind the database at most), KATABASIS_REPLICA (`file:///FOLDER` or `s3://BUCKET/PATH`, kept a second behind),
 * KATABASIS_REPLICA_KEY (a file: the key that the replica is sealed with, made where there is none),
 * KATABASIS_NAME (names that it has on a network), KATABASIS_PROXY (addresses of
 * proxies in front of it that are believed), KATABASIS_HTTPS_PORT (where they answer, 443), KATABASIS_METRICS (a port of this machine
 * for figures), KATABASIS_LOG (`error`, `info`, `silent`), KATABASIS_ROOT (a file: certificate of the
 * authority of this network's https), KATABASIS_KEY (the key of its own machine; else one of its making in the data folder).
 */
import { createServer, type Server } from 'node:http';
import type { BlockList } from 'node:net';
import { join } from 'node:path';
import { toString as qrOf } from 'qrcode';
import { keyHolder, keyIn } from './admission/ownKey';
import { NearDoor } from './admission/nearDoor';
import { createApp, type Application } from './app';
import { Backups } from './backups/backups';
import { Pairing, spoken } from './devices/pairing';
import { FolderTaken, holdFolder, type HeldFolder } from './folder';
import { proxiesFrom } from './http/cameFrom';
import { allowedHosts, isLoopback, lanAddresses, namesFrom } from './http/guard';
import { tellOperator } from './http/problem';
import { pathsOf, ROOT, type Paths } from './paths';
import { placeFrom } from './replica/litestream';
import { replicaKeyAt } from './replica/key';
import { Replica } from './replica/replica';
import { CannotStart } from './start/cannotStart';
import { keepHouse } from './start/housekeeping';
import { prepare } from './start/opening';
import { stopWhenTold } from './start/stopping';

const NO_UPGRADE = 'HTTP/1.1 400 Bad Request\r\nConnection: close\r\nContent-Length: 0\r\n\r\n';

function portFrom(text: string | undefined, name = 'KATABASIS_PORT'): number {
  const port = Number(text ?? 4870);
  if (!Number.isInteger(port) || port < 0 || port > 65_535)
    throw new CannotStart(`${name} must be a port number, and is "${text}".`);
  return port;
}

/** A port as it stands behind a name; https has one that goes without saying. */
const suffixOf = (text = '443'): string => (text === '443' ? '' : `:${portFrom(text, 'KATABASIS_HTTPS_PORT')}`);

/** Takes the data folder; says so in a sentence where it cannot be written to. */
function heldFolder(folder: string): HeldFolder {
  try {
    return holdFolder(folder);
  } catch (error) {
    const { code = '' } = error as { code?: string };
    if (/^(EACCES|EPERM|EROFS|SQLITE_(READONLY|CANTOPEN|PERM))/.test(code))
      throw new CannotStart(
        `The data folder ${folder} cannot be written to. Give its owner the right to, or set KATABASIS_DATA.`,
      );
    if (/^(ENOSPC|SQLITE_FULL)/.test(code)) throw new CannotStart(`The disk of the data folder ${folder} is full.`);
    throw error;
  }
}

function proxiesIn(text: string | undefined): BlockList {
  try {
    return proxiesFrom(text);
  } catch (error) {
    throw new CannotStart((error as Error).message);
  }
}

/** A replica that follows the database all along, where one is asked for. */
async function replicaOf({ database, files, folder }: Paths, env: NodeJS.ProcessEnv): Promise<Replica | null> {
  const { KATABASIS_REPLICA: url, KATABASIS_REPLICA_KEY: keyAt } = env;
  if (url === undefined || url === '') return null;
  const place = placeFrom(url, keyAt === undefined ? null : await replicaKeyAt(keyAt));
  const replica = new Replica({ database, files, folder, place });
  replica.start();
  return replica;
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

async function greet(addresses: readonly string[], port: number, pairing: Pairing): Promise<void> {
  console.log(`Katabasis is at http://localhost:${port}`);
  const [first] = addresses;
  if (first === undefined) return console.log('For a phone on the same network, start it with: -- --lan');
  console.log(`Pairing code for another device: ${spoken(pairing.code)}`);
  for (const address of addresses) console.log(`  ${address}`);
  console.log(await qrOf(`${first}/pair#${pairing.code}`, { type: 'terminal', small: true }));
}

async function start(): Promise<void> {
  const port = portFrom(process.env.KATABASIS_PORT);
  const host = process.env.KATABASIS_HOST ?? '127.0.0.1';
  const paths = pathsOf(process.env);
  const names = namesFrom(process.env.KATABASIS_NAME);
  const proxies = proxiesIn(process.env.KATABASIS_PROXY);
  // All that is written here is its owner's alone.
  process.umask(0o077);
  const held = heldFolder(paths.folder);
  // The port is taken with nothing behind it yet; requests wait for the moments that the database takes.
  let answer: (handler: ReturnType<Application['app']['callback']>) => void = () => undefined;
  const ready = new Promise<ReturnType<Application['app']['callback']>>((resolve) => (answer = resolve));
  const server = createServer((request, response) => void ready.then((handle) => handle(request, response)));
  // Longer than any browser or client keeps a connection that it means to use again: else it is cut as the next request leaves.
  server.keepAliveTimeout = 75_000;
  // Nothing here speaks anything else; what comes behind such a question could not be told from the next one.
  server.on('upgrade', (_request, socket) => socket.end(NO_UPGRADE));
  const actual = await listening(server, port, host);
  const door = new NearDoor(() => actual);
  held.announce(`http://localhost:${actual}`);
  const { db, withdrawals } = await prepare(paths, process.env.KATABASIS_SAMPLES);
  const key = process.env.KATABASIS_KEY ?? keyIn(paths.key);
  await door.open();
  const replica = await replicaOf(paths, process.env);
  const pairing = new Pairing();
  const httpsPort = suffixOf(process.env.KATABASIS_HTTPS_PORT);
  const at = (name: string): string => `http://${name}:${actual}`;
  const addresses = (): string[] => [
    // A proxy in front speaks https at its usual port.
    ...names.map((name) => (process.env.KATABASIS_PROXY ? `https://${name}${httpsPort}` : at(name))),
    ...(isLoopback(host) ? [] : lanAddresses().map(at)),
  ];
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
    root: process.env.KATABASIS_ROOT,
    backups: new Backups(paths.backups),
    copy: process.env.KATABASIS_COPY,
    replica,
  });
  // Once before anybody waits for it.
  application.warmUp();
  answer(application.app.callback());
  keepHouse(db, application, paths, process.env.KATABASIS_COPY);
  stopWhenTold({ server, door, application, db, held, replica }, process.env.KATABASIS_PARENT);
  if (process.env.KATABASIS_METRICS !== undefined)
    application.measures.serve(portFrom(process.env.KATABASIS_METRICS, 'KATABASIS_METRICS'));
  await greet(addresses(), actual, pairing);
}

start().catch((error: unknown) => {
  const known = error instanceof CannotStart || error instanceof FolderTaken;
  if (known) console.error((error as Error).message);
  else tellOperator(error, 'Katabasis could not start');
  process.exit(1);
});

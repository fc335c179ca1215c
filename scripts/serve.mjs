// Serves beyond this machine by https: `--domain NAME` on a server of one's own, with certificates of the web's own authorities; `--lan` on a
// network, by an authority made at the first start, whose root a phone takes once. Needs Caddy, Debian's package.
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, writeFileSync } from 'node:fs';
import { hostname, networkInterfaces } from 'node:os';
import { delimiter, join, resolve } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { parseArgs } from 'node:util';
import { ensureBundled } from './lib/bundle.mjs';
import { caddyfile } from './lib/caddyfile.mjs';
import { BUNDLES, ROOT } from './lib/run.mjs';
import { attempt, ensureBuilt, ensureInstalled } from './lib/setup.mjs';

const { values } = parseArgs({ options: { domain: { type: 'string' }, lan: { type: 'boolean', default: false } } });
const { env } = process;
const domains = (values.domain ?? env.KATABASIS_DOMAIN ?? '')
  .toLowerCase()
  .split(/[\s,]+/)
  .filter(Boolean);
const lan = values.lan || domains.length === 0;

const stop = (sentence) => {
  console.error(sentence);
  process.exit(1);
};

const portFrom = (name, usual) => {
  const port = Number(env[name] ?? usual);
  if (!Number.isInteger(port) || port < 1 || port > 65_535) stop(`${name} must be a port number.`);
  return port;
};

const NAME = /^(?=.{1,253}$)([a-z0-9]([a-z0-9-]{0,61}[a-z0-9])?\.)+[a-z][a-z0-9-]*[a-z0-9]$/;
for (const domain of domains)
  if (!NAME.test(domain)) stop(`--domain wants a name like drain.example.org, and "${domain}" is none.`);
if (values.lan && domains.length > 0) stop('Say --domain NAME for the open web, or --lan for this network, not both.');

const onPath = (name) =>
  (env.PATH ?? '')
    .split(delimiter)
    .map((folder) => join(folder, name))
    .find((file) => existsSync(file));
const caddy = env.KATABASIS_CADDY ?? onPath('caddy');
if (!caddy)
  stop(
    'Https needs Caddy, and it is not on this machine. Install it with:  sudo apt-get install caddy  Without https: npm start -- --lan',
  );

/** This machine on its network: by addresses, and by the name that its neighbours know. */
const here = () => {
  const addresses = Object.values(networkInterfaces())
    .flatMap((each) => each ?? [])
    .filter(({ family, internal }) => family === 'IPv4' && !internal)
    .map(({ address }) => address);
  return [
    ...addresses,
    `${hostname()
      .toLowerCase()
      .replace(/\.local$/, '')}.local`,
  ];
};

attempt(() => {
  ensureInstalled();
  ensureBuilt();
  ensureBundled();
});

const data = resolve(env.INIT_CWD ?? ROOT, env.KATABASIS_DATA ?? join(ROOT, 'data'));
const port = portFrom('KATABASIS_PORT', 4870);
const httpsPort = portFrom('KATABASIS_HTTPS_PORT', lan ? 4871 : 443);
const httpPort = portFrom('KATABASIS_HTTP_PORT', 80);
const names = lan ? here() : domains;
const storage = join(data, 'caddy');
mkdirSync(storage, { recursive: true, mode: 0o700 });
const config = join(storage, 'Caddyfile');
writeFileSync(config, caddyfile({ names, internal: lan, httpPort, httpsPort, storage, to: port }));

const running = [];
let ending = false;
/** Ends both: the door first, so that what it let in is finished behind it. */
const end = async (code) => {
  if (ending) return;
  ending = true;
  for (const child of [...running].reverse()) {
    if (child.exitCode !== null || child.signalCode !== null) continue;
    const gone = new Promise((done) => child.once('exit', done));
    child.kill('SIGTERM');
    await Promise.race([gone, pause(12_000)]);
    child.kill('SIGKILL');
  }
  process.exit(code);
};
const begin = (command, args, more) => {
  const child = spawn(command, args, { cwd: ROOT, env: { ...env, ...more }, stdio: 'inherit' });
  child.once('error', (error) => {
    console.error(error.message);
    void end(1);
  });
  child.once('exit', (code) => void end(code || 1));
  running.push(child);
  return child;
};
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => void end(0));

begin(process.execPath, ['--enable-source-maps', join(BUNDLES, 'main.mjs')], {
  KATABASIS_DATA: data,
  KATABASIS_PORT: String(port),
  // By plain http it is reached from the network only where it is the fallback there.
  KATABASIS_HOST: lan ? '::' : '127.0.0.1',
  KATABASIS_NAME: names.join(' '),
  KATABASIS_PROXY: '127.0.0.1 ::1',
  KATABASIS_HTTPS_PORT: String(httpsPort),
  ...(lan ? { KATABASIS_ROOT: join(storage, 'pki', 'authorities', 'local', 'root.crt') } : {}),
});
const answers = async () => (await fetch(`http://127.0.0.1:${port}/api/health`).catch(() => null)) !== null;
while (!(await answers())) await pause(100);
begin(caddy, ['run', '--config', config, '--adapter', 'caddyfile'], {
  XDG_DATA_HOME: storage,
  XDG_CONFIG_HOME: storage,
});

/** A server of a test's own, which can really be stopped. */
import { spawn, type ChildProcess } from 'node:child_process';
import { join } from 'node:path';

const ROOT = join(__dirname, '..', '..');

/** Key of the machine itself, shown by what asks the server beside a page; pages come in by the near door. */
export const KEY = 'key-of-the-tests';
export const WITH_KEY = { 'Katabasis-Key': KEY };

export interface Started {
  server: ChildProcess;
  /** Where it answers. */
  base: string;
}

/** Starts a server and waits until it says where it answers. Port 0 takes any that is free. */
export function startServer(port: number, data: string, env: Record<string, string> = {}): Promise<Started> {
  const server = spawn(process.execPath, [join(ROOT, 'server/dist/main.mjs')], {
    cwd: ROOT,
    env: {
      ...process.env,
      KATABASIS_PORT: String(port),
      KATABASIS_SAMPLES: 'keep',
      KATABASIS_DATA: data,
      KATABASIS_KEY: KEY,
      KATABASIS_PARENT: String(process.pid),
      ...env,
    },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  return new Promise((resolve, reject) => {
    let said = '';
    const hear = (chunk: unknown): void => {
      said += String(chunk);
      const base = /http:\/\/localhost:\d+/.exec(said)?.[0];
      if (base) resolve({ server, base });
    };
    server.stdout.on('data', hear);
    server.stderr.on('data', hear);
    server.once('close', () => reject(new Error(`The server ended before it answered: ${said}`)));
  });
}

export const stopServer = (server: ChildProcess): Promise<void> =>
  new Promise((gone) => {
    server.once('close', () => gone());
    server.kill('SIGKILL');
  });

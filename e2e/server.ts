/** A server of a test's own, which can really be stopped. */
import { spawn, type ChildProcess } from 'node:child_process';
import { join } from 'node:path';
import { expect } from '@playwright/test';

const ROOT = join(__dirname, '..');

export async function startServer(port: number, data: string, env: Record<string, string> = {}): Promise<ChildProcess> {
  const server = spawn(process.execPath, ['--import', 'tsx', join(ROOT, 'server/src/main.ts')], {
    cwd: ROOT,
    env: { ...process.env, KATABASIS_PORT: String(port), KATABASIS_SAMPLES: 'keep', KATABASIS_DATA: data, ...env },
    stdio: 'ignore',
  });
  const isUp = (): Promise<boolean> =>
    fetch(`http://localhost:${port}/api/health`).then(
      (reply) => reply.ok,
      () => false,
    );
  await expect.poll(isUp, { timeout: 30_000 }).toBe(true);
  return server;
}

export const stopServer = (server: ChildProcess): Promise<void> =>
  new Promise((gone) => {
    server.once('close', () => gone());
    server.kill('SIGKILL');
  });

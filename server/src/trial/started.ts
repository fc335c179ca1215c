/** A server in a process of its own, for trials that kill it. */
import { spawn, type ChildProcess } from 'node:child_process';
import { join } from 'node:path';
import { ROOT } from '../paths';

/** Key of the machine itself, that trials show. */
export const WITH_KEY = { 'Katabasis-Key': 'key-of-the-trials' };

export interface Started {
  base: string;
  /** Kills it as a power cut does; resolves once it is gone. */
  kill(): Promise<void>;
}

/** Starts one over a data folder; throws with what it said when it does not come up. `env`: more of its environment. */
export function startServer(data: string, env: Record<string, string> = {}): Promise<Started> {
  const child = spawn(process.execPath, [join(ROOT, 'server/dist/main.mjs')], {
    cwd: ROOT,
    env: {
      ...process.env,
      KATABASIS_PORT: '0',
      KATABASIS_DATA: data,
      KATABASIS_KEY: WITH_KEY['Katabasis-Key'],
      KATABASIS_PARENT: String(process.pid),
      ...env,
    },
  });
  return new Promise((resolve, reject) => {
    let said = '';
    child.stderr.on('data', (chunk) => (said += String(chunk)));
    child.stdout.on('data', (chunk) => {
      said += String(chunk);
      const base = /(http:\/\/localhost:\d+)/.exec(said)?.[1];
      if (base) resolve({ base, kill: () => killed(child) });
    });
    child.once('close', () => reject(new Error(`The server did not start: ${said}`)));
  });
}

function killed(child: ChildProcess): Promise<void> {
  return new Promise((gone) => {
    // What it began may live on and hold its streams: that it is gone itself is what counts.
    child.once('exit', () => gone());
    child.kill('SIGKILL');
  });
}

/** Sends JSON; gives the status and what came back. A connection that broke is status 0. */
export async function send(method: string, url: string, body?: unknown): Promise<{ status: number; body: unknown }> {
  try {
    const reply = await fetch(url, {
      method,
      headers: { ...WITH_KEY, ...(body === undefined ? {} : { 'Content-Type': 'application/json' }) },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
    return { status: reply.status, body: await reply.json().catch(() => null) };
  } catch {
    return { status: 0, body: null };
  }
}

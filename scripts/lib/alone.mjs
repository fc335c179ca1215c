/** What only one command at a time may do here. */
import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './run.mjs';

/** How long one command waits for another that installs or builds, ms. */
const PATIENCE_MS = 20 * 60 * 1000;

const isAlive = (pid) => {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return error.code === 'EPERM';
  }
};

/** Does a step that only one command at a time may do here; of several at once the others wait. A lock whose holder is gone is taken over. */
export function alone(name, step) {
  const lock = join(ROOT, `.${name}.lock`);
  const until = Date.now() + PATIENCE_MS;
  for (;;) {
    try {
      writeFileSync(lock, String(process.pid), { flag: 'wx' });
      break;
    } catch (error) {
      if (error.code !== 'EEXIST') throw error;
    }
    let holder = Number.NaN;
    try {
      holder = Number(readFileSync(lock, 'utf8'));
    } catch {
      // It was let go this moment.
    }
    if (holder > 0 && !isAlive(holder)) rmSync(lock, { force: true });
    if (Date.now() > until) throw new Error(`Another command holds ${lock}. If none runs, remove that file.`);
    Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 200);
  }
  try {
    return step();
  } finally {
    rmSync(lock, { force: true });
  }
}

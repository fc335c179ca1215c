/** The application as it is built, over fresh demo data, with a browser on it: for commands that look at real pages. */
import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBundled } from './bundle.mjs';
import { ROOT } from './run.mjs';
import { attempt, ensureBuilt, ensureChromium, ensureInstalled } from './setup.mjs';

const CHROMIUM_ARGS = JSON.parse(readFileSync(new URL('./chromium.json', import.meta.url), 'utf8'));

async function answers(base) {
  for (let tries = 0; tries < 100; tries++) {
    const up = await fetch(`${base}/api/health`).then(
      (reply) => reply.ok,
      () => false,
    );
    if (up) return;
    await new Promise((done) => setTimeout(done, 100));
  }
}

const KEY = 'key-of-the-pages';
const WITH_KEY = { 'Katabasis-Key': KEY };

/** A browser whose pages have been let in before, as those of somebody who works with it have. */
function letIn(browser) {
  const open = browser.newContext.bind(browser);
  browser.newContext = (options) => open({ ...options, extraHTTPHeaders: WITH_KEY });
  browser.newPage = async (options) => (await browser.newContext(options)).newPage();
  return browser;
}

/** Serves it at `port`, gives `look` a browser and the address, and takes all of it down again. */
export async function withPages(port, look) {
  let executablePath = '';
  attempt(() => {
    ensureInstalled();
    ensureBuilt();
    ensureBundled();
    executablePath = ensureChromium();
  });
  const { chromium } = await import('@playwright/test');
  const data = mkdtempSync(join(tmpdir(), 'katabasis-pages-'));
  const server = spawn(process.execPath, [join(ROOT, 'server/dist/main.mjs')], {
    cwd: ROOT,
    env: {
      ...process.env,
      KATABASIS_PORT: String(port),
      KATABASIS_SAMPLES: 'fresh',
      KATABASIS_DATA: data,
      KATABASIS_KEY: KEY,
      KATABASIS_PARENT: String(process.pid),
    },
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  const base = `http://localhost:${port}`;
  try {
    await answers(base);
    const browser = await chromium.launch({ executablePath, args: CHROMIUM_ARGS });
    await look(letIn(browser), base);
    await browser.close();
  } finally {
    server.kill();
    rmSync(data, { recursive: true, force: true });
  }
}

/** Gives the server a job of these elements. */
export async function makeJob(base, id, elements) {
  const made = await fetch(`${base}/api/jobs`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', ...WITH_KEY },
    body: JSON.stringify({ id, elements }),
  });
  if (!made.ok) throw new Error(await made.text());
}

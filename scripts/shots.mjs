// Retakes docs/screenshots from the demo data: one picture of each main view. Names after -- take only those; KATABASIS_SHOTS says where else to.
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { spawn } from 'node:child_process';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ROOT } from './lib/run.mjs';
import { attempt, ensureBuilt, ensureChromium, ensureInstalled } from './lib/setup.mjs';

const PORT = 4898;
const PHONE = { width: 390, height: 844 };
const WIDE = { width: 1280, height: 800 };

/** What is worked out or asked for while a screen stands is in its picture. */
const there = (locator) => (page) => page.locator(locator).first().waitFor();

/** The size chips of a run once the last of them tells what it would give. */
const ALL_SIZES = '[role=radio][aria-label^="12"][aria-label*=":"]';

/** Name, address, size, and what to do before the picture. */
const VIEWS = [
  ['jobs-phone', '/', PHONE, there('text=Quillfeather')],
  ['new-job-phone', '/new', PHONE, there('text=Harrowmere')],
  ['plan-phone', '/job/quillfeather/plan', PHONE, there('text=Make it smooth PVC')],
  [
    'descent-phone',
    '/job/quillfeather/plan',
    PHONE,
    (page) =>
      page
        .getByTestId('landing-ds2')
        .scrollIntoViewIfNeeded()
        .then(() => page.mouse.move(200, 600))
        .then(() => page.mouse.wheel(0, 420)),
  ],
  ['run-phone', '/job/quillfeather/plan?at=trunkLower', PHONE, there(ALL_SIZES)],
  ['walk-phone', '/job/quillfeather/walk', PHONE],
  ['plan-wide', '/job/quillfeather/plan', WIDE, there('text=Make it smooth PVC')],
  ['run-wide', '/job/quillfeather/plan?at=trunkLower', WIDE, there(ALL_SIZES)],
  ['basin-phone', '/job/quillfeather/walk?at=basin', PHONE],
  ['channel-phone', '/job/quillfeather/walk?at=kennelDrain', PHONE],
  ['rain-wide', '/job/quillfeather/walk?at=rain', WIDE, there('text=Harrowmere')],
  ['walk-wide', '/job/quillfeather/walk?at=faceValley', WIDE],
];

let chromium = '';
attempt(() => {
  ensureInstalled();
  ensureBuilt();
  chromium = ensureChromium();
});
const { chromium: browsers } = await import('@playwright/test');
const data = mkdtempSync(join(tmpdir(), 'katabasis-shots-'));
const server = spawn(process.execPath, ['--import', 'tsx', join(ROOT, 'server/src/main.ts')], {
  cwd: ROOT,
  env: { ...process.env, KATABASIS_PORT: String(PORT), KATABASIS_SAMPLES: 'fresh', KATABASIS_DATA: data },
  stdio: 'inherit',
});
const base = `http://localhost:${PORT}`;
const folder = process.env.KATABASIS_SHOTS ?? join(ROOT, 'docs', 'screenshots');
mkdirSync(folder, { recursive: true });
const wanted = process.argv.slice(2);
try {
  for (
    let tries = 0;
    tries < 100 &&
    !(await fetch(`${base}/api/health`).then(
      (reply) => reply.ok,
      () => false,
    ));
    tries++
  )
    await new Promise((done) => setTimeout(done, 100));
  const browser = await browsers.launch({
    executablePath: chromium,
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
    ],
  });
  for (const [name, path, viewport, before] of VIEWS) {
    if (wanted.length > 0 && !wanted.includes(name)) continue;
    const context = await browser.newContext({ viewport, hasTouch: viewport === PHONE, reducedMotion: 'reduce' });
    const page = await context.newPage();
    await page.goto(base + path);
    await page.waitForLoadState('networkidle');
    await page.evaluate(() => document.fonts.ready);
    if (before) await before(page);
    await page.waitForTimeout(300);
    await page.screenshot({ path: join(folder, `${name}.png`) });
    await context.close();
    console.log(`${name}.png`);
  }
  await browser.close();
} finally {
  server.kill();
  rmSync(data, { recursive: true, force: true });
}

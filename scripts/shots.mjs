// Retakes docs/screenshots from the demo data: one picture of each main view. Names after -- take only those; KATABASIS_SHOTS says where else to.
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './lib/run.mjs';
import { withPages } from './lib/served.mjs';

const PHONE = { width: 390, height: 844 };
const WIDE = { width: 1280, height: 800 };

/** What is worked out or asked for while a screen stands is in its picture. */
const there = (locator) => (page) => page.locator(locator).first().waitFor();

/** The size chips of a run once the last of them tells what it would give. */
const ALL_SIZES = '[role=radio][aria-label^="24"]:not([aria-label*="being worked out"])';

/** Name, address, size, and what to do before the picture. */
const VIEWS = [
  ['jobs-phone', '/', PHONE, there('text=of fall: it runs out')],
  ['new-job-phone', '/new', PHONE, there('[data-testid=new-rain]')],
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
  [
    'yard-phone',
    '/job/quillfeather/yard',
    PHONE,
    (page) =>
      page
        .getByTestId('ground-plan')
        .waitFor()
        .then(() => page.getByRole('button', { name: /^Turn the plan/ }).click()),
  ],
  [
    'levels-phone',
    '/job/quillfeather/yard?at=~levels',
    PHONE,
    async (page) => {
      const box = await page.getByTestId('ground-plan').boundingBox();
      await page.mouse.click(box.x + 0.74 * box.width, box.y + 0.52 * box.height);
      for (const key of ['4', '.', '2', '5']) await page.getByRole('button', { name: key, exact: true }).click();
    },
  ],
  ['yard-wide', '/job/quillfeather/yard?at=wetLawn', WIDE, there('text=Ground water at its end')],
  [
    'keep-phone',
    '/job/quillfeather/keep?at=~hose-basin',
    PHONE,
    async (page) => {
      await page.getByTestId('water-on').click();
      await page.getByTestId('it-shows').click();
      for (const [field, typed] of [
        ['hose-time', '5:20'],
        ['bucket-in', '50'],
      ]) {
        await page.getByTestId(field).fill(typed);
        await page.getByTestId(field).blur();
      }
      await page.getByTestId('hose-done').click();
      await page.getByTestId('next-test').waitFor();
    },
  ],
  ['storm-phone', '/job/quillfeather/storm', PHONE, there('text=/^In the 10-year storm/')],
  [
    'storm-wide',
    '/job/quillfeather/storm',
    WIDE,
    async (page) => {
      await page.getByTestId('storm-fails').click();
      await page.getByRole('checkbox', { name: 'Kennel door drain blocked' }).click();
      await page.getByTestId('storm-fails').click();
      await page.getByText(/with Kennel door drain blocked/).waitFor();
    },
  ],
  ['build-wide', '/job/quillfeather/build?at=~dig', WIDE, there('[data-testid=spot]')],
  [
    'dig-phone',
    '/job/quillfeather/build?at=~dig',
    PHONE,
    async (page) => {
      await page.getByTestId('dig-level').fill('0');
      await page.getByTestId('dig-rod').fill('4.5');
      await page.getByTestId('dig-rod').blur();
      await page.getByTestId('dig-station').nth(2).click();
      await page.getByTestId('take-laid').scrollIntoViewIfNeeded();
    },
  ],
  [
    'proposed-phone',
    '/job/quillfeather/build?at=~proposed',
    PHONE,
    async (page) => {
      // It is gone once all are laid out.
      await page.getByTestId('proposal-cost').waitFor({ timeout: 60_000 });
      await page.getByTestId('stop-looking').waitFor({ state: 'detached', timeout: 60_000 });
      await page.getByTestId('proposal-picture').evaluate((picture) => picture.scrollIntoView());
    },
  ],
  ['plan-wide', '/job/quillfeather/plan', WIDE, there('text=Make it smooth PVC')],
  ['run-wide', '/job/quillfeather/plan?at=trunkLower', WIDE, there(ALL_SIZES)],
  [
    'ways-phone',
    '/job/quillfeather/build?at=~ways',
    PHONE,
    async (page) => {
      await page.getByText('Filters: +').waitFor();
      await page.getByTestId('school-pitch').getByRole('button').first().click();
      await page.getByTestId('school-pitch').evaluate((row) => row.scrollIntoView());
    },
  ],
  ['clear-phone', '/job/quillfeather/build?at=~clear', PHONE, there('[data-testid=need-locate]')],
  // Last, as it changes the job.
  [
    'days-phone',
    '/job/quillfeather/build?at=~clear',
    PHONE,
    async (page) => {
      await page.getByTestId('need-locate').click();
      await page.getByTestId('ask-locate').click();
      await page.getByText('the marks are due on').waitFor();
      await page.getByRole('radio', { name: 'Days' }).click();
      // The steps are laid out anew once the weather is there.
      await page.getByText('at night').first().waitFor();
      await page.getByTestId('step-line A').first().scrollIntoViewIfNeeded();
    },
  ],
];

const folder = process.env.KATABASIS_SHOTS ?? join(ROOT, 'docs', 'screenshots');
mkdirSync(folder, { recursive: true });
const wanted = process.argv.slice(2);

await withPages(4898, async (browser, base) => {
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
});

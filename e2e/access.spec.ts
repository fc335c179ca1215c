import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test, type Page } from '@playwright/test';

const AXE = readFileSync(join(process.cwd(), 'node_modules/axe-core/axe.min.js'), 'utf8');

interface Violation {
  id: string;
  impact: string;
  nodes: { html: string; failureSummary: string }[];
}

/** Serious and critical faults that axe-core finds on the page as it stands. */
async function faults(page: Page): Promise<string[]> {
  await page.evaluate(AXE);
  const found = await page.evaluate(async () => {
    const { violations } = await (globalThis as unknown as { axe: { run(): Promise<{ violations: Violation[] }> } }).axe.run();
    return violations;
  });
  return found.filter(({ impact }) => impact === 'serious' || impact === 'critical').map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.html.slice(0, 160)).join(' | ')}`);
}

const SCREENS = ['/', '/new', '/job/quillfeather/plan', '/job/quillfeather/plan?at=trunkLower', '/job/quillfeather/plan?at=wye1', '/job/quillfeather/walk', '/job/quillfeather/walk?at=faceStreet', '/job/quillfeather/walk?at=rain', '/job/quillfeather/walk?at=new', '/job/quillfeather/walk?at=swale', '/job/quillfeather/plan?at=job'];

for (const theme of ['daylight', 'glare', 'dusk'] as const) {
  test(`has no serious accessibility fault on any screen, ${theme}`, async ({ page }) => {
    await page.addInitScript((name) => localStorage.setItem('katabasis.theme', name), theme);
    for (const path of SCREENS) {
      await page.goto(path);
      await page.waitForLoadState('networkidle');
      expect(await faults(page), path).toEqual([]);
    }
  });
}

test('has no thing to tap smaller than 44 px on the plan', async ({ page }, info) => {
  test.skip(info.project.name !== 'phone', 'fingers are on the phone');
  await page.goto('/job/quillfeather/plan?at=trunkLower');
  await expect(page.getByTestId('pitch-dial')).toBeAttached();
  const small = await page.evaluate(() => [...document.querySelectorAll('[role=button],[role=radio],[role=link],input')]
    .map((element) => ({ name: element.getAttribute('aria-label'), ...element.getBoundingClientRect().toJSON() as { width: number; height: number } }))
    // A stretch of the budget bar is a picture that can also be tapped; the same runs stand large in the descent.
    .filter(({ name, height }) => height > 0 && height < 43.5 && !/ needs /.test(name ?? '')));
  expect(small).toEqual([]);
});

test('can be worked from the keyboard alone', async ({ page }, info) => {
  test.skip(info.project.name !== 'wide', 'keys are for the evening');
  await page.goto('/job/quillfeather/plan');
  await expect(page.getByTestId('verdict')).toBeVisible();
  await page.keyboard.press('1');
  await expect(page).toHaveURL(/\/walk/);
  await page.keyboard.press('2');
  await expect(page).toHaveURL(/\/plan/);
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowDown');
  await expect(page).toHaveURL(/at=runEntrance/);
  await page.keyboard.press('Escape');
  await expect(page).not.toHaveURL(/at=/);
  await page.keyboard.press('/');
  await page.keyboard.type('lawn bas');
  await page.getByRole('button', { name: 'Lawn basin', exact: true }).press('Enter');
  await expect(page).toHaveURL(/at=basin/);
  await page.keyboard.press('Escape');
  await page.keyboard.press('?');
  await expect(page.getByRole('region', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  // By Tab alone, every control of the head, the stations and the first snag is reached.
  const reached = new Set<string>();
  for (let k = 0; k < 120; k++) {
    await page.keyboard.press('Tab');
    reached.add(await page.evaluate(() => (document.activeElement?.getAttribute('aria-label') ?? '').replaceAll('\u00a0', ' ')));
  }
  for (const name of ['Walk', 'Plan', 'All jobs', 'Job settings', 'Plan 11 in of cover, not 12 in']) expect([...reached]).toContain(name);
});

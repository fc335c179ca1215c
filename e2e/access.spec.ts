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
    const { violations } = await (
      globalThis as unknown as { axe: { run(): Promise<{ violations: Violation[] }> } }
    ).axe.run();
    return violations;
  });
  return found
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.html.slice(0, 160)).join(' | ')}`);
}

const SCREENS = [
  '/',
  '/new',
  '/job/quillfeather/plan',
  '/job/quillfeather/plan?at=trunkLower',
  '/job/quillfeather/plan?at=wye1',
  '/job/quillfeather/walk',
  '/job/quillfeather/walk?at=faceStreet',
  '/job/quillfeather/walk?at=rain',
  '/job/quillfeather/walk?at=new',
  '/job/quillfeather/walk?at=swale',
  '/job/quillfeather/plan?at=job',
  '/job/quillfeather/yard',
  '/job/quillfeather/yard?at=~levels',
  '/job/quillfeather/yard?at=~says',
  '/job/quillfeather/yard?at=wetLawn',
  '/job/quillfeather/yard?at=new',
  '/job/quillfeather/storm',
  '/job/quillfeather/build',
  '/job/quillfeather/build?at=~price',
  '/job/quillfeather/build?at=~dig',
  '/job/quillfeather/build?at=~options',
  '/job/quillfeather/build?at=~clear',
  '/job/quillfeather/build?at=~days',
  '/job/quillfeather/build?at=~paper',
  '/job/wrenmoor/yard?at=green',
  '/job/wrenmoor/yard?at=pit',
  '/history/quillfeather',
  '/bin',
  '/devices',
  '/pair',
  '/nowhere',
];

for (const theme of ['daylight', 'glare', 'dusk'] as const) {
  test(`has no serious accessibility fault on any screen, ${theme}`, async ({ page }) => {
    test.setTimeout(180_000);
    await page.addInitScript((name) => localStorage.setItem('katabasis.theme', name), theme);
    for (const path of SCREENS) {
      await page.goto(path);
      await page.waitForLoadState('networkidle');
      expect(await faults(page), path).toEqual([]);
    }
  });
}

import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, type Page } from '@playwright/test';
import { PALETTES } from '../client/src/theme/tokens';
import { SIDE_PAGES } from './lib/pages';
import { settled } from './lib/settled';
import { test } from './lib/test';

const AXE = readFileSync(join(process.cwd(), 'node_modules/axe-core/axe.min.js'), 'utf8');

interface Violation {
  id: string;
  impact: string;
  nodes: { html: string; failureSummary: string }[];
}

/** Serious and critical faults that axe-core finds on the page as it stands: of all its rules, or of those named. */
async function faults(page: Page, rules?: readonly string[]): Promise<string[]> {
  const found = await page.evaluate(async (runOnly) => {
    const { violations } = await (
      globalThis as unknown as { axe: { run(options: object): Promise<{ violations: Violation[] }> } }
    ).axe.run({ ...(runOnly && { runOnly }), resultTypes: ['violations'] });
    return violations;
  }, rules);
  return found
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.html.slice(0, 160)).join(' | ')}`);
}

const SCREENS = [
  ...SIDE_PAGES,
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
  '/job/quillfeather/build?at=~ways',
  '/job/quillfeather/build?at=~dig',
  '/job/quillfeather/build?at=~proposed',
  '/job/quillfeather/build?at=~options',
  '/job/quillfeather/build?at=~clear',
  '/job/quillfeather/build?at=~days',
  '/job/quillfeather/build?at=~tables',
  '/job/quillfeather/build?at=~paper',
  '/job/quillfeather-laid/keep',
  '/job/quillfeather-laid/keep?at=~hose-basin',
  '/job/quillfeather-laid/keep?at=~visit-visitAutumn',
  '/job/quillfeather-laid/keep?at=~new-rain',
  '/job/quillfeather-laid/keep?at=~care',
  '/job/quillfeather-laid/keep?at=~built',
  '/job/quillfeather-laid/keep?at=~complaints',
  '/job/quillfeather-laid/keep?at=~out',
  '/job/quillfeather-laid/keep?at=~new-jars',
  '/job/wrenmoor/yard?at=green',
  '/job/wrenmoor/yard?at=pit',
];

/** The three themes, as a device asks for each of them. */
const THEMES = {
  daylight: { colorScheme: 'light', contrast: 'no-preference' },
  glare: { colorScheme: 'light', contrast: 'more' },
  dusk: { colorScheme: 'dark', contrast: 'no-preference' },
} as const;

const rgb = (hex: string): string =>
  `rgb(${hex
    .match(/\w\w/g)!
    .map((two) => parseInt(two, 16))
    .join(', ')})`;

/** On a wide screen the same parts stand side by side, in the same colours: what a theme changes is looked at on the phone. */
async function inThemes(page: Page, path: string, names: readonly (keyof typeof THEMES)[]): Promise<void> {
  await page.goto(path);
  await settled(page);
  await page.evaluate(AXE);
  for (const theme of names) {
    await page.emulateMedia(THEMES[theme]);
    await expect(page.locator('html')).toHaveCSS('background-color', rgb(PALETTES[theme].ground));
    // Of what a theme changes, only contrast can be at fault.
    const rules = theme === 'daylight' ? undefined : ['color-contrast'];
    expect(await faults(page, rules), `${path}, ${theme}`).toEqual([]);
  }
}

/** Screens in parts, so that several are looked over side by side. */
const PART = 11;
for (let from = 0; from < SCREENS.length; from += PART) {
  const part = SCREENS.slice(from, from + PART);
  test(`no serious accessibility fault, in any theme on a phone, from ${part[0]} on`, async ({ page }, { project }) => {
    const names = project.name === 'phone' ? (['daylight', 'glare', 'dusk'] as const) : (['daylight'] as const);
    for (const path of part) await inThemes(page, path, names);
  });
}

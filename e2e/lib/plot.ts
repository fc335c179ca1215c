/** A measured plot that plans are proposed for, and its proposals as they are drawn. */
import { expect, type Page } from '@playwright/test';
import type { Element } from '../../core/src';

/** A house on a lawn that falls north at 3 %, two leaders at its corners, a hollow beside it, a tree on the straight way to the ditch. */
const corners = [
  [6, 4],
  [16, 4],
  [16, 12],
  [6, 12],
].map(([east, north]) => ({ east: east!, north: north! }));
const hollow = { east: 19, north: 14 };
export const PLOT: Element[] = [
  { id: 'job', kind: 'job', name: 'From the rod', units: 'us', pitchStyle: 'ground' },
  { id: 'rain', kind: 'rain', intensity: 3e-5, source: { type: 'typed' } },
  { id: 'house', kind: 'building', name: 'House', outline: corners },
  { id: 'tree', kind: 'tree', name: 'Elm', place: { east: 15, north: 20 }, crown: 5 },
  ...['west', 'east'].map((side, k): Element => ({
    id: side,
    kind: 'downspout',
    name: `Downspout ${side}`,
    storey: 1,
    size: 'rect3x4',
    groundLevel: 0,
    levelFrom: 'ground',
    place: { east: k === 0 ? 6 : 16, north: 12.1 },
  })),
  {
    id: 'roof',
    kind: 'roofFace',
    name: 'Roof',
    storey: 1,
    shape: { type: 'area', area: 90 },
    feeds: [
      { to: 'west', share: 1 },
      { to: 'east', share: 1 },
    ],
  },
  {
    id: 'ditch',
    kind: 'discharge',
    name: 'Ditch',
    place: { east: 14, north: 31 },
    form: 'daylight',
    receiving: 'ditch',
    groundLevel: -1.4,
    stone: true,
    buildingDistance: 30,
  },
  ...Array.from({ length: 256 }, (_, k): Element => {
    const place = { east: 2 * (k % 16), north: 2 * Math.floor(k / 16) };
    const away = Math.hypot(place.east - hollow.east, place.north - hollow.north);
    return {
      id: `l${k}`,
      kind: 'spotLevel',
      name: `L${k}`,
      place,
      level: 0.2 - 0.03 * place.north - 0.25 * Math.exp(-(away ** 2) / 6),
    };
  }),
];

/** px of the page at which the middle of the longest stretch of line lies. */
export async function onLine(page: Page): Promise<{ x: number; y: number }> {
  const picture = page.getByTestId('proposal-picture');
  const box = (await picture.boundingBox())!;
  const { places, width } = await picture.locator('svg').evaluate((svg) => ({
    width: (svg as SVGSVGElement).viewBox.baseVal.width,
    places: [...svg.querySelectorAll('path[stroke-linecap=round]')].map((path) =>
      path
        .getAttribute('d')!
        .split(/[ML]/)
        .filter((pair) => pair !== '')
        .map((pair) => pair.trim().split(/[ ,]/).map(Number)),
    ),
  }));
  const stretches = places.flatMap((way) =>
    way.slice(1).map(([x, y], k) => {
      const [fromX, fromY] = way[k]!;
      return { x: (x! + fromX!) / 2, y: (y! + fromY!) / 2, length: Math.hypot(x! - fromX!, y! - fromY!) };
    }),
  );
  const { x, y } = stretches.sort((a, b) => b.length - a.length)[0]!;
  return { x: box.x + (x * box.width) / width, y: box.y + (y * box.width) / width };
}

/** Lines as they are drawn now. */
export const drawn = (page: Page): Promise<string[]> =>
  page
    .getByTestId('proposal-picture')
    .locator('path[stroke-linecap=round]')
    .evaluateAll((paths) => paths.map((path) => path.getAttribute('d')!));

/** All plans are laid out. */
export async function allLaidOut(page: Page): Promise<void> {
  await expect(page.getByTestId('proposal-cost')).toBeVisible({ timeout: 60_000 });
  await expect(page.getByTestId('stop-looking')).toHaveCount(0, { timeout: 60_000 });
}

/** Takes hold of a line at a place and moves it by so much, px, its price told meanwhile; the cheapest plan is told with it moved. */
export async function dragLine(page: Page, at: { x: number; y: number }, by: { x: number; y: number }): Promise<void> {
  await page.mouse.click(at.x, at.y);
  const ring = page.getByTestId('held-ring');
  await expect(ring).toBeVisible();
  const hold = (await ring.boundingBox())!;
  const [x, y] = [hold.x + hold.width / 2, hold.y + hold.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + by.x, y + by.y, { steps: 6 });
  await expect(page.getByTestId('held-label')).toContainText(/^[+−±]/);
  await page.mouse.up();
  await expect(page.getByText('Least cost, with lines moved')).toBeVisible({ timeout: 30_000 });
}

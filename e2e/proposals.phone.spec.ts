/** From a measured yard to a plan without a Stop: proposed, looked at, taken, taken back. */
import { expect, type Page } from '@playwright/test';
import type { Element } from '../core/src';
import { kept, putJob, saved } from './lib/jobs';
import { test } from './lib/test';

/** A house on a lawn that falls north at 3 %, two leaders at its corners, a hollow beside it, a tree on the straight way to the ditch. */
const corners = [
  [6, 4],
  [16, 4],
  [16, 12],
  [6, 12],
].map(([east, north]) => ({ east: east!, north: north! }));
const hollow = { east: 19, north: 14 };
const YARD: Element[] = [
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

test('a plan is proposed for a measured yard, taken by a tap, and taken back by one undo', async ({
  page,
  request,
}) => {
  test.slow();
  const job = await putJob(request, YARD);
  let taps = 0;
  const tap = async (id: string): Promise<void> => {
    taps++;
    await page.getByTestId(id).tap();
  };
  await page.goto(`/job/${job}/plan`);
  await tap('propose');
  await expect(page.getByTestId('proposal-cost')).toBeVisible({ timeout: 60_000 });
  await expect(page.getByTestId('stop-looking')).toHaveCount(0, { timeout: 60_000 });
  await expect(page.getByTestId('proposal-picture')).toBeVisible();
  await expect(page.getByTestId('proposal-cost')).toContainText(/3 inlets joined by .+1 new basin among them\./);
  await tap('take-proposal');
  await page.waitForURL(/\/plan/);
  await saved(page, job);
  const all = Object.values(await kept(request, job));
  const of = (kind: string): Element[] => all.filter((element) => element.kind === kind);
  expect(of('basin')).toHaveLength(1);
  expect(of('run').length).toBeGreaterThan(2);
  await expect(page.getByText(/\d Stop/)).toHaveCount(0);
  console.log(`from a measured yard to a plan without a Stop: ${taps} taps`);
  expect(taps).toBeLessThanOrEqual(12);
  await page.getByTestId('undo').tap();
  await saved(page, job);
  const after = Object.values(await kept(request, job));
  expect(after.filter(({ kind }) => kind === 'run' || kind === 'basin' || kind === 'junction')).toEqual([]);
});

/** px of the page at which the middle of the longest stretch of line lies. */
async function onLine(page: Page): Promise<{ x: number; y: number }> {
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
const drawn = (page: Page): Promise<string[]> =>
  page
    .getByTestId('proposal-picture')
    .locator('path[stroke-linecap=round]')
    .evaluateAll((paths) => paths.map((path) => path.getAttribute('d')!));

test('a line is dragged and its price told under the finger, a patch put out of bounds, the plan taken, and all of it taken back', async ({
  page,
  request,
}) => {
  test.slow();
  const job = await putJob(request, YARD);
  await page.goto(`/job/${job}/build?at=~proposed`);
  const over = async (): Promise<void> => {
    await expect(page.getByTestId('proposal-cost')).toBeVisible({ timeout: 60_000 });
    await expect(page.getByTestId('stop-looking')).toHaveCount(0, { timeout: 60_000 });
  };
  await over();
  await page.getByTestId('proposal-picture').scrollIntoViewIfNeeded();
  const before = await drawn(page);
  const price = (): Promise<string | null> => page.getByTestId('proposal-cost').getByText(/^\$/).first().textContent();
  const asked = await price();

  const at = await onLine(page);
  await page.mouse.click(at.x, at.y);
  const ring = page.getByTestId('held-ring');
  await expect(ring).toBeVisible();
  const hold = (await ring.boundingBox())!;
  await page.mouse.move(hold.x + hold.width / 2, hold.y + hold.height / 2);
  await page.mouse.down();
  await page.mouse.move(hold.x + hold.width / 2 + 30, hold.y + hold.height / 2 + 8, { steps: 6 });
  await expect(page.getByTestId('held-label')).toContainText(/^[+−±]/);
  await page.mouse.up();
  await expect(page.getByText('Least cost, with lines moved')).toBeVisible({ timeout: 30_000 });
  const moved = await price();
  expect(moved).not.toBe(asked);
  // It is still so after a reload, line by line.
  const by = await drawn(page);
  await page.reload();
  await over();
  await expect(page.getByText('Least cost, with lines moved')).toBeVisible({ timeout: 30_000 });
  expect(await price()).toBe(moved);
  expect(await drawn(page)).toEqual(by);
  await page.getByTestId('put-back').tap();
  await expect.poll(() => drawn(page)).toEqual(before);

  // Not here: no line comes near the patch any more, and the patch is still there after a reload.
  await page.mouse.click(at.x, at.y);
  await page.getByTestId('not-here').tap();
  await expect.poll(() => drawn(page), { timeout: 60_000 }).not.toEqual(before);
  await over();
  const round = await drawn(page);
  expect(round.length).toBeGreaterThan(2);
  await page.reload();
  await over();
  expect(await drawn(page)).toEqual(round);

  await page.getByTestId('take-proposal').tap();
  await page.waitForURL(/\/plan/);
  await saved(page, job);
  const runs = async (): Promise<number> =>
    Object.values(await kept(request, job)).filter(({ kind }) => kind === 'run').length;
  expect(await runs()).toBeGreaterThan(2);
  await page.getByTestId('undo').tap();
  await saved(page, job);
  expect(await runs()).toBe(0);
});

test('what is unticked is left as it is, and the rest is planned', async ({ page, request }) => {
  const job = await putJob(request, YARD);
  await page.goto(`/job/${job}/build?at=~proposed`);
  await expect(page.getByTestId('lead-west')).toBeVisible({ timeout: 60_000 });
  await page.getByTestId('lead-west').tap();
  await expect(page.getByTestId('proposal-cost')).toContainText('2 inlets joined', { timeout: 60_000 });
  await page.getByTestId('lead-west').tap();
  await expect(page.getByTestId('proposal-cost')).toContainText('3 inlets joined', { timeout: 60_000 });
});

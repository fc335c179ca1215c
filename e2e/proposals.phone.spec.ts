/** From a measured yard to a plan without a Stop: proposed, looked at, taken, taken back. */
import { expect } from '@playwright/test';
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
  await expect(page.getByText('Looking for the lines.')).toHaveCount(0, { timeout: 60_000 });
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

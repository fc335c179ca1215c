/** An old pipe found by two test pits; and several pipes of a yard chosen by drawing round them. */
import { expect, type Page } from '@playwright/test';
import type { Element } from '../core/src';
import { kept, lookedAt, putJob, saved } from './lib/jobs';
import { test } from './lib/test';

const at = (east: number, north: number) => ({ east, north });
const run = (from: string, to: string, more: object = {}): Element =>
  ({
    id: `pipe-${from}`,
    kind: 'run',
    name: `From ${from}`,
    from,
    to,
    length: 20,
    material: 'singleWall',
    nominal: 0.1524,
    grade: { type: 'auto' },
    ...more,
  }) as Element;
const YARD: Element[] = [
  { id: 'job', kind: 'job', name: 'Old line', units: 'metric', pitchStyle: 'ground' },
  { id: 'rain', kind: 'rain', intensity: 4e-5, source: { type: 'typed' } },
  { id: 'lawn', kind: 'surface', name: 'Lawn', cover: 'paving', area: 250, feeds: [{ to: 'basin', share: 1 }] },
  { id: 'basin', kind: 'basin', name: 'Basin', grate: 'flat18', groundLevel: 0, place: at(0, 0) },
  { id: 'other', kind: 'basin', name: 'Other', grate: 'flat12', groundLevel: 0, place: at(0, 12) },
  { id: 'node', kind: 'junction', form: 'cleanout', name: 'Cleanout', groundLevel: 0, place: at(20, 0) },
  {
    id: 'out',
    kind: 'discharge',
    name: 'Ditch',
    form: 'daylight',
    receiving: 'ditch',
    groundLevel: -1.6,
    place: at(40, 0),
    stone: true,
    buildingDistance: 30,
  },
  run('basin', 'node'),
  run('node', 'out'),
  run('other', 'out', { length: 42 }),
];

async function write(page: Page, label: string, typed: string): Promise<void> {
  const box = page.getByLabel(label, { exact: true });
  await box.fill(typed);
  await box.press('Enter');
}

test('an old pipe is judged both ways until two test pits say how it lies', async ({ page, request }) => {
  const job = await putJob(request, YARD);
  await page.goto(`/job/${job}/plan?at=pipe-basin`);
  await page.getByRole('radio', { name: 'Old, kept' }).tap();
  await expect(page.getByText('Nobody has found how From basin falls', { exact: false }).first()).toBeVisible();
  await write(page, 'Falls at least', '0.1%');
  await expect(page.getByTestId('verdict')).toContainText('If From basin falls only 0.10%');
  for (const [along, deep] of [
    ['2', '600'],
    ['18', '760'],
  ] as const) {
    await write(page, 'How far down it', along);
    await write(page, 'Ground to its bottom', deep);
    await page.getByRole('button', { name: 'Write this pit down' }).tap();
    await lookedAt(page);
  }
  // 160 mm over 16 m: one in a hundred, and nothing is left in doubt.
  await expect(page.getByTestId('verdict')).not.toContainText('If From basin');
  await expect(page.getByText('Nobody has found how From basin falls', { exact: false })).toHaveCount(0);
  await saved(page, job);
  const found = (await kept(request, job))['pipe-basin'] as { old: { pits: { along: number; level: number }[] } };
  expect(found.old.pits).toEqual([
    { along: 2, level: expect.closeTo(-0.6, 3) },
    { along: 18, level: expect.closeTo(-0.76, 3) },
  ]);
});

test('three pipes are chosen by drawing round them, and laid in another make in one step', async ({
  page,
  request,
}) => {
  const job = await putJob(request, YARD);
  await page.goto(`/job/${job}/yard?at=~pipes`);
  const plan = page.getByTestId('ground-plan');
  const box = (await plan.boundingBox())!;
  const tapAt = async (x: number, y: number): Promise<void> => {
    await page.touchscreen.tap(box.x + x * box.width, box.y + y * box.height);
    await lookedAt(page);
  };
  await expect(page.getByText('Tap the corners of an outline round the pipes.')).toBeVisible();
  // All that is drawn.
  for (const [x, y] of [
    [0.02, 0.05],
    [0.84, 0.05],
    [0.84, 0.97],
    [0.02, 0.97],
  ] as const)
    await tapAt(x, y);
  await expect(page.getByText('3 pipes within that.')).toBeVisible();
  await page.getByRole('radio', { name: /^Smooth PVC/ }).tap();
  await saved(page, job);
  const makes = async (): Promise<string[]> =>
    Object.values(await kept(request, job)).flatMap((element) =>
      element.kind === 'run' ? [(element as { material: string }).material] : [],
    );
  expect(await makes()).toEqual(['smooth', 'smooth', 'smooth']);
  await lookedAt(page);
  await page.getByTestId('undo').tap();
  await saved(page, job);
  expect(await makes()).toEqual(['singleWall', 'singleWall', 'singleWall']);
});

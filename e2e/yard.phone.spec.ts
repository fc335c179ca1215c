import { expect, type Page } from '@playwright/test';
import { test } from './lib/test';
import type { Element } from '../core/src';
import { bounce, fingersOn, type Spot } from './lib/fingers';
import { copyOfSample, kept, lookedAt, putJob, saved } from './lib/jobs';
import { settled } from './lib/settled';

/** Taps so far: the way from nothing to a yard is short, and how short is printed. */
let taps = 0;
const tap = async (page: Page, name: string | RegExp, role: 'button' | 'radio' | 'link' = 'button'): Promise<void> => {
  taps++;
  await page.getByRole(role, { name }).first().tap();
};

/** Taps the plan, at a share of its width and height. */
async function tapPlan(page: Page, across: number, down: number): Promise<void> {
  taps++;
  const box = (await page.getByTestId('ground-plan').boundingBox())!;
  await page.touchscreen.tap(box.x + across * box.width, box.y + down * box.height);
}

async function walkWall(page: Page, length: string): Promise<void> {
  taps++;
  await page.getByTestId('pace-length').fill(length);
  await page.getByTestId('pace-length').press('Enter');
}

test('from nothing to a paced-out house with its roof, twelve levels, a pond where the hollow is, and the basin it suggests', async ({
  page,
  request,
}) => {
  taps = 0;
  await page.goto('/new');
  await page.getByTestId('new-name').fill('Behind the mill');
  await tap(page, 'Measure the yard first');
  await expect(page.getByText('Nothing is on the plan yet')).toBeVisible();
  await tap(page, 'Pace out a house');
  await tap(page, 'Start in the middle');
  for (const wall of ['40', '26', '40']) await walkWall(page, wall);
  await tap(page, /^Back to the start: 26/);
  await expect(page.getByText(/^Closes within 0\sin/)).toBeVisible();
  await tap(page, 'That is the house');
  await tap(page, 'Put its roof on');
  await tap(page, /at each end of each gutter/, 'radio');
  await expect(page.getByText(/^2 faces: 520\sft², 520\sft²/)).toBeVisible();
  await tap(page, 'Put it on');
  await tap(page, 'Close');
  const job = new URL(page.url()).pathname.split('/')[2]!;
  await tap(page, 'Levels');
  await tap(page, 'Smaller');
  await tap(page, 'Smaller');
  // The rod goes round the yard, and into the hollow that lies south-east of the house.
  const rods: [number, number][] = [
    [0.35, 0.1],
    [0.6, 0.08],
    [0.2, 0.35],
    [0.75, 0.35],
    [0.2, 0.7],
    [0.3, 0.95],
    [0.56, 0.97],
    [0.8, 0.95],
    [0.78, 0.7],
    [0.45, 0.66],
    [0.56, 0.76],
    [0.64, 0.84],
  ];
  for (const [across, down] of rods) {
    await tapPlan(page, across, down);
    taps++;
    await page.getByTestId('read-rod').tap();
    await expect(page.getByText('Tap where the rod stands.')).toBeVisible();
  }
  await tap(page, 'Close');
  console.log(`from nothing to a house, its roof, four downspouts and twelve levels: ${taps} taps`);
  // The pond stands where the hollow is, and a basin goes to its lowest.
  await tap(page, 'What it says');
  await expect(page.getByRole('heading', { name: 'Ponds by the levels, seen by nobody yet' })).toBeVisible();
  await tap(page, 'Put a basin there');
  await expect(page.getByRole('heading', { name: 'Basin 1', level: 2 })).toBeVisible();
  await saved(page, job);
  const elements = Object.values(await kept(request, job));
  expect(elements.filter(({ kind }) => kind === 'spotLevel')).toHaveLength(12);
  expect(elements.filter(({ kind }) => kind === 'downspout')).toHaveLength(4);
  const [book] = elements.filter(({ kind }) => kind === 'levelBook');
  expect(book).toMatchObject({ kind: 'levelBook' });
  const basin = elements.find(({ kind }) => kind === 'basin');
  // The ground that the rod read has its hollow at 8 m east and 8 m south.
  expect(basin).toMatchObject({ levelFrom: 'ground' });
  if (basin?.kind === 'basin') expect(Math.hypot(basin.place!.east - 8, basin.place!.north + 8)).toBeLessThan(3);
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Basin 1', level: 2 })).toBeVisible();
  await expect(page.getByTestId('ground-plan')).toContainText('Basin 1');
  // What it gathers is the ground's own, and can be asked for.
  await expect(page.getByRole('button', { name: /^Comes over the ground/ })).not.toContainText('0 gpm');
});

test('a line is drawn by taps with a bend, ends on another as a wye, and a corner is dragged and taken back', async ({
  page,
  request,
}) => {
  const at = (east: number, north: number) => ({ east, north });
  const job = await putJob(request, [
    { id: 'job', kind: 'job', name: 'Lines', units: 'metric', pitchStyle: 'ground' },
    { id: 'a', kind: 'downspout', name: 'A', storey: 1, size: 'rect2x3', groundLevel: 0, place: at(-10, 8) },
    { id: 'b', kind: 'downspout', name: 'B', storey: 1, size: 'rect2x3', groundLevel: 0, place: at(-10, -8) },
    {
      id: 'out',
      kind: 'discharge',
      name: 'Out',
      form: 'daylight',
      receiving: 'swale',
      groundLevel: -2,
      place: at(10, 8),
    },
  ]);
  await page.goto(`/job/${job}/yard`);
  await page.getByTestId('yard-line').tap();
  const box = (await page.getByTestId('ground-plan').boundingBox())!;
  // All is fitted to the width: 20 m between the marks, 26 px of margin at the left and 66 at the right.
  const scale = (box.width - 92) / 20;
  const spot = (east: number, north: number): [number, number] => [
    box.x + box.width / 2 - 20 + east * scale,
    box.y + box.height / 2 - north * scale,
  ];
  await page.touchscreen.tap(...spot(-10, 8));
  await page.touchscreen.tap(...spot(0, 4));
  // The page goes in the middle of a line, and comes back with what was drawn of it.
  await page.reload();
  await expect(page.getByText('Tap its bends')).toBeVisible();
  await page.touchscreen.tap(...spot(10, 8));
  await expect(page.getByRole('heading', { name: 'A to Out' })).toBeVisible();
  await saved(page, job);
  await page.goto(`/job/${job}/yard?at=~line`);
  await expect(page.getByText('Tap where the water is')).toBeVisible();
  // A thumb that slips: nothing stands there to start from, and it says so.
  await page.touchscreen.tap(...spot(3, -5));
  await expect(page.getByRole('alert')).toContainText('A line starts on a downspout');
  await page.touchscreen.tap(...spot(-10, -8));
  await page.touchscreen.tap(...spot(-5, 6));
  await expect(page.getByRole('heading', { name: 'B to Wye 1' })).toBeVisible();
  await saved(page, job);
  const elements = await kept(request, job);
  const runs = Object.values(elements).filter((element) => element.kind === 'run');
  expect(runs).toHaveLength(3);
  expect(runs.every(({ lengthFrom }) => lengthFrom === 'plan')).toBe(true);
  expect(runs.filter(({ bends }) => (bends?.length ?? 0) > 0)).toHaveLength(1);
  // The bend is taken hold of and moved, and undo brings it back.
  const bent = runs.find(({ bends }) => bends)!;
  await page.goto(`/job/${job}/yard?at=${bent.id}`);
  await expect(page.getByRole('heading', { name: 'Wye 1 to Out' })).toBeVisible();
  const length = page.getByTestId('run-length');
  const before = await length.inputValue();
  await dragOnPlan(page, 0, 60);
  await expect(length).not.toHaveValue(before);
  await page.getByTestId('undo').tap();
  await expect(length).toHaveValue(before);
});

/** Drags a handle of what is chosen by so many px: its first corner, unless another is given. Lifted at rest: after a flick, a browser takes the next tap as one that stops it. */
async function dragOnPlan(page: Page, dx: number, dy: number, which = 'circle[r="11"]'): Promise<void> {
  const handle = page.getByTestId('ground-plan').locator(which).first();
  const { x, y, width, height } = (await handle.boundingBox())!;
  const from = { x: x + width / 2, y: y + height / 2 };
  const send = await fingersOn(page);
  await send('touchStart', [from]);
  for (let k = 1; k <= 6; k++) await send('touchMove', [{ x: from.x + (dx * k) / 6, y: from.y + (dy * k) / 6 }]);
  await page.waitForTimeout(200);
  await send('touchMove', [{ x: from.x + dx, y: from.y + dy }]);
  await send('touchEnd', []);
}

test('two fingers make the plan larger about where they are, and one moves it; neither puts anything down', async ({
  page,
  request,
}) => {
  const job = await copyOfSample(request);
  await page.goto(`/job/${job}/yard?at=new~Basin`);
  await expect(page.getByText('Tap where basin is.')).toBeVisible();
  const apart = async (): Promise<number> => {
    const [gas, power] = await Promise.all(
      ['G', 'E'].map((letter) => page.getByTestId('ground-plan').getByText(letter, { exact: true }).boundingBox()),
    );
    return Math.hypot(gas!.x + gas!.width / 2 - power!.x - power!.width / 2, gas!.y - power!.y);
  };
  const before = await apart();
  const box = (await page.getByTestId('ground-plan').boundingBox())!;
  const [cx, cy] = [box.x + box.width / 2, box.y + box.height / 2];
  const send = await fingersOn(page);
  const two = (gap: number): Spot[] => [
    { x: cx - gap, y: cy },
    { x: cx + gap, y: cy },
  ];
  await send('touchStart', two(40));
  for (const gap of [50, 60, 70, 80]) await send('touchMove', two(gap));
  await send('touchEnd', []);
  await expect.poll(async () => (await apart()) / before).toBeCloseTo(2, 1);
  await saved(page, job);
  expect(Object.values(await kept(request, job)).filter(({ kind }) => kind === 'basin')).toHaveLength(1);
});

test('levels come in from a table with its odd rows named, and a photo is kept without where it was taken', async ({
  page,
  request,
}) => {
  const job = await copyOfSample(request);
  await page.goto(`/job/${job}/yard?at=~files`);
  const [levels] = await Promise.all([page.waitForEvent('filechooser'), page.getByTestId('levels-in').tap()]);
  await levels.setFiles({
    name: 'survey.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      'Point,North (ft),East (ft),Level (ft),Code\nA1,20,-30,-1.25,kerb\nA2,25,-30,=1+1,\nA3,30,-30,-1.4,\n',
    ),
  });
  await expect(page.getByText('2 levels, and 1 rows that are none')).toBeVisible();
  await expect(page.getByText('Row 3 holds a formula, which is not a level.')).toBeVisible();
  await page.getByTestId('levels-put-in').tap();
  await expect(page.getByText('2 levels are in. Undo takes them all back.')).toBeVisible();
  await lookedAt(page);
  const [photo] = await Promise.all([page.waitForEvent('filechooser'), page.getByTestId('photo-in').tap()]);
  await photo.setFiles('docs/screenshots/jobs-phone.png');
  await expect(page.getByRole('heading', { name: 'Photo 1' })).toBeVisible();
  await expect(page.getByRole('img', { name: 'Photo 1' })).toBeVisible();
  const [none] = [page.getByTestId('underlay-in')];
  await page.goto(`/job/${job}/yard?at=~files`);
  const [broken] = await Promise.all([page.waitForEvent('filechooser'), none.tap()]);
  await broken.setFiles({ name: 'plan.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('no picture') });
  await expect(page.getByRole('alert')).toContainText('plan.jpg is no picture that this browser can read.');
  await saved(page, job);
  const elements = Object.values(await kept(request, job));
  expect(elements.find((element) => element.kind === 'spotLevel' && element.name === 'A1')).toMatchObject({
    place: { north: 20 * 0.3048, east: -30 * 0.3048 },
    level: -1.25 * 0.3048,
    code: 'kerb',
  });
  const picture = elements.find((element) => element.kind === 'photo');
  const file = await request.get(`/api/files/${picture?.kind === 'photo' ? picture.file : ''}`);
  // Drawn anew, as a small picture of its own.
  expect(file.ok()).toBe(true);
  expect([...(await file.body()).subarray(0, 2)]).toEqual([0xff, 0xd8]);
});

test('a tree is tied in by two tapes from the corners of a house, and tapes that do not meet say by how much', async ({
  page,
  request,
}) => {
  const corner = (east: number, north: number) => ({ east, north });
  const job = await putJob(request, [
    { id: 'job', kind: 'job', name: 'Tied', units: 'metric', pitchStyle: 'ground' },
    {
      id: 'house',
      kind: 'building',
      name: 'House',
      outline: [corner(0, 0), corner(10, 0), corner(10, 6), corner(0, 6)],
    },
  ]);
  await page.goto(`/job/${job}/yard?at=new~Tree`);
  await page.getByTestId('by-tapes').tap();
  await expect(page.getByText('Tap the first corner on the plan.')).toBeVisible();
  await settled(page);
  const box = (await page.getByTestId('ground-plan').boundingBox())!;
  const scale = (box.width - 92) / 10;
  const tapAt = (east: number, north: number): Promise<void> =>
    page.touchscreen.tap(box.x + box.width / 2 - 20 + (east - 5) * scale, box.y + box.height / 2 - (north - 3) * scale);
  await tapAt(0, 0);
  await expect(page.getByText('Tap the other corner.')).toBeVisible();
  await tapAt(10, 0);
  await page.getByTestId('tape-first').fill('6');
  await page.getByTestId('tape-first').press('Enter');
  await page.getByTestId('tape-second').fill('3');
  await page.getByTestId('tape-second').press('Enter');
  await expect(page.getByRole('alert')).toContainText(/1,000\smm too short/);
  await page.getByTestId('tape-second').fill('8');
  await page.getByTestId('tape-second').press('Enter');
  await expect(page.getByText('The tapes cut at 90°.')).toBeVisible();
  await page.getByTestId('tape-put').tap();
  await expect(page.getByRole('heading', { name: 'Tree 1' })).toBeVisible();
  await saved(page, job);
  const tree = Object.values(await kept(request, job)).find(({ kind }) => kind === 'tree');
  const place = tree?.kind === 'tree' ? tree.place! : corner(0, 0);
  expect(Math.hypot(place.east - 3.6, place.north - 4.8)).toBeLessThan(0.001);
});

test('a house is taken hold of and moved with its roof and downspouts, and undo puts it back; a section through it says its fall', async ({
  page,
  request,
}) => {
  const job = await copyOfSample(request);
  const before = await kept(request, job);
  const house = Object.values(before).find(({ kind }) => kind === 'building')!;
  await page.goto(`/job/${job}/yard?at=${house.id}`);
  await dragOnPlan(page, 0, 30, '[data-testid=grip]');
  await expect.poll(async () => (await kept(request, job))[house.id]).not.toEqual(house);
  await saved(page, job);
  const after = await kept(request, job);
  const north = (element: Element | undefined, field: 'outline' | 'place'): number => {
    const at = (element as unknown as Record<string, unknown>)[field];
    return (Array.isArray(at) ? at[0] : at).north;
  };
  const by = north(after[house.id], 'outline') - north(house, 'outline');
  expect(by).toBeLessThan(-1);
  for (const element of Object.values(before)) {
    if (element.kind === 'roofFace' && element.outline)
      expect(north(after[element.id], 'outline') - north(element, 'outline')).toBeCloseTo(by, 6);
    if (element.kind === 'spotLevel') expect(after[element.id]).toEqual(element);
  }
  await page.getByTestId('undo').tap();
  // A finger's tap comes a moment after its touch: nothing may wait yet.
  await expect.poll(async () => (await kept(request, job))[house.id]).toEqual(house);
  await page.goto(`/job/${job}/yard?at=~says`);
  await page.getByTestId('yard-section').tap();
  await expect(page.getByText('Tap where the section begins, then where it goes.')).toBeVisible();
  await tapPlan(page, 0.15, 0.3);
  await tapPlan(page, 0.8, 0.75);
  await expect(page.getByRole('heading', { name: /^(Rises|Falls) .* in over / })).toBeVisible();
  await expect(page.getByTestId('cut')).toBeVisible();
  await tap(page, 'Begin anew');
  await expect(page.getByText('Tap where the section begins, then where it goes.')).toBeVisible();
});

test('the ground of a thousand levels comes from the worker: the page answers meanwhile, and what is drawn follows', async ({
  page,
  request,
}) => {
  const levels = Array.from({ length: 1000 }, (_, k): Element => {
    const place = { east: 2 * (k % 32), north: 2 * Math.floor(k / 32) };
    const level = 1 - 0.01 * place.north - 0.4 * Math.exp(-((place.east - 30) ** 2 + (place.north - 30) ** 2) / 40);
    return { id: `level${k}`, kind: 'spotLevel', name: `L${k}`, place, level };
  });
  const job = await putJob(request, [
    { id: 'job', kind: 'job', name: 'Large', units: 'metric', pitchStyle: 'ground' },
    ...levels,
  ]);
  await page.goto(`/job/${job}/yard?at=~says`);
  await expect(page.getByRole('heading', { name: 'Ponds by the levels, seen by nobody yet' })).toBeVisible();
  await expect(page.getByTestId('ground-under-way')).toHaveCount(0);
  await tap(page, 'Put a basin there');
  await expect(page.getByRole('heading', { name: 'Basin 1', level: 2 })).toBeVisible();
  await saved(page, job);
  const basin = Object.values(await kept(request, job)).find(({ kind }) => kind === 'basin');
  expect(Math.hypot(basin?.kind === 'basin' ? basin.place!.east - 30 : 99)).toBeLessThan(2);
  await expect(page.getByTestId('ground-plan')).toContainText('deep');
});

test('a move that a second finger breaks off is none: the house is where it was, drawn and kept', async ({
  page,
  request,
}) => {
  const job = await copyOfSample(request);
  const before = await kept(request, job);
  const house = Object.values(before).find(({ kind }) => kind === 'building')!;
  await page.goto(`/job/${job}/yard?at=${house.id}`);
  for (const which of ['[data-testid=grip]', 'circle[r="11"]']) {
    const handle = page.getByTestId('ground-plan').locator(which).first();
    const was = (await handle.boundingBox())!;
    const from = { x: was.x + was.width / 2, y: was.y + was.height / 2 };
    const send = await fingersOn(page);
    const moved = { x: from.x + 20, y: from.y + 40 };
    await send('touchStart', [from]);
    await send('touchMove', [moved]);
    await expect.poll(async () => (await handle.boundingBox())!.y).not.toBeCloseTo(was.y, 0);
    await send('touchStart', [moved, { x: from.x + 90, y: from.y + 90 }]);
    await send('touchEnd', []);
    await expect.poll(async () => (await handle.boundingBox())!.y).toBeCloseTo(was.y, 0);
  }
  await expect(page.getByTestId('undo')).toBeDisabled();
  expect((await kept(request, job))[house.id]).toEqual(house);
});

test('a thumb that bounces puts one place down: a section does not end where it begins', async ({ page, request }) => {
  const job = await copyOfSample(request);
  await page.goto(`/job/${job}/yard?at=~says`);
  await page.getByTestId('yard-section').tap();
  await expect(page.getByText('Tap where the section begins, then where it goes.')).toBeVisible();
  const box = (await page.getByTestId('ground-plan').boundingBox())!;
  const middle = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  await bounce(page, middle);
  await expect(page.getByText('Tap where it goes next.')).toBeVisible();
  // Nor where somebody taps there once more.
  await lookedAt(page);
  await page.touchscreen.tap(middle.x, middle.y);
  await lookedAt(page);
  await expect(page.getByText('Tap where it goes next.')).toBeVisible();
  await page.touchscreen.tap(middle.x - 90, middle.y);
  await expect(page.getByRole('region', { name: 'Section' })).toContainText(/over|no levels there/);
});

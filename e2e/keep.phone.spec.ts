import { expect, type Page } from '@playwright/test';
import { quillfeatherLaid } from '../core/src/samples';
import { headOf } from '../core/src/job/job';
import { test } from './lib/test';
import { copyOfSample, kept, lookedAt, putJob, saved } from './lib/jobs';

/** A red square, as a photo. */
const PNG = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAoAAAAKCAIAAAACUFjqAAAAEklEQVR4nGP4z8CAB+GTG8HSALfKY52fTcuYAAAAAElFTkSuQmCC',
  'base64',
);

const fill = async (page: Page, field: string, typed: string): Promise<void> => {
  await page.getByTestId(field).fill(typed);
  await page.getByTestId(field).blur();
};

/** Begins a hose test at the lawn basin; the water runs. */
async function pour(page: Page): Promise<void> {
  await page.getByTestId('pour-basin').click();
  await lookedAt(page);
  await page.getByTestId('water-on').click();
  await expect(page.getByTestId('hose-clock')).toBeVisible();
}

const visitsKept = async (request: Parameters<typeof kept>[0], job: string) =>
  Object.values(await kept(request, job)).filter((element) => element.kind === 'visit');

test('a hose test by thumb with no signal: five taps and one number, sent when there is signal again', async ({
  page,
  request,
  context,
}) => {
  const job = await copyOfSample(request);
  await page.goto(`/job/${job}/keep`);
  await expect(page.getByTestId('pour-basin')).toContainText('Not tested yet');
  await context.setOffline(true);
  await pour(page);
  await expect(page.getByTestId('hose-expects')).toContainText(/6\.0\sgpm shows at Roadside swale after/);
  // The keyboard and the thumb are busy elsewhere for a while: the clock goes on.
  await page.waitForTimeout(1200);
  await page.getByTestId('it-shows').click();
  await expect(page.getByTestId('hose-time')).toHaveValue(/^[1-9]\ss$/);
  await fill(page, 'bucket-in', '50');
  await page.getByTestId('hose-done').click();
  // Two seconds are too soon for forty feet of pipe.
  await expect(page.getByTestId('visit-says')).toContainText('Too soon');
  await context.setOffline(false);
  await saved(page, job);
  const [visit] = await visitsKept(request, job);
  expect(visit).toMatchObject({ test: { type: 'hose', into: 'basin' }, said: { asPlanned: false } });
  expect(visit!.test).not.toHaveProperty('running');
});

test('a slow line is explained, and the next test named; what was told stays when the plan changes', async ({
  page,
  request,
}) => {
  const job = await copyOfSample(request);
  await page.goto(`/job/${job}/keep`);
  await pour(page);
  await page.reload();
  // A page that was lost comes back to the running clock.
  await page.getByTestId('it-shows').click();
  await fill(page, 'hose-time', '0');
  await expect(page.getByText('A test takes longer than no time at all.')).toBeVisible();
  await fill(page, 'hose-time', '6:40');
  await fill(page, 'bucket-in', '50');
  await page.getByTestId('hose-done').click();
  await expect(page.getByTestId('visit-says')).toContainText('Slow');
  await expect(page.getByTestId('explained')).toContainText(/Most likely|Likely|Almost surely/);
  await expect(page.getByTestId('next-test')).toContainText(/It tells “.+” from “.+”/);
  const told = await page.getByTestId('visit-says').textContent();
  await saved(page, job);
  const { basin } = await kept(request, job);
  await request.post(`/api/jobs/${job}/changes`, {
    data: { change: 'change-01', label: 'Out', puts: [], removes: [{ id: 'basin', base: 1 }] },
  });
  expect(basin).toBeDefined();
  await page.reload();
  await expect(page.getByTestId('visit-says')).toContainText(told!.slice(0, 20));
});

test('two phones at the two ends share one clock and write down one test', async ({ browser, request }) => {
  const job = await copyOfSample(request);
  const [hose, end] = [await (await browser.newContext()).newPage(), await (await browser.newContext()).newPage()];
  for (const page of [hose, end]) await page.goto(`/job/${job}/keep`);
  await pour(hose);
  await expect(end.getByTestId('visit-row')).toContainText('Running for');
  await end.getByTestId('visit-row').click();
  await expect(end.getByTestId('it-shows')).toBeVisible();
  await fill(hose, 'bucket-in', '50');
  await lookedAt(end);
  await end.getByTestId('it-shows').click();
  await expect(hose.getByTestId('hose-time')).toHaveValue(/s$/);
  await expect(end.getByTestId('bucket-in')).toHaveValue(/50\ss/);
  await hose.getByTestId('hose-done').click();
  await expect(hose.getByTestId('visit-says')).toBeVisible();
  await saved(hose, job);
  const visits = await visitsKept(request, job);
  expect(visits).toHaveLength(1);
  expect(visits[0]!.test).toMatchObject({ bucket: { seconds: 50 }, shows: expect.any(Number) });
  await hose.context().close();
  await end.context().close();
});

test('a rain visit with a photo: what the plan gives for just that rain, why it stood, and how much of its grate is counted on', async ({
  page,
  request,
}) => {
  test.setTimeout(90_000);
  const job = await copyOfSample(request);
  await page.goto(`/job/${job}/keep?at=~new-rain`);
  await page.getByTestId('keep-visit').click();
  await expect(page.getByRole('alert')).toContainText('How much rain fell');
  await fill(page, 'rain-depth', '1.2');
  await fill(page, 'rain-hours', '1');
  await fill(page, 'stood-basin', '4');
  await page.getByTestId('visit-note').fill('Leaves over the grate');
  await page.getByTestId('keep-visit').click();
  await expect(page.getByTestId('rain-explained')).toContainText(/over its grate is to be expected/, {
    timeout: 30_000,
  });
  await expect(page.getByTestId('rain-explained')).toContainText('Lawn basin: its grate was shut', { timeout: 60_000 });
  await page.getByTestId('take-over').click({ timeout: 60_000 });
  await saved(page, job);
  expect((await kept(request, job)).basin).toMatchObject({ clogging: 0.95 });
  const chooser = page.waitForEvent('filechooser');
  await page.getByTestId('visit-photo').click();
  await (await chooser).setFiles({ name: 'wet.png', mimeType: 'image/png', buffer: PNG });
  await expect(page.getByRole('img', { name: /^Rain of 1\.20\sin/ })).toBeVisible();
  await saved(page, job);
  const all = Object.values(await kept(request, job));
  const photo = all.find(({ kind }) => kind === 'photo')!;
  expect(all.find(({ kind }) => kind === 'visit')).toMatchObject({ photos: [photo.id], note: 'Leaves over the grate' });
  // It stands on the plan, at what it is of.
  expect(photo).toMatchObject({ place: { east: 22.5552, north: -9.144 } });
});

test('a pit’s soil is taken over by a tap, and never unasked', async ({ page, request }) => {
  const pit = {
    id: 'pit',
    kind: 'discharge' as const,
    name: 'Dry well',
    form: 'dryWell' as const,
    receiving: 'lawn' as const,
    groundLevel: -0.3,
    buildingDistance: 8,
  };
  const visit = {
    id: 'drained',
    kind: 'visit' as const,
    at: '2026-11-30T09:00:00Z',
    test: {
      type: 'drainDown' as const,
      of: 'pit',
      readings: [0, 1, 2, 3].map((k) => ({ time: 3600 * k, depth: 1 - 0.05 * k })),
    },
  };
  const elements = quillfeatherLaid().elements.all;
  const job = await putJob(request, [...elements, pit, visit]);
  await page.goto(`/job/${job}/keep?at=~visit-drained`);
  await expect(page.getByTestId('visit-says')).toContainText(/The soil takes [\d.]+\sin\/h \(/);
  expect((await kept(request, job)).pit).not.toHaveProperty('store');
  await page.getByTestId('take-over').click();
  await saved(page, job);
  expect((await kept(request, job)).pit).toMatchObject({ store: { conductivity: expect.any(Number) } });
  await expect(page.getByTestId('take-over')).toHaveCount(0);
  await page.getByTestId('undo').click();
  await saved(page, job);
  expect((await kept(request, job)).pit).not.toHaveProperty('store');
});

test('care is ticked off, its dates and its page are taken to another device, and the round says where to go', async ({
  page,
  request,
  browser,
}) => {
  const laid = quillfeatherLaid();
  const head = headOf(laid);
  const job = await putJob(
    request,
    laid.elements.all.map((element) => (element.id === 'job' ? { ...head, name: 'A round of ours' } : element)),
  );
  await page.goto(`/job/${job}/keep?at=~care`);
  const gutters = page.getByTestId('care-gutters');
  const before = await gutters.textContent();
  await page.getByTestId('did-gutters').click();
  await expect(gutters).not.toHaveText(before!);
  await expect(gutters).toContainText('Done last on');
  const saving = page.waitForEvent('download');
  await page.getByTestId('make-care.ics').click();
  expect((await saving).suggestedFilename()).toBe('a-round-of-ours-care.ics');
  await page.getByTestId('share-keeper').click();
  const link = (await page.getByTestId('keeper-link').textContent())!;
  const theirs = await (await browser.newContext()).newPage();
  await theirs.goto(link);
  await expect(theirs.getByText('Rake leaves off the grates', { exact: false }).first()).toBeVisible();
  const dates = theirs.waitForEvent('download');
  await theirs.getByRole('link', { name: /calendar/ }).click();
  expect((await dates).suggestedFilename()).toBe('drainage.ics');
  await theirs.context().close();
  await page.goto('/rounds');
  await page.getByRole('radio', { name: 'In two months' }).click();
  const round = page.getByTestId(`round-${job}`);
  await expect(round).toContainText('due', { timeout: 20_000 });
  await round.click();
  await expect(page.getByTestId('laid-on')).toHaveValue('2025-11-20');
});

test('a complaint stays open until a visit closes it', async ({ page, request }) => {
  const job = await copyOfSample(request);
  await page.goto(`/job/${job}/keep?at=~complaints`);
  await page.getByTestId('keep-complaint').click();
  await expect(page.getByText('Write down what they saw, in their own words.')).toBeVisible();
  await page.getByTestId('complaint-saw').fill('It still stands by the gate');
  await page.getByTestId('keep-complaint').click();
  await expect(page.getByTestId('complaint')).toContainText('A visit closes it');
  await page.getByTestId('ask-rain').click();
  await expect(page.getByTestId('complaint')).toContainText(/in of rain that day/);
  await page.getByRole('button', { name: 'All of Keep' }).click();
  await expect(page.getByTestId('keep-complaints')).toContainText('1 open');
  await page.getByTestId('new-look').click();
  await page.getByTestId('visit-note').fill('Dry after the leaves were raked');
  await page.getByTestId('keep-visit').click();
  await page.goto(`/job/${job}/keep?at=~complaints`);
  await page
    .getByTestId('complaint')
    .getByRole('radio', { name: /^A look/ })
    .click();
  await expect(page.getByTestId('complaint')).toContainText('Closed on');
});

/** What the company learns: how a job came out, its own paces, jars side by side, and an old system that another laid. */
import { expect, type Page } from '@playwright/test';
import { brackenfoldOld, quillfeatherLaid, wrenmoor } from '../core/src/samples';
import { copyOfSample, kept, lookedAt, putJob, saved } from './lib/jobs';
import { test } from './lib/test';

const fill = async (page: Page, field: string, typed: string): Promise<void> => {
  await page.getByTestId(field).fill(typed);
  await page.getByTestId(field).blur();
};

test('a job is settled with its hours and bills, offline too, and the company plans by what its jobs took', async ({
  page,
  request,
  context,
}) => {
  for (const name of ['One more', 'And one'])
    await putJob(
      request,
      quillfeatherLaid().elements.all.map((each) => (each.kind === 'job' ? { ...each, name } : each)),
    );
  const job = await copyOfSample(request, 'Settled here');
  await page.goto(`/job/${job}/build?at=~days`);
  await page.getByTestId('step-backfill').click();
  await page.getByTestId('done-backfill').click();
  await fill(page, 'took-backfill', '0');
  await expect(page.getByText('more than 0', { exact: false })).toBeVisible();
  await fill(page, 'took-backfill', '2.5');
  await context.setOffline(true);
  await page
    .getByRole('link', { name: 'Keep' })
    .or(page.getByRole('tab', { name: 'Keep' }))
    .first()
    .click();
  await page.getByTestId('keep-out').click();
  await expect(page.getByTestId('took-backfill')).toHaveValue(/2\.5\sh/);
  await fill(page, 'came-asked', '9,000');
  await fill(page, 'cost-parts', '2600');
  await fill(page, 'cost-work', '7000');
  await expect(page.getByTestId('came-left')).toContainText(/Lost/);
  await fill(page, 'cost-work', '');
  await expect(page.getByTestId('cost-work')).toHaveValue('');
  await page.getByTestId('came-settle').click();
  await context.setOffline(false);
  await saved(page, job);
  const all = await kept(request, job);
  expect(all.outcome).toMatchObject({ asked: 900_000, costs: { parts: 260_000 }, settledOn: expect.any(String) });
  const before = ((await (await request.get('/api/company')).json()) as { company: object }).company;
  await page.goto('/figures');
  await expect(page.getByTestId(`year-${job}`)).toContainText('Settled here', { timeout: 20_000 });
  await expect(page.getByTestId('own-paces')).toContainText(/Between .* of \d+ jobs/);
  await page.getByTestId('take-paces').click();
  await expect(page.getByTestId('own-paces')).toContainText('New jobs are planned by them.');
  const { company } = (await (await request.get('/api/company')).json()) as {
    company: { calendar: { pace: number; paces: Record<string, number> } };
  };
  expect(company.calendar.pace).toBeGreaterThan(1);
  expect(company.calendar.paces.line).toBeGreaterThan(1);
  await request.put('/api/company', { data: before });
});

test('jars by the stopwatch, through a page that was lost, stand where the fabric is chosen', async ({
  page,
  request,
}) => {
  const job = await putJob(request, wrenmoor().elements.all);
  await page.goto(`/job/${job}/keep?at=~new-jars`);
  const pour = async (fill: string, time: string | null, colour: string): Promise<void> => {
    await page.getByRole('radio', { name: fill, exact: true }).click();
    if (time === null) {
      await page.getByTestId('jar-on').click();
      await page.waitForTimeout(1200);
      await page.reload();
      await page.getByRole('radio', { name: fill, exact: true }).click();
      await page.getByTestId('jar-through').click();
      await expect(page.getByTestId('jar-seconds')).toHaveValue(/^[1-9]\ss$/);
    } else await page.getByTestId('jar-seconds').fill(time);
    await page.getByTestId('jar-seconds').blur();
    await page.getByRole('radio', { name: colour, exact: true }).click();
  };
  await pour('Non-woven fabric', null, 'Clear');
  await pour('Sock', '1:20', 'Cloudy');
  await expect(page.getByTestId('jars-ranked')).toContainText('Non-woven fabric');
  await page.getByTestId('keep-visit').click();
  await expect(page.getByTestId('visit-says')).toContainText('Each was tried once');
  await saved(page, job);
  await expect
    .poll(async () => JSON.stringify(await (await request.get('/api/jobs/jars')).json()), { timeout: 20_000 })
    .toContain(job);
  await page.goto(`/job/${job}/build?at=~ways`);
  await page.getByTestId('school-fabric').getByRole('button').first().click();
  await expect(page.getByTestId('jars-fabric')).toContainText('as fast as Sock');
});

test('an old line is told by the ways that it may lie; what a camera finds is taken over and narrows it', async ({
  page,
  request,
}) => {
  const job = await putJob(request, brackenfoldOld().elements.all);
  await page.goto(`/job/${job}/keep`);
  await page.getByTestId('keep-old').click();
  await expect(page.getByTestId('old-stands')).toContainText('It holds in 5 of 10 ways');
  await expect(page.getByTestId('unknown-upper')).toContainText('nobody has looked into it');
  await page.getByTestId('look-camera').click();
  await page.getByRole('radio', { name: /Under the passage/ }).click();
  await page.getByRole('radio', { name: 'Open all along' }).click();
  await fill(page, 'met-at', '11');
  await page.getByTestId('keep-visit').click();
  await lookedAt(page);
  await page.getByTestId('take-over').click();
  await saved(page, job);
  expect((await kept(request, job)).upper).toMatchObject({ old: { state: 'sound' } });
  await page.goto(`/job/${job}/keep?at=~old`);
  await expect(page.getByTestId('unknown-upper')).not.toContainText('nobody has looked into it');
  await expect(page.getByTestId('old-stands')).not.toContainText('5 of 10');
  // Both lids lifted, by the rod: 0.55 m and 0.80 m below the sill that the level was set up by.
  await page.goto(`/job/${job}/keep?at=~new-levels`);
  await page.getByTestId('keep-visit').click();
  await expect(page.getByText('Say a known level and the rod on it first.')).toBeVisible();
  await fill(page, 'known-level', '0');
  await fill(page, 'known-rod', '1.2');
  await fill(page, 'read-gully', '1.75');
  await fill(page, 'read-chamber', '2');
  await page.getByTestId('keep-visit').click();
  await lookedAt(page);
  await page.getByTestId('take-over').first().click();
  await saved(page, job);
  expect((await kept(request, job)).upper).toMatchObject({ grade: { up: -0.55, down: -0.8 } });
});

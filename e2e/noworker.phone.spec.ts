import { randomUUID } from 'node:crypto';
import { expect } from '@playwright/test';
import { test } from './lib/test';
import { largeYard } from '../core/src/trial';
import { kept, saved } from './lib/jobs';

test('a job larger than the page plans by itself opens and is changed where its planning worker cannot be had', async ({
  page,
  request,
}) => {
  const id = `large${randomUUID().slice(0, 8)}`;
  const made = await request.post('/api/jobs', { data: { id, elements: largeYard(230, 1500).elements.all } });
  expect(made.ok()).toBe(true);
  let refused = 0;
  await page.route(/\/plan-[0-9a-f]+\.js/, (route) => {
    refused++;
    return route.abort();
  });
  await page.goto(`/job/${id}/walk?at=bed8`);
  await expect(page.getByTestId('verdict')).toBeVisible();
  expect(refused).toBe(1);
  const name = page.getByRole('textbox', { name: 'Name' });
  await name.fill('Bed by the gate');
  await name.press('Enter');
  await expect(page.getByRole('heading', { name: 'Bed by the gate', level: 2 })).toBeVisible();
  await saved(page, id);
  expect(await kept(request, id)).toMatchObject({ bed8: { name: 'Bed by the gate' } });
});

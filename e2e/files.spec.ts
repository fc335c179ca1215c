import { readFileSync } from 'node:fs';
import { expect, type Page } from '@playwright/test';
import { test } from './lib/test';
import { quillfeather } from '../core/src/samples';
import { toFile } from '../core/src';
import { copyOfSample } from './lib/jobs';

async function openFile(page: Page, name: string, content: string): Promise<void> {
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Open a job file' }).click();
  await (await chooser).setFiles({ name, mimeType: 'application/json', buffer: Buffer.from(content) });
}

test('refuses a bad file with every fault named, and takes a good one', async ({ page }) => {
  await page.goto('/');
  const file = toFile(quillfeather());
  const bad = {
    ...file,
    elements: file.elements.map((element) =>
      element.id === 'runBasin' ? { ...element, length: -3, nominal: null } : element,
    ),
  };
  await openFile(page, 'bad.katabasis.json', JSON.stringify(bad));
  const alert = page
    .getByRole('alert')
    .filter({ hasText: 'bad.katabasis.json was not taken in. 2 things are wrong with it:' });
  await expect(alert).toContainText('(runBasin).length must be more than 0.');
  await expect(alert).toContainText('(runBasin).nominal must be a finite number.');
  await openFile(page, 'noise.json', 'not a file');
  await expect(page.getByText(/noise.json was not taken in/)).toBeVisible();
  await openFile(page, 'good.katabasis.json', JSON.stringify(file));
  await expect(page.getByTestId('verdict')).toContainText('Line A lacks');
});

test('saves a job file that reads back to the same job', async ({ page, request }) => {
  const job = await copyOfSample(request, 'To be saved');
  await page.goto(`/job/${job}/plan?at=job`);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as a job file' }).click();
  const saved = await download;
  expect(saved.suggestedFilename()).toBe('to-be-saved.katabasis.json');
  const { elements } = JSON.parse(readFileSync(await saved.path(), 'utf8')) as { elements: { id: string }[] };
  expect(elements.filter((element) => element.id !== 'job')).toEqual(
    toFile(quillfeather()).elements.filter((element) => element.id !== 'job'),
  );
});

test('copies a job, takes it out, and brings it back', async ({ page, request }, info) => {
  const name = `Passing job, ${info.project.name}`;
  await copyOfSample(request, name);
  await page.goto('/');
  await page.getByRole('button', { name: `Copy ${name}`, exact: true }).click();
  await expect(page.getByTestId('verdict')).toBeVisible();
  await expect(page.getByRole('button', { name: new RegExp(`^${name}, copy:`) })).toBeVisible();
  await page.getByRole('button', { name: 'All jobs' }).click();
  await page.getByRole('button', { name: `Take out ${name}`, exact: true }).click();
  await expect(page.getByText(`${name} was taken out.`)).toBeVisible();
  await expect(page.getByRole('link', { name: new RegExp(`^${name}\\.`) })).toHaveCount(0);
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await expect(page.getByRole('link', { name: new RegExp(`^${name}\\.`) })).toBeVisible();
});

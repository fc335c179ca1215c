/** Four low spots of a lawn, each with a basin in one tap, on lines of their own and joined: two plans side by side. */
import { expect } from '@playwright/test';
import type { Element } from '../core/src';
import { kept, putJob, saved } from './lib/jobs';
import { test } from './lib/test';

/** A lawn of 30 m by 30 that falls north at 2 %, with four hollows of 8 in, and a ditch past its north edge. */
const HOLLOWS = [
  [6, 6],
  [22, 8],
  [8, 20],
  [23, 22],
] as const;
const LAWN: Element[] = [
  { id: 'job', kind: 'job', name: 'Four hollows', units: 'us', pitchStyle: 'ground' },
  { id: 'rain', kind: 'rain', intensity: 4e-5, source: { type: 'typed' } },
  {
    id: 'ditch',
    kind: 'discharge',
    name: 'Ditch',
    place: { east: 15, north: 34 },
    form: 'daylight',
    receiving: 'ditch',
    groundLevel: -1,
    stone: true,
    buildingDistance: 30,
  },
  ...Array.from({ length: 256 }, (_, k): Element => {
    const place = { east: 2 * (k % 16), north: 2 * Math.floor(k / 16) };
    const dip = HOLLOWS.reduce(
      (sum, [e, n]) => sum + 0.2 * Math.exp(-((place.east - e) ** 2 + (place.north - n) ** 2) / 5),
      0,
    );
    return { id: `l${k}`, kind: 'spotLevel', name: `L${k}`, place, level: 1 - 0.02 * place.north - dip };
  }),
];

test('a basin in each of four low spots in one tap, each on its own line and joined, compared and one taken', async ({
  page,
  request,
}) => {
  const job = await putJob(request, LAWN);
  await page.goto(`/job/${job}/yard?at=~says`);
  await expect(page.getByRole('heading', { name: '4 low spots without an inlet' })).toBeVisible();
  await page.getByTestId('low-spots').tap();
  await page.waitForURL(/build\?at=~options/);
  await expect(page.getByTestId('option')).toHaveCount(3);
  await saved(page, job);
  const of = async (kind: string): Promise<Element[]> =>
    Object.values(await kept(request, job)).filter((element) => element.kind === kind);
  expect(await of('basin')).toHaveLength(4);
  const own = (await of('run')) as { to: string }[];
  expect(own.map(({ to }) => to)).toEqual(['ditch', 'ditch', 'ditch', 'ditch']);
  await page.getByRole('button', { name: 'Take Joined lines' }).tap();
  await expect(page.getByTestId('option-name')).toHaveValue('Joined lines');
  await saved(page, job);
  const joined = (await of('run')) as { to: string }[];
  expect(joined.filter(({ to }) => to === 'ditch').length).toBeLessThan(4);
  // The whole is one step back each.
  await page.getByTestId('undo').tap();
  await expect(page.getByTestId('option-name')).toHaveValue('Each its own line');
  await page.getByTestId('undo').tap();
  await expect(page.getByText('Nothing is laid yet')).toBeVisible();
  await expect.poll(() => of('basin')).toHaveLength(0);
});

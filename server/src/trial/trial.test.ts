import { join } from 'node:path';
import { dice } from '@katabasis/core/trial';
import { folder } from '../testing/serve';
import { brokenTrial } from './broken';
import { busyTrial, streamTrial } from './busy';
import { clientTrial } from './clients';
import { fullDiskTrial } from './fullDisk';
import { hostileTrial } from './hostile';
import { killTrial } from './kills';
import { startServer } from './started';
import { uploadTrial } from './uploads';

it('has every acknowledged change after a kill at any moment', async () => {
  const figures = await killTrial(folder(), 6, dice(7));
  expect(figures).toMatchObject({ kills: 6, lost: 0 });
  expect(figures.acknowledged).toBeGreaterThan(0);
});

it('takes hostile requests and many clients at once, and stays up', async () => {
  const server = await startServer(folder());
  const { answers } = await hostileTrial(server.base, 1500, dice(11));
  expect(answers['5']).toBeUndefined();
  expect(answers['4']).toBeGreaterThan(500);
  const figures = await clientTrial(server.base, 10, 20, dice(13));
  expect(figures).toMatchObject({ edits: 200, wrong: 0 });
  expect(figures.conflicts).toBeGreaterThan(0);
  await server.kill();
});

it('has every photo that it acknowledged, whole, after a kill at any moment, and goes on with the others', async () => {
  const figures = await uploadTrial(folder(), 4, dice(17));
  expect(figures).toMatchObject({ kills: 4, lost: 0 });
});

it('a migration, a backup or a restore killed at any moment leaves one whole database', async () => {
  expect(await brokenTrial(folder(), 3, dice(19))).toEqual({ migrations: 3, backups: 3, restores: 3, wrong: 0 });
});

it('papers that somebody has made hold up nobody, and a hundred pages hear of a change', async () => {
  const server = await startServer(folder());
  expect(await streamTrial(server.base, 100)).toMatchObject({ heard: 100 });
  const busy = await busyTrial(server.base, { users: 10, runs: 200, papers: 2, quietMs: 500 });
  expect(busy.papers).toBe(2);
  // Planned and drawn between the requests, each set of 200 runs held all others up for seconds.
  expect(busy.median).toBeLessThan(500);
  await server.kill();
});

it('has what it acknowledged and nothing else when the disk fills, again and again', () => {
  const figures = fullDiskTrial(join(folder(), 'full.sqlite'));
  expect(figures).toMatchObject({ refused: 20, wrong: 0 });
  expect(figures.acknowledged).toBeGreaterThan(20);
});

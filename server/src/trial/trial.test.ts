import { join } from 'node:path';
import { dice } from '@katabasis/core/trial';
import { folder } from '../testing/serve';
import { clientTrial } from './clients';
import { fullDiskTrial } from './fullDisk';
import { hostileTrial } from './hostile';
import { killTrial } from './kills';
import { startServer } from './started';

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

it('has what it acknowledged and nothing else when the disk fills, again and again', () => {
  const figures = fullDiskTrial(join(folder(), 'full.sqlite'));
  expect(figures).toMatchObject({ refused: 20, wrong: 0 });
  expect(figures.acknowledged).toBeGreaterThan(20);
});

/** `npm run trial:server [-- KILLS]`: kills, hostile requests and many clients, with their figures. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { clientTrial } from '../trial/clients';
import { fullDiskTrial } from '../trial/fullDisk';
import { hostileTrial } from '../trial/hostile';
import { killTrial } from '../trial/kills';
import { startServer } from '../trial/started';

async function trial([kills = '300']: string[]): Promise<boolean> {
  const data = mkdtempSync(join(tmpdir(), 'katabasis-trial-'));
  try {
    const killed = await killTrial(join(data, 'kills'), Number(kills), Math.random);
    console.log(
      `${killed.kills} kills at random moments: ${killed.acknowledged} changes acknowledged, ${killed.lost} lost; ${killed.repeated} sent again that were there, done once`,
    );
    const server = await startServer(join(data, 'clients'));
    const { requests, answers } = await hostileTrial(server.base, 50_000, Math.random);
    const told = Object.entries(answers).map(([kind, count]) =>
      kind === '0' ? `${count} closed` : `${count} ${kind}xx`,
    );
    console.log(`${requests} hostile requests: ${told.join(', ')}`);
    const clients = await clientTrial(server.base, 20, 200, Math.random);
    console.log(
      `${clients.clients} clients, ${clients.edits} edits of the same twelve things: ${clients.conflicts} conflicts told, ${clients.wrong} lost or doubled; a change ${clients.median.toFixed(0)} ms in the middle, p99 ${clients.p99.toFixed(0)} ms`,
    );
    await server.kill();
    const full = fullDiskTrial(join(data, 'full.sqlite'));
    console.log(
      `a disk that is full, and has room again: ${full.acknowledged} changes acknowledged, ${full.refused} refused as that, ${full.wrong} lost or saved by halves`,
    );
    return killed.lost === 0 && answers['5'] === undefined && clients.wrong === 0 && full.wrong === 0;
  } finally {
    rmSync(data, { recursive: true, force: true });
  }
}

process.exit((await trial(process.argv.slice(2))) ? 0 : 1);

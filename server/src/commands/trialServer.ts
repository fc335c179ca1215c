/** `npm run trial:server [-- KILLS]`: kills, hostile requests and many clients, with their figures. */
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brokenTrial } from '../trial/broken';
import { busyTrial, streamTrial } from '../trial/busy';
import { clientTrial } from '../trial/clients';
import { fullDiskTrial } from '../trial/fullDisk';
import { hostileTrial } from '../trial/hostile';
import { killTrial } from '../trial/kills';
import { lossTrial } from '../trial/replica';
import { startServer } from '../trial/started';
import { uploadTrial } from '../trial/uploads';

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
    const streams = await streamTrial(server.base, 1_000);
    console.log(
      `${streams.streams} pages that listen: ${streams.heard} heard of a change, the last ${streams.last.toFixed(0)} ms after it was sent`,
    );
    const busy = await busyTrial(server.base, { users: 200, runs: 1_250, papers: 3, quietMs: 10_000 });
    const ms = (value: number): string => `${value.toFixed(0)} ms`;
    console.log(
      `200 users while ${busy.papers} sets of 1,250 runs were made in ${busy.seconds.toFixed(0)} s: ${busy.asked} requests, ${ms(busy.median)} in the middle, p99 ${ms(busy.p99)}, longest ${ms(busy.longest)}; without them p99 ${ms(busy.quietP99)}, longest ${ms(busy.quietLongest)}`,
    );
    await server.kill();
    const uploads = await uploadTrial(join(data, 'uploads'), Math.round(Number(kills) / 5), Math.random);
    console.log(
      `${uploads.kills} kills while photos were sent in pieces: ${uploads.kept} acknowledged, ${uploads.lost} lost; ${uploads.continued} gone on with where they broke off`,
    );
    mkdirSync(join(data, 'broken'));
    const broken = await brokenTrial(join(data, 'broken'), Math.round(Number(kills) / 10), Math.random);
    console.log(
      `kills of ${broken.migrations} migrations, ${broken.backups} backups, ${broken.restores} restores: ${broken.wrong} without one whole database`,
    );
    const { behind, answered, seconds } = await lossTrial(
      join(data, 'lost'),
      Math.round(Number(kills) / 10),
      Math.random,
    );
    const most = Math.max(...behind);
    console.log(
      `${behind.length} machines lost and put back from the replica: ${answered} changes answered, ${(answered / seconds).toFixed(0)} a second; the oldest that was gone was answered ${ms(behind.toSorted((a, b) => a - b)[behind.length >> 1]!)} before the loss in the middle, ${ms(most)} at most`,
    );
    const full = fullDiskTrial(join(data, 'full.sqlite'));
    console.log(
      `a disk that is full, and has room again: ${full.acknowledged} changes acknowledged, ${full.refused} refused as that, ${full.wrong} lost or saved by halves`,
    );
    const isHeard = streams.heard === streams.streams && busy.papers === 3;
    if (uploads.lost + broken.wrong > 0 || !isHeard || most > 1_000) return false;
    return killed.lost === 0 && answers['5'] === undefined && clients.wrong === 0 && full.wrong === 0;
  } finally {
    rmSync(data, { recursive: true, force: true });
  }
}

process.exit((await trial(process.argv.slice(2))) ? 0 : 1);

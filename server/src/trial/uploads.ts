/** Kills a server while photos are sent in pieces, and looks whether each that it acknowledged is there, whole, and the others go on. */
import { createHash, randomBytes } from 'node:crypto';
import { setTimeout as pause } from 'node:timers/promises';
import type { Arrival } from '@katabasis/core';
import { startServer, WITH_KEY } from './started';

export interface UploadFigures {
  kills: number;
  /** Files that were acknowledged. */
  kept: number;
  /** Acknowledged, and not there or not whole after: must be none. */
  lost: number;
  /** Taken up again behind their first byte. */
  continued: number;
}

const SIZE = 1_000_000;
const PIECE = 64 * 1024;
const MAX_LIFE_MS = 500;

export async function uploadTrial(data: string, kills: number, chance: () => number): Promise<UploadFigures> {
  const figures: UploadFigures = { kills: 0, kept: 0, lost: 0, continued: 0 };
  const acknowledged: string[] = [];
  let bytes = randomBytes(SIZE);
  const hashOf = (): string => createHash('sha256').update(bytes).digest('hex');
  for (let round = 0; round <= kills; round++) {
    const server = await startServer(data);
    const url = (hash: string): string => `${server.base}/api/files/${hash}`;
    for (const hash of acknowledged) {
      const answer = await fetch(url(hash), { headers: WITH_KEY });
      const sum = createHash('sha256').update(Buffer.from(await answer.arrayBuffer()));
      if (sum.digest('hex') !== hash) figures.lost++;
    }
    acknowledged.length = 0;
    if (round === kills) {
      await server.kill();
      break;
    }
    const death = pause(chance() * MAX_LIFE_MS).then(() => server.kill());
    const ask = async (path: string, init: RequestInit = {}): Promise<Arrival | null> =>
      fetch(url(path), { ...init, headers: WITH_KEY }).then(
        (answer) => answer.json() as Promise<Arrival>,
        () => null,
      );
    let is = await ask(`${hashOf()}/pieces`);
    if (is && is.has > 0) figures.continued++;
    while (is) {
      if (is.done) {
        acknowledged.push(hashOf());
        figures.kept++;
        bytes = randomBytes(SIZE);
        is = { has: 0, done: false };
      }
      const at: number = is.has;
      const body = bytes.subarray(at, at + PIECE);
      is = await ask(`${hashOf()}/pieces?at=${at}&of=${SIZE}`, { method: 'PUT', body });
    }
    await death;
    figures.kills++;
  }
  return figures;
}

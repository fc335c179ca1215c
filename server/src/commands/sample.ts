/** Writes the sample jobs as job files, from the core's own. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { toFile, type Job } from '@katabasis/core';
import { samples, situations } from '@katabasis/core/samples';

const FOLDER = join(process.cwd(), 'samples');

function write(folder: string, jobs: readonly Job[]): void {
  mkdirSync(folder, { recursive: true });
  for (const job of jobs) {
    const path = join(folder, `${job.id}.katabasis.json`);
    writeFileSync(path, `${JSON.stringify(toFile(job), null, 2)}\n`);
    console.log(path);
  }
}

write(FOLDER, samples());
// Situations of the trade, each of which plans as a contractor would expect.
write(
  join(FOLDER, 'trials'),
  Object.values(situations()).map(({ job }) => job),
);

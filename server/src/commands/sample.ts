/** Writes the sample jobs as job files, from the core's own. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { toFile } from '@katabasis/core';
import { samples } from '@katabasis/core/samples';

const FOLDER = join(process.cwd(), 'samples');

mkdirSync(FOLDER, { recursive: true });
for (const job of samples()) {
  const path = join(FOLDER, `${job.id}.katabasis.json`);
  writeFileSync(path, `${JSON.stringify(toFile(job), null, 2)}\n`);
  console.log(path);
}

/** Reads a job file and writes every sheet and file of it into a folder. Exit 2 and one line a fault for a bad file. */
import { readFileText } from '@katabasis/core';
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { filesOf } from '../sheets/files';
import { PAPERS, type PaperSize } from '../sheets/paper';
import { readText } from './readText';

const USE = 'say which job file and where to: npm run -s sheets -- FILE.katabasis.json --out DIR [--paper letter|a4]';

async function main(): Promise<number> {
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: { out: { type: 'string' }, paper: { type: 'string', default: 'letter' } },
  });
  if (values.out === undefined || !PAPERS.includes(values.paper as PaperSize)) {
    console.error(USE);
    return 2;
  }
  const text = readText(positionals[0], USE);
  if (text === null) return 2;
  const read = readFileText(text);
  if (!read.ok) {
    for (const fault of read.faults) console.error(`${fault.path}: ${fault.sentence}`);
    return 2;
  }
  mkdirSync(values.out, { recursive: true });
  const options = { size: values.paper as PaperSize, made: new Date().toISOString() };
  for (const [name, make] of Object.entries(filesOf(read.job))) {
    writeFileSync(join(values.out, name), await make(options));
    console.log(name);
  }
  return 0;
}

process.exitCode = await main();

/** Compares the digest of the sample and of 200 seeded jobs with the one recorded; `--record` writes it. Run at the project's root. Exit 1 where any differs. */
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { jobFaults } from '../job/faults';
import { quillfeather } from '../samples/quillfeather';
import { digestOf } from './digest';
import { seededJob } from '../trial/seeded';

const FILE = join(process.cwd(), 'core/src/testing/digest.json');
const COUNT = 200;

type Digest = Record<string, { figures: string; words: string }>;

function digest(): Digest {
  const jobs = [quillfeather(), ...Array.from({ length: COUNT }, (_, k) => seededJob(k + 1))];
  const odd = jobs.find((job) => jobFaults(job).length > 0);
  if (odd) throw new Error(`${odd.id}: ${JSON.stringify(jobFaults(odd)[0])}`);
  return Object.fromEntries(jobs.map((job) => [job.id, digestOf(job)]));
}

function main(record: boolean): number {
  const now = digest();
  if (record) writeFileSync(FILE, `${JSON.stringify(now)}\n`.replaceAll('},', '},\n'));
  const kept = JSON.parse(readFileSync(FILE, 'utf8')) as Digest;
  const differs = (what: 'figures' | 'words'): string[] =>
    Object.keys(kept).filter((id) => kept[id]![what] !== now[id]?.[what]);
  const [figures, words] = [differs('figures'), differs('words')];
  console.log(`${Object.keys(kept).length} jobs: figures of ${figures.length} differ, words of ${words.length} differ`);
  for (const id of new Set([...figures, ...words]))
    console.log(`  ${id}${figures.includes(id) ? ', figures' : ''}${words.includes(id) ? ', words' : ''}`);
  return figures.length + words.length === 0 ? 0 : 1;
}

process.exitCode = main(process.argv.includes('--record'));

/** The words of a PDF, page by page, read in a process of its own: the reader is a module that the tests' own loader does not take. */
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';

export interface ReadPage {
  words: string;
  width: number;
  height: number;
}

const READER = join(__dirname, 'pdfWords.mjs');

export function pagesOf(pdf: Buffer): ReadPage[] {
  const { stdout, stderr, status } = spawnSync(process.execPath, [READER], {
    input: pdf,
    maxBuffer: 1e8,
  });
  if (status !== 0) throw new Error(stderr.toString());
  return JSON.parse(stdout.toString()) as ReadPage[];
}

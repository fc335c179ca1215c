/** Tables of other programs read, and of a job saved for them; what a cell begins with is never taken for a formula by them. */
import { decodeText, FORMULA_START, nameOf, type Job } from '@katabasis/core';
import Papa from 'papaparse';
import { saveFile, slug } from './files';

/** Named for its job and for what is in it; rows with their head first. */
export const saveTable = (job: Job, what: string, rows: readonly (readonly string[])[]): void =>
  saveFile(
    `${slug(nameOf(job, 'job'))}-${what}.csv`,
    Papa.unparse(
      rows.map((row) => [...row]),
      { escapeFormulae: FORMULA_START },
    ),
    'text/csv',
  );

/**
 * What is said of a file of more than `most` bytes; null of one that is not. Asked before it is read: that takes as long as it is large.
 */
export const tooLarge = ({ name, size }: File, most: number): string | null =>
  size > most ? `${name} is ${Math.round(size / 1e6)} MB; at most ${most / 1e6} MB are read.` : null;

/** Rows of a text, parted by commas, semicolons or tabs, whichever it has; empty lines are rows without a word. */
export const tableOf = (text: string): string[][] => Papa.parse<string[]>(text.replace(/^\uFEFF/, '')).data;

/** The text of a file, in whatever letters it was written. */
export const readText = async (file: Blob): Promise<string> => decodeText(new Uint8Array(await file.arrayBuffer()));

/** Rows of a file that hold anything. */
export async function readTable(file: Blob): Promise<string[][]> {
  return tableOf(await readText(file)).filter((row) => row.some((cell) => cell.trim() !== ''));
}

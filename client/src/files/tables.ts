/** Tables of a job saved to the device for other programs; what a cell begins with is never taken for a formula by them. */
import { nameOf, type Job } from '@katabasis/core';
import Papa from 'papaparse';
import { saveFile, slug } from './files';

/** Named for its job and for what is in it; rows with their head first. */
export const saveTable = (job: Job, what: string, rows: readonly (readonly string[])[]): void =>
  saveFile(
    `${slug(nameOf(job, 'job'))}-${what}.csv`,
    Papa.unparse(
      rows.map((row) => [...row]),
      { escapeFormulae: true },
    ),
    'text/csv',
  );

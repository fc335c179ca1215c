/** Papers, files and shared pages as they are asked for, and how each is made: from a job sent along, or from one that is kept. */
import {
  FILE_FORMAT,
  FILE_VERSION,
  jobFrom,
  readFile,
  sheetBodySchema,
  type Audience,
  type Company,
  type Job,
  type Problem,
} from '@katabasis/core';
import { offerOf } from '../accepted/offer';
import { parseOr422, ProblemError } from '../http/problem';
import { elementsIn, type ElementRow } from '../jobs/rows';
import { sharedPage } from '../shares/page';
import { careCalendar } from '../sheets/careCalendar';
import { filesOf } from '../sheets/files';
import type { PictureOf } from '../sheets/photosOnPaper';

export type Task =
  /** A sheet of the job in a request's body, as it was sent. */
  | { kind: 'sheet'; body: string; file: string; made: string }
  /** The page of a kept job for whoever holds a link to it. */
  | { kind: 'page'; job: string; audience: Audience }
  /** What a kept job offers, as JSON. */
  | { kind: 'offer'; job: string }
  /** Dates of care of a kept job, from a day on, for who lives there. */
  | { kind: 'dates'; job: string; made: string };

/** What is said while it is made, and what it comes to: bytes in base64 of a sheet, HTML of a page, a calendar. */
export type Said = { done: number; of: number } | { made: string } | { problem: Problem };

/** What is kept, as it is read. */
export interface Kept {
  rowsOf: (job: string) => readonly ElementRow[];
  company: () => Company;
  pictureOf: PictureOf;
}

async function sheet(
  { body, file, made }: Extract<Task, { kind: 'sheet' }>,
  { company, pictureOf }: Pick<Kept, 'company' | 'pictureOf'>,
  onStep: (done: number, of: number) => void,
): Promise<string> {
  let said: unknown;
  try {
    said = JSON.parse(body);
  } catch {
    throw new ProblemError(400, 'The request could not be read.');
  }
  const { job, elements, paper } = parseOr422(sheetBodySchema, said);
  const read = readFile({ format: FILE_FORMAT, version: FILE_VERSION, job, elements });
  if (!read.ok) throw new ProblemError(422, 'This job cannot be printed.', { faults: read.faults });
  const files = filesOf(read.job);
  const make = Object.hasOwn(files, file) ? files[file] : undefined;
  if (!make) throw new ProblemError(404, 'There is no such sheet of this job.');
  return (await make({ size: paper, made, company: company(), pictureOf, onStep })).toString('base64');
}

/** What a kept job comes to: a page, what it offers, or dates. */
function ofKept(task: Exclude<Task, { kind: 'sheet' }>, job: Job, company: Company): string {
  switch (task.kind) {
    case 'page':
      return sharedPage(job, task.audience, company);
    case 'offer':
      return JSON.stringify(offerOf(job, company));
    case 'dates':
      return careCalendar(job, task.made, 'customer');
  }
}

const FAILED: Problem = {
  type: 'about:blank',
  title: 'This sheet could not be made. The other sheets and files may.',
  status: 500,
};

/** Makes one, and says how far it has come and what it comes to. Never throws. */
export async function make(task: Task, kept: Kept, say: (said: Said) => void): Promise<void> {
  const { rowsOf, company } = kept;
  try {
    if (task.kind !== 'sheet') {
      const rows = rowsOf(task.job);
      if (rows.length === 0) throw new ProblemError(404, 'There is no such job here.');
      const job = jobFrom(task.job, elementsIn(rows));
      say({ made: ofKept(task, job, company()) });
    } else say({ made: await sheet(task, kept, (done, of) => say({ done, of })) });
  } catch (error) {
    if (!(error instanceof ProblemError)) console.error('A sheet could not be made:', error);
    say({ problem: error instanceof ProblemError ? error.problem : FAILED });
  }
}

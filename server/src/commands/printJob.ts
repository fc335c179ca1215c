/** Reads a job file and prints something of its job as JSON. Gives the exit code: 2 and one line a fault on standard error for a bad file. */
import { readFileText, type Job } from '@katabasis/core';
import { readText } from './readText';

export function printJob(command: string, path: string | undefined, printable: (job: Job) => unknown): number {
  const text = readText(path, `say which job file: npm run -s ${command} -- FILE.katabasis.json`);
  if (text === null) return 2;
  const read = readFileText(text);
  if (!read.ok) {
    for (const fault of read.faults) console.error(`${fault.path}: ${fault.sentence}`);
    return 2;
  }
  console.log(JSON.stringify(printable(read.job), null, 2));
  return 0;
}

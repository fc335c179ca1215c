/** Reads a job file and prints what its plan takes as JSON in SI: every part with what is bought of it and where it goes. Exit 2 and one line a fault for a bad file. */
import { headOf, missingWords, nameOf, partLabel, planJob, readFileText, takeOff, type Job } from '@katabasis/core';
import { readText } from './readText';

function printable(job: Job): unknown {
  const { units } = headOf(job);
  const { parts, trenches, missing } = takeOff(job, planJob(job));
  return {
    parts: parts.map(({ uses, key: _key, ...part }) => ({
      label: partLabel(part.item, units),
      ...part,
      uses: uses.map(({ id, quantity }) => ({ id, name: nameOf(job, id), quantity })),
    })),
    trenches,
    missing: missing.map((each) => ({ ...each, sentence: missingWords(job, each) })),
  };
}

function main(path: string | undefined): number {
  const text = readText(path, 'say which job file to count: npm run -s takeoff -- FILE.katabasis.json');
  if (text === null) return 2;
  const read = readFileText(text);
  if (!read.ok) {
    for (const fault of read.faults) console.error(`${fault.path}: ${fault.sentence}`);
    return 2;
  }
  console.log(JSON.stringify(printable(read.job), null, 2));
  return 0;
}

process.exitCode = main(process.argv[2]);

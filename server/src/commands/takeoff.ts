/** Reads a job file and prints what its plan takes as JSON in SI: every part with what is bought of it and where it goes. Exit 2 and one line a fault for a bad file. */
import { headOf, missingWords, nameOf, partLabel, planJob, takeOff, type Job } from '@katabasis/core';
import { printJob } from './printJob';

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

process.exitCode = printJob('takeoff', process.argv[2], printable);

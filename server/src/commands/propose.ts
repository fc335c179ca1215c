/** Reads a job file and prints what plans are proposed for it as JSON in SI: `propose FILE [--out DIR]`. With `--out` each as a job file too. */
import { applyChange, toFile, type Job } from '@katabasis/core';
import { cutOffWords, lackWords, proposalSaid, proposalsOf, type Proposal } from '@katabasis/core/proposals';
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { printJob } from './printJob';

const { values, positionals } = parseArgs({ allowPositionals: true, options: { out: { type: 'string' } } });

/** Writes a proposal as a job file; its path, or null where none is wanted. */
function written(job: Job, { aim, change }: Proposal): string | null {
  if (values.out === undefined) return null;
  mkdirSync(values.out, { recursive: true });
  const path = join(values.out, `${job.id}-${aim}.katabasis.json`);
  writeFileSync(path, `${JSON.stringify(toFile(applyChange(job, change).job), null, 2)}\n`);
  return path;
}

process.exitCode = printJob('propose', positionals[0], (job) => {
  const all = proposalsOf(job);
  return {
    proposals: all.found.map((proposal) => {
      const { standing, stops, fixes, layout } = proposal;
      const cutOff = cutOffWords(job, proposal);
      return {
        ...proposalSaid(job, proposal, all),
        cost: standing.asked,
        // By how much trenches that join the same inlets over the same cells can be cheaper at most, as a share; null where that is not what it is.
        bound: layout.gap,
        stops,
        fixes,
        leastPitch: standing.leastPitch,
        deepest: standing.deepest,
        ...(cutOff === null ? {} : { cutOff }),
        file: written(job, proposal),
      };
    }),
    missing: all.missing.map(lackWords),
  };
});

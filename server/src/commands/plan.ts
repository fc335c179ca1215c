/** Reads a job file and prints its whole plan as JSON in SI. Exit 2 and one line a fault on standard error for a bad file. */
import {
  channelCapacity,
  choicesOf,
  elementOf,
  fixOf,
  planJob,
  smallestThatWorks,
  tellSnag,
  type Job,
} from '@katabasis/core';
import { printJob } from './printJob';

function printable(job: Job): unknown {
  const plan = planJob(job);
  return {
    ...plan,
    runs: Object.fromEntries(
      Object.entries(plan.runs).map(([id, run]) => {
        const choices = choicesOf(plan, run);
        return [id, { ...run, choices, smallest: smallestThatWorks(choices) }];
      }),
    ),
    inlets: Object.fromEntries(
      Object.entries(plan.inlets).map(([id, inlet]) => [
        id,
        inlet.kind === 'channel' ? { ...inlet, capacity: channelCapacity(elementOf(job, 'channel', id)!) } : inlet,
      ]),
    ),
    onSlope: Object.fromEntries(plan.onSlope),
    sources: {
      contributingAreas: plan.sources.contributingAreas,
      atLanding: Object.fromEntries(plan.sources.atLanding),
      atDownspout: Object.fromEntries(plan.sources.atDownspout),
      fixed: Object.fromEntries(plan.sources.fixed),
      lost: Object.fromEntries(plan.sources.lost),
    },
    snags: plan.snags.map((snag) => ({
      ...snag,
      ...tellSnag(job, plan, snag),
      fix: fixOf(job, plan, snag),
      figure: snag.figure,
      limit: snag.limit,
    })),
  };
}

process.exitCode = printJob('plan', process.argv[2], printable);

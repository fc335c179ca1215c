/**
 * Reads a job file, rains on it and prints what came of it as JSON in SI: `storm FILE [--case NAME] [--csv DIR]`. Without a case every rain
 * that the job has, with nothing failing and with each single failure. With `--csv` the hydrograph of every landing and run, a file a case.
 */
import { planJob, type Job } from '@katabasis/core';
import { rainfallOf, runStorm, stormCases, type StormCase, type StormTold } from '@katabasis/core/simulation';
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { printJob } from './printJob';

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: { case: { type: 'string' }, csv: { type: 'string' } },
});

/** Seconds, rain in m/s, level of every landing in m, flow at the foot of every run in m³/s. */
function hydrograph({ landings, runs, frames }: StormTold): string {
  const head = ['time', 'rain', ...landings.map(({ id }) => `level ${id}`), ...runs.map(({ id }) => `flow ${id}`)];
  const rows = frames.map(({ time, rain, levels, flows }) => [time, rain, ...levels, ...flows].join(','));
  return [head.join(','), ...rows, ''].join('\n');
}

function tried(job: Job, each: StormCase): unknown {
  const told = runStorm(job, planJob(job), {
    rain: rainfallOf(job, each.rain)!,
    wetness: 'ordinary',
    failing: each.failing,
  });
  if (values.csv !== undefined) {
    mkdirSync(values.csv, { recursive: true });
    writeFileSync(join(values.csv, `${each.id.replaceAll(' ', '-')}.csv`), hydrograph(told));
  }
  return {
    id: each.id,
    rain: told.rain,
    failing: each.failing,
    balance: told.balance,
    openings: told.doors.map(({ id, margin, at }) => ({ id, margin, at })),
    landings: Object.fromEntries(told.landings.map(({ id, ...figures }) => [id, figures])),
    runs: Object.fromEntries(told.runs.map(({ id, ...figures }) => [id, figures])),
    led: Object.fromEntries(told.led.map(({ id, ...figures }) => [id, figures])),
    ponds: told.ponds,
    hard: told.hard,
  };
}

/** Cases that were asked for; a sentence where there are none. */
function asked(job: Job): StormCase[] | string {
  const cases = stormCases(job, planJob(job));
  if (cases.length === 0) return 'The job has no rain.';
  const found = values.case === undefined ? cases : cases.filter(({ id }) => id === values.case);
  return found.length > 0 ? found : `There is no such case. There are: ${cases.map(({ id }) => id).join(', ')}.`;
}

let refused: string | null = null;
const code = printJob('storm', positionals[0], (job) => {
  const cases = asked(job);
  if (typeof cases !== 'string') return { cases: cases.map((each) => tried(job, each)) };
  refused = cases;
  return { cases: [] };
});
if (refused !== null) console.error(refused);
process.exitCode = refused === null ? code : 2;

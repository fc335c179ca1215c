/**
 * Runs a trial and prints its table: how many jobs of each mood, and from which seed, come as arguments; `storm` before them rains on them
 * over time instead, `propose` has plans proposed for them, `visits` has lines of theirs tested with something wrong in each. Exit 1 where a promise was not kept.
 */
import { runProposalsTrial } from './proposalsTrial';
import { runStormTrial } from './stormTrial';
import { runTrial } from './trial';
import { gratesTrial, pitsTrial } from './soilAndGrates';
import { visitsTrial } from './visitsTrial';

function main([count = '100', from = '1']: string[]): number {
  const tally = runTrial(Number(count), {
    from: Number(from),
    now: () => performance.now(),
    onJob: (jobs) => void (jobs % 100 === 0 && console.error(`${jobs} jobs`)),
  });
  const { jobs, holds, fixes, sizings, broken, slowest, slowestJob, over50 } = tally;
  console.log(
    `| jobs | plans told to hold | fixes offered | sizings | promises not kept | plans over 50 ms | slowest plan |`,
  );
  console.log('|---|---|---|---|---|---|---|');
  console.log(
    `| ${jobs} | ${holds} | ${fixes} | ${sizings} | ${broken.length} | ${over50} | ${slowest.toFixed(0)} ms (${slowestJob}) |`,
  );
  for (const line of broken) console.log(line);
  return broken.length === 0 ? 0 : 1;
}

function storms([count = '50', from = '1']: string[]): number {
  const {
    yards,
    storms: rained,
    failures,
    error,
    hard,
    compared,
    worst,
    broken,
  } = runStormTrial(Number(count), Number(from), (done) => void (done % 100 === 0 && console.error(`${done} yards`)));
  console.log(
    '| yards | storms | failures | worst balance | hard steps | places compared | worst the wrong way | promises not kept |',
  );
  console.log('|---|---|---|---|---|---|---|---|');
  console.log(
    `| ${yards} | ${rained} | ${failures} | ${error.toExponential(0)} | ${hard} | ${compared} | ${(worst * 1000).toFixed(1)} mm | ${broken.length} |`,
  );
  for (const line of broken) console.log(line);
  return broken.length === 0 ? 0 : 1;
}

function proposals([count = '50', from = '1']: string[]): number {
  const { yards, lacking, told, holds, pumped, slowest, broken } = runProposalsTrial(
    Number(count),
    Number(from),
    (done) => void (done % 50 === 0 && console.error(`${done} yards`)),
  );
  console.log(
    '| yards | something lacks | plans told | told to hold | lifted by a pump | slowest yard | promises not kept |',
  );
  console.log('|---|---|---|---|---|---|---|');
  console.log(
    `| ${yards} | ${lacking} | ${told} | ${holds} | ${pumped} | ${(slowest / 1000).toFixed(1)} s | ${broken.length} |`,
  );
  for (const line of broken) console.log(line);
  return broken.length === 0 ? 0 : 1;
}

/** Of made-up truths: sound lines told so in 95 of 100, ranges right nine times of ten, causes among the first two nine times of ten. */
function visits([count = '100', from = '1']: string[]): number {
  const { sound, asPlanned, timed, within, wrong, off, first, firstTwo, hidden, hiddenFirstTwo, tests, missed } =
    visitsTrial(Number(count), Number(from), (done) => void (done % 50 === 0 && console.error(`${done} lines`)));
  const share = (part: number, whole: number): string =>
    `${part} (${((100 * part) / Math.max(1, whole)).toFixed(1)} %)`;
  console.log(
    '| lines | sound, told as planned | times within their range | off at the first test | cause first | among the first two | of those hidden at first | tests a line |',
  );
  console.log('|---|---|---|---|---|---|---|---|');
  console.log(
    `| ${sound} | ${share(asPlanned, sound)} | ${share(within, timed)} | ${share(off, wrong)} | ${share(first, wrong)} | ${share(firstTwo, wrong)} | ${share(hiddenFirstTwo, hidden)} | ${(tests / Math.max(1, wrong)).toFixed(1)} |`,
  );
  for (const [what, times] of Object.entries(missed)) console.log(`${times} × ${what}`);
  const pits = pitsTrial(Number(count), Number(from));
  console.log('\n| pits | sound, told as planned | slow, told slow | soil within its range |');
  console.log('|---|---|---|---|');
  console.log(
    `| ${pits.pits} | ${share(pits.asPlanned, pits.sound)} | ${share(pits.toldSlow, pits.slow)} | ${share(pits.within, pits.pits)} |`,
  );
  // Each is some twenty storms: a tenth of them.
  const grates = gratesTrial(Math.ceil(Number(count) / 10), Number(from));
  console.log(
    '\n| rains with nothing wrong, told as planned | grates shut that showed | cause first | among the first two |',
  );
  console.log('|---|---|---|---|');
  console.log(
    `| ${share(grates.asPlanned, grates.sound)} | ${grates.shut} | ${share(grates.first, grates.shut)} | ${share(grates.firstTwo, grates.shut)} |`,
  );
  const seen = pits.toldSlow >= 0.9 * pits.slow && grates.firstTwo >= 0.9 * grates.shut;
  const trusted = pits.asPlanned >= 0.95 * pits.sound && grates.asPlanned >= 0.95 * grates.sound;
  return seen && trusted && asPlanned >= 0.95 * sound && firstTwo >= 0.9 * wrong && within >= 0.87 * timed ? 0 : 1;
}

const [first, ...others] = process.argv.slice(2);
const TRIALS: Record<string, (given: string[]) => number> = { storm: storms, propose: proposals, visits };
process.exitCode = first !== undefined && first in TRIALS ? TRIALS[first]!(others) : main(process.argv.slice(2));

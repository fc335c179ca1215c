/** Runs a trial and prints its table: how many jobs of each mood, and from which seed, come as arguments. Exit 1 where a promise was not kept. */
import { runTrial } from './trial';

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

process.exitCode = main(process.argv.slice(2));

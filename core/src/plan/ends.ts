/** How every pipe ends in its way out, as it is laid: at what level, and how far before it that level is reached. */
import { controlLevel, OUTFALLS } from '../catalogue/outfalls';
import { keptOf, type Job } from '../job/job';
import { diameterOf } from '../job/kinds';
import { highestJoin } from '../network/receiving';
import type { Layout } from './layout';
import type { PipeEnd } from './solution';
import { step } from '../numeric/kept';

/** m up a line (its runs from the top down) from its foot to where its invert stands at `level`; all of it where it never does. */
function backTo({ tree, levels }: Layout, runs: readonly number[], level: number): number {
  let distance = 0;
  for (let k = runs.length - 1; k >= 0; k--) {
    const index = runs[k]!;
    const run = tree.runs[index]!;
    const up = levels.crownUp[index]! - diameterOf(run);
    const down = levels.crownDown[index]! - diameterOf(run);
    if (down >= level) return distance;
    if (up > level) return distance + (run.length * (level - down)) / (up - down);
    distance += run.length;
  }
  return distance;
}

const ends = step('ends', ({ layout }: { layout: Layout }): PipeEnd[] => {
  const { tree, lines, levels, settings } = layout;
  return lines.flatMap(({ runs }) => {
    const last = runs[runs.length - 1]!;
    const discharge = tree.landings[tree.lower[last]!]!;
    if (discharge.kind !== 'discharge') return [];
    const invert = levels.crownDown[last]! - diameterOf(tree.runs[last]!);
    const control = controlLevel(discharge, settings);
    return [
      {
        run: tree.runs[last]!.id,
        discharge: discharge.id,
        invert,
        control,
        over: invert - control,
        shortBy: backTo(layout, runs, control),
        drop: OUTFALLS[discharge.form].hasCapacity ? Math.max(0, invert - highestJoin(discharge, settings)) : 0,
      },
    ];
  });
});

/** Every pipe that ends in a way out, by line. */
export const pipeEnds = (job: Job, layout: Layout): PipeEnd[] => keptOf(job).ask(ends, { layout });

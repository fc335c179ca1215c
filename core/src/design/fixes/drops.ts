/** Drop basins down a slope on which pipe alone would run too fast: flatter pipe between them, and the rest of the fall taken in each. */
import { changed, type Change } from '../../job/change';
import { freeName, splitRun } from '../../job/edits/insert';
import { runOf } from '../../job/edits/pipes';
import { freshId } from '../../job/ids';
import type { Job } from '../../job/job';
import { diameterOf, type Basin, type Element, type Run } from '../../job/kinds';
import type { Settings } from '../../job/settings';
import { wayOfRun } from '../../job/places';
import { plannedCover } from '../../network/leastOf';
import { groundAlong } from '../../network/groundAlong';
import type { RunPlan } from '../../plan/solution';
import { PROTECT_FROM } from '../../snags/site/deepTrench';
import type { FixRule } from './fix';

/** Most basins that one tap puts in: a slope that asks for more wants somebody to look at it. */
const MOST = 12;
/** How far under the trench depth that wants protection a basin is kept, m. */
const ROOM = 0.1;
/** Nearer together than this there is no pipe between them, m. */
const LEAST_STRETCH = 1;
/** Shares of the speed that stops that the flatter pipe is tried at: little to dig first, then with room to spare. */
const SHARES = [0.9, 0.75, 0.6];

interface Slope {
  run: Run;
  planned: RunPlan;
  settings: Settings;
}

export const drops: FixRule = {
  code: 'velocityHigh',
  *candidates(snag, job, { runs, settings }) {
    if (snag.severity !== 'stop') return;
    const run = runOf(job, snag.at);
    const planned = runs[snag.at]!;
    const tried = new Set<string>();
    for (const share of SHARES) {
      // Speed at a flow goes with pitch to the 3/8 in a pipe that is partly full (Manning), so pitch with speed to the 8/3.
      const pitch = planned.pitch * ((share * settings.stopVelocity) / planned.topVelocity) ** (8 / 3);
      for (let count = 1; count <= MOST; count++) {
        const stretch = run.length / (count + 1);
        if (stretch < LEAST_STRETCH) break;
        // The pipe leaves a drop as deep as keeps it covered at the foot of its stretch.
        const deepest = planned.trenchDepth + (planned.pitch - pitch) * stretch;
        if (deepest > PROTECT_FROM - ROOM && !run.shored) continue;
        const key = `${count}/${pitch.toFixed(3)}`;
        if (tried.has(key)) continue;
        tried.add(key);
        const label =
          count === 1 ? 'Take the fall at a drop basin' : `Take the fall at ${count} drop basins down the slope`;
        yield { label, change: { ...dropped(job, { run, planned, settings }, count, pitch), label } };
        if (count > 1 && deepest < 0.8 * PROTECT_FROM) break;
      }
    }
  },
};

/** A run cut into equal stretches at one pitch, with a basin between each two: every stretch is as high as keeps its foot covered. */
function dropped(job: Job, { run, planned, settings }: Slope, count: number, pitch: number): Change {
  const stretch = run.length / (count + 1);
  const foot = (k: number): number =>
    k > count ? planned.invertDown : groundAlong(planned, k * stretch) - plannedCover(run, settings) - diameterOf(run);
  const laid = (k: number): Run['grade'] => ({ type: 'levels', up: foot(k) + pitch * stretch, down: foot(k) });
  let now = job;
  let rest = run;
  const puts = new Map<string, Element>();
  for (let k = 1; k <= count; k++) {
    const basin: Basin = {
      id: freshId('basin'),
      kind: 'basin',
      name: freeName(now, 'Drop basin'),
      grate: 'flat12',
      groundLevel: groundAlong(planned, k * stretch),
    };
    const below = freshId('run');
    const split = splitRun(rest, basin, below, stretch, wayOfRun(now, rest));
    for (const element of split.puts)
      puts.set(
        element.id,
        element.kind === 'run' ? { ...element, grade: laid(element.id === below ? k + 1 : k) } : element,
      );
    now = changed(now, { ...split, puts: [...puts.values()] });
    rest = now.elements.get(below) as Run;
  }
  return { label: '', puts: [...puts.values()], removes: [] };
}

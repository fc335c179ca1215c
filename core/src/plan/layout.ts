/** Where everything lies, whatever it rains: lines, levels and fall budgets. */
import { headOf, keptOf, landingsOf, ofKind, type Job } from '../job/job';
import { isLaid, type JobElement, type Landing, type Run } from '../job/kinds';
import { resolveSettings, type Settings } from '../job/settings';
import { fallBudget, tightestBudgets, type FallBudget } from '../network/budget';
import { planLevels, type Levels } from '../network/levels';
import { comesOut, outcropOf } from '../network/covered';
import { findLines, type Line } from '../network/lines';
import { buildTree, type Tree } from '../network/tree';
import { step } from '../numeric/kept';
import { groundOver, hasGround } from '../yard/profile';

export interface Layout {
  settings: Settings;
  tree: Tree;
  lines: Line[];
  levels: Levels;
  budgets: FallBudget[];
}

interface Read {
  landings: readonly Landing[];
  runs: readonly Run[];
  settings: Settings;
  pitchStyle: JobElement['pitchStyle'];
  seen: Tree['seen'] | undefined;
}

const layout = step('layout', ({ landings, runs, settings, pitchStyle, seen }: Read, kept): Layout => {
  const tree = buildTree(landings, runs, kept, seen);
  const lines = findLines(tree);
  const levels = planLevels(tree, lines, settings, pitchStyle);
  return { settings, tree, lines, levels, budgets: tightestBudgets(tree, levels, settings) };
});

/** Pipes that carry water: those that are cut off or taken out only stand in the record. */
const laidRuns = step('laid runs', ({ runs }: { runs: readonly Run[] }): readonly Run[] =>
  runs.every(isLaid) ? runs : runs.filter(isLaid),
);

const settingsOf = step('settings', ({ chosen }: { chosen: JobElement['settings'] }): Settings =>
  resolveSettings(chosen),
);

const seenAlike = step('ground before daylight', ({ made }: { made: Tree['seen'] }): Tree['seen'] => made);
const alike = (one: Tree['seen'], other: Tree['seen']): boolean =>
  one.size === other.size && [...one].every(([run, level]) => other.get(run) === level);

/** Levelled ground is looked at every half metre: places farther apart than so have some between them that nobody levelled, m. */
const SEEN = 1;

/** Ground where each run that comes out to daylight is covered last, as it was levelled; none where none does. */
function seenBefore(job: Job, runs: readonly Run[], settings: Settings): Tree['seen'] | undefined {
  if (!hasGround(job)) return undefined;
  const seen = new Map<string, number>();
  for (const run of runs) {
    const lower = job.elements.get(run.to);
    if (lower?.kind !== 'discharge' || !comesOut(lower)) continue;
    const edge = run.length - (lower.bank?.length ?? outcropOf(run, settings));
    const over = groundOver(job, run);
    const next = over.findIndex(({ along }) => along >= edge);
    if (edge <= 0 || next <= 0) continue;
    const [a, b] = [over[next - 1]!, over[next]!];
    // It may have left the levelled ground and come back to it: what lies between nobody has seen.
    if (b.along - a.along > SEEN) continue;
    seen.set(run.id, a.level + ((b.level - a.level) * (edge - a.along)) / (b.along - a.along));
  }
  return seen.size > 0 ? keptOf(job).alike(seenAlike, seen, alike) : undefined;
}

/** Layout of a job. Never fails: what fits in no line is told as stray. */
export function layOut(job: Job): Layout {
  const kept = keptOf(job);
  const { settings: chosen, pitchStyle } = headOf(job);
  const runs = kept.ask(laidRuns, { runs: ofKind(job, 'run') });
  const settings = kept.ask(settingsOf, { chosen });
  const seen = seenBefore(job, runs, settings);
  return kept.ask(layout, { landings: landingsOf(job), runs, settings, pitchStyle, seen });
}

/** Fall budget of the route from any landing of a job; null when it leads to no discharge. */
export function budgetFrom(job: Job, landing: string): FallBudget | null {
  const { tree, levels, settings } = layOut(job);
  const at = tree.indexOf.get(landing);
  return at === undefined ? null : fallBudget(tree, levels, settings, at);
}

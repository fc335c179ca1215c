/** Where everything lies, whatever it rains: lines, levels and fall budgets. */
import { headOf, keptOf, landingsOf, ofKind, type Job } from '../job/job';
import { isLaid, type JobElement, type Landing, type Run } from '../job/kinds';
import { resolveSettings, type Settings } from '../job/settings';
import { fallBudget, tightestBudgets, type FallBudget } from '../network/budget';
import { planLevels, type Levels } from '../network/levels';
import { findLines, type Line } from '../network/lines';
import { buildTree, type Tree } from '../network/tree';
import { step } from '../numeric/kept';

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
}

const layout = step('layout', ({ landings, runs, settings, pitchStyle }: Read, kept): Layout => {
  const tree = buildTree(landings, runs, kept);
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

/** Layout of a job. Never fails: what fits in no line is told as stray. */
export function layOut(job: Job): Layout {
  const kept = keptOf(job);
  const { settings, pitchStyle } = headOf(job);
  return kept.ask(layout, {
    landings: landingsOf(job),
    runs: kept.ask(laidRuns, { runs: ofKind(job, 'run') }),
    settings: kept.ask(settingsOf, { chosen: settings }),
    pitchStyle,
  });
}

/** Fall budget of the route from any landing of a job; null when it leads to no discharge. */
export function budgetFrom(job: Job, landing: string): FallBudget | null {
  const { tree, levels, settings } = layOut(job);
  const at = tree.indexOf.get(landing);
  return at === undefined ? null : fallBudget(tree, levels, settings, at);
}

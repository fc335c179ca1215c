/** What a rain makes of a job as it is laid out. */
import type { InletPlan } from '../inlets';
import { letsInto, OUTFALLS } from '../catalogue/outfalls';
import { keptOf, ofKind, type Job } from '../job/job';
import { diameterOf, type Element, type RainElement } from '../job/kinds';
import { NONE } from '../network/tree';
import type { Sources } from '../runoff/sources';
import { flowsOf, type Flowing, type JobFlows } from './flows';
import { inletsOf } from './inlets';
import type { Layout } from './layout';
import { byId, type LandingPlan } from './solution';
import { sourcesOf } from './sources';
import { step } from '../numeric/kept';
import { waterLineOf, type JobWaterLine } from './waterLine';
import { entryOf, WORKS, type WorkElementKind, type WorkPlan } from '../works';
import { worksOf, type Works } from './works';

export interface RainResponse {
  sources: Sources;
  flows: JobFlows;
  /** What comes down every open way, by id. */
  ways: Flowing['ways'];
  through: Flowing['through'];
  works: Works;
  water: JobWaterLine;
  landings: Record<string, LandingPlan>;
}

/** Of the runs that end at a landing, the one whose invert is lowest there; undefined when none does. */
function lowestArriving({ tree, levels }: Layout, at: number): number | undefined {
  const invert = (run: number): number => levels.crownDown[run]! - diameterOf(tree.runs[run]!);
  return tree.arriving[at]!.reduce<number | undefined>(
    (lowest, run) => (lowest === undefined || invert(run) < invert(lowest) ? run : lowest),
    undefined,
  );
}

/** What of a landing's plan is worked out elsewhere; the very object that it was where all of it is as it was. */
const landingPlan = step('landing', (plan: LandingPlan): LandingPlan => plan);

interface InWater {
  layout: Layout;
  flows: JobFlows;
  water: JobWaterLine;
}

/** Landings in their water, by id; one that an edit does not reach is the very object that it was. */
const landingsIn = step('landings', ({ layout, flows, water }: InWater, kept): Record<string, LandingPlan> => {
  const { tree, levels } = layout;
  const planned = kept.row(landingPlan, tree.landings);
  const plans = byId<LandingPlan>();
  tree.landings.forEach((landing, at) => {
    const leaving = tree.leaving[at]!;
    const run = leaving === NONE ? lowestArriving(layout, at) : leaving;
    const crown = run === undefined ? null : leaving === NONE ? levels.crownDown[run]! : levels.crownUp[run]!;
    plans[landing.id] = planned(at, {
      id: landing.id,
      kind: landing.kind,
      groundLevel: landing.groundLevel,
      crown,
      invert: crown === null ? null : crown - diameterOf(tree.runs[run!]!),
      cover: crown === null ? null : landing.groundLevel - crown,
      enteringArea: flows.enteringArea[at]!,
      passingArea: flows.passingArea[at]!,
      entering: flows.entering[at]!,
      passing: flows.flow[at]!,
      outlet: tree.outlet[at] === NONE ? null : tree.landings[tree.outlet[at]!]!.id,
      waterLevel: run === undefined ? null : water.levels[at]!,
    });
  });
  return plans;
});

/** Works whose water is that of their line too. */
const IN_LINES = WORKS.flatMap(({ of, inLine }) => (inLine ? [of as WorkElementKind] : []));

/** Their elements by kind, the lists as the job keeps them: what nobody touched is not worked out again. */
type InLines = { [K in WorkElementKind]?: readonly Element[] } & {
  plans: Works['plans'];
  landings: Readonly<Record<string, LandingPlan>>;
};

/** Works at landings, with the water of the lines that leave them; the very object where none stands higher than they knew. */
const worksInLines = step('works in their lines', ({ plans, landings, ...lists }: InLines): Works['plans'] => {
  const changed = byId<WorkPlan>();
  for (const element of IN_LINES.flatMap((kind) => lists[kind] ?? [])) {
    const standing = landings[element.id]?.waterLevel ?? null;
    const plan = plans[element.id];
    if (standing === null || !plan) continue;
    const stands = entryOf(element)!.inLine!(plan, element, standing) as WorkPlan;
    if (stands !== plan) changed[element.id] = stands;
  }
  return Object.keys(changed).length === 0 ? plans : Object.assign(byId<WorkPlan>(), plans, changed);
});

function inLines(job: Job, works: Works, landings: Record<string, LandingPlan>): Works {
  const lists: Omit<InLines, 'plans' | 'landings'> = Object.fromEntries(
    IN_LINES.map((kind) => [kind, ofKind(job, kind)]),
  );
  if (Object.values(lists).every((list) => list.length === 0)) return works;
  const plans = keptOf(job).ask(worksInLines, { ...lists, plans: works.plans, landings });
  return plans === works.plans ? works : { ...works, plans };
}

/** A job under a rain: sources, flows, water line, landings, each stage after those that it reads. */
export function rainResponse(job: Job, rain: RainElement | undefined, layout: Layout): RainResponse {
  const sources = sourcesOf(job, rain);
  const { flows, ways, through } = flowsOf(job, { rain, sources, layout });
  const works = worksOf(job, rain, layout, { flows, ways, through });
  const { water, landings } = linesIn(job, layout, { sources, flows, through, standing: works.standing });
  return { sources, flows, ways, through, works: inLines(job, works, landings), water, landings };
}

/** A channel whose line ends in a channel, whose line ends in a channel: no yard has more of them one after another. */
const CHANNELS_IN_A_ROW = 4;

interface InLine extends Pick<RainResponse, 'sources' | 'flows' | 'through'> {
  /** Water (m) that works make stand at ways out, by id. */
  standing: ReadonlyMap<string, number>;
}

/** The water line, with what stands in a channel against the line that ends there: that is known once the channel's own line is. */
function linesIn(job: Job, layout: Layout, { sources, flows, through, standing }: InLine) {
  const kept = keptOf(job);
  const solved = (against: ReadonlyMap<string, number>) => {
    const water = waterLineOf(job, { layout, flows, standing: against });
    return { water, landings: kept.ask(landingsIn, { layout, flows, water }) };
  };
  let lines = solved(standing);
  const outs = ofKind(job, 'discharge').filter(({ form }) => OUTFALLS[form].inChannel);
  for (let round = 0; outs.length > 0 && round < CHANNELS_IN_A_ROW; round++) {
    const inlets = inletsIn(job, layout, { sources, flows, through, landings: lines.landings });
    const against = new Map(standing);
    for (const out of outs) {
      const channel = inlets[letsInto(out) ?? ''];
      if (channel?.kind === 'channel') against.set(out.id, channel.headLevel);
    }
    const before = lines.water.levels;
    lines = solved(against);
    if (lines.water.levels.every((level, at) => level === before[at])) break;
  }
  return lines;
}

/** What every inlet of a job does in that rain, by id. */
export const inletsIn = (
  job: Job,
  { settings }: Layout,
  { sources, flows, through, landings }: Pick<RainResponse, 'sources' | 'flows' | 'through' | 'landings'>,
): Record<string, InletPlan> => inletsOf(job, { settings, landings, sources, onSlope: flows.onSlope, through });

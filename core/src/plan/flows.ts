/** Design flow at every landing, and what of it enters there at its own worst time. */
import { MATERIAL_FACTS } from '../catalogue/pipes';
import { normalDepth } from '../hydraulics/pipe';
import { keptOf, ofKind, type Job } from '../job/job';
import { diameterOf, type Basin, type Channel, type RainElement, type Run } from '../job/kinds';
import { designFlows, governing, type DesignFlows } from '../network/designFlow';
import type { Levels } from '../network/levels';
import { accumulate, type Tree } from '../network/tree';
import { intensityOf } from '../rain/intensity';
import { rainTable } from '../rain/intensityOfRain';
import { withBypass, type OnSlope } from '../runoff/bypass';
import { leadOn, type Led, type WayFlow } from '../runoff/groundWays';
import type { Arrival, Sources } from '../runoff/sources';
import { drainsOf, type Drains } from './drains';
import { openWaysOf, type OpenWays } from './groundWays';
import type { Layout } from './layout';
import { step, type Kept } from '../numeric/kept';
import { floats } from '../numeric/filled';

export interface JobFlows extends DesignFlows {
  /** What enters at each landing over the ground, at its own worst time, m³/s; and its C·A, m². */
  entering: Float64Array;
  enteringArea: Float64Array;
  /** C·A that passes each landing, m². */
  passingArea: Float64Array;
  onSlope: ReadonlyMap<string, OnSlope>;
}

const NO_THROUGH: ReadonlyMap<string, number> = new Map();

/** Flows in pipes, and what comes down every swale, through every culvert and behind every berm, by id. */
export interface Flowing {
  flows: JobFlows;
  ways: ReadonlyMap<string, WayFlow>;
  /** What lines bring into the upper end of each channel drain that they end in, m³/s. */
  through: ReadonlyMap<string, number>;
}

/** Velocity (m/s) of a flow (m³/s) in one pipe of a run on a slope (m/m); in the full pipe where it does not fall. */
function velocityIn(run: Run, slope: number, flow: number): number {
  const diameter = diameterOf(run);
  if (slope <= 0) return flow / ((Math.PI * diameter ** 2) / 4);
  return normalDepth({ diameter, slope, roughness: MATERIAL_FACTS[run.material].roughness, flow }).velocity;
}

interface Running {
  run: Run;
  slope: number;
  flow: number;
}

const timeDown = step(
  'time down a run',
  ({ run, slope, flow }: Running): number => run.length / velocityIn(run, slope, flow / (run.parallel ?? 1)),
);

/** Time (s) that a flow (m³/s) takes down a run as it lies. */
function travelTimes(tree: Tree, levels: Levels, kept: Kept): (index: number, flow: number) => number {
  const down = kept.row(timeDown, tree.runs);
  return (index, flow) => {
    if (flow <= 0) return 0;
    const run = tree.runs[index]!;
    const slope = (levels.crownUp[index]! - levels.crownDown[index]!) / run.length;
    return down(index, { run, slope, flow });
  };
}

/** What comes to each landing over the ground, whatever the pipes do. */
interface Entering {
  arrivals: ReadonlyMap<string, readonly Arrival[]>;
  onSlope: ReadonlyMap<string, OnSlope>;
  /** Intensity (m/s) of a duration (s). */
  intensityOf: (duration: number) => number;
  /** What arrives somewhere, measured once. */
  measured: (parts: readonly Arrival[]) => Measured;
}

interface Measured {
  /** Those that come at the very same time as one. */
  merged: readonly Arrival[];
  /** C·A, m², and what it makes at its own worst time, m³/s. */
  area: number;
  flow: number;
}

/** Those that arrive at the very same time as one, in the order of their time: most of a yard answers at once. */
function atOneTime(parts: readonly Arrival[]): Arrival[] {
  const sorted = [...parts].sort((a, b) => a.time - b.time);
  const merged: Arrival[] = [];
  for (const part of sorted) {
    const last = merged.at(-1);
    if (last?.time === part.time) merged[merged.length - 1] = { time: part.time, area: last.area + part.area };
    else merged.push(part);
  }
  return merged;
}

interface Coming {
  rain: RainElement | undefined;
  basins: readonly Basin[];
  channels: readonly Channel[];
  sources: Sources;
}

const entering = step('entering', ({ rain, basins, channels, sources }: Coming): Entering => {
  const table = rainTable(rain);
  const rainOfDuration = (duration: number): number => intensityOf(table, duration);
  const flowOf = (parts: readonly Arrival[]): number => governing(parts, rainOfDuration).flow;
  const { arrivals, onSlope } = withBypass([...basins, ...channels], sources.arrivals, flowOf);
  const measure = (parts: readonly Arrival[]): Measured => ({
    merged: atOneTime(parts),
    area: parts.reduce((sum, part) => sum + part.area, 0),
    flow: flowOf(parts),
  });
  // What no way leads elsewhere is asked for at every edit of the pipes.
  const known = new Map([...arrivals.values()].map((parts) => [parts, measure(parts)]));
  return { arrivals, onSlope, intensityOf: rainOfDuration, measured: (parts) => known.get(parts) ?? measure(parts) };
});

const NOTHING: readonly Arrival[] = [];

interface InPipes {
  arrivals: Led['arrivals'];
  fixed: Led['fixed'];
  own: Entering;
  tree: Tree;
  levels: Levels | null;
}

/** Flows in the pipes of a tree with what has been led to its landings. */
const pipeFlows = step('flows', ({ arrivals, fixed, own, tree, levels }: InPipes, kept): JobFlows => {
  const here = tree.landings.map(({ id }) => own.measured(arrivals.get(id) ?? NOTHING));
  const always = floats(tree.landings, ({ id }) => fixed.get(id) ?? 0);
  const enteringArea = floats(here, ({ area }) => area);
  return {
    ...designFlows({
      tree,
      entering: here.map(({ merged }) => merged),
      fixed: always,
      intensityOf: own.intensityOf,
      travelTime: levels ? travelTimes(tree, levels, kept) : () => 0,
    }),
    onSlope: own.onSlope,
    entering: floats(here, ({ flow }, at) => flow + always[at]!),
    enteringArea,
    passingArea: accumulate(tree, enteringArea),
  };
});

interface AlwaysRuns {
  fixed: ReadonlyMap<string, number>;
  drains: Drains;
}

const withDrains = step('always runs', ({ fixed, drains }: AlwaysRuns): ReadonlyMap<string, number> => {
  if (drains.size === 0) return fixed;
  const all = new Map(fixed);
  for (const [id, { flow }] of drains) all.set(id, (all.get(id) ?? 0) + flow);
  return all;
});

/** What always runs, by landing or way, m³/s: as the job says, and the ground water of its drains. */
export const alwaysRuns = (job: Job, { fixed }: Sources): ReadonlyMap<string, number> =>
  keptOf(job).ask(withDrains, { fixed, drains: drainsOf(job) });

/** Pipes let out into a swale, a swale may end in a basin, and that in a pipe again: no yard goes round more often. */
const ROUNDS = 4;

interface OverGround {
  own: Entering;
  always: ReadonlyMap<string, number>;
  open: OpenWays;
  tree: Tree;
  levels: Levels | null;
}

const flowing = step('flows over ground', ({ own, always, open, tree, levels }: OverGround, kept): Flowing => {
  const { ways, outlets, channels } = open;
  const flowOf = (parts: readonly Arrival[]): number => own.measured(parts).flow;
  // Where no way leads to a landing its pipes know nothing of ways.
  const toPipes = channels.size > 0 || ways.some(({ to }) => to !== null && tree.indexOf.has(to));
  const inPipes = ({ arrivals, fixed }: Pick<Led, 'arrivals' | 'fixed'>): JobFlows =>
    kept.ask(pipeFlows, {
      arrivals: toPipes ? arrivals : own.arrivals,
      fixed: toPipes ? fixed : always,
      own,
      tree,
      levels,
    });
  let led = leadOn(ways, own.arrivals, always, flowOf);
  let flows = inPipes(led);
  for (let round = 0; outlets.size > 0 && round < ROUNDS; round++) {
    const arrivals = new Map(own.arrivals);
    const fixed = new Map(always);
    for (const [discharge, swale] of outlets) {
      const at = tree.indexOf.get(discharge)!;
      const area = flows.passingArea[at]!;
      if (area > 0) arrivals.set(swale, [...(arrivals.get(swale) ?? []), { time: flows.time[at]!, area }]);
      if (flows.fixed[at]! > 0) fixed.set(swale, (fixed.get(swale) ?? 0) + flows.fixed[at]!);
    }
    const [before, flowed] = [led.ways, flows.flow];
    led = leadOn(ways, arrivals, fixed, flowOf);
    flows = inPipes(led);
    const stays = (now: number, then: number): boolean => Math.abs(now - then) < 1e-12;
    if (
      [...led.ways].every(([id, { flow }]) => stays(flow, before.get(id)!.flow)) &&
      flows.flow.every((flow, at) => stays(flow, flowed[at]!))
    )
      break;
  }
  return { flows, ways: led.ways, through: channels.size > 0 ? broughtIn(open, tree, flows.flow) : NO_THROUGH };
});

/** What the lines that end in channels bring to each, m³/s. */
function broughtIn({ outlets, channels }: OpenWays, tree: Tree, flow: Float64Array): ReadonlyMap<string, number> {
  const through = new Map<string, number>();
  for (const [discharge, into] of outlets)
    if (channels.has(into)) through.set(into, (through.get(into) ?? 0) + flow[tree.indexOf.get(discharge)!]!);
  return through;
}

/** What a job's flows are made of. */
export interface FlowsIn {
  rain: RainElement | undefined;
  sources: Sources;
  layout: Layout;
}

/** Flows of a job in a rain. */
export const flowsOf = (job: Job, { rain, sources, layout: { tree, levels } }: FlowsIn): Flowing =>
  keptOf(job).ask(flowing, {
    own: keptOf(job).ask(entering, {
      rain,
      basins: ofKind(job, 'basin'),
      channels: ofKind(job, 'channel'),
      sources,
    }),
    always: alwaysRuns(job, sources),
    open: openWaysOf(job),
    tree,
    // Without a table one intensity holds for all times, and how the pipes lie does not matter.
    levels: rain?.table ? levels : null,
  });

/** What is done, in the order of the work, with how long it takes and what each day's truck must carry. */
import { calendarOf } from '../clearances/workingDays';
import { waysOf } from '../job/buildWays';
import { headOf, ofKind, type Job } from '../job/job';
import type { Step as Settled } from '../job/kinds';
import type { Solution } from '../plan/solution';
import type { PartGroup } from '../catalogue/items';
import type { TakeOff } from '../quantities/takeOff';
import { SET_ITEMS, spadeIn } from '../price/price';
import { ownMeets } from '../quantities/earth';
import {
  BORE,
  CHANNEL,
  COME,
  DIG,
  LAY,
  RAM,
  SAW,
  SET,
  SLAB,
  SOD,
  SOW,
  SPADE,
  SPLICE,
  STRIP,
  TEST,
  TURF,
} from './rates';

export const STEP_KINDS = [
  'setOut',
  'strip',
  'grade',
  'line',
  'boxes',
  'works',
  'test',
  'inspect',
  'backfill',
  'slab',
  'turf',
] as const;
export type StepKind = (typeof STEP_KINDS)[number];

export interface WorkStep {
  key: string;
  kind: StepKind;
  /** Letter of its line; of `line` only. */
  line: string | null;
  /** Keys of what must be done before it. */
  after: readonly string[];
  crew: number;
  /** Hours that the whole crew takes. */
  hours: number;
  /** Whether the ground is opened, which wet days and missing marks hold up; whether frost spoils it. */
  digs: boolean;
  grows: boolean;
  machine: 'excavator' | 'rammer' | 'saw' | null;
  /** Groups of parts that it needs on the truck. */
  truck: readonly PartGroup[];
  settled: Settled | null;
}

/** Lines so that each comes after the one that it runs into: the way out first, and upward. */
function downstreamFirst({
  lines,
  runs,
}: Pick<Solution, 'lines' | 'runs'>): { letter: string; runs: string[]; into: string | null }[] {
  const lineOf = new Map(lines.flatMap(({ letter, runs: ids }) => ids.map((id) => [runs[id]?.from, letter] as const)));
  const own = lines.map(({ letter, runs: ids }) => {
    const heads = new Set(ids.map((id) => runs[id]?.from));
    const foot = ids.map((id) => runs[id]?.to).find((to) => !heads.has(to));
    const into = (foot === undefined ? undefined : lineOf.get(foot)) ?? null;
    return { letter, runs: ids, into: into === letter ? null : into };
  });
  const placed: typeof own = [];
  const done = new Set<string>();
  while (placed.length < own.length) {
    const next =
      own.find(({ letter, into }) => !done.has(letter) && (into === null || done.has(into))) ??
      own.find(({ letter }) => !done.has(letter))!;
    done.add(next.letter);
    placed.push(next);
  }
  return placed;
}

/** What a step takes: `alone` h of one person, shared by the crew; `together` h of a machine or the whole crew. */
type Takes = { alone?: number; together?: number } & Partial<
  Pick<WorkStep, 'line' | 'digs' | 'grows' | 'machine' | 'truck'>
>;

/** Puts a step behind those that it comes after; none where it takes no time. */
type AddStep = (key: string, kind: StepKind, after: readonly string[], takes: Takes) => void;

/** A list of steps and what adds to it, with what a crew has settled of each. */
function stepList(job: Job): { steps: WorkStep[]; add: AddStep } {
  const settled = new Map(ofKind(job, 'step').map((step) => [step.of, step]));
  const { crew: usualCrew, pace } = calendarOf(job);
  const steps: WorkStep[] = [];
  const add: AddStep = (key, kind, after, { alone = 0, together = 0, ...more }) => {
    if (alone + together <= 0) return;
    const own = settled.get(key) ?? null;
    const crew = own?.crew ?? usualCrew;
    const hours = own?.hours ?? Math.max(0.25, Math.round(pace * (alone / crew + together) * 4) / 4);
    const known = new Set(steps.map((step) => step.key));
    steps.push({
      key,
      kind,
      line: null,
      after: after.filter((each) => known.has(each)),
      crew,
      hours,
      digs: false,
      grows: false,
      machine: null,
      truck: [],
      ...more,
      settled: own,
    });
  };
  return { steps, add };
}

/** Each line dug and laid, from the end up; the keys of their steps. */
function layLines(job: Job, solution: Pick<Solution, 'lines' | 'runs'>, { trenches }: TakeOff, add: AddStep): string[] {
  const closes = waysOf(headOf(job).ways).opening === 'stretch';
  const byRun = new Map(trenches.map((trench) => [trench.id, trench]));
  return downstreamFirst(solution).map(({ letter, runs, into }) => {
    const own = runs.flatMap((id) => byRun.get(id) ?? []);
    const volume = own.reduce((sum, each) => sum + each.volume, 0);
    const length = own.reduce((sum, each) => sum + each.length, 0);
    const key = `line ${letter}`;
    const filled = own.reduce((sum, each) => sum + each.volume - each.displaced, 0);
    const bored = own.reduce((sum, each) => sum + each.bored, 0);
    const byHand = own.reduce((sum, each) => sum + each.byHand, 0);
    add(key, 'line', ['strip', 'saw', 'grade', ...(into === null ? [] : [`line ${into}`])], {
      alone: length / LAY + (spadeIn(job, own.map(ownMeets)) + byHand) * SPADE + bored / BORE + (closes ? filled / RAM : 0),
      together: volume / DIG,
      line: letter,
      digs: true,
      machine: 'excavator',
      truck: ['pipe', 'fittings', 'ends', 'joints', 'stone'],
    });
    return key;
  });
}

interface Beside {
  /** m³ dug and filled. */
  earth: number;
  /** m³ of stone placed. */
  stone: number;
}

/** What is dug, filled and placed besides the trenches of lines: to shape the ground, where inlets are set, and for other works. */
function besideTrenches(job: Job, { parts, trenches }: TakeOff): Record<'ground' | 'inlets' | 'works', Beside> {
  const found = { ground: { earth: 0, stone: 0 }, inlets: { earth: 0, stone: 0 }, works: { earth: 0, stone: 0 } };
  const kindAt = (id: string): keyof typeof found => {
    const kind = job.elements.get(id)?.kind;
    if (kind === 'swale' || kind === 'berm') return 'ground';
    return kind === 'basin' || kind === 'channel' ? 'inlets' : 'works';
  };
  const isTrenched = new Set(trenches.map(({ id }) => id));
  for (const { item, uses } of parts) {
    const what = item.type === 'stone' ? 'stone' : item.type === 'dug' || item.type === 'fill' ? 'earth' : null;
    if (what === null) continue;
    for (const { id, quantity } of uses)
      if (what === 'stone' || !isTrenched.has(id)) found[kindAt(id)][what] += quantity;
  }
  return found;
}

/** The steps of a plan, each after what it needs. None where nothing is built. */
export function stepsOf(
  job: Job,
  solution: Pick<Solution, 'lines' | 'runs'>,
  taken: TakeOff,
  inspected: boolean,
): WorkStep[] {
  const { parts, trenches } = taken;
  if (parts.length === 0) return [];
  const net = (...types: string[]): number =>
    parts.filter(({ item }) => types.includes(item.type)).reduce((sum, part) => sum + part.net, 0);
  const { steps, add } = stepList(job);
  // The crew comes when there is something to dig: it looks for the marks first.
  add('setOut', 'setOut', [], { together: COME, digs: true });
  add('strip', 'strip', ['setOut'], { alone: net('turf', 'sodCut', 'seed') / STRIP, digs: true });
  add('saw', 'strip', ['setOut'], { alone: net('saw') / SAW, digs: true, machine: 'saw' });
  const beside = besideTrenches(job, taken);
  // What shapes the ground comes before what is laid in it.
  add('grade', 'grade', ['strip'], { together: beside.ground.earth / DIG, digs: true, machine: 'excavator' });
  const laid = layLines(job, solution, taken, add);
  add('works', 'works', ['strip', ...laid], {
    alone: beside.works.stone / RAM + spadeIn(job, taken.works) * SPADE,
    together: beside.works.earth / DIG,
    digs: true,
    machine: 'excavator',
    truck: ['works', 'stone', 'pipe'],
  });
  add('boxes', 'boxes', laid, {
    alone:
      net(...SET_ITEMS) * SET +
      net('channel') * CHANNEL +
      (net('slipCoupler', 'boot') / 2) * SPLICE +
      beside.inlets.stone / RAM,
    together: beside.inlets.earth / DIG,
    truck: ['inlets', 'ends', 'works'],
  });
  // Water is run through pipe; where none is laid there is nothing to look at.
  add('test', 'test', [...laid, 'boxes', 'works'], { together: trenches.length > 0 ? TEST : 0 });
  if (inspected) add('inspect', 'inspect', ['test'], { together: TEST });
  const closed =
    waysOf(headOf(job).ways).opening === 'stretch'
      ? trenches.reduce((sum, { volume, displaced }) => sum + volume - displaced, 0)
      : 0;
  add('backfill', 'backfill', ['test', 'inspect'], {
    alone: Math.max(0, net('backfill') - closed) / RAM,
    machine: 'rammer',
  });
  add('slab', 'slab', ['backfill'], { alone: net('slab') / SLAB, truck: ['ground'] });
  // After the heavy machines have left the ground.
  const grown = net('turf') / TURF + net('sodCut') / SOD + net('seed') / SOW;
  // Turf that was cut here and kept takes in any weather in which it can be lifted.
  add('turf', 'turf', ['backfill', 'slab'], {
    alone: grown,
    grows: net('turf', 'seed') > 0,
    truck: net('turf', 'seed') > 0 ? ['ground'] : [],
  });
  return steps;
}

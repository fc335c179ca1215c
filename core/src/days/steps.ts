/** What is done, in the order of the work, with how long it takes and what each day's truck must carry. */
import type { Item } from '../catalogue/items';
import { crewOf, paceOf } from '../job/crew';
import { waysOf } from '../job/buildWays';
import { elementOf, headOf, ofKind, type Job } from '../job/job';
import type { Run, Step as Settled } from '../job/kinds';
import type { Rentable } from '../catalogue/diggers';
import { netOf, type TakeOff } from '../quantities/takeOff';
import { besideTrenches } from './beside';
import { SET_ITEMS, spadeIn } from '../quantities/met';
import { noMachineIn } from '../quantities/widths';
import { ownMeets } from '../quantities/earth';
import {
  BORE,
  CHAINED,
  CHANNEL,
  CHANNEL_CURES,
  COME,
  DIG,
  LAY,
  RAM,
  SAW,
  SET,
  SLAB,
  SLAB_CURES,
  SOD,
  SOW,
  SPADE,
  SPLICE,
  STRIP,
  TEST,
  TURF,
  type StepKind,
} from '../catalogue/paces';

export interface WorkStep {
  key: string;
  kind: StepKind;
  /** Letter of its line; of `line` only. */
  line: string | null;
  /** Keys of what must be done before it. */
  after: readonly string[];
  crew: number;
  /** Hours that the whole crew takes, as planned; and what they would be at the usual pace, whatever was typed. */
  hours: number;
  usual: number;
  /** Whether the ground is opened, which wet days and missing marks hold up; whether frost spoils it. */
  digs: boolean;
  grows: boolean;
  machines: readonly Rentable[];
  /** What is set, built or shaped in it, by id. */
  things: readonly string[];
  /** Days that its concrete stands before anything else is done over it, and until wheels pass. */
  cures: { work: number; wheels: number } | null;
  settled: Settled | null;
}

/** Lines so that each comes after the one that it runs into: the way out first, and upward. */
function downstreamFirst(
  job: Job,
  lines: TakeOff['lines'],
): { letter: string; runs: readonly string[]; into: string | null }[] {
  const endsOf = (id: string): Pick<Run, 'from' | 'to'> | undefined => elementOf(job, 'run', id);
  const lineOf = new Map(lines.flatMap(({ letter, runs }) => runs.map((id) => [endsOf(id)?.from, letter] as const)));
  const own = lines.map(({ letter, runs }) => {
    const heads = new Set(runs.map((id) => endsOf(id)?.from));
    const foot = runs.map((id) => endsOf(id)?.to).find((to) => !heads.has(to));
    const into = (foot === undefined ? undefined : lineOf.get(foot)) ?? null;
    return { letter, runs, into: into === letter ? null : into };
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
  Pick<WorkStep, 'line' | 'digs' | 'grows' | 'machines' | 'things' | 'cures'>
>;

/** Puts a step behind those that it comes after; none where it takes no time. */
type AddStep = (key: string, kind: StepKind, after: readonly string[], takes: Takes) => void;

/** Machines that no gate lets in where none gets in. */
const DIGS = new Set<Rentable>(['excavator', 'trencher']);

/** A list of steps and what adds to it, with what a crew has settled of each. */
function stepList(job: Job, { trenches }: TakeOff): { steps: WorkStep[]; add: AddStep } {
  const settled = new Map(ofKind(job, 'step').map((step) => [step.of, step]));
  const own = crewOf(job);
  const shut = noMachineIn(job, trenches);
  const steps: WorkStep[] = [];
  const add: AddStep = (key, kind, after, { alone = 0, together = 0, ...more }) => {
    if (alone + together <= 0) return;
    const byHand = settled.get(key) ?? null;
    const crew = byHand?.crew ?? own.crew;
    const usual = alone / crew + together;
    const hours = byHand?.hours ?? Math.max(0.25, Math.round(paceOf(own, kind) * usual * 4) / 4);
    const known = new Set(steps.map((step) => step.key));
    steps.push({
      key,
      kind,
      line: null,
      after: after.filter((each) => known.has(each)),
      crew,
      hours,
      usual,
      digs: false,
      grows: false,
      things: [],
      cures: null,
      ...more,
      machines: (more.machines ?? []).filter((machine) => !shut || !DIGS.has(machine)),
      settled: byHand,
    });
  };
  return { steps, add };
}

/** Each line dug and laid, from the end up; the keys of their steps. */
function layLines(job: Job, { trenches, lines }: TakeOff, add: AddStep): string[] {
  const closes = waysOf(headOf(job).ways).opening === 'stretch';
  const byRun = new Map(trenches.map((trench) => [trench.id, trench]));
  return downstreamFirst(job, lines).map(({ letter, runs, into }) => {
    const own = runs.flatMap((id) => byRun.get(id) ?? []);
    const volume = own.reduce((sum, each) => sum + (each.digger === 'excavator' ? each.volume : 0), 0);
    const chained = own.reduce((sum, each) => sum + (each.digger === 'trencher' ? each.own : 0), 0);
    const length = own.reduce((sum, each) => sum + each.length, 0);
    const key = `line ${letter}`;
    const filled = own.reduce((sum, each) => sum + each.volume - each.displaced, 0);
    const bored = own.reduce((sum, each) => sum + each.bored, 0);
    const byHand = own.reduce((sum, each) => sum + each.byHand, 0);
    add(key, 'line', ['strip', 'saw', 'grade', ...(into === null ? [] : [`line ${into}`])], {
      alone:
        length / LAY + (spadeIn(job, own.map(ownMeets)) + byHand) * SPADE + bored / BORE + (closes ? filled / RAM : 0),
      together: volume / DIG + chained / CHAINED,
      line: letter,
      digs: true,
      machines: [
        ...new Set(
          own.flatMap(({ digger, bored, length: all }) =>
            bored === all ? ['borer' as const] : digger === 'hand' ? [] : [digger],
          ),
        ),
      ],
    });
    return key;
  });
}

/** The steps of a plan, each after what it needs. None where nothing is built. */
export function stepsOf(job: Job, taken: TakeOff, inspected: boolean): WorkStep[] {
  const { parts, trenches } = taken;
  if (parts.length === 0) return [];
  const net = (...types: Item['type'][]): number => netOf(parts, ...types);
  const { steps, add } = stepList(job, taken);
  // The crew comes when there is something to dig: it looks for the marks first.
  add('setOut', 'setOut', [], { together: COME, digs: true });
  add('strip', 'strip', ['setOut'], { alone: net('turf', 'sodCut', 'seed') / STRIP, digs: true });
  add('saw', 'strip', ['setOut'], { alone: net('saw') / SAW, digs: true, machines: ['wetSaw'] });
  const beside = besideTrenches(job, taken);
  // What shapes the ground comes before what is laid in it.
  add('grade', 'grade', ['strip'], {
    together: beside.ground.earth / DIG,
    digs: true,
    machines: ['excavator'],
    things: beside.ground.things,
  });
  const laid = layLines(job, taken, add);
  add('works', 'works', ['strip', ...laid], {
    alone: beside.works.stone / RAM + spadeIn(job, taken.works) * SPADE,
    together: beside.works.earth / DIG,
    digs: true,
    machines: ['excavator'],
    things: beside.works.things,
  });
  add('boxes', 'boxes', laid, {
    alone:
      net(...SET_ITEMS) * SET +
      net('channel') * CHANNEL +
      (net('slipCoupler', 'boot') / 2) * SPLICE +
      beside.inlets.stone / RAM,
    together: beside.inlets.earth / DIG,
    things: beside.inlets.things,
    cures: net('concrete') > 0 ? CHANNEL_CURES : null,
  });
  // Water is run through pipe; where none is laid there is nothing to look at.
  add('test', 'test', [...laid, 'boxes', 'works'], { together: trenches.length > 0 ? TEST : 0 });
  if (inspected) add('inspect', 'inspect', ['test'], { together: TEST });
  const closed =
    waysOf(headOf(job).ways).opening === 'stretch'
      ? trenches.reduce((sum, { volume, displaced }) => sum + volume - displaced, 0)
      : 0;
  add('backfill', 'backfill', ['test', 'inspect', 'boxes'], {
    alone: (Math.max(0, net('backfill') - closed) + beside.raised.earth) / RAM,
    machines: ['rammer'],
  });
  add('slab', 'slab', ['backfill'], { alone: net('slab') / SLAB, cures: net('slab') > 0 ? SLAB_CURES : null });
  // After the heavy machines have left the ground.
  const grown = net('turf') / TURF + net('sodCut') / SOD + net('seed') / SOW;
  // Turf that was cut here and kept takes in any weather in which it can be lifted.
  add('turf', 'turf', ['backfill', 'slab'], {
    alone: grown,
    grows: net('turf', 'seed') > 0,
  });
  return steps;
}

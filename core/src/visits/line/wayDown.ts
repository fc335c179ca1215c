/** The way that water takes from where it is poured in down to its way out, as a test of a line needs it. */
import { OUTFALLS } from '../../catalogue/outfalls';
import { elementOf, type Job } from '../../job/job';
import type { Landing } from '../../job/kinds';
import { routeOf } from '../../plan/section';
import type { RunPlan, Solution } from '../../plan/solution';
import type { LandingOnWay, Mouth, PipeOnWay, Side } from './onWay';
import { slicesOf, type Slices } from './slices';

/** What a test asks of a plan. */
export type OfPlan = Pick<Solution, 'runs' | 'inlets' | 'settings'>;

export interface WayDown {
  from: string;
  /** The landing that it ends at, and the name of its kind of end. */
  to: string;
  /** Head first. */
  pipes: readonly PipeOnWay[];
  landings: readonly LandingOnWay[];
  length: number;
  /** Level that water stands at where it ends before any comes, m; −∞ at an open end. */
  stands: number;
  /** Whether the line may stand full behind a lid before the test: nobody sees how full. */
  keeps: boolean;
  /** Whether water soaks out of any of it: then nothing can be said of what comes out. */
  soaks: boolean;
  slices: Slices;
}

const OPENINGS: ReadonlySet<Landing['kind']> = new Set(['basin', 'channel', 'downspout', 'stoneDrain']);

const mouthOf = (job: Job, id: string): Mouth[] => {
  const landing = job.elements.get(id);
  if (!landing || !OPENINGS.has(landing.kind as Landing['kind'])) return [];
  return [{ id, level: (landing as Landing).groundLevel }];
};

/** Runs by the landing that they come in at. */
type Arriving = ReadonlyMap<string, readonly RunPlan[]>;

function arrivingAt(plan: OfPlan): Arriving {
  const found = new Map<string, RunPlan[]>();
  for (const run of Object.values(plan.runs)) {
    const known = found.get(run.to);
    if (known) known.push(run);
    else found.set(run.to, [run]);
  }
  return found;
}

/** Every mouth up the tree from a landing, by way of the runs that arrive there but for one. */
function above(job: Job, arriving: Arriving, id: string, but: string | null): { mouths: Mouth[]; sides: Side[] } {
  const mouths = mouthOf(job, id);
  const sides: Side[] = [];
  const seen = new Set<string>();
  const left = [id];
  for (let at = left.pop(); at !== undefined; at = left.pop())
    for (const run of arriving.get(at) ?? []) {
      if (run.id === but || seen.has(run.id)) continue;
      seen.add(run.id);
      const { length, invertUp, invertDown, diameter } = run;
      sides.push({ run: run.id, length, up: invertUp, down: invertDown, diameter });
      mouths.push(...mouthOf(job, run.from));
      left.push(run.from);
    }
  return { mouths: mouths.sort((a, b) => a.level - b.level), sides };
}

/** Whether a landing's water is led to a way out. */
export function leadsOut(job: Job, plan: OfPlan, from: string): boolean {
  const last = routeOf(plan as Solution, from).at(-1);
  return last !== undefined && elementOf(job, 'discharge', last.to) !== undefined;
}

/** From a landing down to where its water leaves; null where no pipe leads from it to a way out. */
export function wayDown(job: Job, plan: OfPlan, from: string): WayDown | null {
  const route = routeOf(plan as Solution, from);
  const last = route.at(-1);
  const end = last && elementOf(job, 'discharge', last.to);
  if (!last || !end) return null;
  const coming = arrivingAt(plan);
  let at = 0;
  const pipes = route.map((run): PipeOnWay => {
    const { id, length, invertUp, invertDown, diameter, roughness, parallel } = run;
    const pipe = { run: id, at, length, up: invertUp, down: invertDown, diameter, roughness, parallel };
    at += length;
    return pipe;
  });
  const sumpOf = (id: string): number => {
    const inlet = plan.inlets[id];
    return inlet?.kind === 'basin' ? (inlet.sump ?? 0) : 0;
  };
  const landings = [...route.map(({ from: id }) => id), last.to].map((id, k): LandingOnWay => {
    const arriving: RunPlan | undefined = route[k - 1];
    return {
      id,
      at: pipes[k]?.at ?? at,
      ...above(job, coming, id, arriving?.id ?? null),
      sump: sumpOf(id),
    };
  });
  const outfall = OUTFALLS[end.form];
  return {
    from,
    to: last.to,
    pipes,
    landings,
    length: at,
    stands: outfall.standing(end, plan.settings),
    keeps: !outfall.drainsDry,
    soaks: route.some(({ id }) => elementOf(job, 'run', id)?.perforated === true),
    slices: slicesOf(pipes, landings, at),
  };
}

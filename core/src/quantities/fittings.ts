/** What stands in the lines: pipe, wyes by size pair, bends, reducers, adapters, cleanouts. */
import { RISER } from '../catalogue/supply';
import { ofKind, type Job } from '../job/job';
import { isNew, isLaid, type Junction, type Landing, type Run } from '../job/kinds';
import { wayOfRun } from '../job/places';
import { jointOf } from '../network/joints';
import type { Solution } from '../plan/solution';
import type { Counting } from './counting';
import type { Item } from '../catalogue/items';
import { addBends, directionsOf, ownTurns, turnBetween } from './turns';

/** A wye turns its branch by so much itself, rad; where nobody knows how a branch comes, one 45 makes the sweep. */
const WYE_TURN = Math.PI / 4;

const TURNS: Record<NonNullable<Junction['turn']>, readonly (45 | 90)[]> = {
  one45: [45],
  two45: [45, 45],
  one90: [90],
};

/** Pipes of a job that come in at each landing, and the one that leaves. */
export class Lines {
  readonly into = new Map<string, Run[]>();
  readonly from = new Map<string, Run>();

  constructor(readonly job: Job) {
    for (const run of ofKind(job, 'run')) {
      if (!isLaid(run)) continue;
      const there = this.into.get(run.to);
      if (there) there.push(run);
      else this.into.set(run.to, [run]);
      this.from.set(run.from, run);
    }
  }

  /** How a pipe turns from where it comes in to where the next leaves, rad; null off the plan. */
  turn(above: Run, below: Run): number | null {
    const [a, b] = [directionsOf(this.job, above), directionsOf(this.job, below)];
    return a && b ? turnBetween(a.foot, b.head) : null;
  }
}

/** Pipe of every run that is laid anew, and the bends within it; what becomes of the old ones. */
export function countRuns(job: Job, { runs }: Pick<Solution, 'runs'>, counting: Counting): void {
  for (const run of ofKind(job, 'run')) {
    const { id, material, nominal, perforated, parallel = 1 } = run;
    if (!isNew(run)) {
      if (run.old!.fate === 'cutOff') counting.add({ type: 'cap', material, nominal }, id);
      continue;
    }
    if (material === 'clay') {
      counting.missing.push({ id, why: 'oldPipe' });
      continue;
    }
    if (!runs[id]) counting.missing.push({ id, why: 'noLine' });
    const pipe: Item = perforated
      ? { type: 'pipe', material, nominal, perforated }
      : { type: 'pipe', material, nominal };
    const turns = ownTurns(wayOfRun(job, run) ?? []);
    for (let k = 0; k < parallel; k++) {
      counting.add(pipe, id, run.length);
      for (const turn of turns) addBends(counting, run, turn, id);
    }
  }
}

/** What stands at every landing that is a fitting, and what joins pipe to pipe there. */
export function countFittings(lines: Lines, solution: Pick<Solution, 'landings'>, counting: Counting): void {
  for (const junction of ofKind(lines.job, 'junction')) {
    const below = lines.from.get(junction.id);
    const above = lines.into.get(junction.id) ?? [];
    if (junction.form === 'sedimentTrap') counting.add({ type: 'trap' }, junction.id);
    if (!below) continue;
    if (junction.form === 'sedimentTrap') {
      for (const run of [...above, below]) counting.add({ type: 'boxOutlet', nominal: run.nominal }, junction.id);
      continue;
    }
    meeting(lines, junction, above, below, counting);
    if (junction.form === 'cleanout')
      cleanout(junction, below, solution.landings[junction.id]?.invert ?? null, counting);
  }
}

/** Pipes that come together in a fitting: the straightest of the largest goes through, each other comes in by a wye. */
function meeting(lines: Lines, junction: Junction, above: readonly Run[], below: Run, counting: Counting): void {
  const { id, form } = junction;
  const turnOf = (run: Run): number => lines.turn(run, below) ?? Infinity;
  const [main, ...branches] = [...above].sort((a, b) => b.nominal - a.nominal || turnOf(a) - turnOf(b));
  if (!main) return;
  const { material, nominal } = below;
  joined(main, below, id, counting);
  const through = lines.turn(main, below);
  if (form === 'bend' && (through === null || junction.turn !== undefined))
    for (const degrees of TURNS[junction.turn ?? 'one45'])
      counting.add({ type: 'bend', material, nominal, degrees }, id);
  else if (through !== null) addBends(counting, below, through, id);
  if (!isNew(main) && !isNew(below) && branches.length > 0) spliced(below, id, counting);
  for (const branch of branches) {
    counting.add({ type: form === 'tee' ? 'tee' : 'wye', material, nominal, branch: branch.nominal }, id);
    // The branch comes into a hub of the line's make.
    const { makes } = jointOf(branch, below);
    if (makes) counting.add(adapterOf(makes, branch, below, branch.nominal), id);
    if (form === 'tee') continue;
    const turn = lines.turn(branch, below);
    addBends(counting, branch, turn === null ? WYE_TURN : Math.abs(turn - WYE_TURN), id);
  }
  if (above.length === 1 && below.nominal === main.nominal && form !== 'bend' && form !== 'cleanout')
    counting.add({ type: 'coupler', material, nominal }, id);
}

/** A fitting cut into a line that was here before: it is slipped in between its two ends. */
function spliced({ material, nominal }: Run, id: string, counting: Counting): void {
  if (material === 'clay') counting.add({ type: 'boot', material, other: 'smooth', nominal }, id, 2);
  else counting.add({ type: 'slipCoupler', material, nominal }, id, 2);
}

function joined(above: Run, below: Run, id: string, counting: Counting): void {
  const { makes, increases, wall } = jointOf(above, below);
  const { material, nominal } = below;
  // Where it grows too, the smaller end is adapted first.
  if (makes) counting.add(adapterOf(makes, above, below, Math.min(above.nominal, nominal)), id);
  if (Math.abs(above.nominal - nominal) > 1e-6)
    counting.add(
      {
        type: 'reducer',
        material,
        nominal: Math.max(above.nominal, nominal),
        branch: Math.min(above.nominal, nominal),
      },
      id,
    );
  else if (!makes && wall && !increases) counting.add({ type: 'coupler', material, nominal }, id);
}

/** What joins two makes of pipe of one size, m. */
const adapterOf = (makes: 'boot' | 'coupler' | 'adapter', above: Run, below: Run, nominal: number): Item => ({
  type: makes === 'boot' ? 'boot' : 'adapter',
  material: above.material,
  other: below.material,
  nominal,
});

/** A wye with its branch up to the ground, and a cap there. */
function cleanout({ id, groundLevel }: Landing, below: Run, invert: number | null, counting: Counting): void {
  const { material, nominal } = below;
  counting.add({ type: 'wye', material, nominal, branch: nominal }, id);
  counting.add({ type: 'bend', material, nominal, degrees: 45 }, id);
  counting.add(
    { type: 'pipe', material, nominal },
    id,
    invert === null ? RISER : Math.max(RISER, groundLevel - invert),
  );
  counting.add({ type: 'cleanoutCap', material, nominal }, id);
}

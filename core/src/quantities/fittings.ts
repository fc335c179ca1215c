/** What stands in the lines: pipe, wyes by size pair, bends, reducers, adapters, cleanouts. */
import type { Material } from '../catalogue/pipes';
import { outsideOf, RISER, STRIP } from '../catalogue/supply';
import { waysOf } from '../job/buildWays';
import { headOf, ofKind, type Job } from '../job/job';
import { resolveSettings } from '../job/settings';
import { isNew, type Junction, type Landing, type Run } from '../job/kinds';
import { wayOfRun } from '../job/places';
import { jointOf, type Piece } from '../network/joints';
import type { Solution } from '../plan/solution';
import type { Counting } from './counting';
import type { Item } from '../catalogue/items';
import { trenchWidth } from './widths';
import { isRun, turnInto, type Arriving, type PipesAt, type At } from './pipesAt';
import { addBends, isBent, ownTurns } from './turns';

/** A wye turns its branch by so much itself, rad; where nobody knows how a branch comes, one 45 makes the sweep. */
const WYE_TURN = Math.PI / 4;

const TURNS: Record<NonNullable<Junction['turn']>, readonly (45 | 90)[]> = {
  one45: [45],
  two45: [45, 45],
  one90: [90],
};

/** Makes that are sold of recycled plastic. */
const CORRUGATED = new Set<Material>(['singleWall', 'doubleWall']);

/** Pipe of every run that is laid anew, and the bends within it; what becomes of the old ones. */
export function countRuns(job: Job, { runs }: Pick<Solution, 'runs'>, counting: Counting): void {
  const { recycled } = waysOf(headOf(job).ways);
  for (const run of ofKind(job, 'run')) {
    const { id, material, nominal, perforated, parallel = 1 } = run;
    if (!isNew(run)) {
      if (run.old!.fate === 'cutOff') counting.add({ type: 'cap', material, nominal }, id);
      if (run.old!.fate === 'takenOut') takenOut(job, run, counting);
      continue;
    }
    if (material === 'clay') {
      counting.missing.push({ id, why: 'oldPipe' });
      continue;
    }
    if (!runs[id]) counting.missing.push({ id, why: 'noLine' });
    const pipe: Item = {
      type: 'pipe',
      material,
      nominal,
      ...(perforated ? { perforated } : {}),
      ...(recycled && CORRUGATED.has(material) ? { recycled } : {}),
    };
    const turns = ownTurns(wayOfRun(job, run) ?? []);
    for (let k = 0; k < parallel; k++) {
      counting.add(pipe, id, run.length);
      for (const turn of turns) addBends(counting, run, turn, id);
    }
  }
}

/** An old pipe taken out: its trench opened as deep as it is known to lie, or as pipe usually does, filled again, and the pipe hauled. */
function takenOut(job: Job, run: Run, counting: Counting): void {
  const { id, material, nominal, length, grade, parallel = 1 } = run;
  const { cover } = resolveSettings(headOf(job).settings);
  const head = job.elements.get(run.from);
  const outside = outsideOf(material, nominal);
  const known = grade.type === 'levels' && grade.up !== undefined && head && 'groundLevel' in head;
  const depth = known ? Math.max(outside, (head as Landing).groundLevel - grade.up!) : cover + outside;
  const width = trenchWidth(run);
  const pipe = Math.min(width * depth * length, (parallel * length * Math.PI * outside ** 2) / 4);
  counting.add({ type: 'dug' }, id, width * depth * length);
  counting.add({ type: 'backfill' }, id, width * depth * length - pipe);
  counting.add({ type: 'spoil' }, id, pipe);
  counting.add({ type: 'turf' }, id, length * (width + STRIP));
}

/** What stands at a landing that is a fitting, and what joins pipe to pipe there. */
export function countJunction({ landing: junction, pipes, invert }: At<Junction>, counting: Counting): void {
  const { above, below } = pipes;
  const all = [...above, ...(below ? [below] : [])];
  // What was here before has what joins what was here before.
  if (junction.here && !all.some(isNew)) return;
  if (junction.form === 'sedimentTrap') {
    if (!junction.here) counting.add({ type: 'trap' }, junction.id);
    openings(junction.here ? all.filter(isNew) : all, junction.id, counting);
    return;
  }
  if (!below) return closed(above, junction.id, counting);
  const rises = junction.form === 'cleanout' && !junction.here ? 1 : 0;
  meeting(pipes, { ...junction, legs: rises }, above, below, counting);
  if (junction.form === 'cleanout') cleanout(junction, { below, invert, isHead: above.length === 0 }, counting);
  else if (above.length === 0) closed([below], junction.id, counting);
}

/** Pipe that leads on to nothing yet is closed. */
export function closed(above: readonly Run[], id: string, counting: Counting): void {
  for (const { material, nominal, parallel = 1 } of above.filter(isNew))
    counting.add({ type: 'cap', material, nominal }, id, parallel);
}

/** An opening in a box for every pipe that comes to it or leaves it. */
export function openings(runs: readonly Run[], id: string, counting: Counting): void {
  for (const { material, nominal, parallel = 1 } of runs)
    counting.add({ type: 'boxOutlet', material, nominal }, id, parallel);
}

/**
 * Pipes that come together in a fitting: the straightest of the largest goes through, each other comes in by a wye. Of pipes side by side
 * as many go on as can; what comes in besides joins them, and where more go on than come one is parted by a wye.
 */
export function meeting(
  pipes: PipesAt,
  { id, form, turn: bend, legs = 0 }: Meeting,
  above: readonly Arriving[],
  below: Run,
  counting: Counting,
): void {
  const turnOf = (piece: Arriving): number => turnInto(pipes, piece) ?? Infinity;
  const [main, ...branches] =
    above.length < 2 ? above : [...above].sort((a, b) => b.nominal - a.nominal || turnOf(a) - turnOf(b));
  if (!main) return;
  const { nominal, parallel = 1 } = below;
  const material = makeOfFittings(below);
  const comes = main.parallel ?? 1;
  const through = Math.min(comes, parallel);
  const parted = parallel - through;
  const sides = [...(comes > through ? [{ ...main, parallel: comes - through }] : []), ...branches];
  const isSet = sides.length + parted + legs > 0;
  const same = Math.abs(main.nominal - nominal) < 1e-6;
  const old = isOld(main) && isOld(below);
  // Of two old pipes what joins them is there.
  if (old && !isSet) return;
  const turn = old ? null : turnInto(pipes, main);
  const made = form === 'bend' && !old && (turn === null || bend !== undefined) ? TURNS[bend ?? 'one45'] : null;
  const bent = made !== null || isBent({ material }, turn ?? 0);
  // Into clay whatever is set is of smooth pipe, booted to it once all have come together.
  const booted = below.material === 'clay' && main.material !== 'clay' && (isSet || bent || !same);
  if (!old) joined(main, booted ? { ...below, material, old: undefined } : below, id, counting, through);
  if (booted) counting.add({ type: 'boot', material, other: 'clay', nominal }, id, parallel);
  for (let k = 0; k < through; k++)
    if (made) for (const degrees of made) counting.add({ type: 'bend', material, nominal, degrees }, id);
    else if (turn !== null) addBends(counting, { material, nominal }, turn, id);
  if (old) spliced(below, id, counting);
  // Parted: from the line's own size into as many as go on.
  sideWyes(below, nominal, parted, id, counting);
  for (const side of sides)
    for (let k = 0; k < (side.parallel ?? 1); k++) branch(pipes, { id, square: form === 'tee', side, below }, counting);
  // Where nothing else joins two pipes of a size, a coupler does.
  if (isSet || bent || form === 'cleanout' || !same || !isRun(main)) return;
  const { makes, wall } = jointOf(main, below);
  if (!makes && !wall) counting.add({ type: 'coupler', material, nominal }, id, through);
}

/** Wyes in a line with what sweeps out of each, as wide as `branch`, m. */
export function sideWyes(line: Run, branch: number, times: number, id: string, counting: Counting): void {
  const material = makeOfFittings(line);
  counting.add({ type: 'wye', material, nominal: line.nominal, branch }, id, times);
  counting.add({ type: 'bend', material, nominal: branch, degrees: 45 }, id, times);
}

/** Where pipes meet: `legs` come down into them there besides. */
type Meeting = Pick<Landing, 'id'> & Partial<Pick<Junction, 'form' | 'turn'>> & { legs?: number };

/** Of clay nothing new is sold: what is set into it is of smooth pipe, between boots. */
export const makeOfFittings = ({ material }: Pick<Run, 'material'>): Material =>
  material === 'clay' ? 'smooth' : material;

const isOld = (piece: Arriving): boolean => piece.old !== undefined;

interface Branch {
  id: string;
  /** By a tee, square to the flow. */
  square: boolean;
  side: Arriving;
  below: Run;
}

function branch(pipes: PipesAt, { id, square, side, below }: Branch, counting: Counting): void {
  const { nominal } = below;
  const material = makeOfFittings(below);
  counting.add({ type: square ? 'tee' : 'wye', material, nominal, branch: Math.min(nominal, side.nominal) }, id);
  // The branch comes into a hub of the line's make.
  const { makes, wall } = jointOf(side, { ...below, material, old: undefined });
  if (makes) counting.add(adapterOf(makes, side, { ...below, material }, Math.min(nominal, side.nominal)), id);
  else if (wall) counting.add({ type: 'coupler', material, nominal: Math.min(nominal, side.nominal) }, id);
  if (side.nominal > nominal + 1e-6)
    counting.add({ type: 'reducer', material: side.material, nominal: side.nominal, branch: nominal }, id);
  if (square) return;
  const turn = turnInto(pipes, side);
  const piece = { material: side.material, nominal: Math.min(nominal, side.nominal) };
  addBends(counting, piece, turn === null ? WYE_TURN : Math.abs(turn - WYE_TURN), id);
}

/** Of a line that a fitting is cut into, so much is laid anew beside it, m. */
const CUT = 0.3;

/** A fitting cut into a line that was here before: it is slipped in between its two ends, with a short length of pipe. */
export function spliced(line: Pick<Run, 'material' | 'nominal'>, id: string, counting: Counting): void {
  const { material, nominal } = line;
  if (material === 'clay') counting.add({ type: 'boot', material, other: 'smooth', nominal }, id, 2);
  else counting.add({ type: 'slipCoupler', material, nominal }, id, 2);
  counting.add({ type: 'pipe', material: makeOfFittings(line), nominal }, id, CUT);
}

/** What joins one pipe to the next where they meet end to end. */
export function joined(above: Piece, below: Piece, id: string, counting: Counting, times = 1): void {
  const { makes, increases, wall } = jointOf(above, below);
  const { material, nominal } = below;
  const small = Math.min(above.nominal, nominal);
  // Where it grows too, the smaller end is adapted first; where it narrows, the larger is brought down in its own make.
  if (makes) counting.add(adapterOf(makes, above, below, small), id, times);
  if (Math.abs(above.nominal - nominal) > 1e-6)
    counting.add(
      {
        type: 'reducer',
        material: increases ? material : above.material,
        nominal: Math.max(above.nominal, nominal),
        branch: small,
      },
      id,
      times,
    );
  else if (!makes && wall) counting.add({ type: 'coupler', material, nominal }, id, times);
}

/** What joins two makes of pipe of one size, m. */
const adapterOf = (makes: 'boot' | 'coupler' | 'adapter', above: Piece, below: Piece, nominal: number): Item => ({
  type: makes === 'boot' ? 'boot' : 'adapter',
  material: above.material,
  other: below.material,
  nominal,
});

/** A wye with its branch up to the ground, and a cap there; at the head of a line the pipe itself comes up round two bends. */
function cleanout(
  { id, groundLevel, here }: Junction,
  { below, invert, isHead }: { below: Run; invert: number | null; isHead: boolean },
  counting: Counting,
): void {
  if (here) return;
  const { nominal, parallel = 1 } = below;
  const material = makeOfFittings(below);
  const deep = invert === null ? RISER : Math.max(RISER, groundLevel - invert);
  for (let k = 0; k < parallel; k++) {
    if (!isHead) counting.add({ type: 'wye', material, nominal, branch: nominal }, id);
    counting.add({ type: 'bend', material, nominal, degrees: 45 }, id, isHead ? 2 : 1);
    counting.add({ type: 'pipe', material, nominal }, id, deep);
    counting.add({ type: 'cleanoutCap', material, nominal }, id);
  }
}

/** What gives way first: every layer of defence in every storm that the job can meet, one storm after another. */
import type { Job } from '../../job/job';
import type { Plan } from '../../verdict/planJob';
import { COARSE } from '../ranking';
import { lengthOfRain } from '../rain/rainfall';
import { StormRun } from '../stormRun';
import { drowningIn, firstOf, type Drowning } from './drowning';
import { givesWay, LAYERS, type LayerCell, type LayerId } from './layer';
import { CASES, layerCases, type CaseId, type LayerCase } from './layerCases';
import { layersTold, leadsTo } from './layersTold';

export interface GivesWay {
  /** Those that the job can meet; storms that are to be tried for them, and how many of those are over. */
  cases: readonly CaseId[];
  of: number;
  done: number;
  /** The grate that is blocked where one is: of all that were tried the one that harms most, by id; null where none is. */
  blocked: string | null;
  /** By layer a cell for each case, null of one that is not tried yet. */
  layers: readonly { id: LayerId; cells: readonly (LayerCell | null)[] }[];
  /** What gives way first, in the order of the cases; null where all holds. */
  first: { layer: LayerId; case: CaseId; cell: LayerCell } | null;
  /** Lines that carry waters of several kinds, and where one backs up at another's inlet. */
  drowning: readonly Drowning[];
}

/** After the rain a storm is followed for so long, s: half an hour. */
const AFTER = 1800;

interface Tried {
  case: LayerCase;
  cells: Record<LayerId, LayerCell>;
  drowning: readonly Drowning[];
}

/** By what is left to the doors, then by what runs on from the grates and stands over them. */
function harmsMore({ cells: here }: Tried, { cells: there }: Tried): boolean {
  const [left, other] = [here.doors.left ?? Infinity, there.doors.left ?? Infinity];
  if (left !== other) return left < other;
  return here.grates.passed !== there.grates.passed
    ? here.grates.passed > there.grates.passed
    : here.grates.deep > there.grates.deep;
}

/** Tries a job's layers storm by storm, and tells what is known after each; null in between, picture by picture. `plan`: the job's own. */
export function* triedLayers(job: Job, plan: Plan): Generator<GivesWay | null> {
  const here = plan.here ?? job;
  const storms = layerCases(here, plan);
  const leads = leadsTo(here);
  const worst = new Map<CaseId, Tried>();
  const cases = CASES.filter((id) => storms.some((storm) => storm.id === id));
  const known = (done: number): GivesWay => tableOf(cases, worst, { of: storms.length, done });
  yield known(0);
  for (const [k, storm] of storms.entries()) {
    const run = new StormRun(job, plan, { ...storm, cells: COARSE, length: lengthOfRain(storm.rain) + AFTER });
    while (!run.isOver) {
      run.advance();
      yield null;
    }
    const { told } = run;
    const tried: Tried = {
      case: storm,
      cells: layersTold(job, plan, told, leads),
      drowning: drowningIn(job, plan, storm.id, told),
    };
    const before = worst.get(storm.id);
    if (!before || harmsMore(tried, before)) worst.set(storm.id, tried);
    yield known(k + 1);
  }
}

function tableOf(
  cases: readonly CaseId[],
  tried: ReadonlyMap<CaseId, Tried>,
  progress: Pick<GivesWay, 'of' | 'done'>,
): GivesWay {
  const layers = LAYERS.map((id) => ({ id, cells: cases.map((each) => tried.get(each)?.cells[id] ?? null) })).filter(
    ({ cells }) => cells.some((cell) => cell !== null && cell.parts.length > 0),
  );
  const first = cases
    .flatMap((each, k) => layers.map(({ id, cells }) => ({ layer: id, case: each, cell: cells[k] ?? null })))
    .find((each): each is NonNullable<GivesWay['first']> => each.cell !== null && givesWay(each.cell));
  return {
    cases,
    ...progress,
    blocked: tried.get('blocked')?.case.failing[0]?.id ?? null,
    layers,
    first: first ?? null,
    drowning: firstOf(cases.flatMap((each) => tried.get(each)?.drowning ?? [])),
  };
}

/** The whole of it at once. */
export function whatGivesWay(job: Job, plan: Plan): GivesWay {
  let last: GivesWay | null = null;
  for (const each of triedLayers(job, plan)) last = each ?? last;
  return last!;
}

/** Changes that a crew would try against a storm: what the plan's own snags want, more grate, more pipe, another end, and the other ways of building. */
import { GRATES } from '../catalogue/grates';
import { NOMINAL_SIZES } from '../catalogue/pipes';
import { OUTFALLS } from '../catalogue/outfalls';
import { searchFix, type Fix } from '../design/fixes';
import { put } from '../job/change';
import { downstream, resized } from '../job/edits/pipes';
import { elementOf, headOf, nameOf, type Job } from '../job/job';
import type { Basin, Discharge } from '../job/kinds';
import { BUILT_SCHOOLS } from '../schools/built';
import { sideLabel } from '../schools/school';
import type { Failure } from '../simulation';
import { showNominal, text } from '../units';
import type { Plan } from '../verdict/planJob';

/** So many snags are looked at, and so many larger sizes tried. */
const SNAGS = 3;
const LARGER = 2;

const fix = (label: string, change: Fix['change']): Fix => ({ label, change: { ...change, label } });

function* ofSnags(job: Job, plan: Plan): Generator<Fix> {
  for (const snag of plan.snags.filter(({ severity }) => severity !== 'mind').slice(0, SNAGS)) {
    const search = searchFix(job, plan, snag);
    for (let step = search.next(); ; step = search.next())
      if (step.done) {
        if (step.value) yield fix(`${nameOf(job, snag.at)}: ${step.value.label}`, step.value.change);
        break;
      }
  }
}

function* moreGrate(job: Job, basin: Basin): Generator<Fix> {
  const { count = 1 } = basin;
  const name = nameOf(job, basin.id);
  yield fix(`Set ${count + 1} grates side by side at ${name}`, put('', { ...basin, count: count + 1 }));
  const larger = GRATES.slice(GRATES.indexOf(basin.grate) + 1).find((grate) => grate !== 'dome12');
  if (larger) yield fix(`A larger grate at ${name}`, put('', { ...basin, grate: larger }));
}

function* morePipe(job: Job, landing: string): Generator<Fix> {
  const line = downstream(job, landing);
  const least = Math.min(...line.map(({ nominal }) => nominal));
  for (const nominal of NOMINAL_SIZES.filter((size) => size > least + 1e-9).slice(0, LARGER)) {
    const small = line.filter((run) => run.nominal < nominal - 1e-9);
    const size = text(showNominal(nominal, headOf(job).units));
    yield fix(`Lay ${size} from ${nameOf(job, landing)} down`, put('', ...small.map((run) => resized(run, nominal))));
  }
}

/** A way out that is frozen shut, as one that does not freeze. */
function* freeEnd(job: Job, discharge: Discharge): Generator<Fix> {
  if (!OUTFALLS[discharge.form].freezes) return;
  yield fix(`${nameOf(job, discharge.id)} led to daylight`, put('', { ...discharge, form: 'daylight' }));
}

/** `at`: where water stands, the worst first. */
export function* candidatesFor(
  job: Job,
  plan: Plan,
  { at, failing }: { at: readonly string[]; failing: readonly Failure[] },
): Generator<Fix> {
  yield* ofSnags(job, plan);
  for (const id of at) {
    const basin = elementOf(job, 'basin', id);
    // More grate at one that is blocked is blocked with it.
    if (basin && !failing.some((each) => each.kind === 'blocked' && each.id === id)) yield* moreGrate(job, basin);
    yield* morePipe(job, id);
  }
  for (const { kind, id } of failing) {
    const discharge = kind === 'shut' ? elementOf(job, 'discharge', id) : undefined;
    if (discharge) yield* freeEnd(job, discharge);
  }
  for (const school of BUILT_SCHOOLS) {
    if (!school.asks(job)) continue;
    const now = school.chosen(job);
    for (const side of school.sides) {
      if (side.id === now) continue;
      const change = school.choose(job, side.id);
      if (change.puts.length + change.removes.length === 0) continue;
      yield fix(`${school.question} ${sideLabel(side, headOf(job).units)}`, change);
    }
  }
}

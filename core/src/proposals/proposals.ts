/**
 * Whole plans for a site: every layout is put in, sized, mended by its own fixes, planned and priced like any other job, and of all of them
 * three are told that differ: what costs least, what leaves most alone, and what keeps most in reserve.
 */
import { changed, type Change } from '../job/change';
import { freshId } from '../job/ids';
import { ofKind, rainOf, type Job } from '../job/job';
import { kindOf, type Element } from '../job/kinds';
import { wayOfRun } from '../job/places';
import { standingOf, type Standing } from '../schools/difference';
import { wayLength } from '../site/place';
import { planJob, type Plan } from '../verdict/planJob';
import { crossingsOf } from '../yard/crossings';
import { groundOf } from '../yard/ground';
import { keepAside, takesAside } from '../variants/variants';
import { NOTHING_ASKED, wantedIn, type Asked, type Wanted } from './ends';
import { finished } from './finished';
import { layoutsOf, lessSparedLayouts, pumpedLayout, shorterLayouts, type Layout } from './layouts';
import { renamed } from './renamed';
import { roomier } from './roomier';

export const AIMS = ['cost', 'disturbance', 'reserve'] as const;
export type Aim = (typeof AIMS)[number];

/** A layout as a whole plan. */
export interface Laid {
  layout: Layout;
  job: Job;
  plan: Plan;
  standing: Standing;
  stops: number;
  fixes: number;
  /** m of pipe, and of it through roots, paving and beside services. */
  pipe: number;
  disturbs: number;
}

export interface Proposal extends Laid {
  aim: Aim;
  /** What takes it: what is drawn is kept aside as an option. */
  change: Change;
}

/** What lacks before anything can be proposed. */
export const LACKS = ['wayOut', 'sources', 'rain', 'levels', 'ways'] as const;
export type Lack = (typeof LACKS)[number];

export interface Proposals {
  wanted: Wanted;
  /** All that were laid out, the cheapest without a Stop first. */
  laid: readonly Laid[];
  found: readonly Proposal[];
  missing: readonly Lack[];
}

/** The same with ids of its own in the order of the job: fixes make theirs up, and the same job is to give the same proposals. */
function inOrder(given: Job, job: Job): Job {
  const fresh = job.elements.all.filter(({ id }) => !given.elements.has(id));
  const ids = new Map(fresh.map(({ id, kind }, k) => [id, `${kindOf(kind).idStem}-proposed-${k + 1}`]));
  const puts = renamed(
    job.elements.all.filter((element) => given.elements.get(element.id) !== element),
    ids,
  );
  return changed(job, { puts, removes: fresh.map(({ id }) => id) });
}

function laidOut(given: Job, wanted: Wanted, layout: Layout): Laid {
  return judged(given, wanted, layout, inOrder(given, finished(given, wanted.job, layout.elements)));
}

/** The lines of a plan in larger pipe; null where that leaves more to mend. */
function withRoom(given: Job, wanted: Wanted, laid: Laid): Laid | null {
  const job = roomier(given, laid);
  const then = job && judged(given, wanted, { ...laid.layout, kind: 'roomier', gap: null }, job);
  return then && then.stops <= laid.stops && then.fixes <= laid.fixes ? then : null;
}

function judged(given: Job, wanted: Wanted, layout: Layout, job: Job): Laid {
  const plan = planJob(job);
  const { leaveOut } = wanted.asked;
  const count = (severity: string): number =>
    plan.snags.filter((snag) => snag.severity === severity && !leaveOut.includes(snag.at)).length;
  const ways = ofKind(job, 'run').flatMap((run) => {
    const way = given.elements.has(run.id) ? null : wayOfRun(job, run);
    return way ? [way] : [];
  });
  const disturbs = ways
    .flatMap((way) => crossingsOf(job, way))
    .filter(({ kind }) => kind === 'tree' || kind === 'surface' || kind === 'service')
    // What has no width is still dug round by spade.
    .reduce((sum, { from, to }) => sum + Math.max(1, to - from), 0);
  return {
    layout,
    job,
    plan,
    standing: standingOf(job, plan),
    stops: count('stop'),
    fixes: count('fix'),
    pipe: ways.reduce((sum, way) => sum + wayLength(way), 0),
    disturbs,
  };
}

/** A proposal with some of its lines by another way: sized, mended, planned and priced anew. */
export function reworked(given: Job, wanted: Wanted, proposal: Proposal, elements: readonly Element[]): Proposal {
  // What is new on the site is among them by the plan's own names.
  const bare = { ...wanted, job: changed(wanted.job, { puts: [], removes: wanted.fresh.map(({ id }) => id) }) };
  const own = elements.filter((element) => bare.job.elements.get(element.id) !== element);
  const least = laidOut(given, bare, { ...proposal.layout, elements: own, gap: null });
  const laid = (proposal.layout.kind === 'roomier' && withRoom(given, wanted, least)) || least;
  return { ...laid, aim: proposal.aim, change: changeTo(given, laid.job, AIM_LABELS[proposal.aim]) };
}

const cheaper = (a: Laid, b: Laid): number =>
  a.stops - b.stops || a.fixes - b.fixes || a.standing.asked - b.standing.asked;

/** Lines as they lie, so that two plans that are the same are told once, whatever their parts are called. */
const drawnAs = ({ job }: Laid): string =>
  JSON.stringify(
    ofKind(job, 'run')
      .map((run) => JSON.stringify([run.nominal, wayOfRun(job, run)]))
      .sort(),
  );

function lacking(job: Job, { ends, roots }: Wanted): Lack[] {
  return [
    ...(roots.some(({ kind }) => kind === 'discharge') ? [] : (['wayOut'] as const)),
    ...(ends.length > 0 ? [] : (['sources'] as const)),
    ...(rainOf(job) ? [] : (['rain'] as const)),
    ...(groundOf(job).surface ? [] : (['levels'] as const)),
  ];
}

/** A proposal's change with ids of its own making: two devices that each take one put in two, and neither is lost. */
export function withFreshIds(job: Job, change: Change): Change {
  const fresh = change.puts.filter(({ id, kind }) => !job.elements.has(id) && kind !== 'variant');
  const ids = new Map(fresh.map(({ id, kind }) => [id, freshId(kindOf(kind).idStem)]));
  return { ...change, puts: renamed(change.puts, ids) };
}

/** The change from one job to another, with what was drawn before kept aside. */
function changeTo(given: Job, then: Job, name: string): Change {
  const puts = then.elements.all.filter((element) => given.elements.get(element.id) !== element);
  const removes = given.elements.all.filter(({ id }) => !then.elements.has(id)).map(({ id }) => id);
  const aside = takesAside(given) ? keepAside(given, name).puts : [];
  return { label: `Take the proposal: ${name}`, puts: [...puts, ...aside], removes };
}

/** Plans of a job, told after each that is laid out; the last is the whole. */
export function* proposalsFor(job: Job, asked: Asked = NOTHING_ASKED): Generator<Proposals> {
  const wanted = wantedIn(job, asked);
  const missing = lacking(job, wanted);
  const laid: Laid[] = [];
  const told = (more: readonly Lack[] = []): Proposals => ({
    wanted,
    laid: [...laid].sort(cheaper),
    found: chosen(job, laid),
    missing: [...missing, ...more],
  });
  if (missing.includes('wayOut') || missing.includes('sources')) return yield told();
  let any = false;
  for (const layout of layoutsOf(wanted)) {
    if (layout.elements.length === 0) continue;
    any = true;
    laid.push(laidOut(job, wanted, layout));
    yield told();
  }
  if (!any) return yield told(['ways']);
  const best = Math.min(...laid.map(({ stops }) => stops));
  const until = function* (layouts: Iterable<Layout>): Generator<Proposals> {
    for (const layout of layouts) {
      const one = laidOut(job, wanted, layout);
      laid.push(one);
      yield told();
      if (one.stops === 0) return;
    }
  };
  // Longer ways lose fall: where all have a Stop shorter ones may have none, and where only what goes round has one a little less of it may do.
  if (best > 0) yield* until(shorterLayouts(wanted));
  else if (laid.some(({ layout, stops }) => layout.kind === 'spared' && stops > 0))
    yield* until(lessSparedLayouts(wanted));
  // Where no lines of their own keep more in reserve, larger pipe does.
  const [cheapest] = [...laid].sort(cheaper);
  if (cheapest && !chosen(job, laid).some(({ aim }) => aim === 'reserve')) {
    const room = withRoom(job, wanted, cheapest);
    if (room) {
      laid.push(room);
      yield told();
    }
  }
  // Where nothing falls far enough the nearest that works is a pump.
  const pumped = laid.every(({ stops }) => stops > 0) ? pumpedLayout(wanted) : null;
  if (!pumped) return;
  laid.push(laidOut(job, wanted, pumped));
  yield told();
}

/** What each is called, also as an option. */
export const AIM_LABELS: Record<Aim, string> = {
  cost: 'Least cost',
  disturbance: 'Least disturbance',
  reserve: 'Most in reserve',
};

/** Three that differ. */
function chosen(job: Job, laid: readonly Laid[]): Proposal[] {
  const found: Proposal[] = [];
  const isNew = (one: Laid): boolean => found.every((other) => drawnAs(other) !== drawnAs(one));
  const take = (aim: Aim, one: Laid | undefined): void => {
    if (one) found.push({ ...one, aim, change: changeTo(job, one.job, AIM_LABELS[aim]) });
  };
  const sorted = [...laid].sort(cheaper);
  const [best] = sorted;
  if (!best) return [];
  take('cost', best);
  // What costs less and leaves more to mend is no dearer choice, and would make the cheapest look as if it were not.
  const asSound = sorted.filter(
    ({ stops, fixes, standing }) =>
      stops <= best.stops && (fixes <= best.fixes || standing.asked >= best.standing.asked),
  );
  take(
    'disturbance',
    [...asSound]
      .sort((a, b) => a.disturbs - b.disturbs || cheaper(a, b))
      .find((one) => one.disturbs < best.disturbs - 0.5 && isNew(one)),
  );
  take(
    'reserve',
    asSound.find((one) => (one.layout.kind === 'apart' || one.layout.kind === 'own') && isNew(one)) ??
      asSound.find((one) => one.layout.kind === 'roomier' && isNew(one)),
  );
  return found;
}

/** All of it at once. */
export function proposalsOf(job: Job, asked: Asked = NOTHING_ASKED): Proposals {
  let last: Proposals | null = null;
  for (const each of proposalsFor(job, asked)) last = each;
  return last!;
}

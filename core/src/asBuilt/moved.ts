/** What was laid otherwise than it was planned: lines moved aside, deeper or shallower, added or left out, beside the plan that was kept for it. */
import { applyChange, type Change } from '../job/change';
import { headOf, nameOf, ofKind, type Job } from '../job/job';
import { isLaid, type Run } from '../job/kinds';
import { placeAlong, wayOfRun } from '../job/places';
import { footOnWay, wayLength, type Place } from '../site/place';
import { showLength, showSmall, text } from '../units';
import { AS_BUILT, isBuilt, keepAside, takeOption } from '../variants/variants';
import { planJob, type Plan } from '../verdict/planJob';

/** The change that keeps the plan as it is, so that what is laid can be held against it; the job goes on as what is built. */
export const keepPlanned = (job: Job): Change => ({
  ...keepAside(job, AS_BUILT),
  label: 'Keep the plan before it is built',
});

/** The job as it was planned before it was built; null where nobody kept it, or where what was kept cannot be read. */
export function plannedBefore(job: Job): Job | null {
  const kept = ofKind(job, 'variant').at(-1);
  if (!kept || !isBuilt(job)) return null;
  const taken = takeOption(job, kept);
  return taken.ok ? applyChange(job, taken.change).job : null;
}

export interface Moved {
  run: string;
  /** In neither, or in both plans. */
  is: 'moved' | 'added' | 'leftOut';
  /** m that it lies off its planned way at most, and m that it lies deeper at its head and foot; 0 where it does not. */
  aside: number;
  deeper: { head: number; foot: number };
}

/** Less than this nobody holds a spade to, m: half a foot aside, an inch in depth. */
const ASIDE = 0.15;
const DEEPER = 0.025;
/** m between places of a way that are looked at. */
const EVERY = 0.5;

/** How far one way lies off another at most, m. */
function asideOf(built: readonly Place[], planned: readonly Place[]): number {
  const length = wayLength(built);
  const count = Math.max(2, Math.ceil(length / EVERY) + 1);
  const between = Array.from({ length: count }, (_, k) => placeAlong(built, (length * k) / (count - 1)));
  return Math.max(0, ...[...built, ...between].map((place) => footOnWay(planned, place)?.distance ?? 0));
}

type Planned = Pick<Plan, 'runs'>;
type Depths = { head: number; foot: number } | null;

/** From the ground to its invert at both ends, m: as it was read where it was, else as planned. */
function depthsOf(plan: Planned, run: Run): Depths {
  const planned = plan.runs[run.id];
  if (!planned) return null;
  const read = (at: number): number | undefined =>
    (run.laid ?? []).find(({ along }) => Math.abs(along - at) < ASIDE)?.level;
  return {
    head: planned.groundUp - (read(0) ?? planned.invertUp),
    foot: planned.groundDown - (read(planned.length) ?? planned.invertDown),
  };
}

/** Every pipe that lies otherwise than it was planned, was added, or was left out; `plan` is of the job as built. */
export function movedRuns(job: Job, plan: Planned, before: Job): Moved[] {
  const planned = planJob(before);
  const old = new Map(ofKind(before, 'run').map((run) => [run.id, run]));
  const now = ofKind(job, 'run').filter(isLaid);
  const here = new Set(now.map(({ id }) => id));
  const none = { aside: 0, deeper: { head: 0, foot: 0 } };
  const moved = now.flatMap((run): Moved[] => {
    const was = old.get(run.id);
    if (!was) return [{ run: run.id, is: 'added', ...none }];
    const [way, oldWay] = [wayOfRun(job, run), wayOfRun(before, was)];
    const aside = way && oldWay ? Math.max(asideOf(way, oldWay), asideOf(oldWay, way)) : 0;
    // What was read since is of what was built.
    const { laid: _read, ...unread } = was;
    const [depths, oldDepths] = [depthsOf(plan, run), depthsOf(planned, unread)];
    const by = (end: 'head' | 'foot'): number => {
      const off = depths && oldDepths ? depths[end] - oldDepths[end] : 0;
      return Math.abs(off) >= DEEPER ? off : 0;
    };
    const deeper = { head: by('head'), foot: by('foot') };
    if (aside < ASIDE && deeper.head === 0 && deeper.foot === 0) return [];
    return [{ run: run.id, is: 'moved', aside: aside < ASIDE ? 0 : aside, deeper }];
  });
  const out = [...old.values()].filter((run) => isLaid(run) && !here.has(run.id));
  return [...moved, ...out.map(({ id }): Moved => ({ run: id, is: 'leftOut', ...none }))];
}

/** `Trunk lies up to 2′ off its planned way, and 3 in deeper at its head.` */
export function movedWords(job: Job, before: Job, { run, is, aside, deeper }: Moved): string {
  const { units } = headOf(job);
  if (is === 'added') return `${nameOf(job, run)} was not planned.`;
  if (is === 'leftOut') return `${nameOf(before, run)} was planned, and is not laid.`;
  const depth = (off: number, at: string): string[] =>
    off === 0 ? [] : [`${text(showSmall(Math.abs(off), units))} ${off > 0 ? 'deeper' : 'shallower'} at its ${at}`];
  const parts = [
    ...(aside > 0 ? [`up to ${text(showLength(aside, units))} off its planned way`] : []),
    ...depth(deeper.head, 'head'),
    ...depth(deeper.foot, 'foot'),
  ];
  return `${nameOf(job, run)} lies ${parts.join(', ')}.`;
}

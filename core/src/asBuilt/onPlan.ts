/** What was built, on the plan to scale: every reading where it was taken, marked where it lies off its plan, and photos before cover by their place along a pipe. */
import { AS_PLANNED } from '../field/asLaid';
import { nameOf, ofKind, type Job } from '../job/job';
import { isLaid, type Photo } from '../job/kinds';
import { placeAlong, wayOfRun } from '../job/places';
import { invertAlong } from '../network/invertAlong';
import type { Solution } from '../plan/solution';
import { pathOf, planSketch, type Sketch } from '../sheets/glance';
import { footOnWay } from '../site/place';

type Planned = Pick<Solution, 'runs'>;

export interface BuiltMark {
  run: string;
  /** m from the pipe's head, and m that it lies above its plan, or below it. */
  along: number;
  off: number;
  /** In the sketch. */
  x: number;
  y: number;
  /** Of one that is off, its number on the plan, from 1 on. */
  number: number | null;
}

export interface BuiltOnPlan {
  sketch: Sketch;
  /** Pipes as they were planned, where that was kept: an SVG path; empty where it was not. */
  planned: string;
  marks: readonly BuiltMark[];
}

/** Readings as laid, on the plan, over the pipes as they were planned; null of a job that lies on none, or of which nothing is known but its plan. `before`: as it was planned. */
export function builtOnPlan(job: Job, plan: Planned, before: Job | null = null): BuiltOnPlan | null {
  const drawn = planSketch(job);
  if (!drawn) return null;
  const { sketch, toSketch } = drawn;
  let number = 0;
  const marks = ofKind(job, 'run').flatMap((run) => {
    const planned = plan.runs[run.id];
    const way = wayOfRun(job, run);
    if (!planned || !way) return [];
    return (run.laid ?? []).map(({ along, level }): BuiltMark => {
      const invert = invertAlong(planned, along);
      const [x, y] = toSketch(placeAlong(way, along));
      const off = level - invert;
      return { run: run.id, along, off, x, y, number: Math.abs(off) > AS_PLANNED ? ++number : null };
    });
  });
  const ways = before
    ? ofKind(before, 'run').flatMap((run) => {
        const way = wayOfRun(before, run);
        return way ? [way.map(toSketch)] : [];
      })
    : [];
  return marks.length > 0 || before ? { sketch, marks, planned: pathOf(ways) } : null;
}

export interface PhotoAlong {
  photo: Photo;
  run: string;
  /** m from the pipe's head, and m beside it. */
  along: number;
  away: number;
}

/** A photo further from any pipe is of something else, m. */
const BESIDE = 2;

/** Photos of pipes, each by the pipe that it stands nearest to, in the order of pipes and from their heads down. */
export function photosAlong(job: Job): PhotoAlong[] {
  const runs = ofKind(job, 'run').filter(isLaid);
  const ways = runs.flatMap((run) => {
    const way = wayOfRun(job, run);
    return way ? [{ run: run.id, way }] : [];
  });
  const order = new Map(runs.map(({ id }, k) => [id, k]));
  return ofKind(job, 'photo')
    .flatMap((photo): PhotoAlong[] => {
      if (!photo.place) return [];
      const near = ways
        .flatMap(({ run, way }) => {
          const foot = footOnWay(way, photo.place!);
          return foot && foot.distance <= BESIDE ? [{ photo, run, along: foot.along, away: foot.distance }] : [];
        })
        .sort((a, b) => a.away - b.away);
      return near.slice(0, 1);
    })
    .sort((a, b) => order.get(a.run)! - order.get(b.run)! || a.along - b.along);
}

/** Which pipe a mark or a photo is of. */
export const alongWords = (job: Job, { run }: { run: string }, along: string): string =>
  `${nameOf(job, run)}, ${along} from its head`;

/** Pipes as they lie in space, what they join, and the ground as triangles: what other programs take over. Metres east, north and up. */
import { headOf, landingsOf, nameOf, ofKind, type Job } from '../job/job';
import { placeOfLanding, wayOfRun } from '../job/places';
import type { Plan } from '../verdict/planJob';
import { straightOn } from '../numeric/straight';
import { distance, type Place } from '../site/place';
import { groundOf } from '../yard/ground';

export interface LaidPipe {
  id: string;
  name: string;
  line: string;
  from: string;
  to: string;
  /** Inverts along it, from its head on. */
  inverts: readonly (Place & { level: number })[];
  diameter: number;
  material: string;
  roughness: number;
  length: number;
  pitch: number;
  flow: number;
}

export interface NetworkModel {
  pipes: readonly LaidPipe[];
  nodes: readonly (Place & { id: string; name: string; kind: string; rim: number; invert: number | null })[];
}

/** Every pipe that lies on the plan, with what stands at its ends. */
export function networkOf(job: Job, plan: Plan): NetworkModel {
  const pipes = ofKind(job, 'run').flatMap((run): LaidPipe[] => {
    const [planned, way] = [plan.runs[run.id], wayOfRun(job, run)];
    if (!planned || !way) return [];
    const along = way.map(() => 0);
    for (let k = 1; k < way.length; k++) along[k] = along[k - 1]! + distance(way[k - 1]!, way[k]!);
    const whole = along.at(-1)!;
    const inverts = way.map(({ east, north }, k) => ({
      east,
      north,
      level:
        whole > 0 ? straightOn([0, whole], [planned.invertUp, planned.invertDown], along[k]!).value : planned.invertUp,
    }));
    const { line, from, to, diameter, roughness, length, pitch, flow } = planned;
    return [
      {
        id: run.id,
        name: nameOf(job, run.id),
        line,
        from,
        to,
        inverts,
        diameter,
        material: run.material,
        roughness,
        length,
        pitch,
        flow,
      },
    ];
  });
  const joined = new Set(pipes.flatMap(({ from, to }) => [from, to]));
  const nodes = landingsOf(job).flatMap((landing) => {
    const place = placeOfLanding(landing);
    if (!place || !joined.has(landing.id)) return [];
    const { id, kind } = landing;
    const planned = plan.landings[id];
    const rim = planned?.groundLevel ?? landing.groundLevel;
    return [{ ...place, id, name: nameOf(job, id), kind, rim, invert: planned?.invert ?? null }];
  });
  return { pipes, nodes };
}

export interface SurfaceModel {
  name: string;
  points: readonly (Place & { level: number })[];
  /** Three corners an entry, anticlockwise, by index into the points. */
  faces: readonly (readonly [number, number, number])[];
}

/** The ground as it is levelled; null where levels make none. */
export function surfaceOf(job: Job): SurfaceModel | null {
  const { surface } = groundOf(job);
  if (!surface) return null;
  const faces: [number, number, number][] = [];
  for (let k = 0; k < surface.triangles.length; k += 3)
    faces.push([surface.triangles[k]!, surface.triangles[k + 1]!, surface.triangles[k + 2]!]);
  return { name: headOf(job).name, points: surface.points, faces };
}

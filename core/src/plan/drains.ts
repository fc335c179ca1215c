/** Every subsurface drain of a job, which runs whatever the sky does. */
import type { Soil } from '../catalogue/soils';
import type { Surface as GroundSurface } from '../ground/surface';
import { headOf, ofKind, type Job } from '../job/job';
import type { Drain, DrainField } from '../job/kinds';
import { stage } from '../numeric/stage';
import type { Place } from '../site/place';
import { drainPlan, type DrainPlan } from '../works/drain';
import { groundOf } from '../yard/ground';

export type Drains = ReadonlyMap<string, DrainPlan>;

const NONE: Drains = new Map();

const drains = stage(
  'drains',
  (
    lines: readonly Drain[],
    fields: readonly DrainField[],
    soil: Soil | undefined,
    ground: GroundSurface | null,
  ): Drains =>
    new Map(
      [...lines, ...fields].map((drain) => [
        drain.id,
        drainPlan(drain, soil, drain.kind === 'drainField' && drain.outline ? fallUnder(ground, drain.outline) : null),
      ]),
    ),
);

export function drainsOf(job: Job): Drains {
  const [lines, fields] = [ofKind(job, 'drain'), ofKind(job, 'drainField')];
  if (lines.length + fields.length === 0) return NONE;
  return drains(lines, fields, headOf(job).soil, fields.length > 0 ? groundOf(job).surface : null);
}

/** Which way (rad from north) the ground under an outline falls: the plane through its corners that misses them least. Null where it is not levelled, or level. */
function fallUnder(ground: GroundSurface | null, outline: readonly Place[]): number | null {
  const corners = outline.flatMap((place) => {
    const level = ground?.levelAt(place) ?? null;
    return level === null ? [] : [{ ...place, level }];
  });
  if (corners.length < 3) return null;
  const sum = (of: (corner: (typeof corners)[number]) => number): number =>
    corners.reduce((all, corner) => all + of(corner), 0);
  const [east, north, level] = [sum((c) => c.east), sum((c) => c.north), sum((c) => c.level)].map(
    (all) => all / corners.length,
  ) as [number, number, number];
  const ee = sum((c) => (c.east - east) ** 2);
  const nn = sum((c) => (c.north - north) ** 2);
  const en = sum((c) => (c.east - east) * (c.north - north));
  const el = sum((c) => (c.east - east) * (c.level - level));
  const nl = sum((c) => (c.north - north) * (c.level - level));
  const whole = ee * nn - en * en;
  if (whole <= 1e-9) return null;
  const [rise, climb] = [(el * nn - nl * en) / whole, (nl * ee - el * en) / whole];
  return Math.hypot(rise, climb) < 1e-4 ? null : Math.atan2(-rise, -climb);
}

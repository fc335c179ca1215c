/** Everything that sheds and is not a cell of the measured ground: roofs to downspouts, typed ground and beds to what takes them. */
import { USUAL_SOIL, type Soil } from '../catalogue/soils';
import type { SurfaceCover } from '../catalogue/surfaces';
import { downspoutPlan } from '../inlets';
import { headOf, ofKind, type Job } from '../job/job';
import { landsOnGutter, type Downspout, type Feed, type RoofFace, type Surface } from '../job/kinds';
import { resolveSettings } from '../job/settings';
import { placesOf, upstreamFirst, indicesIn } from '../numeric/upstreamFirst';
import { gatheringArea } from '../runoff/roofArea';
import { centreOf, type Place } from '../site/place';
import { areaCovered } from '../works/measures';
import { soilAt } from '../yard/soils';
import { Sheet } from './sheet';
import { soakingOf, WETTING, type Soaking, type Wetness } from './ground/soak';

/** Manning's n of sheets, and whether rain sinks in. */
const COVERS: Record<SurfaceCover, { roughness: number; soft: boolean }> = {
  roof: { roughness: 0.015, soft: false },
  paving: { roughness: 0.015, soft: false },
  pavers: { roughness: 0.02, soft: false },
  permeablePavers: { roughness: 0.03, soft: true },
  gravel: { roughness: 0.04, soft: true },
  mulch: { roughness: 0.1, soft: true },
  lawnSandFlat: { roughness: 0.2, soft: true },
  lawnSand: { roughness: 0.2, soft: true },
  lawnSandSteep: { roughness: 0.2, soft: true },
  lawnLoamFlat: { roughness: 0.2, soft: true },
  lawnLoam: { roughness: 0.2, soft: true },
  lawnLoamSteep: { roughness: 0.2, soft: true },
  lawnClayFlat: { roughness: 0.2, soft: true },
  lawnClay: { roughness: 0.2, soft: true },
  lawnClaySteep: { roughness: 0.2, soft: true },
  saturated: { roughness: 0.2, soft: false },
};
/** Fall of ground and of roofs where nobody has said, m/m. */
const GROUND_FALL = 0.02;
const ROOF_FALL = 0.3;
const ORIGIN: Place = { east: 0, north: 0 };
/** Joints of permeable paving and clean gravel take rain in as fast as it falls, m/s. */
const OPEN = 1e-4;

export const roughnessOf = (cover: SurfaceCover): number => COVERS[cover].roughness;

/**
 * What ground of a cover takes in; null where nothing. By the soil that was found or said there, as tested where it was; a lawn that is named
 * after a soil is of that one where nobody has said another.
 */
export function soakingFor(cover: SurfaceCover, said: Said | null, wetness: Wetness): Soaking | null {
  if (!COVERS[cover].soft) return null;
  if (cover === 'permeablePavers' || cover === 'gravel') return { conductivity: OPEN, drawn: 0 };
  const named: Soil | undefined = cover.startsWith('lawnSand')
    ? 'sandyLoam'
    : cover.startsWith('lawnClay')
      ? 'clay'
      : undefined;
  return said ? soakingOf(said.soil, wetness, said.conductivity) : soakingOf(named ?? USUAL_SOIL, wetness);
}

/** A soil that somebody has said, and what it takes in where it was tested, m/s. */
interface Said {
  soil: Soil;
  conductivity?: number;
}

/** What is known of the soil under a surface, or at a place: its own, that of the nearest test, the job's; null where nobody has said. */
export function saidOf(job: Job, own: Soil | undefined, place: Place): Said | null {
  if (own) return { soil: own };
  const { soil, conductivity, tested } = soilAt(job, place);
  return tested ? { soil, conductivity } : null;
}

interface Shed {
  id: string;
  sheet: Sheet;
  feeds: readonly Feed[];
}

export interface GutterWater {
  /** Its downspout. */
  id: string;
  came: number;
  spilled: number;
}

/** Where shed water goes, m³: to what takes it by id; nowhere that anybody has said, by what shed it; over a gutter, by downspout. */
export interface Delivery {
  to: (id: string, volume: number) => void;
  unled: (id: string, volume: number) => void;
  overGutter: (id: string, volume: number) => void;
}

export class Shedding {
  private readonly faces: readonly Shed[];
  private readonly surfaces: readonly Shed[];
  private readonly spouts: readonly Downspout[];
  private readonly place: ReadonlyMap<string, number>;
  private readonly order: readonly number[];
  private readonly capacity: Float64Array;
  private readonly carried: Float64Array;
  /** By downspout m³ so far: what came to its gutter, and what that spilled, or lost off its pipe; and of that in the last step. */
  private readonly came: Float64Array;
  private readonly spilled: Float64Array;
  private readonly spills: Float64Array;
  /** m³ that beds and paving over stone took as it fell. */
  private onBeds = 0;
  private readonly beds: readonly { id: string; area: number }[];

  /** `grounded`: surfaces whose rain falls on the measured ground instead. */
  constructor(job: Job, grounded: (surface: Surface) => boolean, wetness: Wetness) {
    this.faces = ofKind(job, 'roofFace').map((face) => ({ id: face.id, sheet: roofSheet(face), feeds: face.feeds }));
    this.surfaces = ofKind(job, 'surface')
      .filter((surface) => areaCovered(surface) > 0 && !grounded(surface))
      .map((surface) => ({ id: surface.id, sheet: groundSheet(job, surface, wetness), feeds: surface.feeds }));
    this.beds = ofKind(job, 'pavedBed').map((bed) => ({ id: bed.id, area: areaCovered(bed) }));
    this.spouts = ofKind(job, 'downspout');
    const place = placesOf(this.spouts);
    const below = this.spouts.map(({ landsOn = [] }) =>
      indicesIn(
        place,
        landsOn.map(({ to }) => to),
      ),
    );
    const { order, left } = upstreamFirst(this.spouts.length, (index) => below[index]!);
    this.order = [...order, ...left];
    this.place = new Map(this.spouts.map(({ id }, k) => [id, k]));
    const { gutterDepth } = resolveSettings(headOf(job).settings);
    this.capacity = Float64Array.from(
      this.spouts,
      (spout) => downspoutPlan(spout, { offered: 0 }, { gutterDepth }).capacity,
    );
    const zeros = (): Float64Array => new Float64Array(this.spouts.length);
    [this.carried, this.came, this.spilled, this.spills] = [zeros(), zeros(), zeros(), zeros()];
  }

  /** What came to each downspout's gutter so far, m³, and what that spilled. */
  get gutters(): GutterWater[] {
    return this.spouts.map(({ id }, k) => ({ id, came: this.came[k]!, spilled: this.spilled[k]! }));
  }

  /** m³ that the gutter of a downspout spilled in the last step. */
  spillsNow(id: string): number {
    return this.spills[this.place.get(id) ?? -1] ?? 0;
  }

  /** m³ so far: what fell on it, wetted it, sank into it; and what stands on it. */
  get sums(): { fell: number; wetted: number; soaked: number; stored: number } {
    const sums = { fell: this.onBeds, wetted: 0, soaked: 0, stored: 0 };
    for (const { sheet } of [...this.faces, ...this.surfaces]) {
      sums.fell += sheet.fell;
      sums.wetted += sheet.wetted;
      sums.soaked += sheet.soaked;
      sums.stored += sheet.stored;
    }
    return sums;
  }

  /** A step of `dt` s with `rain` m of rain. `off`: whether a downspout is off its pipe. */
  step(rain: number, dt: number, delivery: Delivery, off: (id: string) => boolean): void {
    this.carried.fill(0);
    for (const { id, sheet, feeds } of this.faces) this.share(id, sheet.step(rain, dt), feeds, delivery);
    for (const { id, sheet, feeds } of this.surfaces) this.share(id, sheet.step(rain, dt), feeds, delivery);
    for (const { id, area } of this.beds) {
      this.onBeds += rain * area;
      delivery.to(id, rain * area);
    }
    for (const k of this.order) this.downSpout(k, dt, delivery, off);
  }

  private share(from: string, volume: number, feeds: readonly Feed[], delivery: Delivery): void {
    if (volume <= 0) return;
    const whole = feeds.reduce((sum, feed) => sum + feed.share, 0);
    if (whole === 0) return delivery.unled(from, volume);
    for (const { to, share } of feeds) {
      const part = (volume * share) / whole;
      const spout = this.place.get(to);
      if (spout === undefined) delivery.to(to, part);
      else this.carried[spout]! += part;
    }
  }

  private downSpout(k: number, dt: number, delivery: Delivery, off: (id: string) => boolean): void {
    const spout = this.spouts[k]!;
    const comes = this.carried[k]!;
    const takes = Math.min(comes, this.capacity[k]! * dt);
    this.came[k]! += comes;
    this.spills[k] = comes - takes;
    this.spilled[k]! += comes - takes;
    if (comes > takes) delivery.overGutter(spout.id, comes - takes);
    if (takes <= 0) return;
    if (off(spout.id)) {
      this.spills[k]! += takes;
      this.spilled[k]! += takes;
      return delivery.overGutter(spout.id, takes);
    }
    if (!landsOnGutter(spout)) return delivery.to(spout.id, takes);
    this.share(spout.id, takes, spout.landsOn!, delivery);
  }
}

function roofSheet(face: RoofFace): Sheet {
  const area = gatheringArea(face);
  const { shape } = face;
  const slope = shape.type === 'area' ? ROOF_FALL : Math.max(0.01, shape.pitch);
  const length = shape.type === 'sides' ? shape.run : Math.sqrt(area);
  return new Sheet({ area, length, slope, roughness: roughnessOf('roof'), wetting: WETTING.roof, soaking: null });
}

function groundSheet(job: Job, surface: Surface, wetness: Wetness): Sheet {
  const area = areaCovered(surface);
  const place = surface.outline ? centreOf(surface.outline) : ORIGIN;
  const soaking = soakingFor(surface.cover, saidOf(job, surface.soil, place), wetness);
  return new Sheet({
    area,
    length: surface.sheet?.length ?? Math.sqrt(area),
    slope: surface.sheet?.slope ?? GROUND_FALL,
    roughness: surface.sheet?.roughness ?? roughnessOf(surface.cover),
    wetting: soaking ? 0 : WETTING[surface.cover === 'roof' ? 'roof' : 'paving'],
    soaking,
  });
}

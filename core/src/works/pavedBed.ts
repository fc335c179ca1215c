/** Open-graded stone under permeable paving: what it holds, lets out, and how soon it is empty. */
import type { Soil } from '../catalogue/soils';
import { SHARP_ORIFICE } from '../hydraulics/leader';
import { routePond } from '../hydraulics/storage';
import type { PavedBed } from '../job/kinds';
import { GRAVITY, METRES_PER_INCH } from '../units/constants';
import { step } from '../numeric/kept';
import { showFlow, showSmall, showVolume } from '../units';
import { lasts, toned } from './facts';
import { conductivityOf, areaCovered, soilOf } from './measures';
import { inflowsOf, type Storm } from './storm';
import { work } from './work';

export interface PavedBedPlan {
  kind: 'pavedBed';
  soil: Soil;
  area: number;
  /** m³ that it holds under its low edge, and what its sloping floor loses of that. */
  volume: number;
  lost: number;
  /** In the design storm: deepest at its low edge, m; most that its pipe lets out, m³/s; and that comes up through the paving. */
  peakDepth: number;
  peakOutflow: number;
  over: number;
  /** From full to empty, s; null where it never is. */
  drainTime: number | null;
}

const VOIDS = 0.4;
/** Half of what a clean floor takes is counted on. */
const SILTED = 0.5;
const LEVELS = 24;
const BRIM = 0.01;
const SUBSTEPS = 16;

/** Perforated pipe along the low edge of a bed, nominal, m: 4 in. */
export const BED_PIPE = 4 * METRES_PER_INCH;

/** A bed, and what it is tried with. */
export interface BedIn {
  bed: PavedBed;
  /** Inside diameter of the pipe that leaves it, m; null without one. */
  outlet: number | null;
  /** C·A (m²) and what always runs (m³/s) that come to it, its own rain among them. */
  comes: number;
  fixed: number;
  storm: Storm;
  jobSoil: Soil | undefined;
}

export function pavedBedPlan({ bed, outlet, comes, fixed, storm, jobSoil }: BedIn): PavedBedPlan {
  const area = areaCovered(bed);
  const voids = bed.voids ?? VOIDS;
  const length = bed.length ?? Math.sqrt(area);
  const rise = Math.abs(bed.fall ?? 0) * length;
  // Water stands level over a floor that rises from its low edge: as far as it reaches, and over all of it once it covers the high edge.
  const wet = (depth: number): number => (rise > 0 ? Math.min(1, depth / rise) : 1);
  const held = (depth: number): number =>
    voids * area * (depth < rise ? (depth * depth) / (2 * rise) : depth - rise / 2);
  const opening = Math.min(bed.orifice ?? outlet ?? 0, outlet ?? 0);
  const hole = (Math.PI * opening ** 2) / 4;
  const soil = bed.liner ? 0 : SILTED * conductivityOf(bed, jobSoil);
  const pipe = (depth: number): number => SHARP_ORIFICE * hole * Math.sqrt(2 * GRAVITY * depth);
  const out = (depth: number): number => pipe(depth) + soil * area * wet(depth);
  const inflows = inflowsOf(storm, comes, fixed);
  const most = Math.max(...inflows) + 1e-6;
  const depths = Array.from({ length: LEVELS + 1 }, (_, k) => (bed.depth * k) / LEVELS);
  const routed = routePond(
    {
      levels: [...depths, bed.depth + BRIM],
      volumes: [...depths.map(held), held(bed.depth) + area * BRIM],
      outflows: [...depths.map(out), out(bed.depth) + most],
    },
    inflows,
    storm.step,
    SUBSTEPS,
  );
  let drainTime = 0;
  for (let k = LEVELS; k > 0; k--) {
    const middle = (depths[k]! + depths[k - 1]!) / 2;
    drainTime += (held(depths[k]!) - held(depths[k - 1]!)) / out(middle);
  }
  const peakDepth = Math.min(bed.depth, routed.peakLevel);
  return {
    kind: 'pavedBed',
    soil: soilOf(bed, jobSoil),
    area,
    volume: held(bed.depth),
    lost: voids * area * bed.depth - held(bed.depth),
    peakDepth,
    peakOutflow: pipe(peakDepth),
    over: routed.peakLevel > bed.depth + 1e-9 ? Math.max(0, routed.peakOutflow - out(bed.depth)) : 0,
    drainTime: Number.isFinite(drainTime) ? drainTime : null,
  };
}

const planned = step('paved bed', pavedBedPlan);

export const pavedBedWork = work<PavedBed, PavedBedPlan>({
  of: 'pavedBed',
  inRain: {
    turn: 'landing',
    plan: (bed, { at, outletOf, storm, soil, kept }) => {
      const { enteringArea: comes, fixed } = at(bed.id);
      return kept.ask(planned, { bed, outlet: outletOf(bed.id), comes, fixed, storm, jobSoil: soil }, bed.id);
    },
  },
  inOpen: ({ over }, { groundLevel }) => (over > 0 ? { level: groundLevel, runs: over } : null),
  dug: true,
  count: (bed) => {
    const area = areaCovered(bed);
    if (area === 0) return ['noSize'];
    const volume = area * bed.depth;
    const nominal = BED_PIPE;
    const length = area / (bed.length ?? Math.sqrt(area));
    return [
      { item: { type: 'pipe', material: 'singleWall', nominal, perforated: true }, quantity: length },
      { item: { type: 'cap', material: 'singleWall', nominal }, quantity: 1 },
      { item: { type: 'dug' }, quantity: volume },
      { item: { type: 'spoil' }, quantity: volume },
      { item: { type: 'stone', stone: 'openGraded' }, quantity: volume - (length * Math.PI * nominal ** 2) / 4 },
      { item: { type: bed.liner ? 'liner' : 'fabric' }, quantity: area + 4 * Math.sqrt(area) * bed.depth },
    ];
  },
  facts: (plan, units) => [
    { label: 'Holds', shown: showVolume(plan.volume, units) },
    { label: 'Lost to its slope', shown: showVolume(plan.lost, units) },
    { label: 'Deepest in the storm', shown: showSmall(plan.peakDepth, units), ...toned('fix', plan.over > 0) },
    { label: 'Lets out at most', shown: showFlow(plan.peakOutflow, units) },
    { label: 'Empty after', shown: lasts(plan.drainTime) },
    ...(plan.over > 0 ? [{ label: 'Comes up', shown: showFlow(plan.over, units), ...toned('fix', true) }] : []),
  ],
  layer: 'works',
});

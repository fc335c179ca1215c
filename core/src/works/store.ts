/** What keeps water until it has soaked away: a dry well, a leaching pit, a rain garden. */
import { OUTFALLS, storeTop, type Store } from '../catalogue/outfalls';
import type { Soil } from '../catalogue/soils';
import { pitTimes, routePond } from '../hydraulics/storage';
import type { Discharge } from '../job/kinds';
import { step } from '../numeric/kept';
import { showDuration, showFlow, showSmall, showVolume } from '../units';
import { lasts, toned, words } from './facts';
import { conductivityOf, soilOf } from './measures';
import { inflowsOf, volumeOf, type Storm } from './storm';
import { work } from './work';

export interface StorePlan {
  kind: 'store';
  soil: Soil;
  /** m/s, half of the soil's: its pores silt up. */
  conductivity: number;
  /** m³ that it holds. */
  volume: number;
  /** m */
  top: number;
  bottom: number;
  /** m³/s and m³ of the design storm. */
  flow: number;
  comes: number;
  /** Time to fill at the design flow from empty, and to drain from full with nothing coming, s; null where it never does. */
  fillTime: number | null;
  drainTime: number | null;
  /** In the design storm: highest water, m; most that runs over, m³/s; and whether it does. */
  peakLevel: number;
  overflow: number;
  /** Floor over the ground water at its highest, m; null where nobody knows it. */
  overTable: number | null;
}

/** Half of what a clean hole takes is counted on. */
const SILTED = 0.5;
/** Water over its rim at which all that comes runs off, m. */
const BRIM = 0.02;
const SUBSTEPS = 8;

export const storeOf = (discharge: Discharge): (Store & NonNullable<Discharge['store']>) | null => {
  const usual = OUTFALLS[discharge.form].store;
  return usual ? { ...usual, ...discharge.store } : null;
};

/** What keeps water at a way out, and what it is tried with. */
export interface StoreIn {
  discharge: Discharge;
  /** C·A (m²) that comes to it, its design flow and what always runs, m³/s. */
  area: number;
  flow: number;
  fixed: number;
  storm: Storm;
  jobSoil: Soil | undefined;
}

export function storePlan({ discharge, area, flow, fixed, storm, jobSoil }: StoreIn): StorePlan {
  const store = storeOf(discharge)!;
  const conductivity = SILTED * conductivityOf(store, jobSoil);
  const perimeter = store.perimeter ?? 4 * Math.sqrt(store.area);
  const top = storeTop(discharge.groundLevel, store);
  const pit = { baseArea: store.area, perimeter, height: store.depth, voids: store.voids, conductivity };
  const volume = store.area * store.depth * store.voids;
  const inflows = inflowsOf(storm, area, fixed);
  const most = Math.max(...inflows) + 1e-6;
  const soak = (depth: number): number => conductivity * (store.area + perimeter * depth);
  const routed = routePond(
    {
      levels: [0, store.depth, store.depth + BRIM],
      volumes: [0, volume, volume + store.area * BRIM],
      // Into its floor from the first inch: routing lets no more out than is there.
      outflows: [soak(0), soak(store.depth), soak(store.depth) + most],
    },
    inflows,
    storm.step,
    SUBSTEPS,
  );
  const full = routed.peakLevel > store.depth + 1e-9;
  return {
    kind: 'store',
    soil: soilOf(store, jobSoil),
    conductivity,
    volume,
    top,
    bottom: top - store.depth,
    flow,
    comes: volumeOf(inflows, storm.step),
    ...pitTimes(pit, flow),
    // Full, it stands to its lid: what comes then runs over there.
    peakLevel: full ? discharge.groundLevel : top - store.depth + routed.peakLevel,
    overflow: full ? Math.max(0, routed.peakOutflow - soak(store.depth)) : 0,
    overTable: store.waterTable === undefined ? null : top - store.depth - store.waterTable,
  };
}

const planned = step('store', storePlan);

export const storeWork = work<Discharge, StorePlan>({
  of: 'discharge',
  isOne: (discharge) => storeOf(discharge) !== null,
  inRain: {
    turn: 'outlet',
    plan: (discharge, { at, storm, soil, kept }) => {
      const { passingArea: area, passing: flow, fixed } = at(discharge.id);
      return kept.ask(planned, { discharge, area, flow, fixed, storm, jobSoil: soil }, discharge.id);
    },
  },
  stands: ({ peakLevel }) => peakLevel,
  inOpen: ({ overflow, peakLevel }) => (overflow > 0 ? { level: peakLevel, runs: overflow } : null),
  dug: false,
  // Counted with the ways out.
  count: () => [],
  facts: (plan, units) => [
    { label: 'Holds', shown: showVolume(plan.volume, units) },
    { label: 'A day’s storm brings', shown: showVolume(plan.comes, units) },
    { label: 'Full after', shown: plan.fillTime === null ? words('it never fills') : showDuration(plan.fillTime) },
    { label: 'Empty after', shown: lasts(plan.drainTime), ...toned('fix', plan.drainTime === null) },
    { label: 'Runs over', shown: showFlow(plan.overflow, units), ...toned('fix', plan.overflow > 0) },
    ...(plan.overTable === null ? [] : [{ label: 'Over the ground water', shown: showSmall(plan.overTable, units) }]),
  ],
  layer: 'inlets',
});

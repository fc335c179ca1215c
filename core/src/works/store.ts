/** What keeps water until it has soaked away: a dry well, a leaching pit, a rain garden. */
import { OUTFALLS, storeTop, type Store } from '../catalogue/outfalls';
import type { Soil } from '../catalogue/soils';
import { pitTimes, routePond } from '../hydraulics/storage';
import type { Discharge } from '../job/kinds';
import { conductivityOf, soilOf } from './measures';
import { inflowsOf, volumeOf, type Storm } from './storm';

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

/** `area` C·A (m²) that comes to it, `flow` its design flow and `fixed` what always runs, m³/s. */
export function storePlan(
  discharge: Discharge,
  store: NonNullable<ReturnType<typeof storeOf>>,
  { area, flow, fixed }: { area: number; flow: number; fixed: number },
  storm: Storm,
  jobSoil: Soil | undefined,
): StorePlan {
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
      outflows: [0, soak(store.depth), soak(store.depth) + most],
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

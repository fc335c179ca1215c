/** What a way out does with the water of its line, moment by moment. */
import { letsInto, OUTFALLS } from '../../catalogue/outfalls';
import { SOIL_FACTS, USUAL_SOIL, type Soil } from '../../catalogue/soils';
import type { Discharge } from '../../job/kinds';
import type { Settings } from '../../job/settings';
import { standingAt } from '../../network/receiving';
import type { WorkPlan } from '../../works';
import { usualPump } from '../../works/pumpBasin';
import { storeOf } from '../../works/store';

/** Half of what clean soil takes is counted on: its pores silt up. */
const SILTED = 0.5;

export interface WayOut {
  discharge: Discharge;
  /** The channel drain that it runs into, by id. */
  channel: string | undefined;
  /** Level (m) at which it is held with a flow (m³/s) coming out; NaN where it keeps its own water. */
  heldAt: (flow: number) => number;
  /** m³/s that leave what it keeps at a level (m): into the soil, unless that is full, or lifted by its pump, while it has power. */
  drains: (level: number, state: { powered: boolean; full: boolean }) => { soaks: number; pumped: number };
  /** Level (m) that its pump brings it down to; it is told when that is reached. −∞ of what has none. */
  downTo: number;
  emptied: () => void;
}

/** Whether a way out keeps its water, and fills: a pit, or the basin of a pump. */
export const keepsWater = (discharge: Discharge): boolean =>
  storeOf(discharge) !== null || OUTFALLS[discharge.form].pumps === true;

const NO_PUMP = { downTo: -Infinity, emptied: () => undefined };

const NOTHING = { soaks: 0, pumped: 0 };

/** `invert`: lowest of the pipes that end there, m. */
export function wayOut(
  discharge: Discharge,
  {
    invert,
    settings,
    plan,
    soil,
  }: { invert: number; settings: Settings; plan: WorkPlan | undefined; soil: Soil | undefined },
): WayOut {
  const channel = OUTFALLS[discharge.form].inChannel ? letsInto(discharge) : undefined;
  const store = storeOf(discharge);
  if (store) {
    const floor = discharge.groundLevel - store.cover - store.depth;
    const around = store.perimeter ?? 4 * Math.sqrt(store.area);
    const takes = SILTED * (store.conductivity ?? SOIL_FACTS[store.soil ?? soil ?? USUAL_SOIL].conductivity);
    return {
      discharge,
      channel,
      ...NO_PUMP,
      heldAt: () => NaN,
      drains: (level, { full }) =>
        level > floor && !full
          ? { soaks: takes * (store.area + around * Math.min(level - floor, store.depth)), pumped: 0 }
          : NOTHING,
    };
  }
  if (OUTFALLS[discharge.form].pumps) {
    const { start, stop } = discharge.pump ?? usualPump(discharge.groundLevel);
    const rate = plan?.kind === 'pump' ? plan.rate : 0;
    let runs = false;
    return {
      discharge,
      channel,
      downTo: stop,
      emptied: () => void (runs = false),
      heldAt: () => NaN,
      drains: (level, { powered }) => {
        runs = powered && (level >= start || (runs && level > stop));
        return runs ? { soaks: 0, pumped: rate } : NOTHING;
      },
    };
  }
  return {
    discharge,
    channel,
    ...NO_PUMP,
    heldAt: (flow) => Math.max(invert, standingAt(discharge, Math.max(0, flow), settings)),
    drains: () => NOTHING,
  };
}

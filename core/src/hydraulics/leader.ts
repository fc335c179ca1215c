/**
 * A downspout: falling water clings to the wall as a ring. Q = 27.8 r^(5/3) d^(8/3), gpm and inches (Wyly & Eaton, NBS Monograph 31,
 * 1961), with r the share of the section that is water; a quarter to a third is as full as keeps it quiet and open.
 */
import { CUBIC_METRES_PER_SECOND_PER_GPM, GRAVITY, METRES_PER_INCH } from '../units/constants';
import { WEIR_COEFFICIENT } from './sagInlet';

/** Share filled at its design flow. */
export const LEADER_FILLED = 1 / 3;

/** Flow (m³/s) of a round leader of `diameter` (m) with a share `filled` (0–1) of water. */
export function leaderCapacity({ diameter, filled }: { diameter: number; filled: number }): number {
  return 27.8 * Math.cbrt(filled ** 5) * Math.cbrt((diameter / METRES_PER_INCH) ** 8) * CUBIC_METRES_PER_SECOND_PER_GPM;
}

/** Coefficient of a sharp hole in sheet metal, plastic or concrete; its rim is a weir like a grate's. */
export const SHARP_ORIFICE = 0.6;

interface GutterOutlet {
  /** m² */
  openArea: number;
  /** Of water over it, m. */
  depth: number;
}

/** Rim (m) of a round hole of that area, and the flow (m³/s) that it lets in as a weir and as an orifice. */
export function gutterOutletFlows({ openArea, depth }: GutterOutlet): { rim: number; weir: number; orifice: number } {
  const rim = 2 * Math.sqrt(Math.PI * openArea);
  return {
    rim,
    weir: WEIR_COEFFICIENT * rim * depth ** 1.5,
    orifice: SHARP_ORIFICE * openArea * Math.sqrt(2 * GRAVITY * depth),
  };
}

/** Flow (m³/s) through the outlet of a gutter or a channel; the lesser of the two. */
export function gutterOutletCapacity(outlet: GutterOutlet): number {
  const { weir, orifice } = gutterOutletFlows(outlet);
  return Math.min(weir, orifice);
}

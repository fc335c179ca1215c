/** A culvert under its flow: how high the water stands before the road, and how fast it comes out. */
import { MATERIAL_FACTS } from '../catalogue/pipes';
import { culvertHeadwater, type Headwater } from '../hydraulics/culvert';
import { normalDepth } from '../hydraulics/pipe';
import { riprapSize } from '../hydraulics/riprap';
import type { Culvert } from '../job/kinds';
import { lengthOf } from './measures';

export interface CulvertPlan extends Headwater {
  kind: 'culvert';
  length: number;
  pitch: number;
  /** Of all its pipes, m³/s. */
  flow: number;
  /** Level of the water before it, m, and the road's edge over that. */
  waterLevel: number;
  freeboard: number;
  /** Road over its crown, m, and what is asked there. */
  cover: number;
  leastCover: number;
  /** At its outlet, m/s; and the stone that this wants there, m: 0 for none. */
  velocity: number;
  stone: number;
  /** What lying askew gains in pitch over a line straight across, m/m; null where that is not said. */
  gained: number | null;
}

/** From here on bare ground at the outlet is washed out, m/s: 4 ft/s. */
const SCOURS = 1.2192;
/** Pitch that water in the barrel is reckoned at where it lies level or falls back, m/m. */
const FLAT = 1e-4;

/** `tailwater`: level of the water at its outlet, m; −∞ where it falls free. */
export function culvertPlan(culvert: Culvert, whole: number, tailwater: number, walkCover: number): CulvertPlan {
  const length = lengthOf(culvert);
  const pitch = length > 0 ? (culvert.invertUp - culvert.invertDown) / length : 0;
  const flow = whole / (culvert.pipes ?? 1);
  const { roughness, leastCoverUnderCars } = MATERIAL_FACTS[culvert.material];
  const diameter = culvert.nominal;
  const standing = Math.max(tailwater, culvert.standingLevel ?? Number.NEGATIVE_INFINITY);
  const water = culvertHeadwater({
    diameter,
    length: Math.max(length, 0.1),
    slope: pitch,
    roughness,
    flow,
    inlet: culvert.inlet,
    tailwater: Math.max(0, standing - culvert.invertDown),
  });
  const waterLevel = culvert.invertUp + (whole > 0 ? Math.max(0, water.headwater) : 0);
  const running = normalDepth({ diameter, slope: Math.max(pitch, FLAT), roughness, flow });
  const velocity = whole > 0 ? running.velocity : 0;
  return {
    kind: 'culvert',
    ...water,
    length,
    pitch,
    flow: whole,
    waterLevel,
    freeboard: culvert.roadLevel - waterLevel,
    cover: culvert.roadLevel - Math.max(culvert.invertUp, culvert.invertDown) - diameter,
    leastCover: culvert.walk ? walkCover : leastCoverUnderCars,
    velocity,
    stone:
      velocity > SCOURS ? riprapSize({ diameter, flow, tailwater: Math.max(0, standing - culvert.invertDown) }) : 0,
    gained:
      culvert.straight === undefined
        ? null
        : pitch - (culvert.invertUp - culvert.straight.invertDown) / culvert.straight.length,
  };
}

/** What one pipe does with one flow, at whatever pitch it came to lie. */
import { criticalShear } from './cleansing';
import { fullFlow, normalDepth } from './pipe';

export interface RunFlow {
  /** Full-bore flow, m³/s; 0 when the pipe does not fall. */
  capacity: number;
  fullVelocity: number;
  /** At the design flow: depth m, its share of the diameter, velocity m/s. */
  depth: number;
  depthRatio: number;
  velocity: number;
  /** More flow than the pipe holds full; and more than it carries at any depth without pressure. */
  overloaded: boolean;
  surcharged: boolean;
  /** At the ordinary rain: depth m, shear Pa. */
  ordinaryDepth: number;
  ordinaryShear: number;
  /** Shear that moves the grit, Pa. */
  criticalShear: number;
  /** Whether an ordinary rain moves the grit and the design rain runs fast enough. True of a pipe with no water. */
  cleans: boolean;
}

export interface RunFlowInput {
  diameter: number;
  slope: number;
  roughness: number;
  /** Design and ordinary flow, m³/s. */
  flow: number;
  ordinaryFlow: number;
  gritSize: number;
  leastVelocity: number;
}

/** Flow figures of a run. A pipe that does not fall carries nothing and stands full. */
export function runFlow(input: RunFlowInput): RunFlow {
  const { diameter, slope, roughness, flow, ordinaryFlow, gritSize, leastVelocity } = input;
  const critical = criticalShear(gritSize);
  if (slope <= 0) {
    const dry = flow <= 0;
    return {
      capacity: 0,
      fullVelocity: 0,
      depth: dry ? 0 : diameter,
      depthRatio: dry ? 0 : 1,
      velocity: 0,
      overloaded: !dry,
      surcharged: !dry,
      ordinaryDepth: dry ? 0 : diameter,
      ordinaryShear: 0,
      criticalShear: critical,
      cleans: dry,
    };
  }
  const full = fullFlow({ diameter, slope, roughness });
  const design = normalDepth({ diameter, slope, roughness, flow });
  const ordinary = normalDepth({ diameter, slope, roughness, flow: ordinaryFlow });
  return {
    capacity: full.flow,
    fullVelocity: full.velocity,
    depth: design.depth,
    depthRatio: design.depth / diameter,
    velocity: design.velocity,
    overloaded: flow > full.flow,
    surcharged: design.surcharged,
    ordinaryDepth: ordinary.depth,
    ordinaryShear: ordinary.shear,
    criticalShear: critical,
    cleans: flow <= 0 || (ordinary.shear >= critical && design.velocity >= leastVelocity),
  };
}

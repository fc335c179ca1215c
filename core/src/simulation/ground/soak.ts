/** What the ground takes in as it rains: soft ground by Green and Ampt, hard ground the little that wets it. */
import { SOIL_FACTS, type Soil } from '../../catalogue/soils';

export const WETNESS = ['dry', 'ordinary', 'soaked'] as const;
export type Wetness = (typeof WETNESS)[number];

/** Suction at the wetting front, m, and effective porosity, by texture (Rawls, Brakensiek & Miller 1983). */
const PORES: Record<Soil, { suction: number; porosity: number }> = {
  sand: { suction: 0.05, porosity: 0.417 },
  loamySand: { suction: 0.061, porosity: 0.401 },
  sandyLoam: { suction: 0.11, porosity: 0.412 },
  loam: { suction: 0.089, porosity: 0.434 },
  siltLoam: { suction: 0.167, porosity: 0.486 },
  clayLoam: { suction: 0.209, porosity: 0.309 },
  clay: { suction: 0.316, porosity: 0.385 },
};
/** Of its pores what is empty before the rain. */
const EMPTY: Record<Wetness, number> = { dry: 0.8, ordinary: 0.5, soaked: 0.05 };

export interface Soaking {
  /** m/s; 0 takes nothing in. */
  conductivity: number;
  /** Suction times the room in its pores, m. */
  drawn: number;
}

/** Soft ground of a soil; its conductivity as tested where somebody has. */
export const soakingOf = (soil: Soil, wetness: Wetness, tested?: number): Soaking => ({
  conductivity: tested ?? SOIL_FACTS[soil].conductivity,
  drawn: PORES[soil].suction * PORES[soil].porosity * EMPTY[wetness],
});

/**
 * Depth (m) that ground can take in over a step of `dt` s once it has taken `taken` m: F' − F = K dt + ψΔθ ln((F' + ψΔθ)/(F + ψΔθ)), to
 * second order in the step, in closed form (Li, Stevens & Simons 1976, J. Irrig. Drain. 102).
 */
export function takesIn({ conductivity, drawn }: Soaking, taken: number, dt: number): number {
  const given = conductivity * dt;
  const short = given - 2 * taken;
  return (short + Math.sqrt(short * short + 8 * given * (drawn + taken))) / 2;
}

/** What wets a hard surface before any runs, m; of roofs and of paving. */
export const WETTING = { roof: 0.0005, paving: 0.001 } as const;

/** Open ways for water: their sections, and what lines them. */

export const SWALE_SECTIONS = ['v', 'trapezoid', 'parabola'] as const;
export type SwaleSection = (typeof SWALE_SECTIONS)[number];

export const SWALE_SECTION_LABELS: Record<SwaleSection, string> = {
  v: 'V',
  trapezoid: 'Flat floor',
  parabola: 'Round',
};

export const LININGS = ['grass', 'blanket', 'stone', 'bare'] as const;
export type Lining = (typeof LININGS)[number];

export interface LiningFacts {
  label: string;
  note: string;
  /** Manning's n. */
  roughness: number;
  /** Most shear (Pa) and speed (m/s) that it holds: FHWA HEC-15 and usual design values, the lower of a range. */
  shear: number;
  speed: number;
}

export const LINING_FACTS: Record<Lining, LiningFacts> = {
  grass: { label: 'Mown grass', note: 'once it has grown in', roughness: 0.033, shear: 45, speed: 1.5 },
  blanket: { label: 'Erosion blanket', note: 'until the grass holds', roughness: 0.03, shear: 75, speed: 1.8 },
  stone: { label: 'Stone', note: '6 in, on fabric', roughness: 0.04, shear: 115, speed: 3 },
  bare: { label: 'Bare loam', note: 'washes out', roughness: 0.025, shear: 3.5, speed: 0.6 },
};

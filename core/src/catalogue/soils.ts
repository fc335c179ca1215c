/** Soils by what a contractor tells in the hand, and how fast water sinks into them when they are wet. */

export const SOILS = ['sand', 'loamySand', 'sandyLoam', 'loam', 'siltLoam', 'clayLoam', 'clay'] as const;
export type Soil = (typeof SOILS)[number];

/** Saturated conductivity, m/s: usual values by texture (Rawls, Brakensiek & Miller 1983, rounded), a tenfold spread either way. */
export const SOIL_FACTS: Record<Soil, { label: string; conductivity: number }> = {
  sand: { label: 'Sand', conductivity: 5e-5 },
  loamySand: { label: 'Loamy sand', conductivity: 3e-5 },
  sandyLoam: { label: 'Sandy loam', conductivity: 1e-5 },
  loam: { label: 'Loam', conductivity: 4e-6 },
  siltLoam: { label: 'Silt loam', conductivity: 2e-6 },
  clayLoam: { label: 'Clay loam', conductivity: 6e-7 },
  clay: { label: 'Clay', conductivity: 1e-7 },
};

/** Taken where nobody has tested the soil. */
export const USUAL_SOIL: Soil = 'loam';

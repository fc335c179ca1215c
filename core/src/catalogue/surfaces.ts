/** Runoff coefficients C for design; ranges as in municipal drainage manuals and ASCE MOP 37, table 9. */
export const SURFACE_COVERS = [
  'roof',
  'paving',
  'pavers',
  'permeablePavers',
  'gravel',
  'mulch',
  'lawnSandFlat',
  'lawnSand',
  'lawnSandSteep',
  'lawnLoamFlat',
  'lawnLoam',
  'lawnLoamSteep',
  'lawnClayFlat',
  'lawnClay',
  'lawnClaySteep',
  'saturated',
] as const;
export type SurfaceCover = (typeof SURFACE_COVERS)[number];

/** Covers that are laid hard, to walk or drive on. */
export const HARD_COVERS: ReadonlySet<SurfaceCover> = new Set(['paving', 'pavers', 'permeablePavers']);

export interface SurfaceFacts {
  label: string;
  low: number;
  usual: number;
  high: number;
}

const lawn = (soil: string, fall: string, usual: number): SurfaceFacts => ({
  label: `Lawn on ${soil}, ${fall}`,
  low: usual - 0.04,
  usual,
  high: usual + 0.05,
});

export const SURFACE_FACTS: Record<SurfaceCover, SurfaceFacts> = {
  roof: { label: 'Roof', low: 0.9, usual: 0.95, high: 1 },
  paving: { label: 'Concrete or asphalt', low: 0.8, usual: 0.9, high: 0.95 },
  pavers: { label: 'Pavers, sand joints', low: 0.7, usual: 0.8, high: 0.85 },
  permeablePavers: { label: 'Permeable pavers', low: 0.1, usual: 0.4, high: 0.7 },
  gravel: { label: 'Gravel or river rock', low: 0.3, usual: 0.5, high: 0.7 },
  mulch: { label: 'Mulch bed', low: 0.15, usual: 0.25, high: 0.35 },
  lawnSandFlat: lawn('sand', 'under 2%', 0.08),
  lawnSand: lawn('sand', '2–7%', 0.13),
  lawnSandSteep: lawn('sand', 'over 7%', 0.18),
  lawnLoamFlat: lawn('loam', 'under 2%', 0.13),
  lawnLoam: lawn('loam', '2–7%', 0.18),
  lawnLoamSteep: lawn('loam', 'over 7%', 0.25),
  lawnClayFlat: lawn('clay', 'under 2%', 0.17),
  lawnClay: lawn('clay', '2–7%', 0.22),
  lawnClaySteep: lawn('clay', 'over 7%', 0.35),
  saturated: { label: 'Saturated or frozen ground', low: 0.6, usual: 0.75, high: 0.9 },
};

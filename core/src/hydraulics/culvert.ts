/** A round culvert: how high the water stands before it, ruled by its inlet or by its outlet (FHWA Hydraulic Design Series 5, form 1). */
import { GRAVITY } from '../units/constants';
import { criticalDepth } from './criticalDepth';
import { segmentOf } from './pipe';

export const CULVERT_INLETS = ['square', 'groove', 'headwall', 'mitred', 'projecting'] as const;
export type CulvertInlet = (typeof CULVERT_INLETS)[number];

interface InletFacts {
  label: string;
  /** Not drowned: Hc/D + K x^M + ks S. */
  k: number;
  m: number;
  /** Drowned: c x² + Y + ks S. */
  c: number;
  y: number;
  /** Entry loss of a full pipe. */
  ke: number;
  /** Of the pitch. */
  ks: number;
}

export const CULVERT_INLET_FACTS: Record<CulvertInlet, InletFacts> = {
  square: { label: 'Square edge in a headwall', k: 0.0098, m: 2, c: 0.0398, y: 0.67, ke: 0.5, ks: -0.5 },
  groove: { label: 'Bell end in a headwall', k: 0.0018, m: 2, c: 0.0292, y: 0.74, ke: 0.2, ks: -0.5 },
  headwall: { label: 'Corrugated in a headwall', k: 0.0078, m: 2, c: 0.0379, y: 0.69, ke: 0.5, ks: -0.5 },
  mitred: { label: 'Cut to the slope', k: 0.021, m: 1.33, c: 0.0463, y: 0.75, ke: 0.7, ks: 0.7 },
  projecting: { label: 'Standing out of the bank', k: 0.034, m: 1.5, c: 0.0553, y: 0.54, ke: 0.9, ks: -0.5 },
};

export interface CulvertAt {
  diameter: number;
  length: number;
  /** m/m */
  slope: number;
  roughness: number;
  /** m³/s, ≥ 0 */
  flow: number;
  inlet: CulvertInlet;
  /** Water at the outlet, over its invert there, m. */
  tailwater: number;
}

export interface Headwater {
  /** Over the inlet's invert, m: what the inlet alone asks, what the barrel and the outlet ask, and the greater. */
  inletHeadwater: number;
  outletHeadwater: number;
  headwater: number;
  control: 'inlet' | 'outlet';
}

/** Of x = 1.811 Q/(A√D): the inlet is free up to here, and drowned from there on. */
const FREE = 3.5;
const DROWNED = 4;
const SI = 1.811;

function inletControl({ diameter, slope, flow, inlet }: CulvertAt): number {
  const { k, m, c, y, ks } = CULVERT_INLET_FACTS[inlet];
  const area = (Math.PI * diameter ** 2) / 4;
  const unit = SI / (area * Math.sqrt(diameter));
  const free = (x: number): number => {
    const q = x / unit;
    const depth = criticalDepth({ diameter, flow: q });
    const angle = 4 * Math.asin(Math.sqrt(Math.min(1, depth / diameter)));
    const wet = (diameter ** 2 / 8) * segmentOf(angle);
    const head = q > 0 ? depth + (q / wet) ** 2 / (2 * GRAVITY) : 0;
    return head / diameter + k * x ** m + ks * slope;
  };
  const drowned = (x: number): number => c * x * x + y + ks * slope;
  const x = unit * flow;
  if (x <= FREE) return Math.max(0, diameter * free(x));
  if (x >= DROWNED) return Math.max(0, diameter * drowned(x));
  const part = (x - FREE) / (DROWNED - FREE);
  return Math.max(0, diameter * (free(FREE) * (1 - part) + drowned(DROWNED) * part));
}

function outletControl({ diameter, length, slope, roughness, flow, inlet, tailwater }: CulvertAt): number {
  const velocity = flow / ((Math.PI * diameter ** 2) / 4);
  const radius = diameter / 4;
  const friction = (2 * GRAVITY * roughness ** 2 * length) / Math.cbrt(radius) ** 4;
  const foot = Math.max(tailwater, (criticalDepth({ diameter, flow }) + diameter) / 2);
  const losses = ((1 + CULVERT_INLET_FACTS[inlet].ke + friction) * velocity ** 2) / (2 * GRAVITY);
  return foot + losses - length * slope;
}

/** Water before a culvert that carries a flow. The barrel is taken full under outlet control, which errs high while it is not. */
export function culvertHeadwater(culvert: CulvertAt): Headwater {
  const inletHeadwater = inletControl(culvert);
  const outletHeadwater = outletControl(culvert);
  const control = inletHeadwater >= outletHeadwater ? 'inlet' : 'outlet';
  return { inletHeadwater, outletHeadwater, headwater: Math.max(inletHeadwater, outletHeadwater), control };
}

/** Works for tests, each as it usually is with some of it otherwise. */
import type { Berm, Culvert, Discharge, Drain, DrainField, PavedBed, StoneDrain, Swale } from '../job/kinds';

export const drainOf = (more: Partial<Drain> = {}): Drain => ({
  id: 'drain',
  kind: 'drain',
  name: 'Drain',
  groundLevel: 0,
  length: 20,
  depth: 0.6,
  nominal: 0.1016,
  soil: 'loam',
  ...more,
});
export const fieldOf = (more: Partial<DrainField> = {}): DrainField => ({
  id: 'drain',
  kind: 'drainField',
  name: 'Field',
  groundLevel: 0,
  area: 300,
  depth: 0.6,
  nominal: 0.1016,
  soil: 'loam',
  ...more,
});
export const swaleOf = (more: Partial<Swale> = {}): Swale => ({
  id: 'swale',
  kind: 'swale',
  name: 'Swale',
  section: 'trapezoid',
  bottomWidth: 0.6,
  sideSlope: 4,
  depth: 0.3,
  lining: 'grass',
  length: 30,
  headLevel: -0.3,
  footLevel: -0.9,
  ...more,
});
export const culvertOf = (more: Partial<Culvert> = {}): Culvert => ({
  id: 'culvert',
  kind: 'culvert',
  name: 'Culvert',
  length: 6,
  nominal: 0.381,
  material: 'doubleWall',
  inlet: 'mitred',
  invertUp: -1,
  invertDown: -1.1,
  roadLevel: 0,
  stone: true,
  ...more,
});
export const bermOf = (more: Partial<Berm> = {}): Berm => ({
  id: 'berm',
  kind: 'berm',
  name: 'Berm',
  footLevel: 0,
  height: 0.3,
  topWidth: 0.5,
  sideSlope: 3,
  length: 10,
  ...more,
});
export const stoneOf = (more: Partial<StoneDrain> = {}): StoneDrain => ({
  id: 'stone',
  kind: 'stoneDrain',
  name: 'Stone drain',
  groundLevel: -0.06,
  slabLevel: 0,
  width: 0.3,
  depth: 0.45,
  length: 5,
  ...more,
});
export const bedOf = (more: Partial<PavedBed> = {}): PavedBed => ({
  id: 'bed',
  kind: 'pavedBed',
  name: 'Patio',
  groundLevel: 0,
  area: 30,
  depth: 0.3,
  fall: 0.01,
  soil: 'loam',
  ...more,
});
/** A pump basin whole in its fittings: a pump of so much head (m) at no flow and so much flow (m³/s) at no head. */
export const pumpOf = (
  head: number,
  flow: number,
  more: Partial<NonNullable<Discharge['pump']>> = {},
): Partial<Discharge> => ({
  form: 'pump',
  groundLevel: 0,
  bank: undefined,
  pump: {
    curve: [
      { flow: 0, head },
      { flow: flow / 2, head: 0.6 * head },
      { flow, head: 0 },
    ],
    area: 0.5,
    start: -1.2,
    stop: -1.5,
    mainLength: 10,
    mainDiameter: 0.0508,
    outletLevel: 0.5,
    checkValve: true,
    alarm: true,
    freezeOverflow: true,
    ...more,
  },
});

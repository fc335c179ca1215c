/** Works of the situations, each as it usually is. */
import type { Discharge, Drain, DrainField, Swale } from '../job/kinds';
import { ft, ft2, inch, swale as roadside } from './yardParts';

export const drain = (more: Partial<Drain> = {}): Drain => ({
  id: 'drain',
  kind: 'drain',
  name: 'Subsurface drain',
  groundLevel: ft(-1),
  length: ft(60),
  depth: inch(24),
  nominal: inch(4),
  soil: 'loam',
  firm: inch(12),
  ...more,
});
export const field = (more: Partial<DrainField> = {}): DrainField => ({
  id: 'field',
  kind: 'drainField',
  name: 'Soggy yard',
  groundLevel: ft(-1),
  area: ft2(2400),
  depth: inch(24),
  nominal: inch(4),
  soil: 'clayLoam',
  ...more,
});
export const swale = (id: string, name: string, more: Partial<Swale> = {}): Swale => ({
  id,
  kind: 'swale',
  name,
  section: 'trapezoid',
  bottomWidth: ft(2),
  sideSlope: 4,
  depth: inch(14),
  lining: 'grass',
  length: ft(120),
  headLevel: ft(-2.2),
  footLevel: ft(-4.2),
  ...more,
});
export const ends = (level: number, more: Partial<Discharge> = {}): Discharge => ({
  ...roadside(level),
  end: 'guard',
  ...more,
});

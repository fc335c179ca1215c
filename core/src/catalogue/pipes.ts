/**
 * Generic pipe. Roughness is Manning's n for design, constant with depth (Chow 1959, table 5-6, and the ranges that
 * makers of plastic pipe publish). Inside diameter is taken as nominal until the user enters the product's own.
 */
import { METRES_PER_INCH } from '../units/constants';

export const MATERIALS = ['smooth', 'doubleWall', 'singleWall', 'flexible', 'clay'] as const;
export type Material = (typeof MATERIALS)[number];

/** What new pipe is sold of. */
export const SOLD_MATERIALS: readonly Material[] = MATERIALS.filter((material) => material !== 'clay');

export interface MaterialFacts {
  label: string;
  short: string;
  /** Manning's n, s/m^(1/3). */
  roughness: number;
  note: string;
  /** Least cover where cars pass, m. */
  leastCoverUnderCars: number;
  /** Whether a large pipe of it may run at the flatter least pitch. */
  smoothBore: boolean;
}

const inches = (count: number): number => count * METRES_PER_INCH;

export const MATERIAL_FACTS: Record<Material, MaterialFacts> = {
  smooth: {
    label: 'Smooth PVC',
    short: 'PVC',
    roughness: 0.01,
    note: 'Stiff, holds its pitch; brittle in cold and where ground moves.',
    leastCoverUnderCars: inches(12),
    smoothBore: true,
  },
  doubleWall: {
    label: 'Double-wall HDPE',
    short: 'Double-wall',
    roughness: 0.012,
    note: 'Smooth inside, light; roots enter only at joints.',
    leastCoverUnderCars: inches(12),
    smoothBore: true,
  },
  singleWall: {
    label: 'Single-wall corrugated',
    short: 'Single-wall',
    roughness: 0.016,
    note: 'Cheap and bends; its ribs hold grit.',
    leastCoverUnderCars: inches(24),
    smoothBore: false,
  },
  flexible: {
    label: 'Expandable flexible',
    short: 'Flexible',
    roughness: 0.022,
    note: 'Short, shallow lines with clean water only.',
    leastCoverUnderCars: inches(24),
    smoothBore: false,
  },
  clay: {
    label: 'Old clay, unknown',
    short: 'Old clay',
    roughness: 0.015,
    note: 'An existing pipe: look inside it before you trust it.',
    leastCoverUnderCars: inches(24),
    smoothBore: false,
  },
};

/** Nominal sizes offered, m, smallest first: 3 to 24 in. */
export const NOMINAL_SIZES: readonly number[] = [3, 4, 6, 8, 10, 12, 15, 18, 24].map(inches);

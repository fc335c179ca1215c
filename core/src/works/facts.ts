/** How works tell their figures. */
import { CUBIC_METRES_PER_CUBIC_YARD, showDuration, type Shown, type UnitSystem } from '../units';
import type { Fact } from './work';

const never: Shown = { value: 'never', unit: '' };

export const words = (value: string): Shown => ({ value, unit: '' });

/** A time, s; null of what never ends. */
export const lasts = (seconds: number | null): Shown => (seconds === null ? never : showDuration(seconds));

export const earth = (cubicMetres: number, units: UnitSystem): Shown =>
  units === 'us'
    ? { value: (cubicMetres / CUBIC_METRES_PER_CUBIC_YARD).toFixed(1), unit: 'yd³' }
    : { value: cubicMetres.toFixed(1), unit: 'm³' };

/** m/s, told by the day. */
export const dailyRate = (metresPerSecond: number, units: UnitSystem): Shown =>
  units === 'us'
    ? { value: ((metresPerSecond * 86_400) / 0.0254).toFixed(2), unit: 'in/day' }
    : { value: (metresPerSecond * 86_400_000).toFixed(1), unit: 'mm/day' };

/** The colour of a fact's weight where it holds. */
export const toned = (tone: 'stop' | 'fix', holds: boolean): Pick<Fact, 'tone'> => (holds ? { tone } : {});

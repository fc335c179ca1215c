/** Downspout openings as sold, nominal, in inches. */
import { METRES_PER_INCH } from '../units/constants';

export const DOWNSPOUT_SIZES = ['rect2x3', 'rect3x4', 'rect4x5', 'round3', 'round4', 'round5', 'round6'] as const;
export type DownspoutSize = (typeof DOWNSPOUT_SIZES)[number];

/** Nominal openings, in². */
export const DOWNSPOUT_OPENINGS: Record<DownspoutSize, number> = {
  rect2x3: 6,
  rect3x4: 12,
  rect4x5: 20,
  round3: Math.PI * 1.5 ** 2,
  round4: Math.PI * 2 ** 2,
  round5: Math.PI * 2.5 ** 2,
  round6: Math.PI * 3 ** 2,
};

export const DOWNSPOUT_LABELS: Record<DownspoutSize, string> = {
  rect2x3: '2 × 3 in',
  rect3x4: '3 × 4 in',
  rect4x5: '4 × 5 in',
  round3: '3 in round',
  round4: '4 in round',
  round5: '5 in round',
  round6: '6 in round',
};

/** Nominal size of the pipe that a downspout comes down in under the ground, as its adapters are sold, m. */
export const DOWNSPOUT_LEGS: Record<DownspoutSize, number> = {
  rect2x3: 3 * METRES_PER_INCH,
  rect3x4: 4 * METRES_PER_INCH,
  rect4x5: 6 * METRES_PER_INCH,
  round3: 3 * METRES_PER_INCH,
  round4: 4 * METRES_PER_INCH,
  round5: 6 * METRES_PER_INCH,
  round6: 6 * METRES_PER_INCH,
};

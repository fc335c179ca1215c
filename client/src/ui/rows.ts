/** Things beside one another that wrap where the screen is narrow. */
import { SPACE } from '../theme/tokens';

const wrapped = { flexDirection: 'row', flexWrap: 'wrap' } as const;

/** Figures. */
export const figureRow = { ...wrapped, columnGap: SPACE.xl, rowGap: SPACE.s } as const;

/** Fields with hints below them: their boxes stand level. */
export const fieldRow = { ...wrapped, gap: SPACE.m, alignItems: 'flex-start' } as const;

/** Fields and choices of different heights: level at the foot. */
export const footRow = { ...wrapped, gap: SPACE.m, alignItems: 'flex-end' } as const;

/** What a page holds that is not a station: one column, in the middle of a wide screen. */
export const pageColumn = {
  width: '100%',
  maxWidth: 860,
  alignSelf: 'center',
  padding: SPACE.l,
  gap: SPACE.l,
  paddingBottom: 80,
} as const;

/** How a chip looks, of which one or any may be chosen. */
import { TOUCH, type Palette } from '../theme/tokens';

export const chip = (palette: Palette) => ({
  minHeight: TOUCH,
  maxWidth: '100%' as const,
  paddingHorizontal: 12,
  paddingVertical: 6,
  borderWidth: 1.5,
  borderColor: palette.line,
  borderRadius: 4,
  justifyContent: 'center' as const,
});

/** A chosen one, its thicker edge within the same size. */
export const chosenChip = (palette: Palette) => ({
  borderColor: palette.ink,
  backgroundColor: palette.bank,
  borderWidth: 2.5,
  paddingHorizontal: 11,
  paddingVertical: 5,
});

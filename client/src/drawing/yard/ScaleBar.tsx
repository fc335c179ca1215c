/** How long a round length is on the plan as it is seen. */
import { G, Line, Rect, Text as SvgText } from 'react-native-svg';
import { FONTS, type Palette } from '../../theme/tokens';
import { type Viewport } from './viewport';

export function ScaleBar({
  view,
  px,
  words,
  palette,
  size,
}: {
  view: Viewport;
  px: number;
  words: string;
  palette: Palette;
  size: number;
}) {
  const y = view.height - 14;
  return (
    <G>
      <Rect x={8} y={view.height - 36} width={px + 12} height={30} fill={palette.ground} opacity={0.8} />
      <Line x1={14} x2={14 + px} y1={y} y2={y} stroke={palette.ink} strokeWidth={3} />
      <Line x1={14} x2={14} y1={y - 5} y2={y + 5} stroke={palette.ink} strokeWidth={2} />
      <Line x1={14 + px} x2={14 + px} y1={y - 5} y2={y + 5} stroke={palette.ink} strokeWidth={2} />
      <SvgText x={14} y={y - 7} fontFamily={FONTS.figures} fontSize={size} fill={palette.ink}>
        {words}
      </SvgText>
    </G>
  );
}

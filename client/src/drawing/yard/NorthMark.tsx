import Svg, { G, Polygon } from 'react-native-svg';
import { usePalette } from '../../theme/theme';

/** Where north lies: it is also the way back to it. */
export function NorthMark({ turn, size = 28 }: { turn: number; size?: number }) {
  const { ink, ground } = usePalette();
  return (
    <Svg width={size} height={size} viewBox="-14 -14 28 28">
      <G transform={`rotate(${(turn * 180) / Math.PI})`}>
        <Polygon points="0,-13 7,9 0,5 -7,9" fill={ink} />
        <Polygon points="0,-13 0,5 -7,9" fill={ground} stroke={ink} strokeWidth={1.2} />
      </G>
    </Svg>
  );
}

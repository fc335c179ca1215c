import { memo } from 'react';
import Svg, { Circle, Path } from 'react-native-svg';
import { usePalette } from '../theme/theme';

interface Props {
  /** Depth of water over the diameter, 0–1. */
  depthRatio: number;
  overloaded?: boolean;
  size?: number;
}

/** The eye: a pipe's round section, filled to the depth of its flow. Overloaded, its wall turns brick and doubles. */
export const Eye = memo(function Eye({ depthRatio, overloaded = false, size = 36 }: Props) {
  const { ink, water, stop, ground } = usePalette();
  const radius = 16;
  const y = 20 + radius * (1 - 2 * Math.min(1, depthRatio));
  const half = Math.sqrt(Math.max(0, radius * radius - (y - 20) * (y - 20)));
  const large = depthRatio > 0.5 ? 1 : 0;
  const wet = depthRatio >= 0.999 ? null : `M${20 - half} ${y}A${radius} ${radius} 0 ${large} 0 ${20 + half} ${y}Z`;
  return (
    <Svg width={size} height={size} viewBox="0 0 40 40" aria-hidden>
      <Circle cx={20} cy={20} r={radius} fill={depthRatio >= 0.999 ? water : ground} />
      {wet !== null && depthRatio > 0.001 && <Path d={wet} fill={water} />}
      <Circle
        cx={20}
        cy={20}
        r={radius + 0.75}
        fill="none"
        stroke={overloaded ? stop : ink}
        strokeWidth={overloaded ? 4 : 2}
      />
      {overloaded && <Path d="M20 1V-1M20 39V41" stroke={stop} strokeWidth={3} />}
    </Svg>
  );
});

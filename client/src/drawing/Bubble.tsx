import { memo } from 'react';
import Svg, { Ellipse, Line, Rect } from 'react-native-svg';
import { usePalette } from '../theme/theme';

interface Props {
  /** Fall of the pipe in the direction of flow, m/m. */
  pitch: number;
  /** Pitch at which the bubble just touches the line on the user's level, m/m. */
  linePitch: number;
  width?: number;
}

/** Half of the distance between the vial's lines, and half of the bubble's length, in the picture's units. */
const LINES = 23;
const HALF_BUBBLE = 11;

/**
 * Where the bubble stands when the level is laid on the pipe with its downhill end to the right: the bubble seeks the high end.
 * It is midway when level; at `linePitch` its left edge reaches the left line; then it goes on until the vial's end stops it.
 */
export const Bubble = memo(function Bubble({ pitch, linePitch, width = 84 }: Props) {
  const { ink, fix, line } = usePalette();
  const travel = ((LINES - HALF_BUBBLE) * pitch) / linePitch;
  const centre = 42 - Math.max(-28, Math.min(28, travel));
  return (
    <Svg width={width} height={(width * 24) / 84} viewBox="0 0 84 24" aria-hidden>
      <Vial />
      <Ellipse
        cx={centre}
        cy={12}
        rx={HALF_BUBBLE}
        ry={6.5}
        fill={line}
        stroke={pitch <= 0 ? fix : ink}
        strokeWidth={1.6}
      />
    </Svg>
  );
});

const Vial = memo(function Vial() {
  const { ink, ground } = usePalette();
  return (
    <>
      <Rect x={1} y={3} width={82} height={18} rx={9} fill={ground} stroke={ink} strokeWidth={1.6} />
      {[42 - LINES, 42 + LINES].map((x) => (
        <Line key={x} x1={x} x2={x} y1={3} y2={21} stroke={ink} strokeWidth={2} />
      ))}
    </>
  );
});

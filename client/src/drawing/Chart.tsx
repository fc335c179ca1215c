/** A small chart of one curve: two axes with their units, and what is marked on it. */
import { useState, type ReactNode } from 'react';
import { View, type LayoutChangeEvent } from 'react-native';
import Svg, { G, Line, Path, Text as SvgText } from 'react-native-svg';
import { usePalette, useTextScale } from '../theme/theme';
import { FONTS } from '../theme/tokens';
import { ticksOf } from './axis';

const RIGHT = 12;

export interface Axis {
  label: string;
  /** Greatest value shown; the least is 0. */
  most: number;
  /** How much of the curve's numbers one shown unit is, so that the axis is parted at round figures of what is read. */
  per: number;
}

export interface Frame {
  x: (value: number) => number;
  y: (value: number) => number;
}

interface Props {
  said: string;
  across: Axis;
  up: Axis;
  /** Points of the curve, in the axes' own numbers. */
  curve: readonly (readonly [number, number])[];
  /** Filled down to the axis, as water is. */
  filled?: boolean;
  children?: (frame: Frame, width: number) => ReactNode;
}

const ticks = ({ most, per }: Axis) => ticksOf({ low: 0, high: most, per, count: 4 });

export function Chart({ said, across, up, curve, filled = false, children }: Props) {
  const [width, setWidth] = useState(340);
  const { ink, soft, line, water, shallow } = usePalette();
  const scale = useTextScale();
  const [left, top, foot] = [38 * scale, 30 * scale, 38 * scale];
  const height = 140 + top + foot;
  const frame: Frame = {
    x: (value) => left + (value / across.most) * (width - left - RIGHT),
    y: (value) => height - foot - (value / up.most) * (height - top - foot),
  };
  const label = { fontFamily: FONTS.text, fontSize: 13 * scale, fill: soft };
  const d = curve
    .map(([x, y], k) => `${k === 0 ? 'M' : 'L'}${frame.x(x).toFixed(1)} ${frame.y(y).toFixed(1)}`)
    .join('');
  return (
    <View onLayout={(event: LayoutChangeEvent) => setWidth(event.nativeEvent.layout.width)}>
      <Svg width={width} height={height} role="img" aria-label={said}>
        {ticks(up).map(({ at, said: value }) => (
          <G key={at}>
            <Line x1={left} x2={width - RIGHT} y1={frame.y(at)} y2={frame.y(at)} stroke={line} strokeWidth={1} />
            <SvgText x={left - 6} y={frame.y(at) + 4} textAnchor="end" {...label}>
              {value}
            </SvgText>
          </G>
        ))}
        {ticks(across).map(({ at, said: value }) => (
          <SvgText key={at} x={frame.x(at)} y={height - foot + 16 * scale} textAnchor="middle" {...label}>
            {value}
          </SvgText>
        ))}
        <SvgText x={width - RIGHT} y={height - 4} textAnchor="end" {...label}>
          {across.label}
        </SvgText>
        <SvgText x={0} y={13 * scale} {...label}>{`↑ ${up.label}`}</SvgText>
        {filled && (
          <Path
            d={`${d}L${frame.x(curve.at(-1)![0])} ${frame.y(0)}L${frame.x(curve[0]![0])} ${frame.y(0)}Z`}
            fill={shallow}
          />
        )}
        <Path d={d} stroke={water} strokeWidth={3} fill="none" />
        <Line x1={left} x2={width - RIGHT} y1={frame.y(0)} y2={frame.y(0)} stroke={ink} strokeWidth={2} />
        {children?.(frame, width)}
      </Svg>
    </View>
  );
}

/** A small chart of one curve: two axes with their units, and what is marked on it. */
import { decimals } from '@katabasis/core';
import { useState, type ReactNode } from 'react';
import { View, type LayoutChangeEvent } from 'react-native';
import Svg, { G, Line, Path, Text as SvgText } from 'react-native-svg';
import { usePalette } from '../theme/theme';
import { FONTS } from '../theme/tokens';
import { niceStep } from './sectionLayout';

const HEIGHT = 190;
const LEFT = 46;
const RIGHT = 12;
const TOP = 12;
const FOOT = 38;

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

/** Round figures on an axis: where each stands, and what is written there. */
function ticks({ most, per }: Axis, count: number): { at: number; said: string }[] {
  const step = niceStep(most / per, count);
  const places = Math.max(0, -Math.floor(Math.log10(step) + 1e-9));
  return Array.from({ length: Math.floor(most / per / step + 1e-9) + 1 }, (_, k) => ({
    at: k * step * per,
    said: decimals(k * step, places),
  }));
}

export function Chart({ said, across, up, curve, filled = false, children }: Props) {
  const [width, setWidth] = useState(340);
  const { ink, soft, line, water, shallow } = usePalette();
  const frame: Frame = {
    x: (value) => LEFT + (value / across.most) * (width - LEFT - RIGHT),
    y: (value) => HEIGHT - FOOT - (value / up.most) * (HEIGHT - TOP - FOOT),
  };
  const label = { fontFamily: FONTS.text, fontSize: 12, fill: soft };
  const d = curve
    .map(([x, y], k) => `${k === 0 ? 'M' : 'L'}${frame.x(x).toFixed(1)} ${frame.y(y).toFixed(1)}`)
    .join('');
  return (
    <View onLayout={(event: LayoutChangeEvent) => setWidth(event.nativeEvent.layout.width)}>
      <Svg width={width} height={HEIGHT} role="img" aria-label={said}>
        {ticks(up, 4).map(({ at, said: value }) => (
          <G key={at}>
            <Line x1={LEFT} x2={width - RIGHT} y1={frame.y(at)} y2={frame.y(at)} stroke={line} strokeWidth={1} />
            <SvgText x={LEFT - 6} y={frame.y(at) + 4} textAnchor="end" {...label}>
              {value}
            </SvgText>
          </G>
        ))}
        {ticks(across, 4).map(({ at, said: value }) => (
          <SvgText key={at} x={frame.x(at)} y={HEIGHT - FOOT + 16} textAnchor="middle" {...label}>
            {value}
          </SvgText>
        ))}
        <SvgText x={width - RIGHT} y={HEIGHT - 4} textAnchor="end" {...label}>
          {across.label}
        </SvgText>
        <SvgText x={LEFT} y={HEIGHT - 4} {...label}>{`↑ ${up.label}`}</SvgText>
        {filled && (
          <Path
            d={`${d}L${frame.x(curve.at(-1)![0])} ${frame.y(0)}L${frame.x(curve[0]![0])} ${frame.y(0)}Z`}
            fill={shallow}
          />
        )}
        <Path d={d} stroke={water} strokeWidth={3} fill="none" />
        <Line x1={LEFT} x2={width - RIGHT} y1={frame.y(0)} y2={frame.y(0)} stroke={ink} strokeWidth={2} />
        {children?.(frame, width)}
      </Svg>
    </View>
  );
}

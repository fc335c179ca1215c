import type { Element } from '@katabasis/core';
import { memo } from 'react';
import { G, Line, Path, Rect, Circle } from 'react-native-svg';
import { usePalette } from '../theme/theme';

interface Props {
  element: Element | undefined;
  x: number;
  y: number;
  selected?: boolean;
}

/** A landing where a line passes: what stands there, by shape. */
export const LandingGlyph = memo(function LandingGlyph({ element, x, y, selected = false }: Props) {
  const form = element?.kind === 'junction' || element?.kind === 'discharge' ? element.form : element?.kind;
  return (
    <G transform={`translate(${x} ${y})`}>
      <Shape form={form} selected={selected} />
    </G>
  );
});

/** Apart from its place, so that a landing under a finger moves without being drawn anew. */
const Shape = memo(function Shape({ form, selected }: { form: string | undefined; selected: boolean }) {
  const { ink, ground, water } = usePalette();
  const stroke = selected ? water : ink;
  const common = { fill: ground, stroke, strokeWidth: selected ? 3.5 : 2.2 };
  return (
    <>
      {form === 'downspout' && (
        <>
          <Rect x={-6} y={-13} width={12} height={20} {...common} />
          <Path d="M-3 -9V3M3 -9V3" stroke={stroke} strokeWidth={1.6} />
        </>
      )}
      {form === 'basin' && (
        <>
          <Rect x={-11} y={-8} width={22} height={17} {...common} />
          {[-6, -2, 2, 6].map((at) => (
            <Line key={at} x1={at} x2={at} y1={-8} y2={-2} stroke={stroke} strokeWidth={2} />
          ))}
        </>
      )}
      {form === 'channel' && (
        <>
          <Rect x={-13} y={-6} width={26} height={12} {...common} />
          {[-8, -4, 0, 4, 8].map((at) => (
            <Line key={at} x1={at} x2={at} y1={-6} y2={0} stroke={stroke} strokeWidth={1.6} />
          ))}
        </>
      )}
      {form === 'wye' && (
        <>
          <Circle r={9} {...common} />
          <Path d="M0 6V-1M0 -1L-4 -5M0 -1L4 -5" stroke={stroke} strokeWidth={2} fill="none" />
        </>
      )}
      {form === 'tee' && (
        <>
          <Circle r={9} {...common} />
          <Path d="M-5 -3H5M0 -3V6" stroke={stroke} strokeWidth={2} fill="none" />
        </>
      )}
      {form === 'cleanout' && (
        <>
          <Circle r={9} {...common} />
          <Rect x={-3.5} y={-3.5} width={7} height={7} fill={stroke} />
        </>
      )}
      {form === 'bend' && <Rect x={-7} y={-7} width={14} height={14} transform="rotate(45)" {...common} />}
      {form === 'daylight' && (
        <>
          <Path d="M-12 8A12 12 0 0 1 12 8Z" {...common} />
          <Path d="M0 4V-3" stroke={water} strokeWidth={3} />
        </>
      )}
      {form === 'main' && (
        <>
          <Circle r={11} {...common} />
          <Circle r={5.5} fill={water} />
        </>
      )}
      {form === 'popup' && (
        <>
          <Path d="M-9 9V-3H9V9Z" {...common} />
          <Path d="M-12 -6L10 -11" stroke={stroke} strokeWidth={3} />
        </>
      )}
    </>
  );
});

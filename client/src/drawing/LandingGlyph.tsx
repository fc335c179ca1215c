import type { Element } from '@katabasis/core';
import { memo, type ReactNode } from 'react';
import { G } from 'react-native-svg';
import { usePalette } from '../theme/theme';

/** What a landing's mark is drawn with: its outline, the colour of its lines, and that of water. */
export interface GlyphPens {
  outline: { fill: string; stroke: string; strokeWidth: number };
  stroke: string;
  water: string;
}

/** Draws the mark of an element, about the origin. */
export type DrawGlyph = (element: Element, pens: GlyphPens) => ReactNode;

interface Props {
  element: Element | undefined;
  draw: DrawGlyph;
  x: number;
  y: number;
  selected?: boolean;
}

/** A landing where a line passes: what stands there, by shape. */
export const LandingGlyph = memo(function LandingGlyph({ element, draw, x, y, selected = false }: Props) {
  return (
    <G transform={`translate(${x} ${y})`}>{element && <Mark element={element} draw={draw} selected={selected} />}</G>
  );
});

/** Apart from its place, so that a landing under a finger moves without being drawn anew. */
const Mark = memo(function Mark({ element, draw, selected }: { element: Element; draw: DrawGlyph; selected: boolean }) {
  const { ink, ground, water } = usePalette();
  const stroke = selected ? water : ink;
  return <>{draw(element, { outline: { fill: ground, stroke, strokeWidth: selected ? 3.5 : 2.2 }, stroke, water })}</>;
});

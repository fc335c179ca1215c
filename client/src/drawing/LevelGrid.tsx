/** Levels ruled across a section: round figures, each with its line and its words at the left. */
import { METRES_PER_FOOT, showLevel, text, type UnitSystem } from '@katabasis/core';
import { G, Line, Text as SvgText } from 'react-native-svg';
import { usePalette } from '../theme/theme';
import type { Lettering } from '../theme/measure';
import { ticksOf } from './axis';

export interface RuledLevel {
  /** m */
  at: number;
  words: string;
}

/** Round levels between two (m), about so many. */
export function ruledLevels(low: number, high: number, count: number, units: UnitSystem): RuledLevel[] {
  const us = units === 'us';
  const range = { low, high, per: us ? METRES_PER_FOOT : 1, count, leastStep: us ? 0.5 : 0.1 };
  return ticksOf(range).map(({ at }) => ({ at, words: text(showLevel(at, units)) }));
}

interface Props {
  levels: readonly RuledLevel[];
  /** Ends of every line, and where a level stands, px. */
  left: number;
  right: number;
  y: (level: number) => number;
  lettering: Lettering;
}

export function LevelGrid({ levels, left, right, y, lettering: { family, size } }: Props) {
  const { line, soft } = usePalette();
  return (
    <>
      {levels.map(({ at, words }) => (
        <G key={at}>
          <Line x1={left} x2={right} y1={y(at)} y2={y(at)} stroke={line} strokeWidth={1} />
          <SvgText x={left - 6} y={y(at) + 4} textAnchor="end" fontFamily={family} fontSize={size} fill={soft}>
            {words}
          </SvgText>
        </G>
      ))}
    </>
  );
}

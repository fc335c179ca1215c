/** Readings as laid on the plan: a dot where it lies as planned, a number where it is off, told below. */
import { showLength, showSmall, text, type Job } from '@katabasis/core';
import { alongWords, builtOnPlan, type BuiltMark } from '@katabasis/core/as-built';
import { useMemo } from 'react';
import { View } from 'react-native';
import Svg, { Circle, G, Path, Text as SvgText } from 'react-native-svg';
import { useJob } from '../../../planning/useJob';
import { usePalette } from '../../../theme/theme';
import { FONTS, SPACE } from '../../../theme/tokens';
import { Text } from '../../../ui/Text';

const MARGIN = 8;
/** px that it is drawn wide at most, and high. */
const WIDEST = 640;
const HIGHEST = 360;

export function BuiltOnPlan({ before }: { before: Job | null }) {
  const { job, plan, units } = useJob();
  const { ink, water, soft, fix, ground } = usePalette();
  const built = useMemo(() => builtOnPlan(job, plan, before), [job, plan, before]);
  if (!built) return null;
  const { sketch, marks } = built;
  const [wide, high] = [sketch.width + 2 * MARGIN, sketch.height + 2 * MARGIN];
  const off = marks.filter(({ number }) => number !== null);
  const words = (mark: BuiltMark): string =>
    `${text(showSmall(Math.abs(mark.off), units))} ${mark.off > 0 ? 'high' : 'low'}: ${alongWords(job, mark, text(showLength(mark.along, units)))}`;
  const round = { strokeLinecap: 'round', strokeLinejoin: 'round', fill: 'none' } as const;
  return (
    <View style={{ gap: SPACE.s }} testID="built-on-plan">
      <View
        style={{ width: '100%', maxWidth: Math.min(WIDEST, (HIGHEST * wide) / high), aspectRatio: wide / high }}
        role="img"
        aria-label={`${marks.length} readings on the plan, ${off.length} of them off`}
      >
        <Svg width="100%" height="100%" viewBox={`${-MARGIN} ${-MARGIN} ${wide} ${high}`}>
          <Path d={sketch.houses} {...round} stroke={soft} strokeWidth={0.5} />
          <Path d={sketch.ground} {...round} stroke={soft} strokeWidth={0.5} strokeDasharray="2 1.5" />
          <Path d={built.planned} {...round} stroke={ink} strokeWidth={0.5} strokeDasharray="1.5 1.2" />
          <Path d={sketch.pipes} {...round} stroke={water} strokeWidth={0.9} />
          {marks.map((mark) =>
            mark.number === null ? (
              <Circle key={`${mark.run} ${mark.along}`} cx={mark.x} cy={mark.y} r={1} fill={ink} />
            ) : (
              <G key={`${mark.run} ${mark.along}`}>
                <Circle cx={mark.x} cy={mark.y} r={3} fill={ground} stroke={fix} strokeWidth={0.8} />
                <SvgText
                  x={mark.x}
                  y={mark.y + 1.4}
                  fontSize={4}
                  fontFamily={FONTS.bold}
                  fill={ink}
                  textAnchor="middle"
                >
                  {mark.number}
                </SvgText>
              </G>
            ),
          )}
        </Svg>
      </View>
      {off.map((mark) => (
        <Text key={mark.number}>
          {mark.number}. {words(mark)}.
        </Text>
      ))}
      {before && <Text kind="small">Dashed: as it was planned.</Text>}
      {marks.length > 0 && off.length === 0 && <Text kind="small">Every dot is a reading that lies as planned.</Text>}
    </View>
  );
}

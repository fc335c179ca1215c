/** Words on the plan where there is room for them, with leaders where they stand apart; the letters of services, and the scale bar. */
import { Circle, G, Path, Text as SvgText } from 'react-native-svg';
import { usePalette } from '../../theme/theme';
import { FONTS } from '../../theme/tokens';
import type { Drawn } from './drawn';
import { leaderOf, type Stand } from '@katabasis/core/lettering';
import type { PlanLettering } from './planWords';
import type { Lettering } from './telling';
import { ScaleBar } from './ScaleBar';

const leaderPath = (size: { width: number; height: number }, stand: Stand): string => {
  const [from, to] = leaderOf(size, stand);
  return `M${from.x} ${from.y}L${to.x} ${to.y}`;
};

interface Props extends Lettering {
  plan: PlanLettering;
  view: Drawn['view'];
  empty: boolean;
}

export function PlanWords({ plan: { written, letters, bar }, view, empty, size, lineHeight }: Props) {
  const palette = usePalette();
  const colourOf = (id: string): string =>
    id.startsWith('pond') ? palette.water : id.startsWith('contour') ? palette.soft : palette.ink;
  return (
    <>
      {letters.map(({ id, x, y, letter, paint }) => (
        <G key={`letter ${id}`}>
          <Circle cx={x} cy={y} r={10} fill={palette.ground} stroke={paint} strokeWidth={2} />
          <SvgText
            x={x}
            y={y + 4.5}
            textAnchor="middle"
            fontFamily={FONTS.bold}
            fontSize={letter.length > 1 ? 10 : 12}
            fill={paint}
          >
            {letter}
          </SvgText>
        </G>
      ))}
      {written.map(({ id, lines, stand, width }) => {
        const { x, y, turn, leader } = stand;
        const top = y - (lineHeight * lines.length) / 2;
        return (
          <G
            key={id}
            {...(turn === 0 ? {} : { transform: `rotate(${((turn * 180) / Math.PI).toFixed(2)} ${x} ${y})` })}
          >
            {leader && (
              <Path
                d={leaderPath({ width, height: lineHeight * lines.length }, stand)}
                stroke={palette.ink}
                strokeWidth={1}
                fill="none"
              />
            )}
            {lines.map(({ words, strong }, k) => (
              <SvgText
                key={k}
                x={x - width / 2}
                y={top + lineHeight * k + size}
                fontFamily={strong ? FONTS.bold : FONTS.figures}
                fontSize={size}
                fill={colourOf(id)}
                stroke={palette.ground}
                strokeWidth={3}
                {...({ paintOrder: 'stroke' } as object)}
              >
                {words}
              </SvgText>
            ))}
          </G>
        );
      })}
      {!empty && <ScaleBar view={view} px={bar.metres * view.scale} words={bar.words} palette={palette} size={size} />}
    </>
  );
}

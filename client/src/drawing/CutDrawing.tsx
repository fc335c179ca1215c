/** Ground along a section, with what it meets; the level under the finger is read out. */
import { nameOf, showLength, showLevel, straightOn, text, type Cut } from '@katabasis/core';
import { useEffect, useState } from 'react';
import { View, type LayoutChangeEvent } from 'react-native';
import Svg, { Circle, G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { useJob } from '../planning/useJob';
import { widthOf } from '../theme/measure';
import { usePalette, useTextScale } from '../theme/theme';
import { FONTS } from '../theme/tokens';
import { Text } from '../ui/Text';
import { LevelGrid, ruledLevels } from './LevelGrid';
import { placeLabels } from './labels';

const RIGHT = 14;
/** Rows of names over the drawing. */
const NAME_ROWS = 2;

type Station = NonNullable<Cut['ground'][number]>;

/** Stretches of ground that were levelled without a gap. */
function stretchesOf(ground: Cut['ground']): Station[][] {
  const stretches: Station[][] = [[]];
  for (const each of ground) {
    if (each) stretches.at(-1)!.push(each);
    else if (stretches.at(-1)!.length > 0) stretches.push([]);
  }
  return stretches.filter((stretch) => stretch.length > 1);
}

/** Level at a place along, straight between stations, m; null where nothing was levelled. */
function levelAt(stretches: readonly Station[][], at: number): number | null {
  const stretch = stretches.find((each) => each[0]!.along <= at && at <= each.at(-1)!.along);
  if (!stretch) return null;
  const [places, levels] = [stretch.map(({ along }) => along), stretch.map(({ level }) => level)];
  return straightOn(places, levels, at).value;
}

export function CutDrawing({ cut, onPoint }: { cut: Cut; onPoint: (along: number | null) => void }) {
  const { units } = useJob();
  const [width, setWidth] = useState(340);
  const [under, setUnder] = useState<number | null>(null);
  const { ink, soft, soil } = usePalette();
  const scale = useTextScale();
  const lettering = { family: FONTS.text, size: 13 * scale };
  const stretches = stretchesOf(cut.ground);
  const levels = stretches.flat().map(({ level }) => level);
  const [low, high] = [Math.min(...levels), Math.max(...levels)];
  const room = (high - low) * 0.1 + 0.05;
  const ticks = ruledLevels(low - room, high + room, 3, units);
  const left = Math.max(...ticks.map(({ words }) => widthOf(words, lettering)), 20) + 10;
  const names = cut.meets.length > 0;
  const top = names ? (NAME_ROWS * 18 + 8) * scale : 8;
  const height = top + 130 + 22 * scale;
  const floor = height - 22 * scale;
  const x = (along: number): number => left + (along / cut.length) * (width - left - RIGHT);
  const y = (level: number): number => top + ((high + room - level) / (high - low + 2 * room)) * (floor - top);
  const label = { fontFamily: FONTS.text, fontSize: lettering.size, fill: soft };
  const ends = [
    { at: 0, words: text(showLength(0, units)), anchor: 'start' as const },
    { at: cut.length, words: text(showLength(cut.length, units)), anchor: 'end' as const },
  ];
  const read = under === null ? null : levelAt(stretches, under);
  useEffect(() => onPoint(under), [under, onPoint]);
  useEffect(() => () => onPoint(null), [onPoint]);
  const follow = (event: { nativeEvent: { offsetX: number } }): void => {
    const along = ((event.nativeEvent.offsetX - left) / (width - left - RIGHT)) * cut.length;
    setUnder(Math.max(0, Math.min(cut.length, along)));
  };
  const pointer = { onPointerMove: follow, onPointerDown: follow, onPointerLeave: () => setUnder(null) };
  return (
    <View onLayout={(event: LayoutChangeEvent) => setWidth(event.nativeEvent.layout.width)}>
      <Text kind="small">
        {under === null
          ? 'Heights are stretched. Hold a finger on it to read a level.'
          : `At ${text(showLength(under, units))}: ${read === null ? 'nothing was levelled' : `ground ${text(showLevel(read, units))}`}`}
      </Text>
      <View {...(pointer as object)} style={{ touchAction: 'pan-y', cursor: 'crosshair' } as object} testID="cut">
        <Svg
          width={width}
          height={height}
          role="img"
          aria-label={`Ground along a section of ${text(showLength(cut.length, units))}`}
        >
          {stretches.map((stretch) => (
            <Path
              key={stretch[0]!.along}
              d={`${pathThrough(stretch, x, y)}L${x(stretch.at(-1)!.along)} ${floor}L${x(stretch[0]!.along)} ${floor}Z`}
              fill={soil}
            />
          ))}
          <LevelGrid levels={ticks} left={left} right={width - RIGHT} y={y} lettering={lettering} />
          <Met cut={cut} x={x} top={top - 4} floor={floor} width={width} />
          {stretches.map((stretch) => (
            <Path key={stretch[0]!.along} d={pathThrough(stretch, x, y)} stroke={ink} strokeWidth={2.4} fill="none" />
          ))}
          {ends.map(({ at, words, anchor }) => (
            <SvgText key={anchor} x={x(at)} y={height - 5} textAnchor={anchor} {...label}>
              {words}
            </SvgText>
          ))}
          {under !== null && <Finger x={x(under)} top={top} floor={floor} level={read === null ? null : y(read)} />}
        </Svg>
      </View>
    </View>
  );
}

const pathThrough = (stretch: readonly Station[], x: (along: number) => number, y: (level: number) => number): string =>
  stretch.map(({ along, level }, k) => `${k === 0 ? 'M' : 'L'}${x(along).toFixed(1)} ${y(level).toFixed(1)}`).join('');

interface MetProps {
  cut: Cut;
  /** Where a place along it is drawn, px. */
  x: (along: number) => number;
  /** The drawing under the names, px. */
  top: number;
  floor: number;
  width: number;
}

/** What the section meets, with its name over it where there is room. */
function Met({ cut, x, top, floor, width }: MetProps) {
  const { job } = useJob();
  const { ink, soft, line } = usePalette();
  const lettering = { family: FONTS.text, size: 13 * useTextScale() };
  const met = cut.meets.map(({ id, from, to }) => ({ id, from, to, words: nameOf(job, id) }));
  const placed = placeLabels(
    met.map(({ from, to, words }) => ({ x: x((from + to) / 2), width: widthOf(words, lettering) })),
    NAME_ROWS,
    0,
    width,
  );
  return (
    <>
      {met.map(({ id, from, to, words }, k) => (
        <G key={`${id} ${from}`}>
          {to > from && (
            <Rect x={x(from)} y={top} width={x(to) - x(from)} height={floor - top} fill={line} opacity={0.4} />
          )}
          <Line
            x1={x((from + to) / 2)}
            x2={x((from + to) / 2)}
            y1={top}
            y2={floor}
            stroke={soft}
            strokeWidth={1}
            strokeDasharray="1 4"
          />
          {placed[k] && (
            <SvgText
              x={placed[k].left}
              y={lettering.size * (1 + 1.4 * placed[k].row)}
              fontFamily={FONTS.text}
              fontSize={lettering.size}
              fill={ink}
            >
              {words}
            </SvgText>
          )}
        </G>
      ))}
    </>
  );
}

/** Where a finger is on it, and the ground there; null where none was levelled. */
function Finger({ x, top, floor, level }: { x: number; top: number; floor: number; level: number | null }) {
  const { ink } = usePalette();
  return (
    <G>
      <Line x1={x} x2={x} y1={top} y2={floor} stroke={ink} strokeWidth={1} strokeDasharray="3 3" />
      {level !== null && <Circle cx={x} cy={level} r={4} fill={ink} />}
    </G>
  );
}

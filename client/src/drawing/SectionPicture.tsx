/** A long section drawn: ground, cover limit, pipes, open beds and the water in them, with the levels under the finger read out. */
import {
  nameOf,
  sectionAt,
  showLength,
  showLevel,
  showSmall,
  text,
  type Section,
  type SectionPoint,
} from '@katabasis/core';
import { memo, useState } from 'react';
import { View, type LayoutChangeEvent } from 'react-native';
import Svg, { Circle, G, Line, Path, Text as SvgText } from 'react-native-svg';
import { useJob } from '../planning/useJob';
import { placeLabels } from './labels';
import { widthOf, type Lettering } from '../theme/measure';
import { usePalette, useTextScale } from '../theme/theme';
import { FONTS } from '../theme/tokens';
import { Text } from '../ui/Text';
import { LevelGrid, ruledLevels } from './LevelGrid';

const RIGHT = 14;
/** Rows of names over the drawing. */
const NAME_ROWS = 2;

interface Frame {
  x: (station: number) => number;
  y: (level: number) => number;
  /** Edges of the drawing within its names and levels, and all of its height, px. */
  left: number;
  top: number;
  floor: number;
  height: number;
  lettering: Lettering;
  width: number;
}

function frameOf(section: Section, width: number, scale: number): Frame {
  const room = (section.top - section.bottom) * 0.08 + 0.05;
  const span = section.top - section.bottom + 2 * room;
  const left = 54 * scale;
  const top = (NAME_ROWS * 18 + 6) * scale;
  const height = 190 + top + 24 * scale;
  const floor = height - 24 * scale;
  return {
    x: (station) => left + (station / section.length) * (width - left - RIGHT),
    y: (level) => top + ((section.top + room - level) / span) * (floor - top),
    left,
    top,
    floor,
    height,
    lettering: { family: FONTS.text, size: 13 * scale },
    width,
  };
}

const polyline = (points: SectionPoint[], frame: Frame, key: keyof SectionPoint): string =>
  points
    .map((point, k) => `${k === 0 ? 'M' : 'L'}${frame.x(point.station).toFixed(1)} ${frame.y(point[key]).toFixed(1)}`)
    .join('');

/** A closed band between two levels of one run. */
function band(
  a: SectionPoint,
  b: SectionPoint,
  frame: Frame,
  upper: keyof SectionPoint,
  lower: keyof SectionPoint,
): string {
  const at = (point: SectionPoint, key: keyof SectionPoint): string =>
    `${frame.x(point.station).toFixed(1)} ${frame.y(point[key]).toFixed(1)}`;
  return `M${at(a, upper)}L${at(b, upper)}L${at(b, lower)}L${at(a, lower)}Z`;
}

/** Any long section, its levels read out under the finger. */
export function SectionPicture({
  section,
  control,
  from,
  to,
}: {
  section: Section;
  control: number | null;
  /** What its two ends are called. */
  from: string;
  to: string;
}) {
  const { units } = useJob();
  const [width, setWidth] = useState(360);
  const [under, setUnder] = useState<number | null>(null);
  const scale = useTextScale();
  if (section.points.length === 0) return null;
  const frame = frameOf(section, width, scale);
  const along = width - frame.left - RIGHT;
  const read = under === null ? null : sectionAt(section, ((under - frame.left) / along) * section.length);
  const follow = (event: { nativeEvent: { offsetX: number } }): void => setUnder(event.nativeEvent.offsetX);
  const pointer = { onPointerMove: follow, onPointerDown: follow, onPointerLeave: () => setUnder(null) };
  return (
    <View onLayout={(event: LayoutChangeEvent) => setWidth(event.nativeEvent.layout.width)}>
      <Text kind="small" style={{ minHeight: 38 * scale }}>
        {read
          ? `At ${text(showLength(read.station, units))}: ground ${text(showLevel(read.ground, units))}, invert ${text(showLevel(read.invert, units))}, ${text(showSmall(read.ground - read.invert, units))} down, water ${text(showLevel(read.water, units))}`
          : `${from} to ${to}, ${text(showLength(section.length, units))}. Heights are stretched.`}
      </Text>
      <View
        {...(pointer as object)}
        style={{ touchAction: 'pan-y', cursor: 'crosshair' } as object}
        testID="long-section"
      >
        <Svg
          width={width}
          height={frame.height}
          role="img"
          aria-label={`Long section from ${from} over ${text(showLength(section.length, units))}`}
        >
          <Drawing section={section} frame={frame} />
          {control !== null && <Control level={control} frame={frame} section={section} />}
          {read && (
            <G>
              <Line
                x1={frame.x(read.station)}
                x2={frame.x(read.station)}
                y1={frame.top - 6}
                y2={frame.floor}
                stroke="currentColor"
                strokeWidth={1}
                strokeDasharray="3 3"
              />
              <Circle cx={frame.x(read.station)} cy={frame.y(read.invert)} r={4} fill="currentColor" />
            </G>
          )}
        </Svg>
      </View>
    </View>
  );
}

const Drawing = memo(function Drawing({ section, frame }: { section: Section; frame: Frame }) {
  const { job, units } = useJob();
  const { ink, soft, soil, water, ground, fix } = usePalette();
  const runs = section.pipes;
  const { left, top, floor, height, width, lettering } = frame;
  const label = { fontFamily: FONTS.text, fontSize: lettering.size, fill: soft };
  const along = (words: (landing: Section['landings'][number]) => string) =>
    section.landings.map((landing) => ({
      x: frame.x(landing.station),
      width: widthOf(words(landing), lettering),
      words: words(landing),
    }));
  const names = along(({ id }) => nameOf(job, id));
  const stations = along(({ station }) => text(showLength(station, units)));
  const nameAt = placeLabels(names, NAME_ROWS, 0, width);
  const stationAt = placeLabels(stations, 1, left - 20, width);
  return (
    <>
      <Path
        d={`${polyline(section.points, frame, 'ground')}L${frame.x(section.length)} ${floor}L${left} ${floor}Z`}
        fill={soil}
      />
      <LevelGrid
        levels={ruledLevels(section.bottom, section.top, 4, units)}
        left={left}
        right={width - RIGHT}
        y={frame.y}
        lettering={lettering}
      />
      {section.landings.map(({ id, station }, index) => (
        <G key={id}>
          <Line
            x1={frame.x(station)}
            x2={frame.x(station)}
            y1={top - 8}
            y2={floor}
            stroke={soft}
            strokeWidth={1}
            strokeDasharray="1 4"
          />
          {nameAt[index] && (
            <SvgText x={nameAt[index].left} y={lettering.size * (1 + 1.4 * nameAt[index].row)} {...label} fill={ink}>
              {names[index]!.words}
            </SvgText>
          )}
          {stationAt[index] && (
            <SvgText x={stationAt[index].left} y={height - 6} {...label}>
              {stations[index]!.words}
            </SvgText>
          )}
        </G>
      ))}
      {section.beds.map(([a, b]) => (
        <G key={a.station}>
          <Path d={band(a, b, frame, 'crown', 'invert')} fill={ground} />
          <Path d={band(a, b, frame, 'wet', 'invert')} fill={water} />
          <Path d={polyline([a, b], frame, 'invert')} stroke={ink} strokeWidth={1.6} fill="none" />
          <Path d={polyline([a, b], frame, 'water')} stroke={water} strokeWidth={2.5} fill="none" />
        </G>
      ))}
      {runs.map(([a, b], k) => (
        <G key={a.station}>
          <Path d={band(a, b, frame, 'crown', 'invert')} fill={ground} />
          <Path d={band(a, b, frame, 'wet', 'invert')} fill={water} />
          <Path d={polyline([a, b], frame, 'water')} stroke={water} strokeWidth={2.5} fill="none" />
          <Path d={band(a, b, frame, 'crown', 'invert')} fill="none" stroke={ink} strokeWidth={1.6} />
          <Path
            d={polyline(section.limits[k]!, frame, 'coverLimit')}
            stroke={fix}
            strokeWidth={1.5}
            strokeDasharray="6 4"
            fill="none"
          />
        </G>
      ))}
      <Path d={polyline(section.points, frame, 'ground')} stroke={ink} strokeWidth={2.4} fill="none" />
    </>
  );
});

/** The level that the line must end at or above. */
function Control({ level, frame, section }: { level: number; frame: Frame; section: Section }) {
  const { units } = useJob();
  const { stop } = usePalette();
  const x = frame.x(section.length);
  return (
    <>
      <Line x1={x - 60} x2={x + 10} y1={frame.y(level)} y2={frame.y(level)} stroke={stop} strokeWidth={2.5} />
      <SvgText
        x={x}
        // Clear of a pipe that ends a little under it.
        y={Math.min(frame.floor - 4, frame.y(level) + 8 + frame.lettering.size)}
        textAnchor="end"
        fontFamily={FONTS.bold}
        fontSize={frame.lettering.size}
        fill={stop}
      >{`not below ${text(showLevel(level, units))}`}</SvgText>
    </>
  );
}

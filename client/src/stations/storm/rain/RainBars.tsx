/** The rain of a storm as bars, which a thumb runs along: the time that the picture shows. */
import { showClock } from '@katabasis/core';
import { useState, type KeyboardEvent } from 'react';
import { View, type LayoutChangeEvent } from 'react-native';
import Svg, { Line, Rect } from 'react-native-svg';
import { usePalette } from '../../../theme/theme';
import { SPACE } from '../../../theme/tokens';
import { Text } from '../../../ui/Text';
import { useDrag } from '../../../ui/useDrag';

const HEIGHT = 72;

interface Props {
  /** Rain of each picture, and its time, s. */
  rains: readonly number[];
  times: readonly number[];
  /** How long the storm goes on, s. */
  length: number;
  at: number;
  onAt: (at: number) => void;
}

export function RainBars({ rains, times, length, at, onAt }: Props) {
  const [width, setWidth] = useState(320);
  const { water, ink, line, bank } = usePalette();
  const most = Math.max(...rains, 1e-9);
  const x = (time: number): number => (time / length) * width;
  const nearest = (px: number): number => {
    const time = (Math.min(width, Math.max(0, px)) / width) * length;
    return times.reduce((best, each, k) => (Math.abs(each - time) < Math.abs(times[best]! - time) ? k : best), 0);
  };
  const { handlers } = useDrag({
    grip: () => ({ from: x(times[at] ?? 0) }),
    onMove: ({ from }, dx) => onAt(nearest(from + dx)),
    onDrop: () => undefined,
  });
  const byKey = (event: KeyboardEvent): void => {
    const by = { ArrowRight: 1, ArrowLeft: -1, PageUp: 10, PageDown: -10, Home: -1e6, End: 1e6 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    onAt(Math.min(times.length - 1, Math.max(0, at + by)));
  };
  const bar = width / Math.max(1, times.length);
  return (
    <View style={{ gap: SPACE.xs }}>
      <View
        {...(handlers as object)}
        {...({
          onKeyDown: byKey,
          onClick: (event: MouseEvent) =>
            onAt(nearest(event.clientX - (event.currentTarget as Element).getBoundingClientRect().left)),
        } as object)}
        tabIndex={0}
        role="slider"
        aria-label="Time in the storm"
        aria-valuenow={Math.round((times[at] ?? 0) / 60)}
        aria-valuemin={0}
        aria-valuemax={Math.round(length / 60)}
        aria-valuetext={showClock(times[at] ?? 0)}
        onLayout={(event: LayoutChangeEvent) => setWidth(event.nativeEvent.layout.width)}
        style={{ height: HEIGHT, ...({ touchAction: 'pan-y', cursor: 'ew-resize' } as object) }}
        testID="storm-scrubber"
      >
        <Svg width={width} height={HEIGHT} aria-hidden>
          <Rect x={0} y={0} width={width} height={HEIGHT} fill={bank} />
          <Line x1={0} x2={width} y1={HEIGHT - 1} y2={HEIGHT - 1} stroke={line} strokeWidth={2} />
          {rains.map((rain, k) => {
            const height = (rain / most) * (HEIGHT - 12);
            return rain <= 0 ? null : (
              <Rect
                key={k}
                x={x(times[k]!)}
                y={HEIGHT - height}
                width={Math.max(1, bar - 1)}
                height={height}
                fill={water}
              />
            );
          })}
          <Line x1={x(times[at] ?? 0)} x2={x(times[at] ?? 0)} y1={0} y2={HEIGHT} stroke={ink} strokeWidth={4} />
        </Svg>
      </View>
      <View style={{ flexDirection: 'row', justifyContent: 'space-between' }}>
        <Text kind="small">0:00</Text>
        <Text kind="strong" testID="storm-time">
          {showClock(times[at] ?? 0)}
        </Text>
        <Text kind="small">{showClock(length)}</Text>
      </View>
    </View>
  );
}

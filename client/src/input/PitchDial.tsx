/** The pitch dial: a strip of pitches drawn under a fixed mark; drag it sideways, or step it, and the line re-pitches at once. */
import { showPitchTrade, text, type UnitSystem } from '@katabasis/core';
import Minus from 'lucide-react-native/icons/minus';
import Plus from 'lucide-react-native/icons/plus';
import { useState, type KeyboardEvent } from 'react';
import { View, type LayoutChangeEvent } from 'react-native';
import Svg, { Line, Polygon, Text as SvgText } from 'react-native-svg';
import { usePalette } from '../theme/theme';
import { FONTS } from '../theme/tokens';
import { Button } from '../ui/Button';
import { useDrag } from '../ui/useDrag';

const PX_PER_PERCENT = 90;
const STEP = 0.0005;
const MOST = 0.2;
const HEIGHT = 56;

interface Props {
  pitch: number;
  least: number;
  units: UnitSystem;
  onPreview: (pitch: number) => void;
  onCommit: (pitch: number) => void;
}

/** The nearest pitch that the dial can be set to, m/m. */
const nearest = (pitch: number): number => Math.min(MOST, Math.max(STEP, Math.round(pitch / STEP) * STEP));

export function PitchDial({ pitch, least, units, onPreview, onCommit }: Props) {
  const [width, setWidth] = useState(240);
  const [turning, setTurning] = useState<number | null>(null);
  const shown = turning ?? pitch;
  const { handlers } = useDrag({
    grip: () => ({ from: shown, now: shown }),
    onMove: (taken, dx) => {
      const next = nearest(taken.from - dx / PX_PER_PERCENT / 100);
      if (next === taken.now) return;
      taken.now = next;
      setTurning(next);
      onPreview(next);
    },
    onDrop: ({ from, now }) => {
      setTurning(null);
      if (now !== from) onCommit(now);
    },
  });
  const byKey = (event: KeyboardEvent): void => {
    const by = { ArrowRight: STEP, ArrowUp: STEP, ArrowLeft: -STEP, ArrowDown: -STEP }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    const next = nearest(pitch + by);
    if (next !== pitch) onCommit(next);
  };
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
      <Button
        label="Flatter"
        icon={Minus}
        iconOnly
        onPress={() => onCommit(nearest(Math.ceil(pitch / 0.001 - 1 - 1e-6) * 0.001))}
      />
      <View
        {...(handlers as object)}
        {...({ onKeyDown: byKey } as object)}
        tabIndex={0}
        testID="pitch-dial"
        onLayout={(event: LayoutChangeEvent) => setWidth(event.nativeEvent.layout.width)}
        role="slider"
        aria-label="Pitch"
        aria-valuenow={Math.round(shown * 1e4) / 100}
        aria-valuemin={0.05}
        aria-valuemax={20}
        aria-valuetext={`${(shown * 100).toFixed(2)}%, ${text(showPitchTrade(shown, units))}`}
        style={
          {
            flex: 1,
            height: HEIGHT,
            overflow: 'hidden',
            touchAction: 'pan-y',
            cursor: 'ew-resize',
            userSelect: 'none',
          } as object
        }
      >
        <Strip pitch={shown} least={least} width={width} />
      </View>
      <Button
        label="Steeper"
        icon={Plus}
        iconOnly
        onPress={() => onCommit(nearest(Math.floor(pitch / 0.001 + 1 + 1e-6) * 0.001))}
      />
    </View>
  );
}

function Strip({ pitch, least, width }: { pitch: number; least: number; width: number }) {
  const { ink, soft, stop, ground } = usePalette();
  const x = (at: number): number => width / 2 + (at - pitch) * 100 * PX_PER_PERCENT;
  const first = Math.max(0, Math.floor((pitch * 100 - width / 2 / PX_PER_PERCENT) * 10));
  const count = Math.ceil((width / PX_PER_PERCENT) * 10) + 1;
  const ticks = Array.from({ length: count }, (_, k) => first + k);
  return (
    <Svg width={width} height={HEIGHT} aria-hidden>
      {pitch * 100 < width / PX_PER_PERCENT / 2 + least * 100 && (
        <Line x1={0} x2={Math.max(0, x(least))} y1={38} y2={38} stroke={stop} strokeWidth={5} />
      )}
      {ticks.map((tenth) => (
        <Line
          key={tenth}
          x1={x(tenth / 1000)}
          x2={x(tenth / 1000)}
          y1={tenth % 5 === 0 ? 22 : 30}
          y2={38}
          stroke={ink}
          strokeWidth={tenth % 10 === 0 ? 2.5 : 1.2}
        />
      ))}
      {ticks
        .filter((tenth) => tenth % 5 === 0 && x(tenth / 1000) > 18 && x(tenth / 1000) < width - 18)
        .map((tenth) => (
          <SvgText
            key={tenth}
            x={x(tenth / 1000)}
            y={52}
            fontSize={13}
            fontFamily={FONTS.figures}
            fill={soft}
            textAnchor="middle"
          >{`${tenth / 10}%`}</SvgText>
        ))}
      <Polygon points={`${width / 2 - 8},2 ${width / 2 + 8},2 ${width / 2},18`} fill={ink} />
      <Line x1={width / 2} x2={width / 2} y1={16} y2={40} stroke={ink} strokeWidth={3} />
      <Line x1={width / 2} x2={width / 2} y1={18} y2={39} stroke={ground} strokeWidth={0.8} />
    </Svg>
  );
}

/** What lies over the plan while something is drawn or moved: its places so far, its lengths, the corners to take hold of, the magnifier. */
import type { Place } from '@katabasis/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import Svg, { Circle, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { usePalette, useStyles, useTextScale } from '../../theme/theme';
import { FONTS, type Palette } from '../../theme/tokens';
import { pathOf } from './pens';
import type { Snapped } from './snap';
import { spotOf, type Spot, type Viewport } from './viewport';
import type { Drawn } from './drawn';
import { YardDrawing } from './YardDrawing';

const make = (palette: Palette) => ({
  over: { position: 'absolute' as const, left: 0, top: 0, ...({ pointerEvents: 'none' } as object) },
  loupe: {
    position: 'absolute' as const,
    width: 132,
    height: 132,
    borderRadius: 66,
    overflow: 'hidden' as const,
    borderWidth: 3,
    borderColor: palette.ink,
    backgroundColor: palette.ground,
    ...({ pointerEvents: 'none' } as object),
  },
});

const LOUPE = 132;

/** What is being drawn, and not in the job yet. */
export interface Draft {
  places: readonly Place[];
  closed: boolean;
  /** A place of it that is pointed at. */
  mark?: Place | null;
  /** Length of a stretch, in words. */
  wordsOf?: (from: Place, to: Place) => string;
}

/** A finger that puts something down: where it is, and what it is drawn to. */
export interface Aim {
  spot: Spot;
  snapped: Snapped;
}

/** What is being drawn, and the corners of what is chosen. */
export function OverPlan({
  view,
  draft,
  handles,
  grip,
}: {
  view: Viewport;
  draft: Draft | null;
  handles: readonly Place[];
  grip: Place | null;
}) {
  const styles = useStyles(make);
  const { ink, ground, water } = usePalette();
  const scale = useTextScale();
  const spots = (draft?.places ?? []).map((place) => spotOf(view, place));
  const lengths = useMemo(() => {
    if (!draft?.wordsOf) return [];
    return draft.places.slice(1).map((place, k) => draft.wordsOf!(draft.places[k]!, place));
  }, [draft]);
  if (spots.length === 0 && handles.length === 0 && !grip) return null;
  return (
    <View style={styles.over}>
      <Svg width={view.width} height={view.height}>
        {spots.length > 1 && (
          <Path
            d={pathOf(spots, draft!.closed && spots.length > 2)}
            stroke={ink}
            strokeWidth={3}
            fill={draft!.closed ? `${water}22` : 'none'}
            strokeDasharray="8 5"
          />
        )}
        {spots.map(({ x, y }, k) => (
          <Circle key={k} cx={x} cy={y} r={6} fill={ground} stroke={ink} strokeWidth={2.5} />
        ))}
        {draft?.mark && <Circle cx={spotOf(view, draft.mark).x} cy={spotOf(view, draft.mark).y} r={8} fill={ink} />}
        {lengths.map((words, k) => {
          const [a, b] = [spots[k]!, spots[k + 1]!];
          if (Math.hypot(b.x - a.x, b.y - a.y) < 40) return null;
          return (
            <SvgText
              key={k}
              x={(a.x + b.x) / 2}
              y={(a.y + b.y) / 2 - 6}
              textAnchor="middle"
              fontFamily={FONTS.figures}
              fontSize={14 * scale}
              fill={ink}
              stroke={ground}
              strokeWidth={3}
              {...({ paintOrder: 'stroke' } as object)}
            >
              {words}
            </SvgText>
          );
        })}
        {grip && <Grip {...spotOf(view, grip)} />}
        {handles.map((place, k) => {
          const { x, y } = spotOf(view, place);
          return <Circle key={k} cx={x} cy={y} r={11} fill={ground} stroke={ink} strokeWidth={3} opacity={0.92} />;
        })}
      </Svg>
    </View>
  );
}

/** Half a side of the grip, px, and its arrows to all four sides. */
const HALF = 13;
const ARROWS = 'M-8 0H8M0 -8V8M-8 0l3 -3M-8 0l3 3M8 0l-3 -3M8 0l-3 3M0 -8l-3 3M0 -8l3 3M0 8l-3 -3M0 8l3 -3';

/** What a finger takes hold of to move all of a thing. */
function Grip({ x, y }: Spot) {
  const { ink, ground } = usePalette();
  return (
    <>
      <Rect
        x={x - HALF}
        y={y - HALF}
        width={2 * HALF}
        height={2 * HALF}
        fill={ground}
        stroke={ink}
        strokeWidth={2.5}
        opacity={0.92}
        testID="grip"
      />
      <Path d={ARROWS} transform={`translate(${x} ${y})`} stroke={ink} strokeWidth={1.8} fill="none" />
    </>
  );
}

/** What lies under the finger, three times as large, beside it. */
export function Loupe({
  view,
  aim: { spot, snapped },
  draft,
  ink,
  ...drawn
}: Omit<Drawn, 'view'> & { view: Viewport; aim: Aim; draft: Draft | null; ink: string }) {
  const styles = useStyles(make);
  const { ground } = usePalette();
  const inside: Viewport = { ...view, width: LOUPE, height: LOUPE, centre: snapped.place, scale: view.scale * 3 };
  const left = Math.max(4, Math.min(view.width - LOUPE - 4, spot.x - LOUPE / 2));
  const top = spot.y > LOUPE + 60 ? spot.y - LOUPE - 48 : spot.y + 56;
  const before = (draft?.places ?? []).map((place) => spotOf(inside, place));
  const m = LOUPE / 2;
  return (
    <View style={[styles.loupe, { left, top }]} aria-hidden testID="loupe">
      <YardDrawing {...drawn} view={inside} bare />
      <View style={styles.over}>
        <Svg width={LOUPE} height={LOUPE}>
          {before.length > 0 && (
            <Path
              d={pathOf([...before, { x: m, y: m }], false)}
              stroke={ink}
              strokeWidth={2.5}
              fill="none"
              strokeDasharray="6 4"
            />
          )}
          <Line x1={m} x2={m} y1={m - 22} y2={m + 22} stroke={ink} strokeWidth={1.5} />
          <Line x1={m - 22} x2={m + 22} y1={m} y2={m} stroke={ink} strokeWidth={1.5} />
          <Circle
            cx={m}
            cy={m}
            r={snapped.to === null ? 5 : 9}
            stroke={ink}
            strokeWidth={2.5}
            fill={ground}
            fillOpacity={0.4}
          />
          {snapped.to !== null && (
            <SvgText
              x={m}
              y={LOUPE - 18}
              textAnchor="middle"
              fontFamily={FONTS.bold}
              fontSize={14}
              fill={ink}
              stroke={ground}
              strokeWidth={4}
              {...({ paintOrder: 'stroke' } as object)}
            >
              {snapped.to}
            </SvgText>
          )}
        </Svg>
      </View>
    </View>
  );
}

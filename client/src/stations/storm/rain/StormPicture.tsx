/** The plan in the rain at one time: water over the ground by its depth, pipes by how full they run, inlets that stand under water. */
import { drawingOf, showSmall, text, type Drawing, type Place, type Stroke } from '@katabasis/core';
import type { StormFrame, StormTold } from '@katabasis/core/simulation';
import { useMemo } from 'react';
import { View } from 'react-native';
import Svg, { Circle, G, Path } from 'react-native-svg';
import { useJob } from '../../../planning/useJob';
import { usePalette } from '../../../theme/theme';
import { SPACE, type Palette } from '../../../theme/tokens';
import { Text } from '../../../ui/Text';
import { bandPaths, BANDS } from './bands';

/** Units of the picture: its longer side, and room for marks at its edge. */
const SIDE = 600;
const EDGE = 14;
const MARK = 8;
/** What a thumb meets, of a picture some 350 px wide. */
const THUMB = 34;
/** Water over an inlet from which it is marked, m, and how full a pipe is that runs under pressure. */
const STANDS = 0.01;
const FULL = 1;
const GROUND = new Set<Stroke['layer']>(['buildings', 'surfaces', 'works', 'barriers']);

export interface Seen {
  frame: StormFrame;
  grid: StormTold['grid'];
  landings: readonly string[];
  runs: readonly string[];
  /** A finger on an inlet or a way out. */
  onTap: (id: string) => void;
}

const opacities = [0.35, 0.6, 0.85, 1];
const tint = ({ shallow, water }: Palette, band: number): { fill: string; opacity: number } => ({
  fill: band < 2 ? shallow : water,
  opacity: opacities[band]!,
});

export function StormPicture({ frame, grid, landings, runs, onTap }: Seen) {
  const { job, plan } = useJob();
  const drawing = useMemo(() => drawingOf(job, plan, false), [job, plan]);
  const { extent } = drawing;
  if (!extent) return null;
  return (
    <View style={{ gap: SPACE.s }}>
      <Picture {...{ drawing, extent, frame, grid, landings, runs, onTap }} />
      {frame.ground && <Legend />}
    </View>
  );
}

function Picture({
  drawing,
  extent,
  frame,
  grid,
  landings,
  runs,
  onTap,
}: Seen & { drawing: Drawing; extent: NonNullable<Drawing['extent']> }) {
  const palette = usePalette();
  const { line, bank, ink, ground, water, soft, stop } = palette;
  const [across, up] = [extent.east - extent.west, extent.north - extent.south];
  const scale = SIDE / Math.max(across, up, 1);
  const x = (east: number): number => EDGE + (east - extent.west) * scale;
  const y = (north: number): number => EDGE + (extent.north - north) * scale;
  const path = (places: readonly Place[], closed: boolean): string =>
    places.map(({ east, north }, k) => `${k === 0 ? 'M' : 'L'}${x(east).toFixed(1)} ${y(north).toFixed(1)}`).join('') +
    (closed ? 'Z' : '');
  const [width, height] = [across * scale + 2 * EDGE, up * scale + 2 * EDGE];
  const bands = frame.ground && grid ? bandPaths(frame.ground, grid, { x, y }) : [];
  const fullness = new Map(runs.map((id, k) => [id, frame.fullness[k]!]));
  const depths = new Map(landings.map((id, k) => [id, frame.depths[k]!]));
  const lines = (layer: Stroke['layer']) =>
    drawing.strokes.flatMap((stroke) => (stroke.shape === 'mark' || stroke.layer !== layer ? [] : [stroke]));
  return (
    <Svg
      viewBox={`0 0 ${width} ${height}`}
      width="100%"
      style={{ aspectRatio: width / height }}
      aria-hidden
      testID="storm-picture"
    >
      {drawing.strokes.map((stroke, k) =>
        stroke.shape === 'mark' || !GROUND.has(stroke.layer) ? null : (
          <Path
            key={k}
            d={path(stroke.places, stroke.shape === 'outline')}
            fill={stroke.shape === 'outline' && stroke.layer === 'surfaces' ? bank : 'none'}
            stroke={line}
            strokeWidth={2}
          />
        ),
      )}
      {bands.map((d, band) => (d === '' ? null : <Path key={band} d={d} {...tint(palette, band)} />))}
      {lines('buildings').map((stroke, k) => (
        <Path key={k} d={path(stroke.places, stroke.shape === 'outline')} fill={ground} stroke={ink} strokeWidth={3} />
      ))}
      {lines('pipes').map((stroke, k) => {
        const full = fullness.get(stroke.element?.id ?? '') ?? 0;
        return <PipeOnPlan key={k} d={path(stroke.places, false)} full={full} colours={{ ink, water, ground, stop }} />;
      })}
      {drawing.strokes.map((stroke, k) => {
        if (stroke.shape !== 'mark' || (stroke.layer !== 'inlets' && stroke.layer !== 'discharges')) return null;
        const depth = depths.get(stroke.element?.id ?? '') ?? 0;
        const { id } = stroke.element ?? { id: '' };
        const at = { cx: x(stroke.at.east), cy: y(stroke.at.north) };
        const isUnder = depth >= STANDS;
        return (
          <G key={k} onPress={() => onTap(id)}>
            {/* As wide as a thumb, and not seen. */}
            <Circle {...at} r={THUMB} fill={ground} fillOpacity={0} />
            <Circle
              {...at}
              r={isUnder ? 1.5 * MARK : MARK}
              fill={isUnder ? water : ground}
              stroke={isUnder ? water : soft}
              strokeWidth={3}
            />
          </G>
        );
      })}
    </Svg>
  );
}

/** A pipe: its wall, and its water as wide as it is full; with a dashed wall under pressure, so that colour is not alone in saying it. */
function PipeOnPlan({
  d,
  full,
  colours,
}: {
  d: string;
  full: number;
  colours: Pick<Palette, 'ink' | 'water' | 'ground' | 'stop'>;
}) {
  const pressed = full > FULL;
  const share = Math.min(1, full);
  return (
    <>
      <Path
        d={d}
        fill="none"
        stroke={pressed ? colours.stop : colours.ink}
        strokeWidth={9}
        strokeLinecap="round"
        strokeDasharray={pressed ? '14 6' : undefined}
      />
      <Path d={d} fill="none" stroke={colours.ground} strokeWidth={6} strokeLinecap="round" />
      {share > 0.02 && (
        <Path d={d} fill="none" stroke={colours.water} strokeWidth={Math.max(1.5, 6 * share)} strokeLinecap="round" />
      )}
    </>
  );
}

function Legend() {
  const palette = usePalette();
  const { units } = useJob();
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m, alignItems: 'center' }}>
      <Text kind="small">Water from</Text>
      {BANDS.map((from, band) => {
        const { fill, opacity } = tint(palette, band);
        return (
          <View key={from} style={{ flexDirection: 'row', gap: SPACE.xs, alignItems: 'center' }}>
            <View
              style={{
                width: 18,
                height: 14,
                backgroundColor: fill,
                opacity,
                borderWidth: 1,
                borderColor: palette.line,
              }}
            />
            <Text kind="small">{text(showSmall(from / 1000, units))}</Text>
          </View>
        );
      })}
    </View>
  );
}

/** The plan in the rain at one time: water over the ground by its depth, pipes by how full they run, inlets that stand under water. */
import { drawingOf, showSmall, text, type Job, type Plan } from '@katabasis/core';
import type { StormFrame, StormSeen } from '@katabasis/core/simulation';
import { memo, useMemo } from 'react';
import { View } from 'react-native';
import Svg, { Circle, G, Path } from 'react-native-svg';
import { useJob } from '../../../planning/useJob';
import { usePalette } from '../../../theme/theme';
import { SPACE, type Palette } from '../../../theme/tokens';
import { Text } from '../../../ui/Text';
import { Over, sheetOf, Under, type Drawn, type Sheet } from '../../../drawing/siteSheet';
import { bandPaths, BANDS } from './bands';

const MARK = 8;
/** What a thumb meets, of a picture some 350 px wide. */
const THUMB = 34;
/** Water over an inlet from which it is marked, m, and how full a pipe is that runs under pressure. */
const STANDS = 0.01;
const FULL = 1;
/** An arrow's least and greatest length, and by how much it grows with what runs, per m²/s. */
const [SHORT, LONG] = [12, 34];
const GROWS = 4000;

interface Seen {
  job: Job;
  plan: Plan;
  frame: StormFrame;
  seen: StormSeen;
  /** Thing that is ringed, by id. */
  ringed?: string | null;
  /** A finger on an inlet, a way out or a pipe. */
  onTap?: (id: string) => void;
  testID?: string;
}

/** Steps of depth lie over one another: each adds its own tint. */
const tint = ({ shallow, water }: Palette, band: number): { fill: string; fillOpacity: number } =>
  [
    { fill: shallow, fillOpacity: 0.55 },
    { fill: shallow, fillOpacity: 0.9 },
    { fill: water, fillOpacity: 0.55 },
    { fill: water, fillOpacity: 0.9 },
  ][band]!;

export function StormPicture({ job, plan, frame, seen, ringed = null, onTap, testID = 'storm-picture' }: Seen) {
  const drawing = useMemo(() => drawingOf(job, plan, false), [job, plan]);
  const { extent } = drawing;
  const sheet = useMemo(() => extent && sheetOf(extent), [extent]);
  if (!sheet) return null;
  return (
    <View style={{ gap: SPACE.s }}>
      <Svg
        viewBox={`0 0 ${sheet.width} ${sheet.height}`}
        width="100%"
        style={{ aspectRatio: sheet.width / sheet.height }}
        aria-hidden
        testID={testID}
      >
        <Under drawing={drawing} sheet={sheet} />
        {frame.ground && seen.grid && <Water ground={frame.ground} grid={seen.grid} sheet={sheet} />}
        <Over drawing={drawing} sheet={sheet} />
        {frame.currents && seen.grid && <Currents currents={frame.currents} grid={seen.grid} sheet={sheet} />}
        <Pipes {...{ drawing, sheet, frame, seen, onTap }} />
        <Marks {...{ drawing, sheet, frame, seen, ringed, onTap }} />
      </Svg>
      {frame.ground && <Legend />}
    </View>
  );
}

type Grid = NonNullable<StormSeen['grid']>;

function Water({ ground, grid, sheet }: { ground: Uint8Array; grid: Grid; sheet: Sheet }) {
  const palette = usePalette();
  return bandPaths(ground, grid, sheet).map((d, band) =>
    d === '' ? null : <Path key={band} d={d} fillRule="evenodd" {...tint(palette, band)} />,
  );
}

function Currents({ currents, grid, sheet }: { currents: Float32Array; grid: Grid; sheet: Sheet }) {
  const { ink } = usePalette();
  const arrows: string[] = [];
  for (let k = 0; k < currents.length; k += 3) {
    const [at, east, north] = [currents[k]!, currents[k + 1]!, currents[k + 2]!];
    const size = Math.hypot(east, north);
    const long = Math.min(LONG, SHORT + GROWS * size);
    // North is up, and down in the picture's own units.
    const [dx, dy] = [(east / size) * long, (-north / size) * long];
    const x = sheet.x(grid.east + (at % grid.cols) * grid.cell) - dx / 2;
    const y = sheet.y(grid.north + Math.floor(at / grid.cols) * grid.cell) - dy / 2;
    const [tipX, tipY] = [x + dx, y + dy];
    const barb = (turn: number): string =>
      `M${tipX.toFixed(1)} ${tipY.toFixed(1)}l${(-0.35 * dx + turn * 0.25 * dy).toFixed(1)} ${(-0.35 * dy - turn * 0.25 * dx).toFixed(1)}`;
    arrows.push(`M${x.toFixed(1)} ${y.toFixed(1)}l${dx.toFixed(1)} ${dy.toFixed(1)}${barb(1)}${barb(-1)}`);
  }
  return <Path d={arrows.join('')} fill="none" stroke={ink} strokeWidth={2.5} strokeLinecap="round" />;
}

function Pipes({ drawing, sheet, frame, seen, onTap }: Drawn & Pick<Seen, 'frame' | 'seen' | 'onTap'>) {
  const { ground } = usePalette();
  const fullness = new Map(seen.runs.map((id, k) => [id, frame.fullness[k]!]));
  return drawing.strokes.map((stroke, k) => {
    if (stroke.shape === 'mark' || stroke.layer !== 'pipes') return null;
    const id = stroke.element?.id ?? '';
    const d = sheet.path(stroke.places, false);
    return (
      <G key={k} {...(onTap ? { onPress: () => onTap(id) } : {})}>
        {/* As wide as a thumb, and not seen. */}
        <Path d={d} fill="none" stroke={ground} strokeOpacity={0} strokeWidth={THUMB} />
        <PipeOnPlan d={d} full={fullness.get(id) ?? 0} />
      </G>
    );
  });
}

/** A pipe: its wall, and its water as wide as it is full; with a dashed wall under pressure, so that colour is not alone in saying it. */
const PipeOnPlan = memo(function PipeOnPlan({ d, full }: { d: string; full: number }) {
  const { ink, water, ground, stop } = usePalette();
  const pressed = full > FULL;
  const share = Math.min(1, full);
  return (
    <>
      <Path
        d={d}
        fill="none"
        stroke={pressed ? stop : ink}
        strokeWidth={9}
        strokeLinecap="round"
        strokeDasharray={pressed ? '14 6' : undefined}
      />
      <Path d={d} fill="none" stroke={ground} strokeWidth={6} strokeLinecap="round" />
      {share > 0.02 && (
        <Path d={d} fill="none" stroke={water} strokeWidth={Math.max(1.5, 6 * share)} strokeLinecap="round" />
      )}
    </>
  );
});

function Marks({
  drawing,
  sheet,
  frame,
  seen,
  ringed,
  onTap,
}: Drawn & Pick<Seen, 'frame' | 'seen' | 'onTap'> & { ringed: string | null }) {
  const { water, ground, soft, ink } = usePalette();
  const depths = new Map(seen.landings.map((id, k) => [id, frame.depths[k]!]));
  return drawing.strokes.map((stroke, k) => {
    const id = stroke.element?.id ?? '';
    if (stroke.shape !== 'mark') return null;
    const at = { cx: sheet.x(stroke.at.east), cy: sheet.y(stroke.at.north) };
    const ring = ringed === id && (
      <Circle {...at} r={3 * MARK} fill="none" stroke={ink} strokeWidth={4} strokeDasharray="8 5" />
    );
    if (stroke.layer !== 'inlets' && stroke.layer !== 'discharges') return ring ? <G key={k}>{ring}</G> : null;
    const isUnder = (depths.get(id) ?? 0) >= STANDS;
    return (
      <G key={k} {...(onTap ? { onPress: () => onTap(id) } : {})}>
        {/* As wide as a thumb, and not seen. */}
        <Circle {...at} r={THUMB} fill={ground} fillOpacity={0} />
        <Circle
          {...at}
          r={isUnder ? 1.5 * MARK : MARK}
          fill={isUnder ? water : ground}
          stroke={isUnder ? water : soft}
          strokeWidth={3}
        />
        {ring}
      </G>
    );
  });
}

const SWATCH = { position: 'absolute' as const, top: 0, left: 0, right: 0, bottom: 0 };

const Legend = memo(function Legend() {
  const palette = usePalette();
  const { units } = useJob();
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m, alignItems: 'center' }}>
      <Text kind="small">Water from</Text>
      {BANDS.map((from, band) => (
        <View key={from} style={{ flexDirection: 'row', gap: SPACE.xs, alignItems: 'center' }}>
          <View style={{ width: 18, height: 14, borderWidth: 1, borderColor: palette.line }}>
            {BANDS.slice(0, band + 1).map((each, k) => {
              const { fill, fillOpacity } = tint(palette, k);
              return <View key={each} style={{ ...SWATCH, backgroundColor: fill, opacity: fillOpacity }} />;
            })}
          </View>
          <Text kind="small">{text(showSmall(from / 1000, units))}</Text>
        </View>
      ))}
      <Text kind="small">Dashed pipe: under pressure</Text>
    </View>
  );
});

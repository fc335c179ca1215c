/** The descent: a job's lines read downward like water, landings true to level, each pipe in its width with what runs in it. */
import { heldInvert, holdInvert, nameOf, showFlow, showLength, showLevel, showNominal, showPitch, showSmall, text, MATERIAL_FACTS, METRES_PER_INCH, type RunPlan, type Snag } from '@katabasis/core';
import { useMemo, useRef, useState, type PointerEvent as ReactPointerEvent } from 'react';
import { Pressable, View } from 'react-native';
import Svg, { G, Line, Path } from 'react-native-svg';
import { useJob } from '../data/useJob';
import { usePalette, useStyles } from '../theme/theme';
import { type Palette } from '../theme/tokens';
import { Mark } from '../ui/Mark';
import { Text } from '../ui/Text';
import { Bubble } from './Bubble';
import { layOutDescent, type DescentLayout, type DescentRow } from './descentLayout';
import { Eye } from './Eye';
import { LandingGlyph } from './LandingGlyph';

const GUTTER = 76;
const LANE = 22;
const laneX = (lane: number): number => GUTTER + 14 + lane * LANE;

const make = (palette: Palette) => ({
  words: { position: 'absolute' as const, right: 0 },
  landing: { minHeight: 44, justifyContent: 'center' as const, flexDirection: 'row' as const, alignItems: 'center' as const, gap: 8 },
  run: { minHeight: 72, paddingVertical: 6, paddingHorizontal: 8, marginLeft: -8, justifyContent: 'center' as const, gap: 2, borderRadius: 4, borderWidth: 1.5, borderColor: 'transparent' },
  chosen: { backgroundColor: palette.bank, borderColor: palette.ink },
  beside: { flexDirection: 'row' as const, alignItems: 'center' as const, gap: 10 },
  line: { flexDirection: 'row' as const, alignItems: 'center' as const, gap: 8 },
  level: { position: 'absolute' as const, left: 0, width: GUTTER - 7, textAlign: 'right' as const },
  handle: { position: 'absolute' as const, width: 44, height: 44 },
});

interface Props {
  chosen: string | null;
  onChoose: (id: string) => void;
}

export function Descent({ chosen, onChoose }: Props) {
  const { job, plan, preview, edit, units } = useJob();
  const styles = useStyles(make);
  const [drag, setDrag] = useState<{ id: string; y: number; level: number; layout: DescentLayout } | null>(null);
  const fresh = useMemo(() => layOutDescent(plan), [plan]);
  // While a landing is dragged the others stand still; they settle when it is let go.
  const layout = drag?.layout ?? fresh;
  const worst = useMemo(() => worstSnags(plan.snags), [plan.snags]);
  const wordsLeft = laneX(layout.lanes - 1) + 24;
  const move = (row: DescentRow, dy: number): void => {
    const step = units === 'us' ? METRES_PER_INCH / 4 : 0.005;
    const level = Math.round((row.level - dy / layout.scale) / step) * step;
    setDrag({ id: row.id, y: row.y + dy, level, layout });
    preview(holdInvert(job, row.id, level));
  };
  const drop = (row: DescentRow, moved: boolean): void => {
    const level = drag?.level;
    setDrag(null);
    preview(null);
    if (!moved || level === undefined) return onChoose(row.id);
    const change = holdInvert(job, row.id, level);
    if (change) edit(change);
  };
  return (
    <View style={{ height: layout.height }} role="list" aria-label="The descent, highest first">
      <Pipes layout={layout} drag={drag} chosen={chosen} />
      {layout.rows.map((row) => {
        const y = drag?.id === row.id ? drag.y : row.y;
        const level = drag?.id === row.id ? drag.level : row.level;
        return (
          <View key={row.id} role="listitem" aria-label={nameOf(job, row.id)}>
            <Text kind="strong" numberOfLines={1} style={[styles.level, { top: y - 11 }]}>{text(showLevel(level, units))}</Text>
            <View style={[styles.words, { top: y - 22, left: wordsLeft }]}>
              <LandingWords id={row.id} worst={worst.get(row.id)} chosen={chosen === row.id} onChoose={onChoose} />
              {row.run !== null && <RunWords run={plan.runs[row.run]!} worst={worst.get(row.run)} chosen={chosen === row.run} onChoose={onChoose} />}
            </View>
            <Handle row={row} x={laneX(row.lane)} y={y} name={nameOf(job, row.id)} onMove={move} onDrop={drop} />
          </View>
        );
      })}
    </View>
  );
}

function worstSnags(snags: Snag[]): Map<string, Snag> {
  const worst = new Map<string, Snag>();
  for (const snag of snags) if (!worst.has(snag.at)) worst.set(snag.at, snag);
  return worst;
}

interface WordsProps {
  worst: Snag | undefined;
  chosen: boolean;
  onChoose: (id: string) => void;
}

function LandingWords({ id, worst, chosen, onChoose }: WordsProps & { id: string }) {
  const { job, plan, units } = useJob();
  const styles = useStyles(make);
  const landing = plan.landings[id]!;
  const held = heldInvert(job, id) !== undefined;
  const parts = [
    landing.kind === 'discharge' ? `out ${text(showFlow(landing.passing, units))}` : landing.entering > 0 ? `in ${text(showFlow(landing.entering, units))}` : null,
    `ground ${text(showLevel(landing.groundLevel, units))}`,
    held ? 'set by you' : null,
  ].filter((part) => part !== null);
  return (
    <Pressable role="button" aria-label={`${nameOf(job, id)}, ${parts.join(', ')}`} onPress={() => onChoose(id)} style={styles.landing} testID={`landing-${id}`}>
      <View style={{ flex: 1 }}>
        <Text kind="strong" numberOfLines={1} style={chosen ? { textDecorationLine: 'underline' } : null}>{nameOf(job, id)}</Text>
        <Text kind="small" numberOfLines={1}>{parts.join(' · ')}</Text>
      </View>
      {worst && <Mark kind={worst.severity} />}
    </Pressable>
  );
}

function RunWords({ run, worst, chosen, onChoose }: WordsProps & { run: RunPlan }) {
  const { plan, units, job } = useJob();
  const styles = useStyles(make);
  const size = text(showNominal(run.nominal, units));
  const said = `${nameOf(job, run.id)}: ${size} ${MATERIAL_FACTS[run.material].label}, ${text(showFlow(run.flow, units))}, pitch ${text(showPitch(run.pitch))}`;
  return (
    <Pressable role="button" aria-label={said} onPress={() => onChoose(run.id)} style={[styles.run, chosen && styles.chosen]} testID={`run-${run.id}`}>
      <View style={styles.beside}>
        <Eye depthRatio={run.depthRatio} overloaded={run.overloaded} size={46} />
        <View style={{ flex: 1, gap: 3 }}>
          <View style={styles.line}>
            <Text kind="figure" {...(run.overloaded ? { tone: 'fix' as const } : {})}>{showFlow(run.flow, units).value}<Text kind="unit"> {showFlow(run.flow, units).unit}</Text></Text>
            <Text kind="strong">{size}</Text>
            {worst && <Mark kind={worst.severity} />}
          </View>
          <View style={styles.line}>
            <Bubble pitch={run.pitch} linePitch={plan.settings.levelLinePitch} width={72} />
            <Text kind="figure" style={{ fontSize: 16 }} {...(run.pitch < run.leastPitch - 1e-6 ? { tone: 'stop' as const } : {})}>{text(showPitch(run.pitch))}</Text>
          </View>
        </View>
      </View>
      <Text kind="small">{MATERIAL_FACTS[run.material].short}, {text(showLength(run.length, units))}, drops {text(showSmall(run.drop, units))}, cover {text(showSmall(Math.min(run.coverUp, run.coverDown ?? run.coverUp), units))}</Text>
    </Pressable>
  );
}

interface HandleProps {
  row: DescentRow;
  x: number;
  y: number;
  name: string;
  onMove: (row: DescentRow, dy: number) => void;
  onDrop: (row: DescentRow, moved: boolean) => void;
}

/** px a finger may wander before a tap becomes a drag */
const SLACK = 5;

/** What a finger takes hold of: up and down sets the pipe's level at the landing. */
function Handle({ row, x, y, name, onMove, onDrop }: HandleProps) {
  const styles = useStyles(make);
  const grip = useRef<{ startY: number; row: DescentRow; moved: boolean } | null>(null);
  const handlers = {
    onPointerDown: (event: ReactPointerEvent) => {
      (event.currentTarget as Element & { setPointerCapture(id: number): void }).setPointerCapture(event.pointerId);
      grip.current = { startY: event.clientY, row, moved: false };
    },
    onPointerMove: (event: ReactPointerEvent) => {
      const held = grip.current;
      if (!held) return;
      const dy = event.clientY - held.startY;
      if (!held.moved && Math.abs(dy) < SLACK) return;
      held.moved = true;
      onMove(held.row, dy);
    },
    onPointerUp: () => {
      const held = grip.current;
      grip.current = null;
      if (held) onDrop(held.row, held.moved);
    },
    onPointerCancel: () => {
      const held = grip.current;
      grip.current = null;
      if (held?.moved) onDrop(held.row, true);
    },
  };
  return (
    <View
      {...(handlers as object)} testID={`handle-${row.id}`} aria-hidden
      style={[styles.handle, { left: x - 22, top: y - 22 }, { touchAction: 'none', cursor: 'ns-resize', userSelect: 'none' } as object]}
      aria-label={`Level at ${name}`}
    />
  );
}

/** Width of a pipe on the page, px: in step with its diameter, and never a hair. */
const pipeWidth = (diameter: number): number => Math.max(6, Math.min(22, diameter * 80));

function Pipes({ layout, drag, chosen }: { layout: DescentLayout; drag: { id: string; y: number } | null; chosen: string | null }) {
  const { job, plan } = useJob();
  const { ink, ground, water, line, stop } = usePalette();
  const at = (id: string): { x: number; y: number } => {
    const row = layout.rows[layout.rowOf.get(id)!]!;
    return { x: laneX(row.lane), y: drag?.id === id ? drag.y : row.y };
  };
  return (
    <Svg width={laneX(layout.lanes - 1) + 24} height={layout.height} style={{ position: 'absolute', left: 0, top: 0 }} aria-hidden>
      <Scale layout={layout} colour={line} />
      {Object.values(plan.runs).map((run) => {
        const width = pipeWidth(run.diameter);
        const d = pipePath(at(run.from), at(run.to));
        const wall = run.overloaded ? stop : ink;
        return (
          <G key={run.id}>
            <Path d={d} stroke={wall} strokeWidth={width + (chosen === run.id ? 6 : 3.5)} fill="none" strokeLinejoin="round" />
            <Path d={d} stroke={ground} strokeWidth={width} fill="none" strokeLinejoin="round" />
            {run.depthRatio > 0 && <Path d={d} stroke={water} strokeWidth={Math.max(1.5, width * run.depthRatio)} fill="none" strokeLinejoin="round" />}
          </G>
        );
      })}
      {layout.rows.map((row) => <LandingGlyph key={row.id} element={job.elements[row.id]} {...at(row.id)} selected={chosen === row.id} />)}
    </Svg>
  );
}

/** Down its own lane, then across at the last into the line it joins, as a wye does. */
function pipePath(from: { x: number; y: number }, to: { x: number; y: number }): string {
  if (from.x === to.x) return `M${from.x} ${from.y}V${to.y}`;
  const across = Math.abs(from.x - to.x);
  const turn = to.y - Math.min(across, Math.max(8, (to.y - from.y) * 0.8));
  return `M${from.x} ${from.y}V${turn}L${to.x} ${to.y}`;
}

/** The level scale: full where true, broken where words needed more room than the drop. */
function Scale({ layout, colour }: { layout: DescentLayout; colour: string }) {
  return (
    <>
      {layout.rows.slice(1).map((row, index) => (
        <Line key={row.id} x1={GUTTER - 2} x2={GUTTER - 2} y1={layout.rows[index]!.y + 3} y2={row.y - 3} stroke={colour} strokeWidth={row.stretched ? 1.5 : 3} {...(row.stretched ? { strokeDasharray: '2 6' } : {})} />
      ))}
      {layout.rows.map((row) => <Line key={row.id} x1={GUTTER - 5} x2={GUTTER + 1} y1={row.y} y2={row.y} stroke={colour} strokeWidth={2} />)}
    </>
  );
}


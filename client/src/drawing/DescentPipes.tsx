/** The pipes of the descent, each in its width with what runs in it, the landings on them, and the level scale. */
import { memo, useCallback } from 'react';
import Svg, { Defs, G, Line, Path, Use } from 'react-native-svg';
import { useJob, usePreviewOf, type OpenJob } from '../planning/useJob';
import { usePalette } from '../theme/theme';
import type { DescentLayout } from './descentLayout';
import { laneX, pipeWidth, SCALE_X, wordsLeft } from './descentMeasures';
import { LandingGlyph, type DrawGlyph } from './LandingGlyph';

export function DescentPipes({
  layout,
  drag,
  chosen,
  draw,
}: {
  layout: DescentLayout;
  drag: { id: string; y: number } | null;
  chosen: string | null;
  draw: DrawGlyph;
}) {
  const { job, plan } = useJob();
  const runs = Object.values(plan.runs).filter(({ from, to }) => layout.rowOf.has(from) && layout.rowOf.has(to));
  const at = (id: string): { x: number; y: number } => {
    const row = layout.rows[layout.rowOf.get(id)!]!;
    return { x: laneX(row.lane, layout.lanes), y: drag?.id === id ? drag.y : row.y };
  };
  return (
    <Svg width={wordsLeft(layout.lanes)} height={layout.height} style={PLACE} aria-hidden>
      <Scale layout={layout} />
      {runs.map((run) => (
        <Pipe
          key={run.id}
          run={run.id}
          lanes={layout.lanes}
          d={pipePath(at(run.from), at(run.to))}
          chosen={chosen === run.id}
        />
      ))}
      {layout.rows.map((row) => (
        <LandingGlyph
          key={row.id}
          draw={draw}
          element={job.elements.get(row.id)}
          {...at(row.id)}
          selected={chosen === row.id}
        />
      ))}
    </Svg>
  );
}

const PLACE = { position: 'absolute', left: 0, top: 0 } as const;

interface PipeProps {
  run: string;
  lanes: number;
  d: string;
  chosen: boolean;
}

/** The course of a pipe is drawn once and used for its wall, its bore and its water: while it moves, one thing changes. */
const Pipe = memo(function Pipe({ run, lanes, d, chosen }: PipeProps) {
  return (
    <>
      <Defs>
        <Path id={`pipe-${run}`} d={d} />
      </Defs>
      <Bore run={run} lanes={lanes} chosen={chosen} />
    </>
  );
});

function boreOf({ plan }: OpenJob, id: string, lanes: number): { width: number; wet: number; overloaded: boolean } {
  const run = plan.runs[id];
  const width = pipeWidth(run?.diameter ?? 0, lanes);
  return {
    width,
    wet: run && run.depthRatio > 0 ? Math.max(1.5, Math.round(width * run.depthRatio * 2) / 2) : 0,
    overloaded: run?.overloaded ?? false,
  };
}

const Bore = memo(function Bore({ run, lanes, chosen }: Omit<PipeProps, 'd'>) {
  const { ink, ground, water, stop } = usePalette();
  const { width, wet, overloaded } = usePreviewOf(
    useCallback((shown: OpenJob) => boreOf(shown, run, lanes), [run, lanes]),
  );
  const href = `#pipe-${run}`;
  return (
    <G fill="none" strokeLinejoin="round">
      <Use href={href} stroke={overloaded ? stop : ink} strokeWidth={width + (chosen ? 6 : 3.5)} />
      <Use href={href} stroke={ground} strokeWidth={width} />
      {wet > 0 && <Use href={href} stroke={water} strokeWidth={wet} />}
    </G>
  );
});

/** Down its own lane, then across at the last into the line it joins, as a wye does. */
function pipePath(from: { x: number; y: number }, to: { x: number; y: number }): string {
  if (from.x === to.x) return `M${from.x} ${from.y}V${to.y}`;
  const across = Math.abs(from.x - to.x);
  const turn = to.y - Math.min(across, Math.max(8, (to.y - from.y) * 0.8));
  return `M${from.x} ${from.y}V${turn}L${to.x} ${to.y}`;
}

/** The level scale: full where true, broken where words needed more room than the drop. */
const Scale = memo(function Scale({ layout }: { layout: DescentLayout }) {
  const { line } = usePalette();
  return (
    <>
      {layout.rows.slice(1).map((row, index) => (
        <Line
          key={row.id}
          x1={SCALE_X}
          x2={SCALE_X}
          y1={layout.rows[index]!.y + 3}
          y2={row.y - 3}
          stroke={line}
          strokeWidth={row.stretched ? 1.5 : 3}
          {...(row.stretched ? { strokeDasharray: '2 6' } : {})}
        />
      ))}
      {layout.rows.map((row) => (
        <Line key={row.id} x1={SCALE_X - 3} x2={SCALE_X + 3} y1={row.y} y2={row.y} stroke={line} strokeWidth={2} />
      ))}
    </>
  );
});

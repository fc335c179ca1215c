/** A proposal over its site: its lines as wide as their pipe, and another that it is held against, dashed. */
import { drawingOf, type Job, type Plan, type Stroke } from '@katabasis/core';
import { memo, useMemo } from 'react';
import Svg, { Circle, Path } from 'react-native-svg';
import { Over, sheetOf, Under, type Drawn } from '../../../drawing/siteSheet';
import type { ProposalTold } from '../../../planning/proposals.worker';
import { usePalette } from '../../../theme/theme';

/** Width of a line, by its size, m: a 4 in one is drawn 6 wide. */
const WIDE = 60;
const MARK = 6;
/** What a line goes round. */
const ROUND = new Set<Stroke['layer']>(['trees', 'services', 'discharges', 'inlets']);

interface Props {
  job: Job;
  plan: Plan;
  proposal: ProposalTold;
  beside: ProposalTold | null;
}

export function ProposalPicture({ job, plan, proposal, beside }: Props) {
  const drawing = useMemo(() => drawingOf(job, plan, false), [job, plan]);
  const sheet = useMemo(() => drawing.extent && sheetOf(drawing.extent), [drawing]);
  const { ink, water, soft, ground } = usePalette();
  if (!sheet) return null;
  const d = ({ way }: ProposalTold['lines'][number]): string => sheet.path(way, false);
  return (
    <Svg
      viewBox={`0 0 ${sheet.width} ${sheet.height}`}
      width="100%"
      style={{ aspectRatio: sheet.width / sheet.height }}
      aria-hidden
      testID="proposal-picture"
    >
      <Under drawing={drawing} sheet={sheet} />
      <InTheWay drawing={drawing} sheet={sheet} />
      {beside?.lines.map((line, k) => (
        <Path key={k} d={d(line)} fill="none" stroke={soft} strokeWidth={3} strokeDasharray="10 7" />
      ))}
      <Over drawing={drawing} sheet={sheet} />
      {proposal.lines.map((line, k) => (
        <Path
          key={k}
          d={d(line)}
          fill="none"
          stroke={line.isNew ? water : ink}
          strokeWidth={WIDE * line.nominal}
          strokeLinecap="round"
          strokeLinejoin="round"
        />
      ))}
      {proposal.marks.map(({ east, north }, k) => (
        <Circle key={k} cx={sheet.x(east)} cy={sheet.y(north)} r={MARK} fill={ground} stroke={water} strokeWidth={3} />
      ))}
    </Svg>
  );
}

/** Trees, services, inlets and ways out: what a line goes round, and from where to where. */
const InTheWay = memo(function InTheWay({ drawing, sheet }: Drawn) {
  const { soft, ink } = usePalette();
  return drawing.strokes.map((stroke, k) => {
    // Fittings of what is drawn now are no part of what is proposed.
    if (!ROUND.has(stroke.layer) || stroke.element?.kind === 'junction') return null;
    if (stroke.shape === 'mark') {
      const isEnd = stroke.layer === 'discharges' || stroke.layer === 'inlets';
      const [x, y] = [sheet.x(stroke.at.east), sheet.y(stroke.at.north)];
      return <Circle key={k} cx={x} cy={y} r={isEnd ? MARK : 4} fill={isEnd ? ink : soft} />;
    }
    return (
      <Path
        key={k}
        d={sheet.path(stroke.places, stroke.shape === 'outline')}
        fill="none"
        stroke={soft}
        strokeWidth={2}
        strokeDasharray={stroke.layer === 'services' ? '3 6' : undefined}
      />
    );
  });
});

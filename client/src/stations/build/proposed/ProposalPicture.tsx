/**
 * A proposal over its site: its lines as wide as their pipe, and the first that it is held against, dashed. A tap asks about a place or takes
 * hold of a line; what is held has a ring that a finger moves.
 */
import { drawingOf, elementOf, type Job, type Place, type Plan, type Stroke } from '@katabasis/core';
import type { NotHere } from '@katabasis/core/proposals';
import { Fragment, memo, useMemo, useState, type MouseEvent } from 'react';
import { View, type LayoutChangeEvent } from 'react-native';
import Svg, { Circle, Path } from 'react-native-svg';
import { Over, sheetOf, Under, type Drawn, type Sheet } from '../../../drawing/siteSheet';
import type { ProposalTold } from '../../../planning/proposals.worker';
import { usePalette } from '../../../theme/theme';
import { HeldRing } from './HeldRing';
import type { Touching } from './useTouched';

/** Width of a line, by its size, m: a 4 in one is drawn 6 wide. */
const WIDE = 60;
const MARK = 6;
/** px round a line in which a finger means it. */
const REACH = 20;
/** What a line goes round. */
const ROUND = new Set<Stroke['layer']>(['trees', 'services', 'discharges', 'inlets']);

interface Props {
  job: Job;
  plan: Plan;
  proposal: ProposalTold;
  beside: ProposalTold | null;
  notHere: readonly NotHere[];
  touching: Touching;
}

export function ProposalPicture({ job, plan, proposal, beside, notHere, touching }: Props) {
  const drawing = useMemo(() => drawingOf(job, plan, false), [job, plan]);
  const sheet = useMemo(() => drawing.extent && sheetOf(drawing.extent), [drawing]);
  const [width, setWidth] = useState(0);
  if (!sheet) return null;
  const perUnit = width / sheet.width;
  const { touched } = touching;
  const onClick = (event: MouseEvent): void => {
    const { left, top } = event.currentTarget.getBoundingClientRect();
    const place = sheet.placeAt((event.clientX - left) / perUnit, (event.clientY - top) / perUnit);
    void touching.tap(place, REACH / perUnit / sheet.scale);
  };
  return (
    <View
      {...({ onClick } as object)}
      onLayout={({ nativeEvent }: LayoutChangeEvent) => setWidth(nativeEvent.layout.width)}
      style={{ cursor: 'pointer' as never }}
      testID="proposal-picture"
    >
      <Svg
        viewBox={`0 0 ${sheet.width} ${sheet.height}`}
        width="100%"
        style={{ aspectRatio: sheet.width / sheet.height }}
        aria-hidden
      >
        <Under drawing={drawing} sheet={sheet} />
        <InTheWay job={job} drawing={drawing} sheet={sheet} />
        <OutOfBounds notHere={notHere} sheet={sheet} />
        {beside && <Beside beside={beside} sheet={sheet} />}
        <Over drawing={drawing} sheet={sheet} />
        <Lines proposal={proposal} sheet={sheet} isHeldAgainst={beside !== null} />
        {touched && <Otherwise {...{ touched, sheet }} />}
      </Svg>
      {touched?.held && width > 0 && (
        <HeldRing
          key={touched.held.id}
          at={{ x: sheet.x(touched.place.east) * perUnit, y: sheet.y(touched.place.north) * perUnit }}
          width={width}
          label={touched.isMoving ? (touched.looked?.said.short ?? null) : null}
          placeBy={(dx, dy) => {
            const by = 1 / (perUnit * sheet.scale);
            const from = touched.held!.at;
            return { east: from.east + dx * by, north: from.north - dy * by };
          }}
          onMove={(place: Place, done) => void touching.moveTo(place, done)}
        />
      )}
    </View>
  );
}

/** Lines of a proposal: those that are where the one it is held against has none stand out. */
const Lines = memo(function Lines({
  proposal,
  sheet,
  isHeldAgainst,
}: {
  proposal: ProposalTold;
  sheet: Sheet;
  isHeldAgainst: boolean;
}) {
  const { ink, soft, water, ground } = usePalette();
  return (
    <>
      {proposal.lines.map((line, k) => (
        <Path
          key={k}
          d={sheet.path(line.way, false)}
          fill="none"
          stroke={!line.isNew ? ink : isHeldAgainst && !line.isOther ? soft : water}
          strokeWidth={WIDE * line.nominal}
          strokeLinecap="round"
          strokeLinejoin="round"
        />
      ))}
      {proposal.marks.map(({ east, north }, k) => (
        <Circle key={k} cx={sheet.x(east)} cy={sheet.y(north)} r={MARK} fill={ground} stroke={water} strokeWidth={3} />
      ))}
    </>
  );
});

function Beside({ beside, sheet }: { beside: ProposalTold; sheet: Sheet }) {
  const { ink } = usePalette();
  return beside.lines.map(({ way }, k) => (
    <Path key={k} d={sheet.path(way, false)} fill="none" stroke={ink} strokeWidth={2.5} strokeDasharray="10 7" />
  ));
}

/** Patches that no line goes through. */
function OutOfBounds({ notHere, sheet }: { notHere: readonly NotHere[]; sheet: Sheet }) {
  const { fix } = usePalette();
  return notHere.map(({ place, reach }, k) => (
    <Circle
      key={k}
      cx={sheet.x(place.east)}
      cy={sheet.y(place.north)}
      r={reach * sheet.scale}
      fill={fix}
      fillOpacity={0.25}
      stroke={fix}
      strokeWidth={2.5}
      strokeDasharray="4 4"
    />
  ));
}

/** Lines by the way that is looked at, and the place that is. */
function Otherwise({ touched, sheet }: { touched: NonNullable<Touching['touched']>; sheet: Sheet }) {
  const { ink, ground, stop } = usePalette();
  const [x, y] = [sheet.x(touched.place.east), sheet.y(touched.place.north)];
  const bars = touched.looked !== null && touched.looked.through === null;
  return (
    <>
      {touched.looked?.through?.ways.map(({ run, way }) => (
        <Path key={run} d={sheet.path(way, false)} fill="none" stroke={ink} strokeWidth={3.5} strokeDasharray="3 6" />
      ))}
      {!touched.held && <Circle cx={x} cy={y} r={9} fill={ground} stroke={bars ? stop : ink} strokeWidth={3.5} />}
    </>
  );
}

/** Trees, services, inlets and ways out: what a line goes round, and from where to where. */
const InTheWay = memo(function InTheWay({ job, drawing, sheet }: Drawn & { job: Job }) {
  const { soft, ink } = usePalette();
  return drawing.strokes.map((stroke, k) => {
    // Fittings of what is drawn now are no part of what is proposed.
    if (!ROUND.has(stroke.layer) || stroke.element?.kind === 'junction') return null;
    if (stroke.shape === 'mark') {
      const isEnd = stroke.layer === 'discharges' || stroke.layer === 'inlets';
      const [x, y] = [sheet.x(stroke.at.east), sheet.y(stroke.at.north)];
      const tree = stroke.element?.kind === 'tree' ? elementOf(job, 'tree', stroke.element.id) : undefined;
      return (
        <Fragment key={k}>
          {tree?.crown !== undefined && (
            <Circle cx={x} cy={y} r={(tree.crown / 2) * sheet.scale} fill="none" stroke={soft} strokeWidth={1.5} />
          )}
          <Circle cx={x} cy={y} r={isEnd ? MARK : 4} fill={isEnd ? ink : soft} />
        </Fragment>
      );
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

/** The plan as it stands in one view: the ground and its water, things by their kinds, words where there is room. */
import type { Contour, MarkWords, Place, Shown } from '@katabasis/core';
import { Fragment, memo, useMemo, type ReactNode } from 'react';
import Svg, { G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { usePalette, useTextScale } from '../../theme/theme';
import { widthOf } from '../../theme/measure';
import { FONTS, type Palette } from '../../theme/tokens';
import { placeWords, type Box, type Words } from './labelled';
import { pathOf, type DrawOnPlan } from './pens';
import type { Thing } from './scene';
import { LETTER_ROOM, letterSpot } from './serviceLetter';
import { barLength, spotOf, type Spot, type Viewport } from './viewport';

/** A pond as it is drawn: its cells' middles, and what is written on it. */
export interface PondOnPlan {
  id: string;
  cells: readonly Place[];
  /** Side of a cell, m. */
  cell: number;
  middle: Place;
  words: readonly string[];
  /** Seen by nobody yet: the levels say so. */
  chosen: boolean;
}

export interface GroundOnPlan {
  contours: readonly Contour[];
  /** How a contour's level is written. */
  wordsOf: (level: number) => string;
  ponds: readonly PondOnPlan[];
  /** Arrows down the slope: from where, to where. */
  arrows: readonly (readonly [Place, Place])[];
  /** Ways that water takes. */
  ways: readonly (readonly Place[])[];
  /** Ground that a chosen inlet gathers, as cells. */
  catchment: { cells: readonly Place[]; cell: number } | null;
}

export interface Drawn {
  view: Viewport;
  things: readonly Thing[];
  ground: GroundOnPlan | null;
  wordsOf: (thing: Thing) => MarkWords;
  draw: DrawOnPlan;
  chosen: string | null;
  us: boolean;
  /** Words are left out while only a part is shown, as under the magnifier. */
  bare?: boolean;
  /** What lies under all of it. */
  underlay?: (view: Viewport) => ReactNode;
}

const figureText = (figure: Shown | string | null): string =>
  figure === null ? '' : typeof figure === 'string' ? figure : `${figure.value}\u00a0${figure.unit}`.trim();

/** What is written first where there is not room for all. */
const RANKS: Partial<Record<Thing['kind'], number>> = {
  discharge: 90,
  basin: 85,
  channel: 84,
  wetSpot: 80,
  building: 75,
  opening: 72,
  downspout: 70,
  service: 66,
  fixedFlow: 64,
  tree: 60,
  run: 55,
  junction: 40,
  barrier: 38,
  soilTest: 36,
  surface: 34,
  roofFace: 32,
  photo: 30,
  spotLevel: 25,
  breakline: 20,
};

/** Kinds that are written over what they are. */
const OVER = new Set<Thing['kind']>(['building', 'roofFace', 'surface']);
const NAMELESS = new Set<Thing['kind']>(['spotLevel', 'run']);

export const YardDrawing = memo(function YardDrawing(props: Drawn) {
  const { view, things, ground, draw, chosen, bare = false, underlay } = props;
  const palette = usePalette();
  return (
    <Svg width={view.width} height={view.height} aria-hidden>
      {underlay?.(view)}
      {ground?.catchment && <Cells {...ground.catchment} view={view} fill={palette.soil} opacity={0.9} />}
      {things.map((thing) =>
        thing.kind === 'surface' ? (
          <OnPlan key={thing.id} {...{ thing, view, draw }} chosen={thing.id === chosen} />
        ) : null,
      )}
      {ground && <Ground ground={ground} view={view} bare={bare} />}
      {things.map((thing) =>
        OVER.has(thing.kind) && thing.kind !== 'surface' ? (
          <OnPlan key={thing.id} {...{ thing, view, draw }} chosen={thing.id === chosen} />
        ) : null,
      )}
      {things.map((thing) =>
        OVER.has(thing.kind) ? null : <OnPlan key={thing.id} {...{ thing, view, draw }} chosen={thing.id === chosen} />,
      )}
      {!bare && <AllWords {...props} />}
    </Svg>
  );
});

const OnPlan = memo(function OnPlan({
  thing,
  view,
  draw,
  chosen,
}: {
  thing: Thing;
  view: Viewport;
  draw: DrawOnPlan;
  chosen: boolean;
}) {
  const palette = usePalette();
  const spots = thing.places.map((place) => spotOf(view, place));
  const far = spots.every(
    ({ x, y }) => x < -view.width || y < -view.height || x > 2 * view.width || y > 2 * view.height,
  );
  if (far && thing.shape === 'place') return null;
  const path = pathOf(spots, thing.shape === 'outline');
  return <>{draw(thing.element, { ...palette, spots, path, shape: thing.shape, scale: view.scale, chosen })}</>;
});

/** Cells of a grid as one area: squares a little larger than they are, so that no seam shows. */
function Cells({
  cells,
  cell,
  view,
  fill,
  opacity,
}: {
  cells: readonly Place[];
  cell: number;
  view: Viewport;
  fill: string;
  opacity: number;
}) {
  const d = useMemo(() => {
    const half = cell / 2;
    return cells
      .map(({ east, north }) =>
        pathOf(
          [
            { east: east - half, north: north - half },
            { east: east + half, north: north - half },
            { east: east + half, north: north + half },
            { east: east - half, north: north + half },
          ].map((corner) => spotOf(view, corner)),
          true,
        ),
      )
      .join('');
  }, [cells, cell, view]);
  return (
    <Path
      d={d}
      fill={fill}
      stroke={fill}
      strokeWidth={Math.max(1, cell * view.scale * 0.5)}
      strokeLinejoin="round"
      opacity={opacity}
    />
  );
}

function Ground({ ground, view, bare }: { ground: GroundOnPlan; view: Viewport; bare: boolean }) {
  const { soft, water, shallow, ink } = usePalette();
  const contours = useMemo(
    () =>
      ground.contours.map(({ level, ways }, k) => ({
        level,
        strong: k % 5 === 0,
        d: ways
          .map((way) =>
            pathOf(
              way.map((place) => spotOf(view, place)),
              false,
            ),
          )
          .join(''),
      })),
    [ground.contours, view],
  );
  return (
    <>
      {contours.map(({ level, strong, d }) => (
        <Path key={level} d={d} fill="none" stroke={soft} strokeWidth={strong ? 1.6 : 0.9} opacity={0.75} />
      ))}
      {ground.ponds.map(({ id, cells, cell, chosen }) => (
        <Fragment key={id}>
          <Cells cells={cells} cell={cell} view={view} fill={shallow} opacity={chosen ? 1 : 0.85} />
        </Fragment>
      ))}
      {ground.ways.map((way, k) => (
        <Path
          key={k}
          d={pathOf(
            way.map((place) => spotOf(view, place)),
            false,
          )}
          fill="none"
          stroke={water}
          strokeWidth={2.5}
          strokeDasharray="2 6"
          strokeLinecap="round"
        />
      ))}
      {!bare &&
        ground.arrows.map(([from, to], k) => (
          <Arrow key={k} from={spotOf(view, from)} to={spotOf(view, to)} colour={ink} />
        ))}
    </>
  );
}

function Arrow({ from, to, colour }: { from: Spot; to: Spot; colour: string }) {
  const along = Math.atan2(to.y - from.y, to.x - from.x);
  const wing = (by: number): Spot => ({ x: to.x - 6 * Math.cos(along + by), y: to.y - 6 * Math.sin(along + by) });
  const [one, other] = [wing(0.5), wing(-0.5)];
  return (
    <Path
      d={`M${from.x} ${from.y}L${to.x} ${to.y}M${one.x} ${one.y}L${to.x} ${to.y}L${other.x} ${other.y}`}
      stroke={colour}
      strokeWidth={1.2}
      fill="none"
      opacity={0.6}
    />
  );
}

/** Middle of what is written about a thing. */
function middleOf(thing: Thing, view: Viewport): Spot {
  const spots = thing.places.map((place) => spotOf(view, place));
  if (thing.shape === 'place') return spots[0]!;
  if (thing.shape === 'outline') {
    const sum = spots.reduce((s, { x, y }) => ({ x: s.x + x, y: s.y + y }), { x: 0, y: 0 });
    return { x: sum.x / spots.length, y: sum.y / spots.length };
  }
  const k = Math.floor((spots.length - 1) / 2);
  const [a, b] = [spots[k]!, spots[Math.min(spots.length - 1, k + 1)]!];
  return { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
}

interface Line_ {
  words: string;
  strong: boolean;
}

/** Some places of a pond, from all over it. */
const spread = (cells: readonly Place[]): Place[] =>
  Array.from({ length: 24 }, (_, k) => cells[Math.floor((cells.length * (k + 0.5)) / 24)]!);

/** Room of the letters that say what a service is. */
const letters = (things: readonly Thing[], view: Viewport): Box[] =>
  things.flatMap(({ element, places }) => {
    if (element.kind !== 'service') return [];
    const { x, y } = letterSpot(
      element.form,
      places.map((place) => spotOf(view, place)),
    );
    return [{ left: x - LETTER_ROOM, top: y - LETTER_ROOM, right: x + LETTER_ROOM, bottom: y + LETTER_ROOM }];
  });

/** Ground that pipes are drawn on, as small boxes along them. */
function pipes(things: readonly Thing[], view: Viewport): Box[] {
  const boxes: Box[] = [];
  for (const { kind, places } of things) {
    if (kind !== 'run' && kind !== 'channel') continue;
    const spots = places.map((place) => spotOf(view, place));
    for (let k = 1; k < spots.length; k++) {
      const [a, b] = [spots[k - 1]!, spots[k]!];
      const count = Math.min(80, Math.ceil(Math.hypot(b.x - a.x, b.y - a.y) / 8));
      for (let j = 0; j <= count; j++) {
        const [x, y] = [a.x + ((b.x - a.x) * j) / count, a.y + ((b.y - a.y) * j) / count];
        boxes.push({ left: x - 4, top: y - 4, right: x + 4, bottom: y + 4 });
      }
    }
  }
  return boxes;
}

/** px a metre from which levels have their figures. */
const LEVELS_FROM = 14;

/** Room under the head of the plan for its tools, and over its foot, px. */
const FRAME_MARGIN = 4;

function AllWords({ view, things, ground, wordsOf, chosen, us }: Drawn) {
  const palette = usePalette();
  const scale = useTextScale();
  const size = 14 * scale;
  const lineHeight = 17 * scale;
  const bar = barLength(view.scale, 120, us);
  const barPx = bar.metres * view.scale;
  const lines = new Map<string, Line_[]>();
  const all: Words[] = [];
  const put = (
    id: string,
    at: Spot,
    told: Line_[],
    rank: number,
    over: boolean,
    mark: number,
    also?: readonly Spot[],
  ): void => {
    const shown = told.filter(({ words }) => words !== '');
    if (shown.length === 0 && mark === 0) return;
    lines.set(id, shown);
    const width = Math.max(
      0,
      ...shown.map(({ words, strong }) => widthOf(words, { family: strong ? FONTS.bold : FONTS.figures, size })),
    );
    all.push({ id, at, width, height: lineHeight * shown.length, rank, over, mark, ...(also ? { also } : {}) });
  };
  for (const thing of things) {
    const { name, figure } = wordsOf(thing);
    const at = middleOf(thing, view);
    if (at.x < -50 || at.y < -50 || at.x > view.width + 50 || at.y > view.height + 50) continue;
    const mine = thing.id === chosen;
    // From afar only what leads water is named; a plan of a whole yard is not a list of its levels.
    const told: Line_[] = [
      { words: NAMELESS.has(thing.kind) && !mine ? '' : name, strong: true },
      { words: figureText(figure), strong: false },
    ];
    // From afar a level is a cross among crosses: its figure comes with room for it, and words may lie over it.
    if (thing.kind === 'spotLevel' && !mine && view.scale < LEVELS_FROM) continue;
    const mark = thing.shape === 'place' && thing.kind !== 'spotLevel' ? (thing.kind === 'tree' ? 6 : 13) : 0;
    put(thing.id, at, told, mine ? 200 : (RANKS[thing.kind] ?? 10), OVER.has(thing.kind), mark);
  }
  for (const pond of ground?.ponds ?? []) {
    const told = pond.words.map((words, k) => ({ words, strong: k === 0 }));
    put(
      `pond ${pond.id}`,
      spotOf(view, pond.middle),
      told,
      82,
      true,
      0,
      spread(pond.cells).map((place) => spotOf(view, place)),
    );
  }
  for (const contour of ground?.contours ?? []) {
    const way = contour.ways.reduce((best, each) => (each.length > best.length ? each : best), [] as Place[]);
    const middle = way[Math.floor(way.length / 2)];
    if (middle)
      put(
        `contour ${contour.level}`,
        spotOf(view, middle),
        [{ words: ground!.wordsOf(contour.level), strong: false }],
        5,
        true,
        0,
      );
  }
  const frame: Box = {
    left: FRAME_MARGIN,
    top: FRAME_MARGIN,
    right: view.width - FRAME_MARGIN,
    bottom: view.height - FRAME_MARGIN,
  };
  const foot: Box = { left: 0, top: view.height - 40, right: barPx + 24, bottom: view.height };
  // The buttons over the plan.
  const north: Box = { left: view.width - 58, top: 0, right: view.width, bottom: 206 };
  const placed = placeWords(all, frame, [foot, north, ...letters(things, view)], pipes(things, view));
  return (
    <>
      {[...placed].map(([id, { left, top }]) =>
        lines.get(id)!.map(({ words, strong }, k) => (
          <SvgText
            key={`${id} ${k}`}
            x={left}
            y={top + lineHeight * k + size}
            fontFamily={strong ? FONTS.bold : FONTS.figures}
            fontSize={size}
            fill={id.startsWith('pond') ? palette.water : palette.ink}
            stroke={palette.ground}
            strokeWidth={3}
            {...({ paintOrder: 'stroke' } as object)}
          >
            {words}
          </SvgText>
        )),
      )}
      {things.length > 0 && <ScaleBar view={view} px={barPx} words={bar.words} palette={palette} size={size} />}
    </>
  );
}

function ScaleBar({
  view,
  px,
  words,
  palette,
  size,
}: {
  view: Viewport;
  px: number;
  words: string;
  palette: Palette;
  size: number;
}) {
  const y = view.height - 14;
  return (
    <G>
      <Rect x={8} y={view.height - 36} width={px + 12} height={30} fill={palette.ground} opacity={0.8} />
      <Line x1={14} x2={14 + px} y1={y} y2={y} stroke={palette.ink} strokeWidth={3} />
      <Line x1={14} x2={14} y1={y - 5} y2={y + 5} stroke={palette.ink} strokeWidth={2} />
      <Line x1={14 + px} x2={14 + px} y1={y - 5} y2={y + 5} stroke={palette.ink} strokeWidth={2} />
      <SvgText x={14} y={y - 7} fontFamily={FONTS.figures} fontSize={size} fill={palette.ink}>
        {words}
      </SvgText>
    </G>
  );
}

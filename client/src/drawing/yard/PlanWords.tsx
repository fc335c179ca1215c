/** Words on the plan where there is room for them, the letters of services, and the scale bar. */
import type { Place, Shown } from '@katabasis/core';
import { Circle, G, Text as SvgText } from 'react-native-svg';
import { widthOf } from '../../theme/measure';
import { usePalette, useTextScale } from '../../theme/theme';
import { FONTS } from '../../theme/tokens';
import { placeWords, type Box, type Words } from './labelled';
import { LETTER_ROOM, serviceLetters } from './serviceMarks';
import { gripOf } from './grip';
import type { Thing } from './scene';
import { barLength, spotOf, type Spot, type Viewport } from './viewport';
import type { Drawn } from './drawn';
import { ScaleBar } from './ScaleBar';

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
export const OVER = new Set<Thing['kind']>(['building', 'roofFace', 'surface']);
const NAMELESS = new Set<Thing['kind']>(['spotLevel', 'run']);

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

interface Written {
  words: string;
  strong: boolean;
}

/** Some places of a pond, from all over it. */
const spread = (cells: readonly Place[]): Place[] =>
  Array.from({ length: 24 }, (_, k) => cells[Math.floor((cells.length * (k + 0.5)) / 24)]!);

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

/** Half of what a corner's handle takes, px. */
const HANDLE = 12;

/** Room of the handles that what is chosen is moved by. */
function corners(things: readonly Thing[], chosen: string | null, view: Viewport): Box[] {
  const mine = things.find(({ id }) => id === chosen);
  if (!mine || mine.shape === 'place') return [];
  const grip = gripOf(mine);
  return [...mine.places, ...(grip ? [grip] : [])]
    .map((place) => spotOf(view, place))
    .map(({ x, y }) => ({ left: x - HANDLE, top: y - HANDLE, right: x + HANDLE, bottom: y + HANDLE }));
}

/** px a metre from which levels have their figures. */
const LEVELS_FROM = 14;

/** Room under the head of the plan for its tools, and over its foot, px. */
const FRAME_MARGIN = 4;

/** Where words may stand. */
const frameOf = (view: Viewport): Box => ({
  left: FRAME_MARGIN,
  top: FRAME_MARGIN,
  right: view.width - FRAME_MARGIN,
  bottom: view.height - FRAME_MARGIN,
});

/** Room that is taken: by the scale bar, the buttons over the plan and the letters of services. */
function taken(view: Viewport, letters: ReturnType<typeof serviceLetters>, barPx: number): Box[] {
  const foot: Box = { left: 0, top: view.height - 40, right: barPx + 24, bottom: view.height };
  const buttons: Box = { left: view.width - 58, top: 0, right: view.width, bottom: 206 };
  const rooms = letters.map(({ x, y }): Box => ({
    left: x - LETTER_ROOM,
    top: y - LETTER_ROOM,
    right: x + LETTER_ROOM,
    bottom: y + LETTER_ROOM,
  }));
  return [foot, buttons, ...rooms];
}

/** All that could be written over the plan, and the lines of each. `lineHeight`, `size`: of the letters, px. */
function wordsOver(
  { view, things, ground, wordsOf, chosen }: Drawn,
  lineHeight: number,
  size: number,
): { lines: ReadonlyMap<string, Written[]>; all: Words[] } {
  const lines = new Map<string, Written[]>();
  const all: Words[] = [];
  const put = (
    told: Written[],
    { mark = 0, ...where }: Omit<Words, 'width' | 'height' | 'mark'> & { mark?: number },
  ): void => {
    const shown = told.filter(({ words }) => words !== '');
    if (shown.length === 0 && mark === 0) return;
    lines.set(where.id, shown);
    const width = Math.max(
      0,
      ...shown.map(({ words, strong }) => widthOf(words, { family: strong ? FONTS.bold : FONTS.figures, size })),
    );
    all.push({ ...where, width, height: lineHeight * shown.length, mark });
  };
  for (const thing of things) {
    const { name, figure } = wordsOf(thing);
    const at = middleOf(thing, view);
    if (at.x < -50 || at.y < -50 || at.x > view.width + 50 || at.y > view.height + 50) continue;
    const mine = thing.id === chosen;
    // From afar only what leads water is named; a plan of a whole yard is not a list of its levels.
    const told: Written[] = [
      { words: NAMELESS.has(thing.kind) && !mine ? '' : name, strong: true },
      { words: figureText(figure), strong: false },
    ];
    // From afar a level is a cross among crosses: its figure comes with room for it, and words may lie over it.
    if (thing.kind === 'spotLevel' && !mine && view.scale < LEVELS_FROM) continue;
    const mark = thing.shape === 'place' && thing.kind !== 'spotLevel' ? (thing.kind === 'tree' ? 6 : 13) : 0;
    put(told, {
      id: thing.id,
      at,
      rank: mine ? 200 : (RANKS[thing.kind] ?? 10),
      over: OVER.has(thing.kind),
      mark,
    });
  }
  for (const pond of ground?.ponds ?? []) {
    const told = pond.words.map((words, k) => ({ words, strong: k === 0 }));
    put(told, {
      id: `pond ${pond.id}`,
      at: spotOf(view, pond.middle),
      rank: 82,
      over: true,
      also: spread(pond.cells).map((place) => spotOf(view, place)),
    });
  }
  for (const contour of ground?.contours ?? []) {
    const way = contour.ways.reduce((best, each) => (each.length > best.length ? each : best), [] as Place[]);
    const middle = way[Math.floor(way.length / 2)];
    if (middle)
      put([{ words: ground!.wordsOf(contour.level), strong: false }], {
        id: `contour ${contour.level}`,
        at: spotOf(view, middle),
        rank: 5,
        over: true,
      });
  }
  return { lines, all };
}

export function PlanWords(drawn: Drawn) {
  const { view, things, chosen, us } = drawn;
  const palette = usePalette();
  const scale = useTextScale();
  const size = 14 * scale;
  const lineHeight = 17 * scale;
  const bar = barLength(view.scale, 120, us);
  const barPx = bar.metres * view.scale;
  const { lines, all } = wordsOver(drawn, lineHeight, size);
  const letters = serviceLetters(things, view);
  const placed = placeWords(
    all,
    frameOf(view),
    [...taken(view, letters, barPx), ...corners(things, chosen, view)],
    pipes(things, view),
  );
  return (
    <>
      {letters.map(({ id, x, y, letter, paint }) => (
        <G key={`letter ${id}`}>
          <Circle cx={x} cy={y} r={10} fill={palette.ground} stroke={paint} strokeWidth={2} />
          <SvgText
            x={x}
            y={y + 4.5}
            textAnchor="middle"
            fontFamily={FONTS.bold}
            fontSize={letter.length > 1 ? 10 : 12}
            fill={paint}
          >
            {letter}
          </SvgText>
        </G>
      ))}
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

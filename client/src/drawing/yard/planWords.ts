/** What could be written on a plan, and where what has room stands. */
import type { Place, Shown } from '@katabasis/core';
import type { Drawn } from './drawn';
import { gripOf } from './grip';
import { inkOf, markOf, widthOfLine } from './planInk';
import type { Thing } from './scene';
import { LETTER_ROOM, serviceLetters, type ServiceLetter } from './serviceMarks';
import { Telling, type Lettering, type Line } from './telling';
import { along, on, outOf, placeWords, round, within, type Box, type Stand } from '@katabasis/core/lettering';
import { barLength, spotOf, type Spot, type Viewport } from './viewport';

const figureText = (figure: Shown | string | null): string =>
  figure === null ? '' : typeof figure === 'string' ? figure : `${figure.value}\u00a0${figure.unit}`.trim();

/** What is written first where there is not room for all: what water comes out and goes in by, where it stands, and the house. */
const RANKS: Partial<Record<Thing['kind'], number>> = {
  discharge: 90,
  basin: 85,
  channel: 84,
  wetSpot: 78,
  building: 76,
  opening: 72,
  downspout: 70,
  fixedFlow: 64,
  run: 62,
  swale: 60,
  drain: 60,
  service: 58,
  tree: 50,
  junction: 40,
  barrier: 38,
  soilTest: 36,
  surface: 34,
  roofFace: 32,
  photo: 30,
  spotLevel: 25,
  breakline: 20,
};
const POND = 86;
const CONTOUR = 15;
/** In the middle of a pond often stands its inlet: words beside the pond keep clear of that, px. */
const ROUND_POND = 17;
/** From this rank on a word is one of those that a plan is read by. */
export const READ_FIRST = 70;

/** What ranks lower stands beside its mark or nowhere: a leader is for what a plan is read by. */
const LED = 60;
/** What ranks higher is led to from further off. */
const SOUGHT = 84;

const NAMELESS = new Set<Thing['kind']>(['spotLevel', 'run']);

/** px a metre from which levels have their figures, and every contour has its own; from further off every fifth has. */
const LEVELS_FROM = 26;
const CONTOURS_FROM = 16;
export const STRONG_EVERY = 5;

export interface WrittenWords {
  id: string;
  rank: number;
  lines: readonly Line[];
  stand: Stand;
  width: number;
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

/** Room round what is written at the frame's edge, px. */
const FRAME_MARGIN = 4;

/** Where words may stand. */
const frameOf = (view: Viewport): Box => ({
  left: FRAME_MARGIN,
  top: FRAME_MARGIN,
  right: view.width - FRAME_MARGIN,
  bottom: view.height - FRAME_MARGIN,
});

/** Room that is taken: by the scale bar, the buttons over the plan and the letters of services. */
function takenBy(view: Viewport, letters: readonly ServiceLetter[], barPx: number): Box[] {
  const foot: Box = { left: 0, top: view.height - 40, right: barPx + 24, bottom: view.height };
  const buttons: Box = { left: view.width - 58, top: 0, right: view.width, bottom: 258 };
  const rooms = letters.map(({ x, y }): Box => ({
    left: x - LETTER_ROOM,
    top: y - LETTER_ROOM,
    right: x + LETTER_ROOM,
    bottom: y + LETTER_ROOM,
  }));
  return [foot, buttons, ...rooms];
}

/** Some places of a pond, from all over it. */
const spread = (cells: readonly Place[]): Place[] =>
  Array.from({ length: 24 }, (_, k) => cells[Math.floor((cells.length * (k + 0.5)) / 24)]!);

function tellThing(telling: Telling, thing: Thing, { view, wordsOf, chosen }: Drawn): void {
  const spots = thing.places.map((place) => spotOf(view, place));
  const isFar = (spot: Spot): boolean =>
    spot.x < -50 || spot.y < -50 || spot.x > view.width + 50 || spot.y > view.height + 50;
  if (thing.shape === 'place' && isFar(spots[0]!)) return;
  const mine = thing.id === chosen;
  // From afar a level is a cross among crosses: its figure comes with room for it.
  if (thing.kind === 'spotLevel' && !mine && view.scale < LEVELS_FROM) return;
  const { name, figure } = wordsOf(thing);
  const lines: Line[] = [
    { words: NAMELESS.has(thing.kind) && !mine ? '' : name, strong: true },
    { words: figureText(figure), strong: false },
  ];
  const rank = mine ? 200 : (RANKS[thing.kind] ?? 10);
  if (thing.shape === 'place')
    return telling.put(
      thing.id,
      rank,
      lines,
      (size) => round(spots[0]!, markOf(thing), size, rank < LED ? 1 : rank < SOUGHT ? 3 : 4),
      mine,
    );
  if (thing.shape === 'outline') {
    const middle = {
      x: spots.reduce((s, { x }) => s + x, 0) / spots.length,
      y: spots.reduce((s, { y }) => s + y, 0) / spots.length,
    };
    return telling.put(
      thing.id,
      rank,
      lines,
      (size) => [...within(spots, size), ...(mine ? [{ ...middle, turn: 0 }] : [])],
      mine,
    );
  }
  const off = widthOfLine(thing, view.scale) / 2;
  // An opening and a short channel are named as a mark is, round their middle.
  const half = Math.max(...spots.map((spot) => Math.hypot(spot.x - spots[0]!.x, spot.y - spots[0]!.y))) / 2;
  const [a, b] = [
    spots[Math.floor((spots.length - 1) / 2)]!,
    spots[Math.min(spots.length - 1, Math.floor((spots.length - 1) / 2) + 1)]!,
  ];
  const middle = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
  if (thing.kind === 'opening' || thing.kind === 'channel')
    return telling.put(thing.id, rank, lines, (size) => round(middle, Math.min(half, off + 6), size), mine);
  telling.putAlong(
    thing.id,
    rank,
    lines,
    (size) => [...along(spots, off, size), ...(mine ? round(middle, off, size) : [])],
    mine,
  );
}

function tellGround(telling: Telling, { view, ground, things }: Drawn): void {
  const houses = things
    .filter(({ kind }) => kind === 'building')
    .map(({ places }) => places.map((place) => spotOf(view, place)));
  for (const pond of ground?.ponds ?? []) {
    const spots = [pond.middle, ...spread(pond.cells)].map((place): Stand => ({ ...spotOf(view, place), turn: 0 }));
    telling.put(
      `pond ${pond.id}`,
      POND,
      pond.words.map((words, k) => ({ words, strong: k === 0 })),
      (size) => outOf([...spots, ...round(spots[0]!, ROUND_POND, size)], houses),
    );
  }
  const near = view.scale >= CONTOURS_FROM;
  for (const [k, { level, ways }] of (ground?.contours ?? []).entries()) {
    if (!near && k % STRONG_EVERY !== 0) continue;
    const longest = ways.reduce((best, each) => (each.length > best.length ? each : best), [] as Place[]);
    const spots = longest.map((place) => spotOf(view, place));
    telling.put(`contour ${level}`, CONTOUR, [{ words: ground!.wordsOf(level), strong: false }], (size) =>
      outOf(on(spots, size), houses),
    );
  }
}

/** All that is written on a plan as it stands, the room that it takes, and the letters of services. */
export interface PlanLettering {
  written: readonly WrittenWords[];
  boxes: readonly Box[];
  letters: readonly ServiceLetter[];
  bar: ReturnType<typeof barLength>;
  /** What could have been written, by whether it is of those that a plan is read by. */
  asked: { first: number; others: number };
}

export function letteringOf(drawn: Drawn, lettering: Lettering): PlanLettering {
  const { view, things, chosen, us } = drawn;
  const bar = barLength(view.scale, 120, us);
  const letters = serviceLetters(things, view);
  const telling = new Telling(lettering);
  for (const thing of things) tellThing(telling, thing, drawn);
  tellGround(telling, drawn);
  const frame = frameOf(view);
  const { all } = telling;
  const taken = [...takenBy(view, letters, bar.metres * view.scale), ...corners(things, chosen, view)];
  const { stands, boxes } = placeWords(all, frame, taken, inkOf(drawn, frame));
  const written = all.flatMap(({ id, rank, lines, width }): WrittenWords[] => {
    const stand = stands.get(id);
    return stand ? [{ id, rank, lines, stand, width }] : [];
  });
  const isSeen = ({ x, y }: Stand): boolean => x > frame.left && x < frame.right && y > frame.top && y < frame.bottom;
  const wanted = all.filter(({ id, stands: any }) => !id.endsWith(' brief') && any.some(isSeen));
  const first = wanted.filter(({ rank }) => rank >= READ_FIRST).length;
  return { written, boxes, letters, bar, asked: { first, others: wanted.length - first } };
}

/** Words on a plan, none over another and none across ink: by what matters most, each where it first finds room, or not at all. */
import type { InkMap } from './inkMap';
import type { Box, Spot } from './spot';

/** Where some words could stand: their middle, how they are turned, rad, and where a leader to what they name begins. */
export interface Stand extends Spot {
  turn: number;
  leader?: Spot;
  /** What it is worth to stand nearer, in cells of faint ink that are written over for it. */
  cost?: number;
}

export interface Words {
  id: string;
  /** px, as they lie unturned. */
  width: number;
  height: number;
  /** The higher, the sooner they have room. */
  rank: number;
  /** Best first. */
  stands: readonly Stand[];
  /** Only where words of this id have no room. */
  unless?: string;
  /** Written whatever lies there: what is chosen always has its name. */
  always?: boolean;
}

/** What words keep off. */
export interface Ground {
  /** Walls, pipes, marks, every line of a thing: nothing is written across them. */
  firm: InkMap;
  /** Of these walls, pipes and marks: no leader crosses them. */
  solid: InkMap;
  /** Contours, arrows, crosses of levels: kept off where there is room elsewhere, and left out under what is written over them. */
  faint: InkMap;
}

/** Room round words, px. */
const GAP = 2;
/** Side of the boxes that turned words are looked at as, over their height. */
const PART = 1;

/** The room of some words at a stand, as boxes along them. */
export function boxesOf({ width, height }: Pick<Words, 'width' | 'height'>, { x, y, turn }: Stand): Box[] {
  const [half, tall] = [width / 2 + GAP, height / 2 + GAP];
  if (Math.abs(turn) < 1e-3) return [{ left: x - half, right: x + half, top: y - tall, bottom: y + tall }];
  const count = Math.max(1, Math.ceil(width / (height * PART)));
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const part = half / count;
  // A turned part fills a box of its own width and height, turned.
  const wide = Math.abs(part * cos) + Math.abs(tall * sin);
  const high = Math.abs(part * sin) + Math.abs(tall * cos);
  return Array.from({ length: count }, (_, k) => {
    const along = (2 * k + 1 - count) * part;
    const [cx, cy] = [x + along * cos, y + along * sin];
    return { left: cx - wide, right: cx + wide, top: cy - high, bottom: cy + high };
  });
}

/** Room that a leader leaves at the mark that it begins at, px: the ink there is the mark's own. */
const FROM_MARK = 3;

/** A leader from its mark to the nearest edge of the words. */
export function leaderOf({ width, height }: Pick<Words, 'width' | 'height'>, { x, y, leader }: Stand): [Spot, Spot] {
  const from = leader!;
  const to = {
    x: Math.max(x - width / 2, Math.min(x + width / 2, from.x)),
    y: Math.max(y - height / 2, Math.min(y + height / 2, from.y)),
  };
  const length = Math.hypot(to.x - from.x, to.y - from.y) || 1;
  const off = Math.min(FROM_MARK, length) / length;
  return [{ x: from.x + off * (to.x - from.x), y: from.y + off * (to.y - from.y) }, to];
}

const meet = (a: Box, b: Box): boolean => a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;

/** Stands of the words that have room, by id, and all the room that they take. */
export interface PlacedWords {
  stands: ReadonlyMap<string, Stand>;
  boxes: readonly Box[];
}

/** `frame`: nothing stands outside of it; `taken`: nor there. */
export function placeWords(
  all: readonly Words[],
  frame: Box,
  taken: readonly Box[],
  { firm, solid, faint }: Ground,
): PlacedWords {
  const boxes: Box[] = [...taken];
  const stands = new Map<string, Stand>();
  const inFrame = (box: Box): boolean =>
    box.left >= frame.left && box.top >= frame.top && box.right <= frame.right && box.bottom <= frame.bottom;
  for (const words of [...all].sort((a, b) => b.rank - a.rank)) {
    if (words.unless !== undefined && stands.has(words.unless)) continue;
    let best: { stand: Stand; room: Box[]; ink: number } | null = null;
    for (const stand of words.stands) {
      const room = boxesOf(words, stand);
      if (!room.every(inFrame) || room.some((box) => boxes.some((other) => meet(box, other)))) continue;
      const under = (ink: InkMap): number =>
        stand.turn === 0 ? ink.under(room[0]!) : ink.underTurned(stand, words.width + 2 * GAP, words.height + 2 * GAP);
      const hard = under(firm) + (stand.leader ? solid.between(...leaderOf(words, stand)) : 0);
      if (hard > 0 && !words.always) continue;
      const ink = 1000 * hard + under(faint) + (stand.cost ?? 0);
      if (best && ink >= best.ink) continue;
      best = { stand, room, ink };
      if (ink === 0) break;
    }
    if (!best) continue;
    stands.set(words.id, best.stand);
    boxes.push(...best.room);
  }
  return { stands, boxes: boxes.slice(taken.length) };
}

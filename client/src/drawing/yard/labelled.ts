/** Words beside marks, none over another: by what matters most, each where it first finds room, or not at all. */
import type { Spot } from './viewport';

export interface Words {
  id: string;
  at: Spot;
  width: number;
  height: number;
  /** The higher, the sooner it has room. */
  rank: number;
  /** Written over what it is, as a ground's; beside it where false. */
  over: boolean;
  /** Other spots of what it is written over, where it may stand as well. */
  also?: readonly Spot[];
  /** Room that the mark itself takes, px about its spot. */
  mark: number;
}

export interface Box {
  left: number;
  top: number;
  right: number;
  bottom: number;
}

const meet = (a: Box, b: Box): boolean => a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;

/** Room round words, px. */
const GAP = 3;

/**
 * Left and top of the words that have room, by id. Marks are never written over, and nothing stands outside of `frame`; `lines` are written
 * over only where there is room nowhere else.
 */
export function placeWords(
  all: readonly Words[],
  frame: Box,
  taken: readonly Box[] = [],
  lines: readonly Box[] = [],
): Map<string, { left: number; top: number }> {
  const boxes: Box[] = [...taken];
  for (const { at, mark } of all)
    if (mark > 0) boxes.push({ left: at.x - mark, top: at.y - mark, right: at.x + mark, bottom: at.y + mark });
  const placed = new Map<string, { left: number; top: number }>();
  const roomFor = (words: Words, keepOff: readonly Box[]): boolean => {
    for (const [left, top] of spotsOf(words)) {
      const box = {
        left: left - GAP,
        top: top - GAP,
        right: left + words.width + GAP,
        bottom: top + words.height + GAP,
      };
      if (box.left < frame.left || box.top < frame.top || box.right > frame.right || box.bottom > frame.bottom)
        continue;
      if (boxes.some((other) => meet(box, other)) || keepOff.some((other) => meet(box, other))) continue;
      boxes.push(box);
      placed.set(words.id, { left, top });
      return true;
    }
    return false;
  };
  for (const words of [...all].sort((a, b) => b.rank - a.rank)) if (!roomFor(words, lines)) roomFor(words, []);
  return placed;
}

/** Where words may stand, best first: over what they are of and round it, or beside its mark. */
function spotsOf({ at, also, width, height, mark, over }: Words): [number, number][] {
  if (also) return [at, ...also].map(({ x, y }): [number, number] => [x - width / 2, y - height / 2]);
  if (over) {
    const steps = [0, -1, 1, -2, 2];
    return steps.flatMap((down) =>
      [0, -0.7, 0.7].map((right): [number, number] => [
        at.x - width / 2 + right * width,
        at.y - height / 2 + down * height,
      ]),
    );
  }
  const beside = mark + 4;
  const sides = [at.x + beside, at.x - beside - width];
  return [
    ...sides.map((left): [number, number] => [left, at.y - height / 2]),
    [at.x - width / 2, at.y + beside],
    [at.x - width / 2, at.y - beside - height],
    ...[2, -height - 2, mark, -height - mark].flatMap((down) =>
      sides.map((left): [number, number] => [left, at.y + down]),
    ),
    [at.x - width / 2, at.y + beside + height],
    [at.x - width / 2, at.y - beside - 2 * height],
  ];
}

/** How much room words take, for what must be placed before it is drawn. */

export interface Lettering {
  /** Family and size in px, as a style has them. */
  family: string;
  size: number;
}

/** Widest ordinary letters to their size, where nothing can be measured. */
const USUAL_ADVANCE = 0.58;

let pen: CanvasRenderingContext2D | null | undefined;
const widths = new Map<string, number>();

/** Width of words on one line, px. */
export function widthOf(words: string, { family, size }: Lettering): number {
  const key = `${size} ${family} ${words}`;
  const known = widths.get(key);
  if (known !== undefined) return known;
  if (pen === undefined) pen = globalThis.document?.createElement('canvas').getContext?.('2d') ?? null;
  if (pen) pen.font = `${size}px ${family}`;
  const width = pen ? pen.measureText(words).width : words.length * size * USUAL_ADVANCE;
  // Before a typeface is in, widths are those of another: they are not kept.
  if (globalThis.document?.fonts?.check?.(`${size}px ${family}`)) widths.set(key, width);
  return width;
}

/** Lines that words take in `room` px, broken at spaces, and within a word only where it is wider than the room. */
export function linesOf(words: string, room: number, lettering: Lettering): number {
  const space = widthOf(' ', lettering);
  // A pixel or two, as the browser rounds otherwise than we do.
  const most = Math.max(1, room - 2);
  let lines = 1;
  let used = 0;
  for (const word of words.split(/[ \n]+/)) {
    const width = widthOf(word, lettering);
    const needed = used === 0 ? width : used + space + width;
    if (needed <= most) {
      used = needed;
      continue;
    }
    if (used > 0) lines++;
    const broken = Math.floor(width / most);
    lines += broken;
    used = width - broken * most;
  }
  return lines;
}

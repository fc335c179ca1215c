/** What could be written on a plan, with the room that it takes and where it could stand. */
import { widthOf } from '../../theme/measure';
import { FONTS } from '../../theme/tokens';
import type { Stand, Words } from '@katabasis/core/lettering';

export interface Lettering {
  size: number;
  lineHeight: number;
}

export interface Line {
  words: string;
  strong: boolean;
}

/** Some words with the lines that they are written in. */
interface Told extends Words {
  lines: readonly Line[];
}

/** Where words of a size could stand. */
type StandsOf = (size: { width: number; height: number }) => Stand[];

/** Collects what could be written, each with its stands. */
export class Telling {
  readonly all: Told[] = [];

  constructor(private readonly lettering: Lettering) {}

  private widthOf = ({ words, strong }: Line): number =>
    widthOf(words, { family: strong ? FONTS.bold : FONTS.figures, size: this.lettering.size });

  /** Lines one under another, or where room is wanted only the first of them; `standsOf` gives where a block of a size could stand. */
  put(id: string, rank: number, lines: readonly Line[], standsOf: StandsOf, always = false): void {
    const shown = lines.filter(({ words }) => words !== '');
    if (shown.length === 0) return;
    const blocks = shown.length > 1 ? [shown, shown.slice(0, 1)] : [shown];
    for (const [k, block] of blocks.entries()) {
      const size = {
        width: Math.max(...block.map(this.widthOf)),
        height: this.lettering.lineHeight * block.length,
      };
      this.all.push({
        ...(k === 0 ? { id } : { id: `${id} brief`, unless: id }),
        ...size,
        lines: block,
        rank: rank - k / 2,
        stands: standsOf(size),
        always,
      });
    }
  }

  /** In one line, along a way. */
  putAlong(id: string, rank: number, lines: readonly Line[], standsOf: StandsOf, always = false): void {
    const shown = lines.filter(({ words }) => words !== '');
    if (shown.length === 0) return;
    const gap = this.lettering.size / 2;
    const size = {
      width: shown.reduce((sum, line) => sum + this.widthOf(line), gap * (shown.length - 1)),
      height: this.lettering.lineHeight,
    };
    const one = shown.length === 1 ? shown : [{ words: shown.map(({ words }) => words).join('  '), strong: true }];
    this.all.push({ id, ...size, lines: one, rank, stands: standsOf(size), always });
  }
}

/** A paper of a job: pages with a head and a foot, text and tables with our own letters embedded. Lengths are points, 72 to the inch. */
import * as fontkit from 'fontkit';
import { createRequire } from 'node:module';
import PDFDocument from 'pdfkit';

export const PAPERS = ['a4', 'letter'] as const;
export type PaperSize = (typeof PAPERS)[number];

export interface Box {
  left: number;
  top: number;
  width: number;
  height: number;
}

export type Layout = 'portrait' | 'landscape';

const MARGIN = 42;
const FOOT = 26;
/** A drawing’s title in one line, with what is left under it. */
const DRAWING_TITLE = 18;
export const INK = '#1d1a16';
export const SOFT = '#5e574c';
export const LINE = '#b9b09f';

const require = createRequire(import.meta.url);
const LETTERS =
  require.resolve('@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff');
const BOLD =
  require.resolve('@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff');
/** Letters and signs that ours lack: Greek, Cyrillic, arrows, eighths. */
const WIDER = require.resolve('dejavu-fonts-ttf/ttf/DejaVuSans.ttf');

let ours: fontkit.Font | null = null;
const known = new Map<string, boolean>();

/** Whether our own letters write all of it. */
function writes(said: string): boolean {
  ours ??= fontkit.openSync(LETTERS) as fontkit.Font;
  for (const letter of said) {
    let there = known.get(letter);
    if (there === undefined) known.set(letter, (there = ours.hasGlyphForCodePoint(letter.codePointAt(0)!)));
    if (!there) return false;
  }
  return true;
}

export type Weight = 'plain' | 'strong';

export interface SayOptions {
  size?: number;
  weight?: Weight;
  colour?: string;
  width?: number;
  align?: 'left' | 'right' | 'center';
}

export class Paper {
  readonly doc: PDFKit.PDFDocument;
  /** From the top of the page down to where the next thing stands. */
  y = 0;
  private readonly titles: string[] = [];

  /** `made`: when and from what, for the foot of every page. */
  constructor(
    private readonly size: PaperSize,
    private readonly job: string,
    private readonly made: string,
    title: string,
  ) {
    this.doc = new PDFDocument({
      size: size === 'a4' ? 'A4' : 'LETTER',
      autoFirstPage: false,
      bufferPages: true,
      margin: 0,
      lang: 'en',
      info: { Title: title, Creator: 'Katabasis' },
    });
    this.doc.registerFont('plain', LETTERS).registerFont('strong', BOLD).registerFont('wider', WIDER);
  }

  /** Begins a page, under its title. */
  page(title: string, layout: Layout = 'portrait'): void {
    this.blank(title, layout);
    this.say(this.job, MARGIN, this.y, { size: 9, colour: SOFT, width: this.width });
    this.y += this.heightOf(this.job, { size: 9, width: this.width }) + 2;
    this.say(title, MARGIN, this.y, { size: 17, weight: 'strong', width: this.width });
    this.y += this.heightOf(title, { size: 17, weight: 'strong', width: this.width }) + 8;
  }

  private blank(title: string, layout: Layout): void {
    this.doc.addPage({ size: this.size === 'a4' ? 'A4' : 'LETTER', layout, margin: 0 });
    this.titles.push(title);
    this.y = MARGIN;
  }

  /** Begins a page whose title takes one low line, for a drawing that wants the room. */
  drawingPage(title: string, layout: Layout): void {
    this.blank(title, layout);
    const own = { size: 11, weight: 'strong' } as const;
    this.say(title, MARGIN, this.y, own);
    const from = MARGIN + this.widthOf(title, own) + 8;
    const job = { size: 9, colour: SOFT, width: this.width - (from - MARGIN) };
    this.say(this.job, from, this.y + 1.5, job);
    this.y += Math.max(this.heightOf(title, own), 1.5 + this.heightOf(this.job, job)) + 4;
  }

  /** Width and height that are left of such a page under a title of one line. */
  drawingRoom(layout: Layout): Pick<Box, 'width' | 'height'> {
    const [narrow, long] = this.size === 'a4' ? [595.28, 841.89] : [612, 792];
    const [across, down] = layout === 'portrait' ? [narrow, long] : [long, narrow];
    return { width: across - 2 * MARGIN, height: down - 2 * MARGIN - FOOT - DRAWING_TITLE };
  }

  get title(): string {
    return this.titles.at(-1) ?? '';
  }

  get layout(): Layout {
    return this.doc.page.width > this.doc.page.height ? 'landscape' : 'portrait';
  }

  get left(): number {
    return MARGIN;
  }

  get width(): number {
    return this.doc.page.width - 2 * MARGIN;
  }

  get floor(): number {
    return this.doc.page.height - MARGIN - FOOT;
  }

  /** What is left of the page. */
  get rest(): Box {
    return { left: MARGIN, top: this.y, width: this.width, height: this.floor - this.y };
  }

  /** Goes on to another page of the same kind where so much has no room. */
  need(height: number): void {
    if (this.y + height > this.floor) this.page(this.title, this.layout);
  }

  private set(said: string, { size = 10.5, weight = 'plain', colour = INK }: SayOptions): string {
    // A line of a table is one line, whatever was typed into a name; and feet and inches as our own letters have them.
    const plain = said
      .replace(/[\u0000-\u001f]+/g, ' ')
      .replace(/′/g, "'")
      .replace(/″/g, '"');
    this.doc
      .font(writes(plain) ? weight : 'wider')
      .fontSize(size)
      .fillColor(colour);
    return plain;
  }

  widthOf(said: string, options: SayOptions = {}): number {
    return this.doc.widthOfString(this.set(said, options));
  }

  heightOf(said: string, options: SayOptions = {}): number {
    return this.doc.heightOfString(this.set(said, options), { width: options.width ?? this.width });
  }

  /** Writes at a place; lines break at the width where one is given. */
  say(said: string, x: number, y: number, options: SayOptions = {}): void {
    const plain = this.set(said, options);
    const { width, align } = options;
    this.doc.text(plain, x, y, {
      lineBreak: width !== undefined,
      ...(width === undefined ? {} : { width }),
      ...(align ? { align } : {}),
    });
  }

  heading(said: string): void {
    this.need(40);
    this.y += 8;
    this.paragraph(said, { size: 13, weight: 'strong' });
  }

  paragraph(said: string, options: SayOptions = {}): void {
    const height = this.heightOf(said, options);
    this.need(height);
    this.say(said, MARGIN, this.y, { width: this.width, ...options });
    this.y += height + 5;
  }

  /** A picture at the right of the page, by its data address; one that cannot be read is left out. */
  picture(address: string, { width, height, top }: { width: number; height: number; top: number }): void {
    try {
      this.doc.image(address, MARGIN + this.width - width, top, { fit: [width, height], align: 'right' });
    } catch {
      return;
    }
    this.y = Math.max(this.y, top + height + 6);
  }

  item(said: string): void {
    this.marked(said, 14, (top) => this.say('–', MARGIN, top));
  }

  /** Something to choose by a pen: a box to tick before it, as large as a pen’s tick. */
  choice(said: string): void {
    this.marked(said, 22, (top) => this.doc.rect(MARGIN, top, 11, 11).lineWidth(0.9).strokeColor(INK).stroke());
  }

  /** Words behind a mark that has so much room, pt. */
  private marked(said: string, room: number, mark: (top: number) => void): void {
    const width = this.width - room;
    const height = this.heightOf(said, { width });
    this.need(height);
    mark(this.y);
    this.say(said, MARGIN + room, this.y, { width });
    this.y += height + 4;
  }

  /** Numbers the pages and gives all of it. */
  async end(): Promise<Buffer> {
    const { doc } = this;
    const chunks: Buffer[] = [];
    doc.on('data', (chunk: Buffer) => chunks.push(chunk));
    const ended = new Promise<void>((resolve, reject) => doc.on('end', resolve).on('error', reject));
    const { count } = doc.bufferedPageRange();
    for (let k = 0; k < count; k++) {
      doc.switchToPage(k);
      const y = doc.page.height - MARGIN - 9;
      this.say(`${this.titles[k]!} · ${this.made}`, MARGIN, y, { size: 8, colour: SOFT });
      this.say(`Page ${k + 1} of ${count}`, doc.page.width - MARGIN - 120, y, {
        size: 8,
        colour: SOFT,
        width: 120,
        align: 'right',
      });
    }
    doc.end();
    await ended;
    return Buffer.concat(chunks);
  }
}

/** The plan to scale, with its scale bar, north and legend. */
import {
  LAYERS,
  METRES_PER_FOOT,
  SERVICE_PAINT,
  type Drawing,
  type LayerName,
  type Place,
  type Stroke,
  type UnitSystem,
} from '@katabasis/core';
import type { Spot } from '@katabasis/core/lettering';
import { putWords } from './letters';
import { INK, SOFT, type Box, type Layout, type Paper } from './paper';

const POINTS_PER_METRE = 72 / 0.0254;
const WATER = '#0b5a8f';

interface Pen {
  colour: string;
  width: number;
  dash?: number;
  fill?: string;
}

const PENS: Record<LayerName, Pen> = {
  contours: { colour: '#a89f8d', width: 0.4 },
  surfaces: { colour: '#b9b09f', width: 0.6, fill: '#f1ede4' },
  buildings: { colour: INK, width: 1.6, fill: '#e2dccf' },
  roofs: { colour: '#8a8171', width: 0.5, dash: 2 },
  openings: { colour: '#a5361f', width: 2.2 },
  barriers: { colour: '#6d6455', width: 0.8, dash: 4 },
  trees: { colour: '#4f6b3a', width: 0.7 },
  services: { colour: '#c8102e', width: 0.9, dash: 3 },
  works: { colour: '#2f7a70', width: 1.2 },
  pipes: { colour: WATER, width: 2 },
  inlets: { colour: INK, width: 1, fill: '#ffffff' },
  discharges: { colour: WATER, width: 1.6, fill: '#cfe3f1' },
  levels: { colour: SOFT, width: 0.5, fill: SOFT },
  words: { colour: INK, width: 0.5 },
};

/** Ratios that a scale rule has, 1 to so many; in feet an engineer’s (10 to 60 ft to the inch) and a builder’s (1/4 to 1/16 in to the foot). */
const RATIOS = {
  metric: [20, 25, 50, 75, 100, 125, 200, 250, 500, 750, 1000, 1250, 2000, 2500, 5000, 10000],
  us: [48, 64, 96, 120, 128, 192, 240, 360, 480, 600, 720, 1200, 2400, 3600, 6000, 12000],
};
/** Inches to the foot of a builder’s rule. */
const TO_THE_FOOT: Partial<Record<number, string>> = { 48: '1/4', 64: '3/16', 96: '1/8', 128: '3/32', 192: '1/16' };

export const ratioText = (ratio: number, units: UnitSystem): string => {
  if (units === 'metric') return `1:${ratio}`;
  const inch = TO_THE_FOOT[ratio];
  return inch ? `${inch} in = 1 ft (1:${ratio})` : `1 in = ${ratio / 12} ft (1:${ratio})`;
};

/** The largest scale at which an extent of so many metres goes into a box. */
export function ratioFor(east: number, north: number, { width, height }: Box, units: UnitSystem): number {
  const ratios = RATIOS[units];
  return (
    ratios.find(
      (ratio) => (east * POINTS_PER_METRE) / ratio <= width && (north * POINTS_PER_METRE) / ratio <= height,
    ) ?? Math.ceil(Math.max((east * POINTS_PER_METRE) / width, (north * POINTS_PER_METRE) / height) / 1000) * 1000
  );
}

/** Room for the scale, north and the legend: under the plan, or in a column beside it. */
const UNDER = 46;
const BESIDE = 118;
/** Round the drawing, for names at its edge, points. */
const EDGE = 12;

interface Placed {
  layout: Layout;
  legend: 'under' | 'beside';
  ratio: number;
}

/** How a plan of so many metres lies on its page: the way that gives it the largest scale, the legend under it where that is no matter. */
export function placedOn(paper: Pick<Paper, 'drawingRoom'>, across: number, up: number, units: UnitSystem): Placed {
  const usual: Layout = across > up ? 'landscape' : 'portrait';
  const layouts: Layout[] = [usual, usual === 'landscape' ? 'portrait' : 'landscape'];
  const ways = layouts.flatMap((layout) =>
    (['under', 'beside'] as const).map((legend): Placed => {
      const { width, height } = paper.drawingRoom(layout);
      const room = legend === 'under' ? { width, height: height - UNDER } : { width: width - BESIDE, height };
      const inner = { left: 0, top: 0, width: room.width - 2 * EDGE, height: room.height - 2 * EDGE };
      return { layout, legend, ratio: ratioFor(across, up, inner, units) };
    }),
  );
  return ways.reduce((best, way) => (way.ratio < best.ratio ? way : best));
}

export function putPlan(paper: Paper, drawing: Drawing, units: UnitSystem): void {
  const { extent } = drawing;
  if (!extent) {
    paper.page('Plan');
    paper.paragraph('Nothing has a place on the plan yet. The schedule of runs and the dig sheets say what is laid.');
    return;
  }
  const [across, up] = [extent.east - extent.west, extent.north - extent.south];
  const { layout, legend, ratio } = placedOn(paper, Math.max(across, 1), Math.max(up, 1), units);
  paper.drawingPage('Plan', layout);
  const { rest } = paper;
  const beside = legend === 'beside';
  const box: Box = {
    ...rest,
    width: rest.width - (beside ? BESIDE : 0),
    height: rest.height - (beside ? 0 : UNDER),
  };
  const scale = POINTS_PER_METRE / ratio;
  const x = (place: Place): number => box.left + box.width / 2 + (place.east - (extent.west + extent.east) / 2) * scale;
  const y = (place: Place): number =>
    box.top + box.height / 2 - (place.north - (extent.south + extent.north) / 2) * scale;
  const { doc } = paper;
  doc.save();
  doc.rect(box.left, box.top, box.width, box.height).clip();
  for (const stroke of drawing.strokes) draw(paper, stroke, x, y, scale);
  doc.restore();
  const spotOf = (place: Place): Spot => ({ x: x(place), y: y(place) });
  const left = putWords(paper, box, drawing, { spotOf, radiusOf: (stroke) => radiusOf(stroke, scale) });
  paper.y = box.top + box.height;
  const at: Box = beside
    ? { left: box.left + box.width + 14, top: box.top + 8, width: BESIDE - 14, height: box.height }
    : { left: box.left, top: box.top + box.height + 8, width: box.width, height: UNDER };
  foot(paper, drawing, { ratio, scale, units, left, at, beside });
}

/** Radius that a mark is drawn with, points. */
const radiusOf = (stroke: Stroke, scale: number): number =>
  stroke.shape === 'mark' ? Math.max(stroke.layer === 'levels' ? 0.9 : 2.6, stroke.radius * scale) : 0;

function draw(
  paper: Paper,
  stroke: Stroke,
  x: (place: Place) => number,
  y: (place: Place) => number,
  scale: number,
): void {
  const { doc } = paper;
  const pen = { ...PENS[stroke.layer] };
  if (stroke.shape === 'way' && stroke.guessed) pen.dash = 2;
  if (stroke.element?.kind === 'service') pen.colour = SERVICE_PAINT[stroke.element.form].paint;
  if (stroke.shape === 'mark') doc.circle(x(stroke.at), y(stroke.at), radiusOf(stroke, scale));
  else {
    const [first, ...others] = stroke.places;
    doc.moveTo(x(first!), y(first!));
    for (const place of others) doc.lineTo(x(place), y(place));
    if (stroke.shape === 'outline') doc.closePath();
  }
  doc.lineWidth(pen.width).strokeColor(pen.colour);
  if (pen.dash) doc.dash(pen.dash, { space: pen.dash });
  else doc.undash();
  const filled = pen.fill !== undefined && stroke.shape !== 'way';
  if (filled) doc.fillColor(pen.fill!).fillAndStroke();
  else doc.stroke();
  doc.undash();
}

/** A round length for the bar, of about so many metres. */
function barLength(metres: number, units: UnitSystem): { length: number; said: string } {
  const unit = units === 'us' ? METRES_PER_FOOT : 1;
  const about = metres / unit;
  const ten = 10 ** Math.floor(Math.log10(about));
  const round = [5, 2, 1].find((step) => step * ten <= about)! * ten;
  return { length: round * unit, said: `${round} ${units === 'us' ? 'ft' : 'm'}` };
}

interface Foot {
  ratio: number;
  /** pt a metre. */
  scale: number;
  units: UnitSystem;
  /** Names that found no room. */
  left: number;
  at: Box;
  /** In a column beside the plan; in a row under it. */
  beside: boolean;
}

/** The plan's scale, what found no room, north, and its layers. */
function foot(paper: Paper, drawing: Drawing, { ratio, scale, units, left, at, beside }: Foot): void {
  const { doc } = paper;
  const { top } = at;
  const { length, said } = barLength((beside ? at.width : 120) / scale, units);
  const bar = length * scale;
  doc.lineWidth(0.8).strokeColor(INK).fillColor(INK);
  doc.rect(at.left, top, bar / 2, 4).fillAndStroke();
  doc.rect(at.left + bar / 2, top, bar / 2, 4).stroke();
  const lines = beside ? [`0 to ${said}`, ratioText(ratio, units)] : [`0 to ${said} · ${ratioText(ratio, units)}`];
  lines.forEach((line, k) => paper.say(line, at.left, top + 8 + 11 * k, { size: 8 }));
  const under = top + 8 + 11 * lines.length;
  if (left > 0)
    paper.say(
      `${left === 1 ? 'One name' : `${left} names`} found no room here; the tables have ${left === 1 ? 'it' : 'them'}.`,
      at.left,
      under,
      {
        size: 7,
        colour: SOFT,
        ...(beside ? { width: at.width } : {}),
      },
    );
  putNorth(paper, drawing.north, beside ? [at.left + 6, under + 44] : [at.left + 190, top + 12]);
  const rows: Box = beside ? { ...at, top: under + 70 } : { ...at, left: at.left + 225, width: at.width - 225 };
  putLayers(paper, drawing, rows, beside);
}

/** North, a plain arrow with its letter, about a place. */
function putNorth(paper: Paper, turned: number, [x, y]: readonly [number, number]): void {
  const { doc } = paper;
  doc
    .save()
    .translate(x, y)
    .rotate((turned * 180) / Math.PI);
  doc.moveTo(0, 12).lineTo(0, -10).moveTo(-4, -3).lineTo(0, -10).lineTo(4, -3).lineWidth(1).strokeColor(INK).stroke();
  doc.restore();
  paper.say('N', x + 8, y - 6, { size: 9, weight: 'strong' });
}

/** What each layer is drawn by: in rows, or one under another. */
function putLayers(paper: Paper, drawing: Drawing, at: Box, column: boolean): void {
  const { doc } = paper;
  const used = Object.keys(LAYERS).filter(
    (layer) => layer !== 'words' && drawing.strokes.some((stroke) => stroke.layer === layer),
  ) as LayerName[];
  let [lx, ly] = [at.left, at.top];
  for (const layer of used) {
    const width = paper.widthOf(LAYERS[layer], { size: 7.5 }) + 34;
    if (lx > at.left && (column || lx + width > at.left + at.width)) [lx, ly] = [at.left, ly + 12];
    const pen = PENS[layer];
    doc.lineWidth(Math.max(0.7, pen.width)).strokeColor(pen.colour);
    if (pen.dash) doc.dash(pen.dash, { space: pen.dash });
    if (pen.fill) doc.rect(lx, ly, 14, 7).fillColor(pen.fill).fillAndStroke();
    else
      doc
        .moveTo(lx, ly + 4)
        .lineTo(lx + 14, ly + 4)
        .stroke();
    doc.undash();
    paper.say(LAYERS[layer], lx + 18, ly - 1, { size: 7.5 });
    lx += width;
  }
}

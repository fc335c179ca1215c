/** Words on the plan on paper, placed as on the screen: none over another and none across ink, turned along their line, led to where they stand apart. */
import type { Drawing, LayerName, Place, Stroke } from '@katabasis/core';
import {
  along,
  InkMap,
  leaderOf,
  placeWords,
  round,
  within,
  type Spot,
  type Stand,
  type Words,
} from '@katabasis/core/lettering';
import { INK, SOFT, type Box, type Paper } from './paper';

const WATER = '#0b5a8f';

/** Side of a cell that ink is looked for in, points: letters are half as high as on a screen. */
const CELL = 1.5;

/** What must be found first is written first. */
const ORDER: readonly LayerName[] = [
  'discharges',
  'inlets',
  'buildings',
  'pipes',
  'services',
  'works',
  'openings',
  'trees',
  'surfaces',
  'barriers',
  'levels',
];
/** Names of these are led to from further off, by rings. */
const RINGS: Partial<Record<LayerName, number>> = { discharges: 4, inlets: 4, levels: 1 };
/** Layers that words give way to only where there is room elsewhere; what is drawn thin and pale. */
const FAINT = new Set<LayerName>(['contours', 'levels']);
const SOLID = new Set<LayerName>(['buildings', 'pipes', 'inlets', 'openings', 'discharges']);

const sizeOf = (layer: LayerName): number => (layer === 'levels' ? 6 : 8);
const colourOf = (layer: LayerName): string =>
  layer === 'pipes' || layer === 'discharges' ? WATER : layer === 'levels' ? SOFT : INK;

interface Lettered extends Words {
  said: string;
  layer: LayerName;
}

export interface OnPaper {
  spotOf: (place: Place) => Spot;
  /** Radius that a mark is drawn with, points. */
  radiusOf: (stroke: Stroke) => number;
}

/** Places what has room in a box and writes it; gives how many words found none, but for levels, which the tables have. */
export function putWords(paper: Paper, box: Box, drawing: Drawing, { spotOf, radiusOf }: OnPaper): number {
  const frame = { left: box.left, top: box.top, right: box.left + box.width, bottom: box.top + box.height };
  const maps = [0, 1, 2].map(() => new InkMap(frame, { x: box.left, y: box.top }, CELL));
  const [firm, solid, faint] = [maps[0]!, maps[1]!, maps[2]!];
  for (const stroke of drawing.strokes) {
    const inks = FAINT.has(stroke.layer) ? [faint] : SOLID.has(stroke.layer) ? [firm, solid] : [firm];
    for (const ink of inks)
      if (stroke.shape !== 'mark') ink.way(stroke.places.map(spotOf), stroke.shape === 'outline', 2);
      else if (stroke.layer === 'trees') ink.circle(spotOf(stroke.at), radiusOf(stroke));
      else {
        const [{ x, y }, r] = [spotOf(stroke.at), radiusOf(stroke) + 0.5];
        ink.box({ left: x - r, right: x + r, top: y - r, bottom: y + r });
      }
  }
  const all = drawing.words.map(({ said, layer, of }, k): Lettered => {
    const size = sizeOf(layer);
    const room = { width: paper.widthOf(said, { size }), height: size * 1.15 };
    return {
      id: String(k),
      said,
      layer,
      ...room,
      rank: ORDER.length - ORDER.indexOf(layer),
      stands: standsOf(of, layer, room),
    };
  });
  const { stands } = placeWords(all, frame, [], { firm, solid, faint });
  for (const words of all) {
    const stand = stands.get(words.id);
    if (stand) write(paper, words, stand);
  }
  return all.filter(({ id, layer }) => layer !== 'levels' && !stands.has(id)).length;

  function standsOf(of: Stroke, layer: LayerName, size: { width: number; height: number }): Stand[] {
    if (of.shape === 'mark')
      return round(spotOf(of.at), of.layer === 'trees' ? 2 : radiusOf(of), size, RINGS[layer] ?? 3);
    const spots = of.places.map(spotOf);
    if (of.shape === 'outline') return within(spots, size);
    const middle = spots[Math.floor(spots.length / 2)]!;
    return [...along(spots, 1.5, size), ...(layer === 'openings' || layer === 'inlets' ? round(middle, 4, size) : [])];
  }
}

function write(paper: Paper, { said, layer, width, height }: Lettered, stand: Stand): void {
  const { doc } = paper;
  const { x, y, turn } = stand;
  if (stand.leader) {
    const [from, to] = leaderOf({ width, height }, stand);
    doc.moveTo(from.x, from.y).lineTo(to.x, to.y).lineWidth(0.4).strokeColor(SOFT).stroke();
  }
  doc.save();
  if (turn !== 0) doc.rotate((turn * 180) / Math.PI, { origin: [x, y] });
  doc
    .rect(x - width / 2 - 0.5, y - height / 2, width + 1, height)
    .fillOpacity(0.75)
    .fillColor('#ffffff')
    .fill()
    .fillOpacity(1);
  paper.say(said, x - width / 2, y - height / 2, { size: sizeOf(layer), colour: colourOf(layer) });
  doc.restore();
}

/** A storm in four pictures on a page: what stands where, and when. */
import {
  drawingOf,
  headOf,
  showClock,
  showSmall,
  text,
  type Drawing,
  type Job,
  type Place,
  type Plan,
} from '@katabasis/core';
import { DEPTHS, type Filmstrip, type Still } from '@katabasis/core/simulation';
import { INK, type Paper } from './paper';

const WATER = ['#cfe0ea', '#9cc3da', '#4f8db4', '#0b4f79'];
const SOFT = '#b9b09f';
const BRICK = '#a5361f';
const PIPE = '#6d6455';
const GAP = 16;
const LABEL = 18;

interface Frame {
  left: number;
  top: number;
  scale: number;
}

/** What water is drawn in: of each step of depth its colour, and from how deep on it is. */
export const depthWords = (job: Job): string =>
  `Water the darker the deeper: from ${DEPTHS.map((depth) => text(showSmall(depth, headOf(job).units))).join(', ')}. Red: a pipe that runs under pressure.`;

export const stillColours: readonly string[] = WATER;

function putStill(paper: Paper, still: Still, drawing: Drawing, { left, top, scale }: Frame): void {
  const { doc } = paper;
  const { extent, strokes } = drawing;
  const at = ({ east, north }: Place): [number, number] => [
    left + (east - extent!.west) * scale,
    top + (extent!.north - north) * scale,
  ];
  const outline = (places: readonly Place[], close: boolean): void => {
    places.forEach((place, k) => (k === 0 ? doc.moveTo(...at(place)) : doc.lineTo(...at(place))));
    if (close) doc.closePath();
  };
  for (const stroke of strokes)
    if (stroke.shape !== 'mark' && stroke.layer === 'surfaces') {
      outline(stroke.places, stroke.shape === 'outline');
      doc.lineWidth(0.5).strokeColor(SOFT).stroke();
    }
  still.water.forEach((some, band) => {
    for (const places of some) outline(places, true);
    if (some.length > 0) doc.fillColor(WATER[band]!).fill();
  });
  for (const stroke of strokes) {
    if (stroke.shape === 'mark') continue;
    if (stroke.layer === 'buildings') {
      outline(stroke.places, stroke.shape === 'outline');
      doc.lineWidth(1).fillAndStroke('#ffffff', INK);
    } else if (stroke.layer === 'pipes') {
      outline(stroke.places, false);
      const isPressed = still.pressed.includes(stroke.element?.id ?? '');
      doc
        .lineWidth(1.6)
        .strokeColor(isPressed ? BRICK : PIPE)
        .stroke();
    }
  }
  for (const stroke of strokes)
    if (stroke.shape === 'mark' && (stroke.layer === 'inlets' || stroke.layer === 'discharges')) {
      const isUnder = still.under.includes(stroke.element?.id ?? '');
      doc.circle(...at(stroke.at), isUnder ? 3.2 : 2).lineWidth(0.8);
      doc.fillAndStroke(isUnder ? WATER[3]! : '#ffffff', INK);
    }
}

/** A page of its own. */
export function putStills(paper: Paper, job: Job, plan: Plan, strip: Filmstrip): void {
  const drawing = drawingOf(job, plan, false);
  const { extent } = drawing;
  if (!extent) return;
  paper.page('What you will see in the rain', 'landscape');
  paper.paragraph(strip.sentence, { weight: 'strong' });
  paper.paragraph(depthWords(job));
  const { rest } = paper;
  const [across, down] = [2, Math.ceil(strip.stills.length / 2)];
  const width = (rest.width - GAP) / across;
  const height = (rest.height - GAP) / down - LABEL;
  const scale = Math.min(width / (extent.east - extent.west), height / (extent.north - extent.south));
  const top = paper.y;
  strip.stills.forEach((still, k) => {
    const left = paper.left + (k % across) * (width + GAP);
    const head = top + Math.floor(k / across) * (height + LABEL + GAP / 2);
    paper.say(`${still.label}, ${showClock(still.time)}`, left, head, { size: 11, weight: 'strong' });
    putStill(paper, still, drawing, { left, top: head + LABEL, scale });
  });
  paper.y = top + rest.height;
}

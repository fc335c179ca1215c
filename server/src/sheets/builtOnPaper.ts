/** Readings as laid on the plan to scale: a dot where it lies as planned, a number where it is off, told beside it. */
import { headOf, showLength, showSmall, text, type Job } from '@katabasis/core';
import { alongWords, type BuiltOnPlan } from '@katabasis/core/as-built';
import { INK, SOFT, type Paper } from './paper';

/** Points that it is drawn high at most. */
const HIGH = 260;
const DOT = 2;
const RING = 6;
const HEADING = 40;

export function putBuilt(paper: Paper, job: Job, { sketch, marks, planned }: BuiltOnPlan): void {
  const { units } = headOf(job);
  const scale = Math.min(paper.width / sketch.width, HIGH / sketch.height);
  const height = sketch.height * scale + 2 * RING;
  // Its heading stands on the page of the drawing.
  paper.need(height + HEADING);
  paper.heading('As it was read beside the plan');
  const { doc } = paper;
  const [left, top] = [paper.left + RING, paper.y + RING];
  doc.save().translate(left, top).scale(scale);
  doc
    .lineWidth(0.8 / scale)
    .strokeColor(SOFT)
    .path(sketch.houses)
    .stroke();
  doc
    .lineWidth(1.2 / scale)
    .strokeColor(INK)
    .path(sketch.pipes)
    .stroke();
  if (planned !== '')
    doc
      .lineWidth(0.8 / scale)
      .dash(4 / scale, { space: 3 / scale })
      .path(planned)
      .stroke()
      .undash();
  doc.restore();
  for (const { x, y, number } of marks) {
    const [at, down] = [left + x * scale, top + y * scale];
    if (number === null) doc.circle(at, down, DOT).fill(INK);
    else {
      doc.circle(at, down, RING).lineWidth(1).fillAndStroke('white', INK);
      paper.say(String(number), at - RING, down - 4, { size: 7, width: 2 * RING, align: 'center' });
    }
  }
  paper.y += height;
  for (const mark of marks) {
    if (mark.number === null) continue;
    const off = `${text(showSmall(Math.abs(mark.off), units))} ${mark.off > 0 ? 'high' : 'low'}`;
    paper.paragraph(`${mark.number}. ${off}: ${alongWords(job, mark, text(showLength(mark.along, units)))}.`);
  }
}

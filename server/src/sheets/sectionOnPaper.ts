/** A line's long section on paper: ground, pipe, water and cover, with levels at every landing. */
import {
  groundOver,
  elementOf,
  headOf,
  nameOf,
  routeOf,
  sectionOf,
  showLength,
  showLevel,
  showNominal,
  showPitch,
  text,
  METRES_PER_FOOT,
  type Job,
  type Plan,
  type RunPlan,
} from '@katabasis/core';
import { INK, LINE, SOFT, type Box, type Paper } from './paper';

const GROUND = '#7a5c34';
const WATER = '#0b5a8f';
/** Room for what is written over and under the drawing, points. */
const OVER = 74;
const UNDER = 118;
const SIDE = 52;
/** Two words that stand on end lie no nearer than this. */
const APART = 9;

/** From the head that lies furthest up a line. */
function headOfLine(plan: Plan, ids: readonly string[]): string | null {
  const runs = ids.flatMap((id) => plan.runs[id] ?? []);
  const tos = new Set(runs.map(({ to }) => to));
  const heads = runs.filter(({ from }) => !tos.has(from));
  const length = ({ from }: RunPlan): number => routeOf(plan, from).reduce((sum, run) => sum + run.length, 0);
  return heads.sort((a, b) => length(b) - length(a))[0]?.from ?? null;
}

/** Round steps of a scale: about so many over a range. */
function stepOf(range: number, count: number): number {
  const about = range / count;
  const ten = 10 ** Math.floor(Math.log10(about));
  return [1, 2, 5, 10].find((step) => step * ten >= about)! * ten;
}

export function putSection(
  paper: Paper,
  job: Job,
  plan: Plan,
  line: { letter: string; runs: readonly string[] },
): void {
  const from = headOfLine(plan, line.runs);
  if (from === null) return;
  const { units } = headOf(job);
  const own = new Set(line.runs);
  const route = routeOf(plan, from).filter(({ id }) => own.has(id));
  const section = sectionOf(plan, route, (id) => {
    const run = elementOf(job, 'run', id);
    return run ? groundOver(job, run) : [];
  });
  paper.page(`Long section of line ${line.letter}`, 'landscape');
  const { rest, doc } = paper;
  const box: Box = {
    left: rest.left + SIDE,
    top: rest.top + OVER,
    width: rest.width - SIDE - 8,
    height: rest.height - OVER - UNDER,
  };
  const unit = units === 'us' ? METRES_PER_FOOT : 1;
  const step = stepOf(Math.max(section.top - section.bottom, 0.3) / unit, 6) * unit;
  const bottom = Math.floor(section.bottom / step) * step;
  const top = Math.max(Math.ceil(section.top / step) * step, bottom + step);
  const x = (station: number): number => box.left + (station / Math.max(section.length, 0.1)) * box.width;
  const y = (level: number): number => box.top + box.height - ((level - bottom) / (top - bottom)) * box.height;
  for (let level = bottom; level <= top + 1e-9; level += step) {
    doc
      .moveTo(box.left, y(level))
      .lineTo(box.left + box.width, y(level))
      .lineWidth(0.4)
      .strokeColor(LINE)
      .stroke();
    paper.say(text(showLevel(level, units)), rest.left, y(level) - 4, { size: 7, colour: SOFT });
  }
  const trace = (
    pick: (point: (typeof section.points)[number]) => number,
    colour: string,
    width: number,
    dash = 0,
  ): void => {
    section.points.forEach((point, k) =>
      k === 0 ? doc.moveTo(x(point.station), y(pick(point))) : doc.lineTo(x(point.station), y(pick(point))),
    );
    doc.lineWidth(width).strokeColor(colour);
    if (dash > 0) doc.dash(dash, { space: dash });
    doc.stroke().undash();
  };
  trace(({ ground }) => ground, GROUND, 1.4);
  trace(({ coverLimit }) => coverLimit, GROUND, 0.5, 3);
  trace(({ water }) => water, WATER, 0.9, 2);
  for (const [head, end] of section.pipes)
    for (const key of ['invert', 'crown'] as const)
      doc
        .moveTo(x(head.station), y(head[key]))
        .lineTo(x(end.station), y(end[key]))
        .lineWidth(key === 'invert' ? 1.6 : 0.9)
        .strokeColor(INK)
        .stroke();
  upright(paper, job, plan, { landings: section.landings, x, box });
  between(paper, route, x, box, units);
  const foot = box.top + box.height + UNDER - 14;
  const tall = Math.round(box.height / (top - bottom) / (box.width / Math.max(section.length, 0.1)));
  paper.say(
    `Heights ${tall} times as large as lengths. Brown: ground, dashed where the crown may lie highest. Black: invert and crown. Blue: water in the design rain.`,
    rest.left,
    foot,
    { size: 7.5, colour: SOFT },
  );
  paper.y = paper.floor;
}

/** Names over the drawing and levels under it, on end at each landing; one that has no room beside the last is left to the schedule. */
function upright(
  paper: Paper,
  job: Job,
  plan: Plan,
  {
    landings,
    x,
    box,
  }: { landings: readonly { id: string; station: number }[]; x: (station: number) => number; box: Box },
): void {
  const { units } = headOf(job);
  const { doc } = paper;
  let last = -Infinity;
  for (const { id, station } of landings) {
    const at = x(station);
    doc
      .moveTo(at, box.top)
      .lineTo(at, box.top + box.height)
      .lineWidth(0.3)
      .strokeColor(LINE)
      .stroke();
    if (at - last < APART) continue;
    last = at;
    const planned = plan.landings[id];
    const onEnd = (said: string, foot: number, colour: string): void => {
      doc.save().rotate(-90, { origin: [at, foot] });
      paper.say(said, at, foot - 4, { size: 7, colour });
      doc.restore();
    };
    onEnd(shortened(paper, nameOf(job, id), OVER - 4), box.top - 3, INK);
    const invert = typeof planned?.invert === 'number' ? `inv ${text(showLevel(planned.invert, units))}` : '';
    onEnd(text(showLength(station, units)), box.top + box.height + 44, SOFT);
    if (invert !== '') onEnd(invert, box.top + box.height + 100, INK);
  }
}

/** A name that goes into so much, its end left off where it does not: the schedule has it whole. */
function shortened(paper: Paper, name: string, room: number): string {
  if (paper.widthOf(name, { size: 7 }) <= room) return name;
  let cut = name.length;
  while (cut > 1 && paper.widthOf(`${name.slice(0, cut)}…`, { size: 7 }) > room) cut--;
  return `${name.slice(0, cut)}…`;
}

/** Size and pitch of each pipe beside it, where there is room. */
function between(
  paper: Paper,
  route: readonly RunPlan[],
  x: (station: number) => number,
  box: Box,
  units: 'us' | 'metric',
): void {
  let station = 0;
  for (const run of route) {
    const [head, end] = [x(station), x(station + run.length)];
    station += run.length;
    const said = `${text(showNominal(run.nominal, units))}, ${text(showPitch(run.pitch))}`;
    const width = paper.widthOf(said, { size: 7 });
    if (width + 10 > end - head) continue;
    paper.say(said, (head + end - width) / 2, box.top + box.height + 3, { size: 7 });
  }
}

/** A line's long section on paper, two to a page: ground, pipe filled, water and cover, what it crosses, and levels at every landing. */
import {
  crossingsOfRun,
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
  type Section,
  type SectionPoint,
  type UnitSystem,
} from '@katabasis/core';
import { INK, LINE, SOFT, type Box, type Paper } from './paper';
import { heightOfRows, inRows, putTags, READ, shortened, type Tag } from './sectionWords';

const GROUND = '#7a5c34';
const WATER = '#0b5a8f';
/** In black and white a pale grey. */
const WET = '#b7d2e2';
const TITLE = 'Long sections';
/** Sections on a page. */
const ON_PAGE = 2;
/** Room at the left for levels, points. */
const SIDE = 50;
/** Between the drawing and the words under it: sizes and pitch. */
const PIPES = 14;
/** No name is wider under a landing. */
const WIDEST = 92;

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

/** What a section is drawn by. */
interface Drawn {
  paper: Paper;
  box: Box;
  x: (station: number) => number;
  y: (level: number) => number;
}

/** Everything that a section is drawn from. */
interface Given {
  job: Job;
  plan: Plan;
  route: readonly RunPlan[];
  section: Section;
}

export function putSection(
  paper: Paper,
  job: Job,
  plan: Plan,
  line: { letter: string; runs: readonly string[] },
): void {
  const from = headOfLine(plan, line.runs);
  if (from === null) return;
  const own = new Set(line.runs);
  const route = routeOf(plan, from).filter(({ id }) => own.has(id));
  const section = sectionOf(plan, route, (id) => {
    const run = elementOf(job, 'run', id);
    return run ? groundOver(job, run) : [];
  });
  const height = roomFor(paper);
  const { rest, left } = paper;
  paper.say(`Long section of line ${line.letter}`, left, rest.top, { size: 12, weight: 'strong' });
  const box: Box = { left: left + SIDE, top: rest.top + 18, width: rest.width - SIDE - 8, height: 0 };
  const x = (station: number): number => box.left + (station / Math.max(section.length, 0.1)) * box.width;
  const given: Given = { job, plan, route, section };
  const names = crossed(given).map(({ id, from, to }): Tag => ({
    at: x((from + to) / 2),
    lines: [shortened(paper, nameOf(job, id), WIDEST)],
  }));
  const over = inRows(paper, names, { left: box.left, right: box.left + box.width });
  const words = inRows(paper, landingTags(paper, given, x), { left, right: left + rest.width });
  putTags(paper, over, box.top);
  box.top += heightOfRows(over) + 4;
  box.height = Math.max(60, rest.top + height - box.top - PIPES - heightOfRows(words) - 8);
  const { units } = headOf(job);
  const drawn = scaled(paper, box, x, section, units);
  drawPipes(drawn, given);
  putCrossings(drawn, given);
  putPipeWords(drawn, route, units);
  putTags(paper, words, box.top + box.height + PIPES);
  paper.y = rest.top + height;
}

/** Goes on to a page with room for one more, and says how high that may be; what it means stands under the title. */
function roomFor(paper: Paper): number {
  const whole = (): number => paper.floor - paper.y;
  if (paper.title !== TITLE || whole() < 150) {
    paper.page(TITLE, 'landscape');
    paper.paragraph(
      'Brown: ground, dashed where the crown may lie highest. Black: the pipe. Blue: water in the design rain. Heights are drawn larger than lengths.',
      { size: READ, colour: SOFT },
    );
    return whole() / ON_PAGE - 6;
  }
  return whole();
}

/** The grid of levels behind a section, and the scale that it is drawn by. */
function scaled(paper: Paper, box: Box, x: Drawn['x'], section: Section, units: UnitSystem): Drawn {
  const { doc } = paper;
  const unit = units === 'us' ? METRES_PER_FOOT : 1;
  const step = stepOf(Math.max(section.top - section.bottom, 0.3) / unit, Math.max(2, box.height / 26)) * unit;
  const bottom = Math.floor(section.bottom / step) * step;
  const top = Math.max(Math.ceil(section.top / step) * step, bottom + step);
  const y = (level: number): number => box.top + box.height - ((level - bottom) / (top - bottom)) * box.height;
  for (let level = bottom; level <= top + 1e-9; level += step) {
    doc
      .moveTo(box.left, y(level))
      .lineTo(box.left + box.width, y(level))
      .lineWidth(0.4)
      .strokeColor(LINE)
      .stroke();
    paper.say(text(showLevel(level, units)), paper.left, y(level) - 5, {
      size: READ,
      colour: SOFT,
      width: SIDE - 4,
      align: 'right',
    });
  }
  for (const { station } of section.landings)
    doc
      .moveTo(x(station), box.top)
      .lineTo(x(station), box.top + box.height)
      .lineWidth(0.3)
      .strokeColor(LINE)
      .stroke();
  return { paper, box, x, y };
}

/** The ground, each pipe filled with its water as it stands, and how high its crown may lie. */
function drawPipes({ paper: { doc }, box, x, y }: Drawn, { section }: Given): void {
  doc.save().rect(box.left, box.top, box.width, box.height).clip();
  const trace = (points: readonly SectionPoint[], pick: (point: SectionPoint) => number): void =>
    points.forEach((point, k) =>
      k === 0 ? doc.moveTo(x(point.station), y(pick(point))) : doc.lineTo(x(point.station), y(pick(point))),
    );
  const filled = (ends: readonly SectionPoint[], top: (point: SectionPoint) => number, colour: string): void => {
    trace(ends, ({ invert }) => invert);
    for (const end of [...ends].reverse()) doc.lineTo(x(end.station), y(top(end)));
    doc.closePath().fillColor(colour).fill();
  };
  for (const ends of section.pipes) {
    filled(ends, ({ crown }) => crown, '#ffffff');
    filled(ends, ({ wet }) => wet, WET);
    trace(ends, ({ wet }) => wet);
    doc.lineWidth(0.9).strokeColor(WATER).stroke();
    // Under pressure the water stands over the crown.
    if (ends.some(({ water, crown }) => water > crown)) {
      trace(ends, ({ water }) => water);
      doc.lineWidth(0.9).strokeColor(WATER).dash(2, { space: 2 }).stroke().undash();
    }
    for (const key of ['invert', 'crown'] as const) {
      trace(ends, (point) => point[key]);
      doc
        .lineWidth(key === 'invert' ? 1.6 : 0.9)
        .strokeColor(INK)
        .stroke();
    }
  }
  trace(section.points, ({ coverLimit }) => coverLimit);
  doc.lineWidth(0.5).strokeColor(GROUND).dash(3, { space: 3 }).stroke().undash();
  trace(section.points, ({ ground }) => ground);
  doc.lineWidth(1.4).strokeColor(GROUND).stroke();
  doc.restore();
}

/** What is written under each landing: its name, how far down it stands, and its invert. */
function landingTags(paper: Paper, { job, plan, route, section }: Given, x: Drawn['x']): Tag[] {
  const { units } = headOf(job);
  return section.landings.map(({ id, station }, k) => {
    // At a way out each pipe has an end of its own.
    const invert = k === route.length ? route.at(-1)!.invertDown : plan.landings[id]?.invert;
    return {
      at: x(station),
      lines: [
        shortened(paper, nameOf(job, id), WIDEST),
        `at ${text(showLength(station, units))}`,
        ...(typeof invert === 'number' ? [`inv ${text(showLevel(invert, units))}`] : []),
      ],
    };
  });
}

/** What a line crosses, m down it. */
function crossed({ job, route }: Given): { id: string; from: number; to: number }[] {
  let gone = 0;
  return route.flatMap((each) => {
    const run = elementOf(job, 'run', each.id);
    const at = gone;
    gone += each.length;
    return (run ? crossingsOfRun(job, run) : []).map(({ id, from, to }) => ({ id, from: at + from, to: at + to }));
  });
}

/** What a line crosses: a mark down from its name to the ground there, and a dot where a service lies. */
function putCrossings({ paper: { doc }, box, x, y }: Drawn, given: Given): void {
  const { points } = given.section;
  const groundAt = (station: number): number =>
    (points.findLast((point) => point.station <= station) ?? points[0]!).ground;
  for (const { id, from, to } of crossed(given)) {
    const level = groundAt(from);
    if (to > from)
      // Paving and roots lie over a stretch of it.
      doc.moveTo(x(from), y(level) - 2.5).lineTo(x(to), y(groundAt(to)) - 2.5);
    else doc.moveTo(x(from), box.top - 2).lineTo(x(from), y(level));
    doc
      .lineWidth(to > from ? 2.5 : 0.5)
      .strokeColor(INK)
      .stroke();
    const depth = elementOf(given.job, 'service', id)?.depth;
    if (depth !== undefined)
      doc
        .circle(x(from), y(level - depth), 2.4)
        .fillColor(INK)
        .fill();
  }
}

/** Size and pitch of each pipe under it, where there is room. */
function putPipeWords({ paper, box, x }: Drawn, route: readonly RunPlan[], units: UnitSystem): void {
  let station = 0;
  for (const run of route) {
    const [head, end] = [x(station), x(station + run.length)];
    station += run.length;
    const said = `${text(showNominal(run.nominal, units))}, ${text(showPitch(run.pitch))}`;
    const width = paper.widthOf(said, { size: READ });
    if (width + 8 > end - head) continue;
    paper.say(said, (head + end - width) / 2, box.top + box.height + 2, { size: READ, weight: 'strong' });
  }
}

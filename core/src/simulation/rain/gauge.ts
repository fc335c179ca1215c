/** Rain as a gauge wrote it down, or as somebody typed it: a line for each time, with what fell up to it or how hard it rains. */
import { METRES_PER_INCH } from '../../units/constants';
import type { Rainfall } from './rainfall';

export type GaugeRead = { ok: true; rain: Rainfall; told: readonly string[] } | { ok: false; sentence: string };

/** A day is the longest that is followed; a step is no shorter than this, s. */
const DAY = 86_400;
const SHORTEST = 10;
const MILLIMETRE = 1e-3;
const HOUR = 3600;
/** More than the hardest minute ever measured, m/s: such a figure is in another unit. */
const HARDEST = 40e-3 / 60;
/** A gap is so many times the usual step. */
const GAP = 3;

type Kind = { depth: number } | { intensity: number };

/** m or m/s of one of its units; null of words that name none. */
function unitIn(words: string): Kind | null {
  const found = /(?<![a-z])(mm|inch(?:es)?|in|")(?![a-z])\s*(?:(?:\/|per)\s*(h(?:ou)?r?)\b)?/i.exec(words);
  if (!found) return null;
  const one = found[1]!.toLowerCase() === 'mm' ? MILLIMETRE : METRES_PER_INCH;
  return found[2] === undefined ? { depth: one } : { intensity: one / HOUR };
}

/** s of a time as 0:10, 1:05:30, 12 (minutes) or a date with a time; null where it is none. */
function secondsOf(words: string): number | null {
  const clock = /^(\d{1,3}):([0-5]?\d)(?::([0-5]?\d))?$/.exec(words);
  if (clock) return Number(clock[1]) * HOUR + Number(clock[2]) * 60 + Number(clock[3] ?? 0);
  if (/^\d+(\.\d+)?$/.test(words)) return Number(words) * 60;
  const date = /^(\d{4}-\d{2}-\d{2})[T ](\d{1,2}):(\d{2})(?::(\d{2}))?/.exec(words);
  if (!date) return null;
  const day = Date.parse(`${date[1]}T00:00:00Z`);
  return Number.isNaN(day) ? null : day / 1000 + Number(date[2]) * HOUR + Number(date[3]) * 60 + Number(date[4] ?? 0);
}

interface Line {
  at: number;
  /** m up to its time, or m/s from it on. */
  amount: number;
  number: number;
}

interface Lines {
  unit: Kind;
  /** Each says what has fallen since the first. */
  running: boolean;
  lines: Line[];
}

/** A line's time, and what stands after it; null where it begins with none. */
function parted(line: string): { time: string; rest: string } | null {
  // Where cells are parted otherwise a comma is a decimal point.
  const plain = (/[;\t]/.test(line) ? line.replaceAll(',', '.') : line).replaceAll('"', '').trim();
  const found =
    /^(\d{4}-\d{2}-\d{2}[T ]\d{1,2}:\d{2}(?::\d{2})?Z?|\d{1,3}:\d{2}(?::\d{2})?|\d+(?:\.\d+)?)(?:[\s,;]+(.*))?$/.exec(
      plain,
    );
  return found && { time: found[1]!, rest: found[2] ?? '' };
}

const sameUnit = (one: Kind, other: Kind): boolean => JSON.stringify(one) === JSON.stringify(other);

/** What a text says, line by line; a sentence where one cannot be read. `unit`: what its figures are in where it does not say. */
function linesOf(text: string, usual: Kind): Lines | string {
  let unit: Kind | null = null;
  const lines: Line[] = [];
  let running = false;
  for (const [k, raw] of text.split(/\r?\n/).entries()) {
    const line = raw.trim();
    if (line === '' || line.startsWith('#')) continue;
    const part = parted(line);
    const at = part && secondsOf(part.time);
    if (at === null || part === null) {
      if (lines.length > 0) return `Line ${k + 1} begins with “${line.slice(0, 20)}”, which is no time.`;
      unit = unitIn(line) ?? unit;
      running ||= /cumul|total|running/i.test(line);
      continue;
    }
    if (part.rest === '') return `Line ${k + 1} says a time and no rain.`;
    const figure = /^(-?\d+(?:\.\d+)?)(?![\d.])[\s,;]*(.*)$/.exec(part.rest);
    if (!figure) return `Line ${k + 1} says “${part.rest.slice(0, 20)}”, which is no figure.`;
    const own = unitIn(figure[2]!);
    if (own && unit && !sameUnit(own, unit)) return `Line ${k + 1} is in another unit than the lines before it.`;
    unit = own ?? unit;
    const amount = Number(figure[1]);
    if (amount < 0) return `Line ${k + 1} says less than no rain.`;
    lines.push({ at, amount, number: k + 1 });
  }
  return { unit: unit ?? usual, running, lines };
}

const differences = (lines: readonly Line[]): Line[] =>
  lines.map((line, k) => ({ ...line, amount: k === 0 ? 0 : line.amount - lines[k - 1]!.amount }));

/** How long a line stands for, s: the time that lies most often between two. */
function usualStep(lines: readonly Line[]): number {
  const counts = new Map<number, number>();
  for (let k = 1; k < lines.length; k++) {
    const step = Math.round(lines[k]!.at - lines[k - 1]!.at);
    counts.set(step, (counts.get(step) ?? 0) + 1);
  }
  return [...counts].reduce((most, each) => (each[1] > most[1] ? each : most), [60, 0])[0];
}

/** Where a day of most rain begins, among the lines. */
function wettestDay(depths: readonly { from: number; to: number; depth: number }[]): number {
  let [best, most, sum, first] = [0, -1, 0, 0];
  depths.forEach(({ to, depth }) => {
    sum += depth;
    while (depths[first]!.from < to - DAY) sum -= depths[first++]!.depth;
    if (sum > most) [most, best] = [sum, first];
  });
  return depths[best]!.from;
}

/**
 * Reads a gauge. Each line: a time (0:10, minutes, or a date with a time) and the depth that fell since the line before, or the intensity up to
 * the next line where the unit is one of an hour; the unit stands in a head or behind the figures, and is `usual` where none does. Gaps are dry.
 * Of more than a day the wettest day is taken. A sentence where it cannot be read.
 */
export function readGauge(text: string, usual: 'mm' | 'in'): GaugeRead {
  const refused = (sentence: string): GaugeRead => ({ ok: false, sentence });
  const read = linesOf(text, { depth: usual === 'mm' ? MILLIMETRE : METRES_PER_INCH });
  if (typeof read === 'string') return refused(read);
  const { unit, running } = read;
  const lines = running ? differences(read.lines) : read.lines;
  if (lines.length === 0) return refused('There is no line with a time and an amount of rain.');
  const less = lines.find(({ amount }) => amount < 0);
  if (less) return refused(`Line ${less.number} says less than the line before it, of a total that runs on.`);
  const back = lines.findIndex(({ at }, k) => k > 0 && at <= lines[k - 1]!.at);
  if (back > 0) return refused(`Line ${lines[back]!.number} is no later than the line before it.`);
  const step = usualStep(lines);
  const gaps: number[] = [];
  const pieces = lines.flatMap(({ at, amount }, k) => {
    const before = lines[k - 1]?.at;
    const next = lines[k + 1]?.at;
    if (before !== undefined && at - before > GAP * step) gaps.push(k);
    if ('intensity' in unit) {
      const to = next === undefined || next - at > GAP * step ? at + step : next;
      return [{ from: at, to, depth: amount * unit.intensity * (to - at) }];
    }
    // At the time that it begins nothing has fallen yet.
    if (before === undefined && amount === 0) return [];
    const from = before === undefined || at - before > GAP * step ? at - step : before;
    return [{ from, to: at, depth: amount * unit.depth }];
  });
  if (!pieces.some(({ depth }) => depth > 0)) return refused('No rain falls in it.');
  const hard = pieces.findIndex(({ from, to, depth }) => depth / (to - from) > HARDEST);
  if (hard >= 0)
    return refused(`Line ${lines[hard]!.number} says more rain than has ever fallen: its unit may be another.`);
  const whole = pieces.at(-1)!.to - pieces[0]!.from;
  const begins = whole > DAY ? wettestDay(pieces) : pieces[0]!.from;
  const told = [
    ...(gaps.length > 0 ? [`${gaps.length === 1 ? 'A gap is' : `${gaps.length} gaps are`} taken as dry.`] : []),
    ...(whole > DAY ? ['It is longer than a day: the wettest day of it rains here.'] : []),
  ];
  return { ok: true, rain: evenly(pieces, begins, Math.min(DAY, whole)), told };
}

/** Pieces of rain as even steps from a time on, none of their depth lost within it. */
function evenly(
  pieces: readonly { from: number; to: number; depth: number }[],
  begins: number,
  length: number,
): Rainfall {
  const step = Math.max(SHORTEST, Math.min(60, ...pieces.map(({ from, to }) => to - from)));
  const depths = new Array<number>(Math.max(1, Math.ceil(length / step - 1e-9))).fill(0);
  for (const { from, to, depth } of pieces)
    for (let k = Math.max(0, Math.floor((from - begins) / step)); k < depths.length && begins + k * step < to; k++) {
      const shared = Math.min(to, begins + (k + 1) * step) - Math.max(from, begins + k * step);
      if (shared > 0) depths[k]! += (depth * shared) / (to - from);
    }
  return { step, intensities: depths.map((depth) => depth / step) };
}

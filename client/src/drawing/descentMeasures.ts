/** Measures of the descent on the page: where its lanes stand, and what room words beside them need. */
import { FONTS } from '../theme/tokens';
import { linesOf, widthOf, type Lettering } from '../theme/measure';

/** The level scale stands here, px. */
export const SCALE_X = 3;
const FIRST_LANE = 20;
const LANE = 20;
/** All lanes together take no more than this, so that words keep their room on a phone, px. */
const LANES_WIDE = 76;
export const EYE = 44;
/** Side of what a finger takes hold of, px. */
export const GRIP = 44;
export const BESIDE = 10;
export const MARK = 24;
export const BUBBLE = 58;

/** px from lane to lane. */
const laneStep = (lanes: number): number => Math.min(LANE, LANES_WIDE / Math.max(1, lanes - 1));
export const laneX = (lane: number, lanes: number): number => FIRST_LANE + lane * laneStep(lanes);
export const wordsLeft = (lanes: number): number => laneX(lanes - 1, lanes) + 20;

/** Width of a pipe on the page, px: in step with its diameter, never a hair, and never into the next lane. */
export const pipeWidth = (diameter: number, lanes: number): number =>
  Math.max(3, Math.min(laneStep(lanes) - 4, 20, Math.max(5, diameter * 80)));

export interface LandingSaid {
  name: string;
  /** A snag's mark stands beside it. */
  marked: boolean;
  /** Level of its pipe. */
  level: string;
  about: string;
}

export interface RunSaid {
  value: string;
  unit: string;
  pitch: string;
  /** Size and material. */
  made: string;
  about: string;
}

const strong = (scale: number): Lettering => ({ family: FONTS.bold, size: 16 * scale });
const small = (scale: number): Lettering => ({ family: FONTS.text, size: 14 * scale });
const figure = (scale: number): Lettering => ({ family: FONTS.figures, size: 20 * scale });

const LINE = 22;
const SMALL_LINE = 19;
const FIGURE_LINE = 24;
/** px above and below the words of a run. */
export const RUN_PAD = 8;

/** Room for a landing's words in `room` px, px. */
export function landingHeight({ name, marked, level, about }: LandingSaid, room: number, scale: number): number {
  const width = room - GRIP - (marked ? MARK + BESIDE : 0);
  const levelWidth = widthOf(level, strong(scale)) + 8;
  const besideLevel = widthOf(about, small(scale)) <= width - levelWidth - 2;
  const aboutLines = about === '' || besideLevel ? 0 : linesOf(about, width, small(scale));
  const lines = linesOf(name, width, strong(scale)) + 1;
  return Math.max(GRIP, (lines * LINE + aboutLines * SMALL_LINE) * scale);
}

/** Room for a run's words in `room` px, px. */
export function runHeight({ value, unit, pitch, made, about }: RunSaid, room: number, scale: number): number {
  // Its frame, and a little that browsers round otherwise.
  const within = room - 16;
  const width = within - EYE - 2 * BESIDE - MARK;
  const flowWide = widthOf(value, figure(scale)) + widthOf(` ${unit}`, small(scale));
  const left = Math.max(flowWide, widthOf(made, small(scale)));
  const right = Math.max(widthOf(pitch, figure(scale)) + widthOf('%', small(scale)), BUBBLE);
  const one = (FIGURE_LINE + SMALL_LINE + 2) * scale;
  const madeLines = linesOf(made, width, small(scale)) - 1;
  const beside = left + 14 + right + 6 <= width ? one : 2 * one + 4 + madeLines * SMALL_LINE * scale;
  return Math.max(EYE, beside) + 4 + linesOf(about, within, small(scale)) * SMALL_LINE * scale + 2 * RUN_PAD;
}

/** What is said of a reading in the trench. */
import { headOf, nameOf, type Job } from '../job/job';
import type { Flat, Judged, Rest } from './asLaid';
import { showLength, showPitch, showSmall, text } from '../units';

export interface DigWords {
  /** The one word that counts. */
  said: string;
  tone: 'holds' | 'fix' | 'stop';
  /** What is still possible; null where nothing need be said. */
  rest: string | null;
}

const TONES = { right: 'holds', high: 'fix', low: 'fix', backFall: 'stop' } as const;

export function judgedWords(job: Job, { state, off, back, flat, rest }: Judged): DigWords {
  const { units } = headOf(job);
  const small = (metres: number): string => text(showSmall(Math.abs(metres), units));
  const said = {
    right: Math.abs(off) < 0.0016 ? 'As planned' : `Holds: ${small(off)} ${off > 0 ? 'high' : 'low'}`,
    high: `${small(off)} too high`,
    low: `${small(off)} too low`,
    backFall: `Falls back ${small(back)}: take it up`,
  }[state];
  const says = [flat && flatWords(job, flat), rest && state !== 'right' ? restWords(job, rest) : null].filter(
    (each) => each !== null,
  );
  return { said, tone: TONES[state], rest: says.length > 0 ? says.join(' ') : null };
}

function flatWords(job: Job, { length, pitch, least }: Flat): string {
  const far = text(showLength(length, headOf(job).units));
  return pitch <= 0
    ? `The ${far} below it do not fall.`
    : `The ${far} below it fall only ${text(showPitch(pitch))}, where ${text(showPitch(least))} is the least: take this up.`;
}

function restWords(job: Job, { head, length, pitch, least, raise, cover, leastCover, drains }: Rest): string {
  const { units } = headOf(job);
  const [to, far] = [nameOf(job, head), text(showLength(length, units))];
  if (pitch >= least) return `Still drains: the ${far} up to ${to} lie at ${text(showPitch(pitch))}.`;
  const up = `at ${text(showPitch(least))} ${to} comes out ${text(showSmall(raise, units))} higher`;
  return drains
    ? `The ${far} left are too flat as planned; ${up}, with ${text(showSmall(cover, units))} of cover left.`
    : `Does not drain any more: ${up}, with ${text(showSmall(Math.max(0, cover), units))} of cover where ${text(showSmall(leastCover, units))} is asked. Lay this lower.`;
}

/** A hose test: what should be seen of so much water poured in, within what range, and whether what was seen lies in it. */
import { poured } from './poured';
import { BUCKET_SPREAD, draws, timeSpread } from './spread';
import type { WayDown } from './wayDown';

/** What somebody saw: flow by the bucket at the hose, m³/s. What nobody looked for is absent. */
export interface HoseSeen {
  flow: number;
  /** s until it showed at the end; null where it had not when they gave up after `waited`, s. */
  shows?: number | null | undefined;
  waited?: number | undefined;
  /** By the bucket at the end, m³/s. */
  out?: number | undefined;
  /** Where it came up on the way; null where it did nowhere. */
  up?: string | null | undefined;
}

/** Nine of ten lie between `low` and `high`; 98 of 100 between `least` and `most`. */
export interface Range {
  least: number;
  low: number;
  likely: number;
  high: number;
  most: number;
}

export interface HoseExpected {
  /** s; null where it never shows. */
  shows: Range | null;
  /** m³/s; null where nothing comes out. */
  out: Range | null;
  /** Where it comes up even so. */
  up: string | null;
}

const TRIES = 400;
const SOUND = draws(TRIES);

export function rangeOf(figures: readonly number[]): Range {
  const sorted = [...figures].sort((a, b) => a - b);
  const at = (share: number): number =>
    sorted[Math.min(sorted.length - 1, Math.max(0, Math.round(share * (sorted.length - 1))))]!;
  return { least: at(0.01), low: at(0.05), likely: at(0.5), high: at(0.95), most: at(0.99) };
}

/** What a sound line does with a flow (m³/s, as the bucket told it): the spread of bucket, watch, roughness and of what stood in the line before is carried through. */
export function expectHose(way: WayDown, flow: number): HoseExpected {
  const tried = SOUND.map((draw) => ({ draw, ran: poured(way, flow * draw.flow, draw) }));
  const shows = tried.flatMap(({ draw, ran }) =>
    ran.shows === null ? [] : [ran.shows * Math.exp(timeSpread(ran.shows) * draw.timeError)],
  );
  const outs = tried.flatMap(({ draw, ran }) =>
    ran.out <= 0 ? [] : [ran.out * Math.exp(BUCKET_SPREAD * draw.outError)],
  );
  const ups = tried.flatMap(({ ran }) => (ran.up ? [ran.up.id] : []));
  const most = (list: readonly unknown[]): boolean => list.length > TRIES / 2;
  return {
    shows: most(shows) ? rangeOf(shows) : null,
    out: most(outs) ? rangeOf(outs) : null,
    up: most(ups) ? ups[0]! : null,
  };
}

/** How a figure lies in what was expected: within, at its edge, or beyond it. */
export type Lies = 'within' | 'edge' | 'low' | 'high';

export function liesIn({ least, low, high, most }: Range, figure: number): Lies {
  if (figure < least) return 'low';
  if (figure > most) return 'high';
  return figure < low || figure > high ? 'edge' : 'within';
}

export interface HoseJudged {
  asPlanned: boolean;
  /** Of the time and of what came out; null where nobody looked. */
  shows: Lies | 'never' | null;
  out: Lies | null;
  /** It came up where it should not have. */
  up: string | null;
}

/** Whether what was seen is what a sound line does. */
export function judgeHose(expected: HoseExpected, seen: HoseSeen): HoseJudged {
  const shows = showsLies(expected, seen);
  const out = seen.out === undefined || !expected.out ? null : liesIn(expected.out, seen.out);
  const up = seen.up !== undefined && seen.up !== null && seen.up !== expected.up ? seen.up : null;
  const good = (lies: HoseJudged['shows']): boolean => lies === null || lies === 'within' || lies === 'edge';
  // More out than in is a bucket's error, and no fault of a line's.
  return { asPlanned: good(shows) && (good(out) || out === 'high') && up === null, shows, out, up };
}

function showsLies({ shows: range }: HoseExpected, { shows, waited = 0 }: HoseSeen): HoseJudged['shows'] {
  if (shows === undefined) return null;
  if (range === null) return shows === null ? 'within' : 'low';
  if (shows !== null) return liesIn(range, shows);
  // Nothing yet, and not waited long enough for it.
  return waited > range.most ? 'never' : null;
}

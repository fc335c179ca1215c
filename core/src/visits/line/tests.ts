/** The tests that tell how a line lies that is covered: what each would show of a fault, and how well what was seen fits one. */
import type { HoseSeen } from './hoseTest';
import type { Fault } from './inLine';
import { poured, type Poured } from './poured';
import { BUCKET_SPREAD, timeSpread, type Draw } from './spread';
import type { WayDown } from './wayDown';

export const FOUND = ['stopped', 'standing', 'openJoint', 'rough', 'nothing'] as const;
export type Found = (typeof FOUND)[number];

/**
 * `hose`: water poured in at the head of a way. `levels`: a landing's invert read again, m off its plan. `hold`: a pipe plugged and filled,
 * whether its water held. `camera`: a pipe looked through, or rodded, and the first thing met there, m from its head.
 */
export type LineTest =
  | { type: 'hose'; way: WayDown; seen: HoseSeen }
  | { type: 'levels'; landing: string; off: number }
  | { type: 'hold'; run: string; held: boolean }
  | { type: 'camera'; run: string; found: Found; along: number };

/** A test that could be done next, without what it would show. */
export type Doable =
  | { type: 'hose'; way: WayDown; flow: number; wait: number }
  | { type: 'levels'; landing: string }
  | { type: 'hold'; run: string }
  | { type: 'camera'; run: string };

/** Standard deviation of a level that is read twice, m; of a distance on a rod's cable, m. */
const LEVEL_ERROR = 0.004;
const CABLE_ERROR = 0.4;
/** How often a camera sees what is there, and a plugged pipe tells an open joint. */
const SEEN = 0.92;
const TOLD = 0.97;
/** What no model of a line gives is seen now and then all the same. */
const ODD = 1e-4;

const MEETS: Record<Exclude<Fault['kind'], 'lifted'>, Found> = {
  blocked: 'stopped',
  rough: 'rough',
  sag: 'standing',
  open: 'openJoint',
};

/** What a camera meets in a pipe, and where; a lifted landing stands water in the pipe above it. */
function met(fault: Fault | null, run: string): { found: Found; along: number | null } {
  if (fault === null || fault.kind === 'lifted' || fault.run !== run) return { found: 'nothing', along: null };
  return { found: MEETS[fault.kind], along: fault.kind === 'rough' ? null : fault.along };
}

/** The water as it was really poured, whatever the bucket told. */
export const run = (way: WayDown, flow: number, draw: Draw, fault: Fault | null): Poured =>
  poured(way, flow * draw.flow, draw, fault);

const log = (share: number, spread: number): number =>
  Math.exp(-0.5 * (share / spread) ** 2) / (spread * Math.sqrt(2 * Math.PI));

/** Share of a normal curve above so many standard deviations, by a logistic that is right to 0.01. */
const above = (deviations: number): number => 1 / (1 + Math.exp(1.702 * deviations));

function hoseFits(seen: HoseSeen, ran: Poured): number {
  let fit = ODD;
  let good = 1;
  if (seen.shows !== null && seen.shows !== undefined)
    good *= ran.shows === null ? ODD : log(Math.log(seen.shows / ran.shows), timeSpread(ran.shows));
  else if (seen.shows === null && ran.shows !== null)
    good *= above(Math.log((seen.waited ?? 1) / ran.shows) / timeSpread(ran.shows));
  if (seen.out !== undefined) {
    const both = seen.out > 0 && ran.out > 0;
    good *= both ? log(Math.log(seen.out / ran.out), BUCKET_SPREAD) : seen.out > 0 || ran.out > 0 ? ODD : 1;
  }
  const lasted = Math.max(seen.waited ?? 0, seen.shows ?? 0);
  const comes = ran.up !== null && ran.up.after <= lasted ? ran.up.id : null;
  if (seen.up !== undefined) good *= seen.up === comes ? 1 : ran.up !== null && seen.up === ran.up.id ? 0.5 : 0.01;
  fit += good;
  return fit;
}

/** How likely a test's outcome is with something wrong, or nothing, and the unknown as drawn. */
export function fits(test: LineTest, fault: Fault | null, draw: Draw): number {
  if (test.type === 'hose') return hoseFits(test.seen, run(test.way, test.seen.flow, draw, fault));
  if (test.type === 'levels') {
    const off = fault?.kind === 'lifted' && fault.landing === test.landing ? fault.by : 0;
    return log(test.off - off, LEVEL_ERROR) + ODD;
  }
  if (test.type === 'hold') {
    const leaks = fault?.kind === 'open' && fault.run === test.run;
    return leaks === test.held ? 1 - TOLD : TOLD;
  }
  const { found, along } = met(fault, test.run);
  if (found === 'nothing') return test.found === 'nothing' ? SEEN : 0.02;
  if (test.found === 'nothing') return 1 - SEEN;
  if (test.found !== found) return 0.01;
  return along === null ? SEEN : SEEN * log(test.along - along, CABLE_ERROR) + ODD;
}

/** What a test would show, read with the errors of the draw. */
export function shown(test: Doable, fault: Fault | null, draw: Draw): LineTest {
  if (test.type === 'hose') {
    const ran = run(test.way, test.flow, draw, fault);
    const comes = ran.up && ran.up.after <= test.wait ? ran.up.id : null;
    const seen = ran.shows === null ? Infinity : ran.shows * Math.exp(timeSpread(ran.shows) * draw.timeError);
    const shows = seen > test.wait ? null : seen;
    const out = shows === null ? {} : { out: ran.out * Math.exp(BUCKET_SPREAD * draw.outError) };
    return { type: 'hose', way: test.way, seen: { flow: test.flow, shows, waited: test.wait, up: comes, ...out } };
  }
  if (test.type === 'levels') {
    const off = fault?.kind === 'lifted' && fault.landing === test.landing ? fault.by : 0;
    return { type: 'levels', landing: test.landing, off: off + LEVEL_ERROR * draw.timeError };
  }
  if (test.type === 'hold') {
    const leaks = fault?.kind === 'open' && fault.run === test.run;
    return { type: 'hold', run: test.run, held: draw.full < TOLD ? !leaks : leaks };
  }
  const { found, along } = met(fault, test.run);
  if (found === 'nothing' || draw.full >= SEEN) return { type: 'camera', run: test.run, found: 'nothing', along: 0 };
  return { type: 'camera', run: test.run, found, along: (along ?? 0) + CABLE_ERROR * draw.timeError };
}

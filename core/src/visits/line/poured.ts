/**
 * A steady flow poured into a line: how long until it shows at the end, how much of it comes out, and whether it comes up on the way. The
 * water line is marched up from the end: over every stretch the uniform depth, over a crest the critical one, under whatever stands below
 * its level with the friction of the flow through it. The front comes when what lies under that line has been poured in.
 */
import { GRAVITY } from '../../units/constants';
import { areaBy, conveysBy, criticalBy } from '../../simulation/pipes/roundSection';
import { SHUT, type Fault } from './inLine';
import { invertsOf, type Slices } from './slices';
import type { LandingOnWay, Mouth } from './onWay';
import type { WayDown } from './wayDown';

/** What nobody knows beforehand of a sound line: the share of what stands full that was full already, and roughness over the usual one. */
export interface Unknown {
  full: number;
  rough: number;
}

export interface Poured {
  /** s until it shows at the end; null where it never does. */
  shows: number | null;
  /** What comes out there when it runs steadily, m³/s; 0 where nothing does. */
  out: number;
  /** Where it comes up, and after how long, s. */
  up: { id: string; after: number } | null;
}

/** Opening of a hole that is mostly covered, by its free area. */
const ORIFICE = 0.6;
const FULL = Math.PI / 4;
/** Above this share of its depth a pipe carries no more than it does there. */
const BEST = 0.938;
/** A film shallower than this share of the bore has no friction worth telling. */
const FILM = 0.02;
const PIECES = 512;

/** From what a section passes to the share of the bore that it fills, by a table of the share. */
function inverseOf(of: (share: number) => number, last: number): (wanted: number) => number {
  const table = Float64Array.from({ length: PIECES + 1 }, (_, k) => of((k / PIECES) * last));
  return (wanted) => {
    if (wanted >= table[PIECES]!) return last;
    let [low, high] = [0, PIECES];
    while (high - low > 1) {
      const middle = (low + high) >> 1;
      if (table[middle]! <= wanted) low = middle;
      else high = middle;
    }
    const part = (wanted - table[low]!) / (table[high]! - table[low]! || 1);
    return ((low + part) / PIECES) * last;
  };
}
const uniformShare = inverseOf(conveysBy, BEST);
const criticalShare = inverseOf(criticalBy, 0.999);

/** A line with what is wrong in it. */
interface Poor {
  way: WayDown;
  slices: Slices;
  invert: Float64Array;
  fault: Fault | null;
  /** m up the way of what is blocked or open; −1 without. */
  wrong: number;
  /** Share of the flow that is lost there. */
  lost: number;
  /** Roughness of each pipe over the usual. */
  rough: readonly number[];
}

function poorOf(way: WayDown, fault: Fault | null, rough: number): Poor {
  const pipe =
    fault?.kind === 'blocked' || fault?.kind === 'open' ? way.pipes.find(({ run }) => run === fault.run) : undefined;
  const wrong = pipe && fault && 'along' in fault ? way.length - pipe.at - Math.min(fault.along, pipe.length) : -1;
  const times = (run: string): number => (fault?.kind === 'rough' && fault.run === run ? fault.times : 1);
  return {
    way,
    slices: way.slices,
    invert: invertsOf(way, fault),
    fault,
    wrong,
    lost: fault?.kind === 'open' && wrong >= 0 ? fault.share : 0,
    rough: way.pipes.map(({ run }) => rough * times(run)),
  };
}

/** Water over the invert above what leaves a share of the bore free over it, m: over its top, or through what is left, once that is covered. */
function behind(share: number, flow: number, diameter: number, critical: number): number {
  const free = FULL * diameter * diameter * (1 - share);
  const over = (share + criticalShare(flow / critical)) * diameter;
  const pressed = ((share + 1) / 2) * diameter + (flow / (ORIFICE * free)) ** 2 / (2 * GRAVITY);
  return over < diameter ? Math.max(over, Math.min(pressed, diameter)) : pressed;
}

interface Marched {
  /** Water level at each node, m. */
  level: Float64Array;
  /** Whether it stands over a mouth on the way. */
  over: boolean;
}

/** Marches the water line of a flow up the way. What is lost through an open joint runs only above it. */
function march(poor: Poor, flow: number): Marched {
  const { way, slices, invert, fault, wrong, lost, rough } = poor;
  const { count, up, diameter, parallel, pipe, conveys, critical, landing } = slices;
  const level = new Float64Array(count);
  const blocked = fault?.kind === 'blocked' ? fault.share : 0;
  const end = (flow * (1 - lost)) / parallel[0]!;
  level[0] = Math.max(invert[0]! + criticalShare(end / critical[0]!) * diameter[0]!, way.stands);
  let over = false;
  for (let k = 1; k < count; k++) {
    const width = diameter[k]!;
    const q = (flow * (up[k]! <= wrong ? 1 - lost : 1)) / parallel[k]!;
    const [dx, rise] = [up[k]! - up[k - 1]!, invert[k]! - invert[k - 1]!];
    const before = (level[k - 1]! - invert[k - 1]!) / width;
    const passes = conveys[k]! / rough[pipe[k]!]!;
    const friction = (q / (conveysBy(Math.min(BEST, Math.max(FILM, before))) * passes)) ** 2;
    const least = rise > 0 ? uniformShare(q / (Math.sqrt(rise / dx) * passes)) : criticalShare(q / critical[k]!);
    let surface = level[k - 1]! + Math.min(friction * dx, width);
    // From below it grows to the uniform depth, and not past it.
    if (before <= least) surface = Math.min(surface, invert[k]! + least * width);
    surface = Math.max(surface, invert[k]! + least * width);
    if (blocked > 0 && wrong > up[k - 1]! && wrong <= up[k]!)
      surface = Math.max(surface, invert[k]! + behind(blocked, q, width, critical[k]!));
    const mouth = landing[k]?.mouths[0];
    if (mouth && surface > mouth.level) {
      over = true;
      surface = mouth.level;
    }
    level[k] = surface;
  }
  return { level, over };
}

/** What lies under a level in the slice below a node, m³. */
function volumeBelow({ slices: { up, diameter, parallel }, invert }: Poor, node: number, level: Float64Array): number {
  const depth = (level[node]! - invert[node]! + level[node - 1]! - invert[node - 1]!) / 2;
  return areaBy(diameter[node]!, Math.min(1, depth / diameter[node]!)) * (up[node]! - up[node - 1]!) * parallel[node]!;
}

/** What stands at a level in the pipes that come in from the side, m³. */
function beside(landing: LandingOnWay | null, level: number): number {
  if (!landing) return 0;
  return landing.sides.reduce((sum, { length, up, down, diameter }) => {
    const [low, high] = [Math.min(up, down), Math.max(up, down)];
    if (level <= low) return sum;
    const wet = high - low < 1e-6 ? 1 : Math.min(1, (level - low) / (high - low));
    const mean = (level - low + Math.max(0, level - high)) / 2;
    return sum + areaBy(diameter, Math.min(1, mean / diameter)) * length * wet;
  }, 0);
}

/** Water poured in steadily at the head of a way, m³/s; what of it comes out, when, and whether it comes up. */
export function poured(way: WayDown, flow: number, unknown: Unknown, fault: Fault | null = null): Poured {
  const poor = poorOf(way, fault, unknown.rough);
  const { wrong, lost } = poor;
  if (fault?.kind === 'blocked' && fault.share >= SHUT && wrong >= 0) return comesUp(poor, flow, unknown, 0);
  const { level, over } = march(poor, flow);
  if (over) return comesUp(poor, flow, unknown, passing(poor, flow));
  if (lost >= SHUT) return { shows: null, out: 0, up: null };
  return { shows: filled(poor, level, flow, unknown), out: flow * (1 - lost), up: null };
}

/** s until all that lies under the water line has been poured in: more slowly below an open joint. */
function filled(poor: Poor, level: Float64Array, flow: number, { full }: Unknown): number {
  const { way, slices, wrong, lost } = poor;
  let time = 0;
  for (let k = 1; k < slices.count; k++) {
    const below = slices.up[k]! <= wrong ? flow * (1 - lost) : flow;
    const stood = way.keeps && level[k]! <= way.stands + 0.02 ? full : 0;
    const landing = slices.landing[k]!;
    const sump = landing ? landing.sump * (1 - full) : 0;
    time += (volumeBelow(poor, k, level) * (1 - stood) + beside(landing, level[k]!) * (1 - stood) + sump) / below;
  }
  return time;
}

/** The most that passes without standing over a mouth, m³/s. */
function passing(poor: Poor, flow: number): number {
  let [low, high] = [0, flow];
  for (let step = 0; step < 12; step++) {
    const middle = (low + high) / 2;
    if (march(poor, middle).over) high = middle;
    else low = middle;
  }
  return low;
}

/** Where less goes down than is poured in: what still passes, and how long the rest takes to come up. */
function comesUp(poor: Poor, flow: number, unknown: Unknown, passes: number): Poured {
  const { slices, wrong, lost } = poor;
  const at = lowestAbove(slices, wrong);
  const level = passes > 0 ? march(poor, passes).level : poor.invert.slice();
  const brim = at?.level ?? slices.invert[slices.count - 1]! + 1;
  let stands = 0;
  for (let k = 1; k < slices.count; k++) {
    if (slices.up[k]! < wrong) continue;
    level[k] = Math.max(level[k]!, brim);
    stands += volumeBelow(poor, k, level) + beside(slices.landing[k]!, brim);
  }
  const out = passes * (1 - lost);
  const comes = out > flow * (1 - SHUT);
  return {
    shows: comes ? filled(poor, level, flow, unknown) : null,
    out: comes ? out : 0,
    up: at && { id: at.id, after: stands / Math.max(1e-9, flow - passes) },
  };
}

/** The lowest mouth above a place on the way. */
function lowestAbove({ landing, up }: Slices, wrong: number): Mouth | null {
  let lowest: Mouth | null = null;
  landing.forEach((each, k) => {
    const mouth = each?.mouths[0];
    if (mouth && up[k]! >= wrong && (lowest === null || mouth.level < lowest.level)) lowest = mouth;
  });
  return lowest;
}

/** A subsurface drain, as a line or a field: what it leads off, how far apart, and how soon the ground is firm. */
import { LAP } from '../catalogue/supply';
import { STONE_FACTS } from '../catalogue/stone';
import { SOIL_FACTS, type Soil } from '../catalogue/soils';
import { fullFlow } from '../hydraulics/pipe';
import { drainRate, drainSpacing, timeToFall } from '../hydraulics/subsurface';
import type { Drain, DrainField } from '../job/kinds';
import { METRES_PER_FOOT } from '../units/constants';
import { showArea, showFlow, showLength, showLevel, showVolume, type UnitSystem } from '../units';
import { layField, type FieldLines } from './field';
import { dailyRate, lasts, toned, words } from './facts';
import { seepsInto } from './beneath';
import { conductivityOf, DRAINABLE, areaCovered, lengthOf, soilOf } from './measures';
import { fallUnder, longest } from './underOutline';
import { work, type Counted, type Fact, type InGround, type UnderSwales } from './work';

export interface DrainPlan {
  kind: 'drain' | 'drainField';
  /** Of all its pipes, m; 0 where nothing says. */
  length: number;
  /** Ground that it drains, m². */
  area: number;
  soil: Soil;
  /** m/s */
  conductivity: number;
  recharge: number;
  /** Water table midway, over its pipes, with which the ground is firm as deep as is asked, m; less than 0 where it lies too shallow. */
  head: number;
  barrier: number;
  firm: number;
  /** As laid, by Hooghoudt, and by trade habit from and to, m. Worked out: null where it lies too shallow. */
  spacing: number;
  worked: number | null;
  habit: readonly [number, number];
  equivalentDepth: number;
  /** What it leads off at that spacing, m/s. */
  rate: number;
  /** From the ground full of water until it is firm, s; null where it never is. */
  firmTime: number | null;
  /** At its end, m³/s: what sinks in over its ground and seeps in from swales over it, and what its pipes carry full. */
  flow: number;
  seeps: number;
  capacity: number;
  /** Water that its stone holds, m³. */
  room: number;
  /** m */
  invertFoot: number;
  invertHead: number;
  depthHead: number | null;
  /** Its pipes on the plan; null of a line, and of a field that is not drawn. */
  lines: FieldLines | null;
}

/** Usual figures, where nothing else is said. */
export const DRAIN_USUAL = {
  /** m/s: 10 mm a day, in the middle of what is taken for ground to walk on. */
  recharge: 0.01 / 86_400,
  /** m */
  firm: 0.3,
  barrier: 1.5,
  trenchWidth: 0.3,
  /** m/m */
  pitch: 0.005,
};

/** No pipes are laid closer together than this, m: 2 ft. */
const LEAST_APART = 0.6;

/** Manning's n of corrugated pipe with holes. */
const ROUGHNESS = 0.016;
/** A yard of less is a small one, m²: 3,000 ft². */
const SMALL_YARD = 3000 * METRES_PER_FOOT ** 2;
const HEAVY = new Set<Soil>(['clay', 'clayLoam']);

/** What the trade lays by habit, m: 7 ft in small clay yards, 15 to 20 ft in large ones. */
const habitOf = (soil: Soil, area: number): readonly [number, number] =>
  HEAVY.has(soil) && area < SMALL_YARD
    ? [7 * METRES_PER_FOOT, 7 * METRES_PER_FOOT]
    : [15 * METRES_PER_FOOT, 20 * METRES_PER_FOOT];

/** `fall` of the ground under a field, rad from north; null where nobody knows it. */
export function drainPlan(
  drain: Drain | DrainField,
  jobSoil: Soil | undefined,
  fall: number | null,
  seeps = 0,
): DrainPlan {
  const soil = soilOf(drain, jobSoil);
  const conductivity = conductivityOf(drain, jobSoil);
  const recharge = drain.recharge ?? DRAIN_USUAL.recharge;
  const barrier = drain.barrier ?? DRAIN_USUAL.barrier;
  const firm = drain.firm ?? DRAIN_USUAL.firm;
  const head = drain.depth - firm;
  const ground = { depthToBarrier: barrier, drainRadius: drain.nominal / 2 };
  const asks =
    head > 0.005 && conductivity > 0
      ? drainSpacing({ conductivityBelow: conductivity, conductivityAbove: conductivity, recharge, head, ...ground })
      : null;
  // Closer than pipes can be laid: it lies too shallow, and the formula means nothing there.
  const worked = asks && asks.spacing >= LEAST_APART ? asks : null;
  const possible = worked !== null;
  const field = drain.kind === 'drainField';
  const whole = field ? areaCovered(drain) : (drain.area ?? 0);
  const habit = habitOf(soil, field ? whole : lengthOf(drain) * 10);
  const asked = drain.spacing ?? worked?.spacing ?? habit[0];
  const lines =
    field && drain.outline ? layField(drain.outline, asked, fall ?? longest(drain.outline), drain.outline[0]!) : null;
  // Never told closer than it can be laid.
  const spacing = Math.max(asked, lines?.spacing ?? 0);
  const length = field ? (lines?.length ?? drain.length ?? whole / spacing) : lengthOf(drain);
  const area = field ? whole : (drain.area ?? length * spacing);
  const pitch = drain.pitch ?? DRAIN_USUAL.pitch;
  const pipes = drain.kind === 'drain' ? (drain.pipes ?? 1) : 1;
  const run = field ? Math.sqrt(whole) : length;
  const invertFoot = drain.groundLevel - drain.depth;
  const invertHead = invertFoot + pitch * run;
  const stone = STONE_FACTS[drain.stone ?? 'angular'];
  const width = drain.trenchWidth ?? DRAIN_USUAL.trenchWidth;
  // Stone from under the pipe to a hand under the turf.
  const section = width * Math.max(drain.nominal, drain.depth - 0.1) - (pipes * Math.PI * drain.nominal ** 2) / 4;
  const rate = possible
    ? drainRate(spacing, { conductivityBelow: conductivity, conductivityAbove: conductivity, head, ...ground })
    : 0;
  return {
    kind: drain.kind,
    length,
    area,
    soil,
    conductivity,
    recharge,
    head,
    barrier,
    firm,
    spacing,
    worked: worked?.spacing ?? null,
    habit,
    equivalentDepth: worked?.equivalentDepth ?? 0,
    rate,
    firmTime: possible ? timeToFall(spacing, drain.depth, head, DRAINABLE[soil], { conductivity, ...ground }) : null,
    flow: recharge * area + seeps,
    seeps,
    capacity: pipes * fullFlow({ diameter: drain.nominal, slope: Math.max(pitch, 1e-4), roughness: ROUGHNESS }).flow,
    room: Math.max(0, section) * length * stone.voids,
    invertFoot,
    invertHead,
    depthHead: drain.headLevel === undefined ? null : drain.headLevel - invertHead,
    lines,
  };
}

/** Whether a tested conductivity is one that a soil of that name never has: a hundred times off. */
export const unlikeSoil = ({ soil, conductivity }: Pick<DrainPlan, 'soil' | 'conductivity'>): boolean => {
  const usual = SOIL_FACTS[soil].conductivity;
  return conductivity > 100 * usual || conductivity < usual / 100;
};

/** Perforated pipe of works comes corrugated, in rolls. */
const PERFORATED = { type: 'pipe', material: 'singleWall' } as const;

function counted(drain: Drain | DrainField, plan: DrainPlan | undefined): readonly Counted[] {
  if (!plan) return [];
  const { nominal, depth, stone = 'angular', fabric = 'wrapped', trenchWidth = DRAIN_USUAL.trenchWidth } = drain;
  const { length, lines } = plan;
  if (length === 0) return ['noSize'];
  const pipes = drain.kind === 'drain' ? (drain.pipes ?? 1) : 1;
  const { material } = PERFORATED;
  const section = trenchWidth * depth;
  const { voids } = STONE_FACTS[stone];
  const filled = voids > 0 ? plan.room / voids : 0;
  const displaced = filled + (pipes * length * Math.PI * nominal ** 2) / 4;
  return [
    ...Array.from({ length: pipes }, (): Counted => ({
      item: { ...PERFORATED, nominal, perforated: drain.perforations ?? true },
      quantity: length,
    })),
    // Every upper end is closed; in a field each pipe comes into the collector by a tee, the last by a bend.
    { item: { type: 'cap', material, nominal }, quantity: lines ? lines.laterals.length : pipes },
    { item: { type: 'tee', material, nominal, branch: nominal }, quantity: lines ? lines.laterals.length - 1 : 0 },
    { item: { type: 'bend', material, nominal, degrees: 90 }, quantity: lines ? 1 : 0 },
    { item: { type: 'dug' }, quantity: section * length },
    { item: { type: 'stone', stone }, quantity: filled },
    { item: { type: 'fabric' }, quantity: fabric === 'wrapped' ? length * (2 * (trenchWidth + depth) + LAP) : 0 },
    { item: { type: 'sock', nominal }, quantity: fabric === 'sock' ? pipes * length : 0 },
    { item: { type: 'spoil' }, quantity: displaced },
    { item: { type: 'backfill' }, quantity: section * length - displaced },
    { item: { type: 'turf' }, quantity: length * trenchWidth },
  ];
}

const facts = (plan: DrainPlan, units: UnitSystem, entering: number): Fact[] => [
  {
    label: 'Ground water at its end',
    shown: showFlow(Math.max(plan.flow, entering), units),
    ...toned('fix', Math.max(plan.flow, entering) > plan.capacity),
  },
  ...(plan.seeps > 0 ? [{ label: 'Of it from the swale over it', shown: showFlow(plan.seeps, units) }] : []),
  ...(entering > plan.flow * 1.001
    ? [{ label: 'Of it springs and what is led in', shown: showFlow(entering - plan.flow, units) }]
    : []),
  { label: 'Its pipe carries', shown: showFlow(plan.capacity, units) },
  {
    label: plan.kind === 'drain' ? 'Drains a strip of' : 'Pipes lie apart',
    shown: showLength(plan.spacing, units),
    ...toned('fix', plan.worked !== null && plan.spacing > plan.worked * 1.02),
  },
  ...(plan.worked === null ? [] : [{ label: 'Hooghoudt asks', shown: showLength(plan.worked, units) }]),
  {
    label: 'Trade habit',
    shown:
      plan.habit[0] === plan.habit[1]
        ? showLength(plan.habit[0], units)
        : words(`${showLength(plan.habit[0], units).value} to ${showLength(plan.habit[1], units).value}`),
  },
  { label: 'Firm again after', shown: lasts(plan.firmTime) },
  { label: 'Leads off', shown: dailyRate(plan.rate, units) },
  { label: 'Over', shown: showArea(plan.area, units) },
  { label: 'Pipe', shown: showLength(plan.length, units) },
  { label: 'Room in its stone', shown: showVolume(plan.room, units) },
  { label: 'Leaves at', shown: showLevel(plan.invertFoot, units) },
];

const alike = { dug: true, count: counted, facts, layer: 'works' } as const;

export const drainWork = work<Drain, DrainPlan>({
  of: 'drain',
  always: (drain, { soil, swales }: UnderSwales) => drainPlan(drain, soil, null, seepsInto(drain, swales, soil)),
  ...alike,
});

export const drainFieldWork = work<DrainField, DrainPlan>({
  of: 'drainField',
  always: (field, { soil, ground }: InGround) =>
    drainPlan(field, soil, field.outline ? fallUnder(ground, field.outline) : null),
  ...alike,
});

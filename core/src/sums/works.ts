/** Formulas of the other works: ground water, culverts, pumps, pits and ponds, as sums. */
import { z } from 'zod';
import { CULVERT_INLETS, culvertHeadwater, type CulvertAt } from '../hydraulics/culvert';
import { pumpCycles } from '../hydraulics/pump';
import { pitTimes, routePond, type Pit, type Pond } from '../hydraulics/storage';
import { drainSpacing, type DrainSpacing } from '../hydraulics/subsurface';
import { cutStock } from '../numeric/cuttingStock';
import { trenchVolume, type TrenchLine } from '../quantities/trench';
import { pipeUplift } from '../quantities/uplift';
import { alternatingBlock } from '../rain/alternatingBlock';
import type { IntensityTable } from '../rain/intensity';
import { anyNumber, BadGiven, evenly, field, notNegative, positive, rising, sum, type Sum } from './sum';

const M = 'm';
const AREA = 'm²';
const VOLUME = 'm³';
const FLOW = 'm³/s';
const SPEED = 'm/s';
const SECONDS = 's';
const length = field(positive, M);
const inflow = field(notNegative, FLOW);

const MOST_STICKS = 100_000;

/** At least two, each no less than the one before. */
const growing = z
  .array(notNegative)
  .min(2)
  .max(10_000)
  .refine((values) => values.every((value, k) => k === 0 || value >= values[k - 1]!), {
    error: 'must never fall from one to the next',
  });
/** At least two, each more than the one before. */
const climbing = (each: z.ZodNumber) =>
  z
    .array(each)
    .min(2)
    .max(10_000)
    .refine((values) => values.every((value, k) => k === 0 || value > values[k - 1]!), {
      error: 'must rise from each to the next',
    });

export const workSums: readonly Sum[] = [
  sum(
    'trench.volume',
    'Prismoidal rule, L (A1 + 4 Am + A2)/6 between stations, depth linear.',
    {
      stations: field(climbing(notNegative), M),
      depths: field(z.array(notNegative).min(2).max(10_000), M),
      width: length,
      sideSlope: field(notNegative, 'run over rise'),
    },
    { volume: VOLUME },
    (given: TrenchLine) => ({ volume: trenchVolume(evenly(given, 'stations', 'depths')) }),
  ),
  sum(
    'pipe.uplift',
    'ρ g π Do²/4 − own weight − γ′ (cover Do + Do² (½ − π/8)): Archimedes, and the prism of soil over the crown.',
    {
      outsideDiameter: length,
      weight: field(notNegative, 'N/m'),
      cover: field(notNegative, M),
      submergedWeight: field(notNegative, 'N/m³'),
    },
    { uplift: 'N/m' },
    (given: Parameters<typeof pipeUplift>[0]) => ({ uplift: pipeUplift(given) }),
  ),
  sum(
    'stock.cut',
    'Fewest sticks by branch and bound over the longest piece first, bounded from below as by Martello & Toth (1990).',
    { lengths: field(z.array(positive).max(500), M), stick: length },
    { sticks: '–', offcut: M },
    ({ lengths, stick }: { lengths: number[]; stick: number }) => {
      const whole = lengths.reduce((all, each) => all + each, 0) / stick;
      if (whole > MOST_STICKS) throw new BadGiven('stick', `gives more than ${MOST_STICKS} sticks`);
      const { sticks, offcut } = cutStock(lengths, stick);
      return { sticks, offcut };
    },
  ),
  sum(
    'subsurface.spacing',
    'L² = (8 Kb d h + 4 Ka h²)/q (Hooghoudt 1940); d by van der Molen & Wesseling (1991), wetted perimeter πr.',
    {
      conductivityBelow: field(positive, SPEED),
      conductivityAbove: field(positive, SPEED),
      recharge: field(positive, SPEED),
      head: length,
      depthToBarrier: field(notNegative, `${M} below the drain`),
      drainRadius: length,
    },
    { spacing: M, equivalentDepth: M },
    (given: DrainSpacing) => drainSpacing(given),
  ),
  sum(
    'culvert.headwater',
    'Inlet control of form 1, free to x = 3.5 and drowned from 4; outlet control full (FHWA HDS-5, appendix A).',
    {
      diameter: length,
      length,
      slope: field(z.number().min(-1).max(1), 'm/m'),
      roughness: field(positive, 's/m^(1/3)'),
      flow: inflow,
      inlet: field(z.enum(CULVERT_INLETS)),
      tailwater: field(notNegative, `${M} above the outlet’s invert`),
    },
    { inletHeadwater: M, outletHeadwater: M, headwater: M, control: 'inlet or outlet' },
    (given: CulvertAt) => culvertHeadwater(given),
  ),
  sum(
    'pump.cycles',
    'Fill V/Q, run V/(P − Q); most starts at Q = P/2, 4V/P a cycle.',
    { inflow, pumpRate: field(positive, FLOW), volume: field(positive, VOLUME) },
    { fillTime: SECONDS, runTime: SECONDS, cyclesPerHour: '1/h', worstCyclesPerHour: '1/h' },
    pumpCycles,
  ),
  sum(
    'drywell.time',
    'voids A dh/dt = Q − K(A + P h): from empty under the inflow, and from full with none.',
    {
      baseArea: field(positive, AREA),
      perimeter: field(notNegative, M),
      height: length,
      voids: field(z.number().gt(0).max(1)),
      inflow,
      conductivity: field(notNegative, SPEED),
    },
    { fillTime: SECONDS, drainTime: SECONDS },
    (given: Pit & { inflow: number }) => pitTimes(given, given.inflow),
  ),
  sum(
    'rain.alternatingBlock',
    'Increments of the table’s depths, the largest in the middle, the next after it, the next before it (Chow et al. 1988).',
    {
      durations: field(rising, SECONDS),
      intensities: field(z.array(positive).min(1).max(100_000), SPEED),
      step: field(positive, SECONDS),
      count: field(
        z
          .number()
          .int()
          .min(1)
          .max(100_001)
          .refine((count) => count % 2 === 1, { error: 'must be odd' }),
      ),
    },
    { intensities: SPEED },
    (given: IntensityTable & { step: number; count: number }) => {
      evenly(given, 'durations', 'intensities');
      return { intensities: alternatingBlock(given, given.step, given.count) };
    },
  ),
  sum(
    'pond.route',
    'Level pool from empty, dS/dt = I − O(S), straight between points (Chow, Maidment & Mays 1988, §8.2).',
    {
      levels: field(climbing(anyNumber), M),
      volumes: field(climbing(notNegative), VOLUME),
      outflows: field(growing, FLOW),
      step: field(positive, SECONDS),
      inflows: field(z.array(notNegative).min(2).max(10_000), FLOW),
    },
    { peakLevel: M, peakOutflow: FLOW, volumeOut: VOLUME, volumeLeft: VOLUME },
    (given: Pond & { step: number; inflows: number[] }) => {
      evenly(given, 'levels', 'volumes', 'outflows');
      return routePond(given, given.inflows, given.step);
    },
  ),
];

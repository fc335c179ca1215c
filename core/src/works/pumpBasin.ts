/** A pump basin: what it lifts against its line, how often it starts, and what happens when it stands still. */
import { pumpCycles, pumpedFlow, systemHead, type PumpCycles, type PumpCurve } from '../hydraulics/pump';
import { OUTFALLS } from '../catalogue/outfalls';
import type { Discharge } from '../job/kinds';
import { showDuration, showFlow, showLength, showVolume } from '../units';
import { toned, words } from './facts';
import { storeOf } from './store';
import { work } from './work';

export interface PumpPlan extends PumpCycles {
  kind: 'pump';
  /** m³/s: what comes, and what is lifted. */
  flow: number;
  rate: number;
  /** m: from the middle of its range to where it lets out, and of what its pump can lift at all. */
  lift: number;
  most: number;
  /** With its line at that rate, m. */
  head: number;
  /** Between stop and start, and from start to the lid, m³. */
  volume: number;
  reserve: number;
  /** In a power cut in the design rain: until it runs over, s; null where nothing comes. */
  outage: number | null;
  /** Held back in the design rain that it cannot keep up with, m³/s. */
  short: number;
  /** Highest that its water stands, m. */
  standing: number;
}

/** Bends, a check valve and the end of a usual rising line: K of V²/2g. */
const LOSSES = 6;
/** Manning's n of smooth pipe. */
const ROUGHNESS = 0.01;
/** Starts an hour that a small motor bears. */
export const MOST_STARTS = 15;

/** A small submersible of half a horsepower, where nobody has said which: m³/s and m. */
const USUAL_CURVE: PumpCurve = [
  { flow: 0, head: 7.5 },
  { flow: 0.002, head: 5.2 },
  { flow: 0.004, head: 0 },
];

/** Of a pump basin of which nothing is said yet. */
export const usualPump = (groundLevel: number): NonNullable<Discharge['pump']> => ({
  curve: USUAL_CURVE.map((point) => ({ ...point })),
  area: 0.3,
  start: groundLevel - 0.6,
  stop: groundLevel - 0.9,
  mainLength: 10,
  mainDiameter: 0.04,
  outletLevel: groundLevel + 0.3,
});

export function pumpPlan(discharge: Discharge, flow: number): PumpPlan {
  const pump = discharge.pump ?? usualPump(discharge.groundLevel);
  const lift = pump.outletLevel - (pump.start + pump.stop) / 2;
  const main = { lift, length: pump.mainLength, diameter: pump.mainDiameter, roughness: ROUGHNESS, losses: LOSSES };
  const rate = pumpedFlow(pump.curve, main);
  const volume = pump.area * (pump.start - pump.stop);
  const reserve = pump.area * Math.max(0, discharge.groundLevel - pump.start);
  const short = Math.max(0, flow - rate);
  return {
    kind: 'pump',
    ...pumpCycles({ inflow: flow, pumpRate: rate, volume }),
    flow,
    rate,
    lift,
    most: pump.curve[0]!.head,
    head: systemHead(main, rate),
    volume,
    reserve,
    outage: flow > 0 ? reserve / flow : null,
    short,
    standing: short > 0 ? discharge.groundLevel : pump.start,
  };
}

export const pumpWork = work<Discharge, PumpPlan>({
  of: 'discharge',
  isOne: (discharge) => OUTFALLS[discharge.form].pumps === true && storeOf(discharge) === null,
  inRain: { turn: 'outlet', plan: (discharge, here) => pumpPlan(discharge, here.at(discharge.id).passing) },
  stands: ({ standing }) => standing,
  dug: false,
  // Counted with the ways out.
  count: () => [],
  facts: (plan, units) => [
    { label: 'Comes to it', shown: showFlow(plan.flow, units) },
    { label: 'Lifts', shown: showFlow(plan.rate, units), ...toned('fix', plan.rate < plan.flow) },
    { label: 'Head, with its line', shown: showLength(plan.head, units) },
    { label: 'Starts an hour', shown: words(plan.cyclesPerHour === null ? 'runs on' : plan.cyclesPerHour.toFixed(1)) },
    { label: 'At worst', shown: words(plan.worstCyclesPerHour.toFixed(0)) },
    { label: 'Between stop and start', shown: showVolume(plan.volume, units) },
    {
      label: 'Runs over in a power cut after',
      shown: plan.outage === null ? words('nothing comes') : showDuration(plan.outage),
    },
  ],
  layer: 'inlets',
});

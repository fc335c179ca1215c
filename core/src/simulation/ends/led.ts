/** Swales, culverts and berms that lead water on to something: each holds it for as long as it runs there, and lets what it cannot carry run off. */
import { LINING_FACTS } from '../../catalogue/swales';
import { swaleCapacity, wetAt } from '../../hydraulics/swaleFlow';
import { headOf, ofKind, type Job } from '../../job/job';
import type { Culvert, Swale } from '../../job/kinds';
import { conductivityOf, lengthOf } from '../../works/measures';
import { culvertPlan } from '../../works/culvert';
import { shapeOf } from '../../works/swale';
import type { Plan } from '../../verdict/planJob';
import { Reach, type ReachIn } from './reach';

/** Depths at which a section is worked out. */
const STEPS = 30;
/** How fast water runs through a culvert and along a berm, m/s, to tell how long it takes. */
const THROUGH = 1.5;
const ALONG = 0.5;
/** More than so comes to no berm, m³/s. */
const MUCH = 10;

export interface LedWater {
  id: string;
  /** Deepest that it stood, m, when, s, and its bank over its floor, m; null of what has no depth. */
  deepest: number | null;
  bank: number | null;
  at: number;
  /** m³ that came to it, and that ran over it. */
  came: number;
  spilled: number;
}

interface Leads {
  reach: Reach;
  to: string | undefined;
  bank: number | null;
  came: number;
}

/** A swale as it is cut; one that climbs to its foot lets nothing on. */
function ofSwale(job: Job, swale: Swale, pitch: number): ReachIn {
  const shape = shapeOf(swale);
  const depths = Array.from({ length: STEPS + 1 }, (_, k) => (k / STEPS) * swale.depth);
  const { roughness } = LINING_FACTS[swale.lining];
  const takes = conductivityOf(swale, headOf(job).soil);
  return {
    length: lengthOf(swale),
    depths,
    areas: depths.map((depth) => (depth > 0 ? wetAt(shape, depth).area : 0)),
    flows: depths.map((depth) => swaleCapacity(shape, depth, Math.max(0, pitch), roughness)),
    soaking: (depth) => (depth > 0 ? takes * wetAt(shape, depth).perimeter : 0),
  };
}

/** A culvert up to what it carries with the water before it at the road's edge. */
function ofCulvert(culvert: Culvert, leastCover: number): ReachIn {
  let [low, high] = [0, MUCH];
  for (let k = 0; k < STEPS; k++) {
    const flow = (low + high) / 2;
    if (culvertPlan(culvert, flow, -Infinity, leastCover).freeboard >= 0) low = flow;
    else high = flow;
  }
  return straight(lengthOf(culvert), Math.max(low, 1e-6), THROUGH);
}

const straight = (length: number, most: number, speed: number): ReachIn => ({
  length,
  depths: [0, 1],
  areas: [0, most / speed],
  flows: [0, most],
});

export class Led {
  private readonly led = new Map<string, Leads>();

  constructor(job: Job, plan: Plan) {
    for (const swale of ofKind(job, 'swale')) {
      const planned = plan.works[swale.id];
      const pitch = planned?.kind === 'swale' ? planned.pitch : 0;
      this.led.set(swale.id, {
        reach: new Reach(ofSwale(job, swale, pitch)),
        to: swale.to,
        bank: swale.depth,
        came: 0,
      });
    }
    for (const culvert of ofKind(job, 'culvert'))
      this.led.set(culvert.id, {
        reach: new Reach(ofCulvert(culvert, plan.settings.leastCover)),
        to: culvert.to,
        bank: null,
        came: 0,
      });
    for (const berm of ofKind(job, 'berm'))
      this.led.set(berm.id, {
        reach: new Reach(straight(lengthOf(berm), MUCH, ALONG)),
        to: berm.to,
        bank: null,
        came: 0,
      });
  }

  /** Whether it is one of these, and then takes the water, m³. */
  take(id: string, volume: number): boolean {
    const found = this.led.get(id);
    if (!found) return false;
    found.reach.take(volume);
    found.came += volume;
    return true;
  }

  get stored(): number {
    let sum = 0;
    for (const { reach } of this.led.values()) sum += reach.stored;
    return sum;
  }

  /** One step of `dt` s ending at `time`: what leaves is handed on; gives what sank in, m³. A culvert that is stopped up lets nothing through. */
  step(
    dt: number,
    time: number,
    passOn: (to: string | undefined, volume: number) => void,
    openOf: (id: string) => number,
  ): number {
    let sank = 0;
    for (const [id, { reach, to }] of this.led) {
      if (reach.stored <= 0) {
        reach.depth = 0;
        continue;
      }
      const { out, over, soaked } = reach.step(dt, time);
      sank += soaked;
      const open = openOf(id);
      if (out > 0) passOn(to, out * open);
      const off = over + out * (1 - open);
      // What runs over a bank is no longer led.
      if (off > 0) passOn(undefined, off);
    }
    return sank;
  }

  /** Water in a swale now, m over its floor; null of what has no depth. */
  depthNow(id: string): number | null {
    const found = this.led.get(id);
    return found && found.bank !== null ? found.reach.depth : null;
  }

  get told(): LedWater[] {
    return [...this.led].map(([id, { reach, bank, came }]) => ({
      id,
      deepest: bank === null ? null : reach.deepest,
      bank,
      at: reach.at,
      came,
      spilled: reach.spilled,
    }));
  }
}

/**
 * The walk's own opinion of works that are not pipe: strips, small steps and halving, from the job's own words, the water that comes and the
 * design storm. It shares no solver with the plan.
 */
import { LINING_FACTS } from '../../catalogue/swales';
import { SOIL_FACTS } from '../../catalogue/soils';
import { headOf, ofKind, rainOf, type Job } from '../../job/job';
import type { Culvert, Discharge, Drain, DrainField, Swale } from '../../job/kinds';
import type { Plan } from '../../verdict/planJob';
import { wayLength } from '../../site/place';
import { stormOf } from '../../works/storm';
import { least } from '../halving';

const G = 9.80665;
const LAID = 0.001;
/** Bank over water, m: 4 in. */
const BANK = 0.1016;

/** Width of a swale so high over its floor, m. */
function widthAt({ section, bottomWidth = 0, sideSlope, depth }: Swale, z: number): number {
  if (section === 'parabola') return 2 * sideSlope * depth * Math.sqrt(z / depth);
  return (section === 'v' ? 0 : bottomWidth) + 2 * sideSlope * z;
}

/** What a swale carries at a depth (m³/s) and its wetted area, in strips. */
function carries(swale: Swale, depth: number, pitch: number): { flow: number; area: number } {
  const strips = 400;
  let area = 0;
  let wetted = widthAt(swale, 0);
  for (let k = 0; k < strips; k++) {
    const [low, high] = [(depth * k) / strips, (depth * (k + 1)) / strips];
    area += widthAt(swale, (low + high) / 2) * (high - low);
    wetted += 2 * Math.hypot(high - low, (widthAt(swale, high) - widthAt(swale, low)) / 2);
  }
  return { flow: (area * (area / wetted) ** (2 / 3) * Math.sqrt(pitch)) / LINING_FACTS[swale.lining].roughness, area };
}

const long = ({ length, way }: Swale | Culvert): number => length ?? (way ? wayLength(way) : 0);

/** Depth and speed of the water in a swale with levels of its own; null where those hang on the ground. */
function inSwale(swale: Swale, flow: number): { depth: number; speed: number; pitch: number } | null {
  if (swale.headLevel === undefined || swale.footLevel === undefined) return null;
  const pitch = (swale.headLevel - swale.footLevel) / long(swale);
  if (pitch <= 0) return { depth: swale.depth, speed: 0, pitch };
  if (flow <= 0) return { depth: 0, speed: 0, pitch };
  const depth = least(1e-5, 10, (y) => carries(swale, y, pitch).flow >= flow);
  return { depth, speed: flow / carries(swale, depth, pitch).area, pitch };
}

/** Highest water in a store in the design storm, and whether it runs over, by steps of five seconds. */
function inStore(job: Job, plan: Plan, out: Discharge): { level: number; over: boolean } | null {
  if (!out.store || !['dryWell', 'leachingPit', 'rainGarden'].includes(out.form)) return null;
  const { area, depth, cover, voids, perimeter = 4 * Math.sqrt(area), soil, conductivity } = out.store;
  const k = (conductivity ?? SOIL_FACTS[soil ?? headOf(job).soil ?? 'loam'].conductivity) / 2;
  const { step, intensities } = stormOf(rainOf(job));
  const at = plan.landings[out.id]!;
  const fixed = at.passing - (plan.rain > 0 ? Math.min(at.passing, at.passingArea * plan.rain) : 0);
  const rains = [0, ...intensities, 0];
  const tick = 5;
  let [h, most] = [0, 0];
  for (let j = 1; j < rains.length; j++)
    for (let t = 0; t < step; t += tick) {
      const rain = rains[j - 1]! + ((rains[j]! - rains[j - 1]!) * (t + tick / 2)) / step;
      h += (tick * (rain * at.passingArea + Math.max(0, fixed) - k * (area + perimeter * h))) / (voids * area);
      h = Math.min(depth, Math.max(0, h));
      most = Math.max(most, h);
    }
  const over = most >= depth - 1e-9;
  return { level: over ? out.groundLevel : out.groundLevel - cover - depth + most, over };
}

/** Water that works make stand at a way out, m; −∞ where none does. */
export function standingByWorks(job: Job, plan: Plan, out: Discharge): number {
  const store = inStore(job, plan, out);
  if (store) return store.level;
  if (out.form === 'pump' && out.pump) return out.pump.start;
  const swale = ofKind(job, 'swale').find(({ id }) => id === out.into);
  const water = swale ? inSwale(swale, plan.ways.get(swale.id)?.flow ?? 0) : null;
  return water && out.controlLevel !== undefined ? out.controlLevel + water.depth : Number.NEGATIVE_INFINITY;
}

/** Hooghoudt by trying: the spacing at which what is led off is what sinks in. */
function spacingOf(drain: Drain | DrainField, soil: keyof typeof SOIL_FACTS): number {
  const k = drain.conductivity ?? SOIL_FACTS[soil].conductivity;
  const h = drain.depth - (drain.firm ?? 0.3);
  const q = drain.recharge ?? 0.01 / 86_400;
  const barrier = drain.barrier ?? 1.5;
  const radius = drain.nominal / 2;
  return least(0.05, 500, (l) => {
    const x = (2 * Math.PI * barrier) / l;
    let f = x <= 0.5 ? Math.PI ** 2 / (4 * x) + Math.log(x / (2 * Math.PI)) : 0;
    for (let n = 1; x > 0.5 && n < 60; n += 2) f += 4 / (n * (Math.exp(2 * n * x) - 1));
    const d = Math.min(barrier, (Math.PI * l) / 8 / (Math.log(l / (Math.PI * radius)) + f));
    return l * l * q >= 8 * k * d * h + 4 * k * h * h;
  });
}

/** What this walk finds wrong with the works of a job that is told to hold. */
export function walkWorks(job: Job, plan: Plan): string[] {
  const wrong: string[] = [];
  const water = new Map<string, number>();
  for (const swale of ofKind(job, 'swale')) {
    const flow = plan.ways.get(swale.id)?.flow ?? 0;
    const stands = inSwale(swale, flow);
    if (!stands) continue;
    water.set(swale.id, swale.headLevel! + stands.depth);
    if (stands.pitch <= 0) wrong.push(`${swale.id} does not fall`);
    if (stands.depth > swale.depth - BANK + LAID) wrong.push(`${swale.id} runs ${stands.depth.toFixed(3)} m deep`);
    if (stands.speed > LINING_FACTS[swale.lining].speed * 1.001) wrong.push(`${swale.id} washes out`);
  }
  for (const berm of ofKind(job, 'berm')) {
    const held = berm.waterLevel ?? water.get(berm.holds ?? '');
    if (held !== undefined && berm.footLevel + berm.height - held < BANK - LAID) wrong.push(`${berm.id} is run over`);
    if (berm.to === undefined) wrong.push(`${berm.id} traps water`);
  }
  for (const culvert of ofKind(job, 'culvert')) {
    const flow = (plan.ways.get(culvert.id)?.flow ?? 0) / (culvert.pipes ?? 1);
    const area = (Math.PI * culvert.nominal ** 2) / 4;
    // No pipe passes more than its mouth under the road's edge lets in, as a hole with round edges.
    const head = culvert.roadLevel - culvert.invertUp - culvert.nominal / 2;
    if (flow > 0.95 * area * Math.sqrt(2 * G * Math.max(0, head))) wrong.push(`${culvert.id} drowns the road`);
    if (culvert.invertDown > culvert.invertUp) wrong.push(`${culvert.id} falls the wrong way`);
  }
  for (const drain of [...ofKind(job, 'drain'), ...ofKind(job, 'drainField')]) {
    const spacing = drain.spacing ?? Number.NaN;
    const asked = spacingOf(drain, drain.soil ?? headOf(job).soil ?? 'loam');
    if (spacing > asked * 1.03) wrong.push(`${drain.id} lies ${spacing} m apart, and ${asked.toFixed(2)} is asked`);
    if (drain.depth <= (drain.firm ?? 0.3)) wrong.push(`${drain.id} is too shallow`);
  }
  for (const out of ofKind(job, 'discharge')) {
    if (inStore(job, plan, out)?.over) wrong.push(`${out.id} runs over`);
    const flow = plan.landings[out.id]?.passing ?? 0;
    if (out.form !== 'pump' || !out.pump || flow <= 0) continue;
    const { curve, start, stop, mainLength, mainDiameter, outletLevel } = out.pump;
    const speed = flow / ((Math.PI * mainDiameter ** 2) / 4);
    const slope = ((speed * 0.01) / (mainDiameter / 4) ** (2 / 3)) ** 2;
    const asked = outletLevel - (start + stop) / 2 + slope * mainLength + (6 * speed ** 2) / (2 * G);
    const after = curve.findIndex((point) => point.flow >= flow);
    if (after < 0) {
      wrong.push(`${out.id} is pumped too slowly`);
      continue;
    }
    const [low, high] = [curve[Math.max(0, after - 1)]!, curve[after]!];
    const share = high.flow > low.flow ? (flow - low.flow) / (high.flow - low.flow) : 0;
    if (low.head + (high.head - low.head) * share < asked * 0.999) wrong.push(`${out.id} does not lift what comes`);
  }
  return wrong;
}

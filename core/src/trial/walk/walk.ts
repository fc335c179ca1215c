/**
 * A second opinion on a job that is told to hold: a walk over the levels as they are laid and over the water, in numerics of its own
 * (marching and halving, no shared solver), against the job's own words. It judges what somebody in the trench could see, and knows
 * nothing of the rules that the plan was judged by.
 */
import { MATERIAL_FACTS } from '../../catalogue/pipes';
import { SOIL_FACTS } from '../../catalogue/soils';
import { changed, put } from '../../job/change';
import { elementOf, groundInlets, ofKind, rainOf, type Job } from '../../job/job';
import { type Discharge, type Landing, type Run } from '../../job/kinds';
import { lengthOfRun } from '../../job/places';
import { planJob, type Plan } from '../../verdict/planJob';
import { situated } from '../../yard/situate';
import type { RunPlan } from '../../plan/solution';
import { least } from '../halving';
import { standingByWorks, walkWorks } from './walkWorks';
import { LAID, WATER, type Walk } from './walking';
import { G, section, friction, marched } from './walkedWater';
import { OPEN, walkOver } from './walkGround';
import { walkClash } from './walkClash';
import { walkDoors } from './walkDoors';
import { walkInlets } from './walkInlets';

/** What the end of a line is good for on site, m, a sixteenth of an inch: half of what levels are told to. */
const LAID_END = 0.0254 / 16;

const landingOf = (job: Job, id: string): Landing => job.elements.get(id) as Landing;
/** A run as it was drawn, as long as it is on the plan where its length is read there. */
function runOf(job: Job, id: string): Run {
  const run = elementOf(job, 'run', id)!;
  return { ...run, length: lengthOfRun(job, run) };
}

/** K of a landing, read off the trade's tables once more. */
function lossOf(landing: Landing, arriving: number): number {
  if (landing.kind === 'basin' || landing.kind === 'channel') return 1.5;
  if (landing.kind === 'downspout') return arriving > 0 ? 0.5 : 1.5;
  if (landing.kind !== 'junction') return 0;
  if (landing.form === 'sedimentTrap') return 1.5;
  if (arriving > 1) return landing.form === 'tee' ? 1.3 : 0.5;
  return landing.form === 'bend' ? { one45: 0.3, two45: 0.4, one90: 1 }[landing.turn ?? 'one45'] : 0;
}

/** Levels as they are laid: falls, joints, cover, trench and ends. */
function walkLevels({ job, plan, into, wrong }: Walk): void {
  const { settings } = plan;
  for (const run of Object.values(plan.runs)) {
    const given = runOf(job, run.id);
    const fall = (run.invertUp - run.invertDown) / given.length;
    if (fall <= 0) wrong.push(`${run.id} does not fall`);
    const large = MATERIAL_FACTS[given.material].smoothBore && given.nominal >= settings.largeFrom - 1e-9;
    const asked = large ? Math.min(settings.leastPitch, settings.leastPitchLarge) : settings.leastPitch;
    if (fall < asked - 1e-5) wrong.push(`${run.id} is flatter than it may be`);
    for (const above of into.get(run.from) ?? [])
      if (above.crownDown < run.crownUp - LAID) wrong.push(`${above.id} comes in under ${run.id}`);
    walkOver(job, plan, runOf(job, run.id), run, wrong);
  }
}

/** Lowest that a pipe may come in there: as said, or the floor of what holds the water; undefined where nobody knows. */
function floorOf(out: Discharge, job: Job): number | undefined {
  const channel = out.form === 'channel' ? elementOf(job, 'channel', out.into ?? '') : undefined;
  if (channel) {
    const falls = channel.slope * channel.length * (channel.outlet === 'middle' ? 0.5 : 1);
    return channel.groundLevel + (channel.topSlope ?? 0) * channel.length - channel.depth + falls;
  }
  if (out.form === 'pump') return out.pump?.start ?? out.controlLevel;
  if (out.controlLevel !== undefined || !out.store) return out.controlLevel;
  return out.groundLevel - out.store.cover - out.store.depth;
}

/** Where pipes end against what should take their water, and what stays in them. */
function walkEnds({ job, plan, into, wrong }: Walk): void {
  for (const out of ofKind(job, 'discharge')) {
    const arriving = into.get(out.id) ?? [];
    const lowest = Math.min(...arriving.map(({ invertDown }) => invertDown));
    if (arriving.length === 0) continue;
    if (out.form === 'popup') walkPopup(out, plan, lowest, into, wrong);
    else {
      const control =
        out.form === 'kerb' ? Math.max(out.controlLevel ?? out.groundLevel, out.groundLevel) : floorOf(out, job);
      const dug = out.form === 'main' && out.groundLevel - (control ?? out.groundLevel) >= 1.524 + LAID;
      if (dug && arriving.some(({ id }) => !runOf(job, id).shored))
        wrong.push(`${out.id} is dug down to in an open trench`);
      if (out.form === 'main' && control === undefined) wrong.push(`${out.id} is a main that nobody found`);
      if (lowest < (control ?? out.groundLevel) - LAID_END)
        wrong.push(`${out.id} is reached ${lowest} under its level`);
    }
    if (out.form === 'channel') walkHead(out, job, arriving, wrong);
    const highest = Math.max(...arriving.map(({ invertDown }) => invertDown));
    if (OPEN.has(out.form) && highest > out.groundLevel + 0.1 + LAID)
      wrong.push(`${out.id} is reached through the air`);
    if (out.buildingDistance !== undefined && out.buildingDistance < plan.settings.buildingClearance - 1e-6)
      wrong.push(`${out.id} lets out beside a building`);
    if (out.form === 'main' && out.mainCapacity !== undefined) {
      const sent = arriving.reduce((sum, { flow }) => sum + flow, 0) + (out.mainUsed ?? 0);
      if (sent > out.mainCapacity * 1.000001) wrong.push(`${out.id} is a full main`);
    }
  }
}

/** A pipe into a channel comes in under its grate. */
function walkHead(out: Discharge, job: Job, arriving: readonly RunPlan[], wrong: string[]): void {
  const channel = elementOf(job, 'channel', out.into ?? '');
  if (!channel) return void wrong.push(`${out.id} is a channel that nobody named`);
  const grate = channel.groundLevel + (channel.topSlope ?? 0) * channel.length;
  for (const { id, invertDown, diameter } of arriving)
    if (invertDown + diameter > grate + LAID) wrong.push(`${id} stands over the grate of ${channel.id}`);
}

function walkPopup(out: Discharge, plan: Plan, lowest: number, into: Walk['into'], wrong: string[]): void {
  const depth = out.groundLevel - lowest;
  if (depth <= LAID) return;
  // Litres in the pipes, counted every centimetre.
  let volume = 0;
  const left = [out.id];
  for (let at = left.pop(); at !== undefined; at = left.pop())
    for (const run of into.get(at) ?? []) {
      if (run.invertDown >= out.groundLevel) continue;
      const steps = Math.ceil(run.length * 100);
      for (let k = 0; k < steps; k++) {
        const invert = run.invertDown + ((run.invertUp - run.invertDown) * (k + 0.5)) / steps;
        if (invert < out.groundLevel)
          volume += (section(out.groundLevel - invert, run.diameter).area * run.parallel * run.length) / steps;
      }
      left.push(run.from);
    }
  const soil = SOIL_FACTS[out.drain?.soil ?? 'loam'].conductivity;
  const wetted = out.drain?.type === 'leach' ? out.drain.area : 0.25;
  const hours = out.drain ? volume / (soil * wetted) / 3600 : Number.POSITIVE_INFINITY;
  const told = plan.snags.some(({ code, at }) => code === 'popupHolds' && at === out.id);
  if (hours > 73 || (hours > 25 && !told))
    wrong.push(`${out.id} holds ${depth.toFixed(3)} m for ${hours.toFixed(0)} h`);
}

/** Level at which water stands where a line ends, m, or −∞. */
function standing(out: Discharge, passing: number, { settings }: Plan): number {
  if (out.form === 'popup') return out.groundLevel + settings.popupLift;
  if (out.standingLevel !== undefined) return out.standingLevel;
  const { mainDiameter: d, mainPitch: s } = out;
  if (out.form !== 'main' || d === undefined || s === undefined) return Number.NEGATIVE_INFINITY;
  const n = MATERIAL_FACTS[out.mainMaterial ?? 'clay'].roughness;
  const flow = passing + (out.mainUsed ?? 0);
  return out.controlLevel! + least(d * 1e-4, d, (y) => friction(flow, y, d, n) <= s);
}

/** The water line from every way out up, and the flows on the way. */
function walkWater(walk: Walk): void {
  const { job, plan, upward, into, water, wrong } = walk;
  for (const run of upward) {
    const given = runOf(job, run.id);
    const each = run.flow / (given.parallel ?? 1);
    const lower = landingOf(job, given.to);
    const comes = (into.get(given.from) ?? []).map(({ flow }) => flow);
    if (run.flow < Math.max(0, ...comes) - 1e-12) wrong.push(`${run.id} is sized for less than comes to it`);
    const full = least(0, 50, (q) => friction(q, run.diameter, run.diameter, run.roughness) >= run.pitch);
    if (each > full * 1.0001) wrong.push(`${run.id} carries more than it holds`);
    if (each / section(run.diameter, run.diameter).area > plan.settings.stopVelocity)
      wrong.push(`${run.id} runs too fast`);
    const foot =
      lower.kind === 'discharge'
        ? Math.max(standing(lower, plan.landings[lower.id]!.passing, plan), standingByWorks(job, plan, lower)) -
          run.invertDown
        : water.get(lower.id)! - run.invertDown;
    const head = marched(run, each, foot);
    const velocity = each > 0 ? each / section(head, run.diameter).area : 0;
    const loss = lossOf(landingOf(job, given.from), comes.length);
    let level = run.invertUp + head + (loss * velocity ** 2) / (2 * G);
    if (given.throat !== undefined && given.throat < run.diameter) {
      const jet = each / ((Math.PI * given.throat ** 2) / 4);
      level += ((1 / 0.62 - (given.throat / run.diameter) ** 2) * jet) ** 2 / (2 * G);
    }
    water.set(given.from, Math.max(level, water.get(given.from) ?? Number.NEGATIVE_INFINITY));
  }
}

/** A walk over a plan, nothing judged yet. */
function begin(job: Job, plan: Plan): Walk {
  const into = new Map<string, RunPlan[]>();
  for (const run of Object.values(plan.runs)) into.set(run.to, [...(into.get(run.to) ?? []), run]);
  const upward: RunPlan[] = [];
  const left = ofKind(job, 'discharge').map(({ id }) => id);
  for (let at = left.shift(); at !== undefined; at = left.shift())
    for (const run of into.get(at) ?? []) {
      upward.push(run);
      left.push(run.from);
    }
  return { job, plan, upward, into, water: new Map(), stands: new Map(), wrong: [] };
}

/** Doors in the rarer rain that they are to stay dry in, as if that were the job's own. */
function walkRarer(job: Job): string[] {
  const rain = rainOf(job);
  if (!rain?.openings) return [];
  const { returnPeriod, ...openings } = rain.openings;
  const own = changed(
    job,
    put('Rarer', { ...openings, id: rain.id, kind: 'rain', source: { type: 'own', place: 'Rarer', returnPeriod } }),
  );
  const plan = planJob(own);
  const walk = begin(situated(own, plan), plan);
  walkWater(walk);
  walkInlets(walk);
  const wrong: string[] = [];
  for (const { id, sillLevel } of groundInlets(own))
    if (sillLevel !== undefined && (walk.stands.get(id) ?? -Infinity) > sillLevel + WATER)
      wrong.push(`the sill at ${id} is wet in the rarer rain`);
  const doors: Walk = { ...walk, wrong };
  walkDoors(doors, 0);
  return wrong;
}

/** What this walk finds wrong with a job as it is planned, one line each; nothing when it agrees that the job holds. */
export function walkOf(given: Job, plan: Plan): string[] {
  const job = situated(given, plan);
  const walk = begin(job, plan);
  walkLevels(walk);
  walkEnds(walk);
  walkWater(walk);
  walkInlets(walk);
  walkDoors(walk);
  walkClash(walk);
  return [...walk.wrong, ...walkWorks(job, plan), ...walkRarer(given)];
}

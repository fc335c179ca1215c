/**
 * The sums of what gives way, by the trials: nothing passes on more than comes to it, what is said to be led to another comes to that, and
 * all that came is what was carried off, taken in on the way, or ran off unled. Held against the storm's own balance, which counts elsewhere.
 */
import { OUTFALLS } from '../../catalogue/outfalls';
import { ofKind, type Job } from '../../job/job';
import type { LayerCell, LayerId, LayerPart } from '../../simulation/givesWay/layer';
import { layersTold, leadsTo } from '../../simulation/givesWay/layersTold';
import type { StormTold } from '../../simulation';
import type { Plan } from '../../verdict/planJob';

/** m³ that rounding may hide, and share of what came. */
const UNSEEN = 1e-6;

/** What may stand in the shaft of a way out before and after, m³. */
const SHAFT = 0.25;

/** What is wrong with the layers told of a storm, one line each. `plan`: the job's own. */
export function walkGivesWay(
  job: Job,
  plan: Plan,
  told: StormTold,
  layers: Record<LayerId, LayerCell> = layersTold(job, plan, told, leadsTo(plan.here ?? job)),
): string[] {
  const wrong: string[] = [];
  const all = Object.values(layers).flatMap(({ parts }) => parts);
  for (const { id, came, passed, left, deep } of all) {
    if (![came, passed, deep, left ?? 0].every(Number.isFinite)) wrong.push(`${id} has no number`);
    if (passed < -UNSEEN || passed > came + UNSEEN * (1 + came)) wrong.push(`${id} passes on ${passed} of ${came}`);
  }
  const whole = sumsOf(job, told, layers);
  return whole === null ? wrong : [...wrong, ...whole];
}

const sum = (parts: readonly LayerPart[], what: (part: LayerPart) => number): number =>
  parts.reduce((all, each) => all + what(each), 0);

/** Every cubic metre of a job whose water is all led to inlets and pipes: of others some is in works, in the ground, or lost. */
function sumsOf(job: Job, told: StormTold, layers: Record<LayerId, LayerCell>): string[] | null {
  const kinds = ['swale', 'culvert', 'berm', 'drain', 'drainField', 'pavedBed'] as const;
  if (told.grid || kinds.some((kind) => ofKind(job, kind).length > 0)) return null;
  const outs = ofKind(job, 'discharge');
  if (outs.some(({ form }) => OUTFALLS[form].inChannel)) return null;
  const { balance } = told;
  const past = sum(layers.pipes.parts, ({ came, passed }) => came - passed);
  // What keeps its water has taken all that did not come up.
  const kept = sum(layers.stores.parts, ({ came, passed }) => came - passed);
  const gone = Math.abs(balance.out) + balance.pumped + balance.soaked;
  const wrong: string[] = [];
  const isStored = layers.stores.parts.length > 0;
  // Soft ground soaks as well: only of jobs without stores is what came out of the pipes told apart; and water may come in from outside.
  const comesIn = told.ends.some(({ came }) => came < 0);
  if (!isStored && !comesIn && Math.abs(past - balance.out) > SHAFT * outs.length + UNSEEN * gone)
    wrong.push(`${past} is carried, and ${balance.out} has left`);
  if (kept < -UNSEEN) wrong.push(`stores have let ${-kept} more out than came`);
  const spilled = sum(layers.gutters.parts, ({ passed }) => passed);
  if (spilled + UNSEEN < balance.overGutters)
    wrong.push(`${spilled} is spilled, and ${balance.overGutters} has run over gutters`);
  const ranPast = sum([...layers.grates.parts, ...layers.pipes.parts, ...layers.stores.parts], ({ passed }) => passed);
  if (ranPast + SHAFT < balance.ranOff) wrong.push(`${ranPast} is told to pass, and ${balance.ranOff} has run off`);
  return wrong;
}

/** What the other works take: perforated pipe in stone and fabric, earth moved, culvert pipe and its ends, sleeves, barrels. */
import { LAP } from '../catalogue/supply';
import { STONE_FACTS } from '../catalogue/stone';
import { ofKind, type Job } from '../job/job';
import type { Culvert, Drain, DrainField, PavedBed, Run, StoneDrain } from '../job/kinds';
import type { Solution } from '../plan/solution';
import type { WorkPlan } from '../works';
import { DRAIN_USUAL } from '../works/drain';
import { areaCovered, lengthOf } from '../works/measures';
import type { Counting } from './counting';

/** Perforated pipe of the works comes corrugated, in rolls. */
const PERFORATED = { type: 'pipe', material: 'singleWall', perforated: true } as const;
/** Stone that a culvert lets out onto: so many of its widths long and wide, and so thick, m. */
const APRON = { long: 4, wide: 3, thick: 0.3 };

type Planned<K extends WorkPlan['kind']> = Extract<WorkPlan, { kind: K }>;

export function countWorks(job: Job, { works }: Pick<Solution, 'works'>, counting: Counting): void {
  const planOf = <K extends WorkPlan['kind']>(id: string, kind: K): Planned<K> | undefined => {
    const plan = works[id];
    return plan?.kind === kind ? (plan as Planned<K>) : undefined;
  };
  for (const drain of ofKind(job, 'drain')) {
    const plan = planOf(drain.id, 'drain');
    if (plan) countDrain(drain, plan, counting);
  }
  for (const field of ofKind(job, 'drainField')) {
    const plan = planOf(field.id, 'drainField');
    if (plan) countDrain(field, plan, counting);
  }
  for (const stone of ofKind(job, 'stoneDrain')) countStoneDrain(stone, counting);
  for (const bed of ofKind(job, 'pavedBed')) countBed(bed, counting);
  for (const swale of ofKind(job, 'swale')) {
    const plan = planOf(swale.id, 'swale');
    if (!plan) continue;
    counting.add({ type: 'dug' }, swale.id, plan.cut);
    counting.add({ type: 'fill' }, swale.id, plan.fill);
    counting.add({ type: 'spoil' }, swale.id, plan.cut - plan.fill);
    counting.add({ type: swale.lining === 'grass' ? 'turf' : 'lining' }, swale.id, plan.length * plan.bankWidth);
  }
  for (const berm of ofKind(job, 'berm')) {
    const plan = planOf(berm.id, 'berm');
    if (!plan) continue;
    counting.add({ type: 'fill' }, berm.id, plan.fill);
    counting.add({ type: 'turf' }, berm.id, plan.length * plan.baseWidth);
  }
  for (const culvert of ofKind(job, 'culvert')) countCulvert(culvert, counting);
  for (const { id, volume } of ofKind(job, 'barrel')) counting.add({ type: 'barrel', volume }, id);
  for (const sleeve of ofKind(job, 'sleeve')) {
    const length = lengthOf(sleeve);
    if (length === 0) counting.missing.push({ id: sleeve.id, why: 'noSize' });
    const material: Run['material'] = 'smooth';
    counting.add({ type: 'pipe', material, nominal: sleeve.nominal }, sleeve.id, length);
    // An empty one is closed until it is wanted.
    if (sleeve.use !== 'pipe') counting.add({ type: 'cap', material, nominal: sleeve.nominal }, sleeve.id, 2);
  }
}

function countDrain(drain: Drain | DrainField, plan: Planned<'drain' | 'drainField'>, counting: Counting): void {
  const { id, nominal, depth, stone = 'angular', fabric = 'wrapped', trenchWidth = DRAIN_USUAL.trenchWidth } = drain;
  const { length, lines } = plan;
  if (length === 0) return void counting.missing.push({ id, why: 'noSize' });
  const pipes = drain.kind === 'drain' ? (drain.pipes ?? 1) : 1;
  for (let k = 0; k < pipes; k++) counting.add({ ...PERFORATED, nominal }, id, length);
  const { material } = PERFORATED;
  // Every upper end is closed; in a field each pipe comes into the collector by a tee, the last by a bend.
  counting.add({ type: 'cap', material, nominal }, id, lines ? lines.laterals.length : pipes);
  if (lines) counting.add({ type: 'tee', material, nominal, branch: nominal }, id, lines.laterals.length);
  const section = trenchWidth * depth;
  const { voids } = STONE_FACTS[stone];
  const filled = voids > 0 ? plan.room / voids : 0;
  counting.add({ type: 'dug' }, id, section * length);
  if (filled > 0) counting.add({ type: 'stone', stone }, id, filled);
  if (fabric === 'wrapped') counting.add({ type: 'fabric' }, id, length * (2 * (trenchWidth + depth) + LAP));
  const displaced = filled + (pipes * length * Math.PI * nominal ** 2) / 4;
  counting.add({ type: 'spoil' }, id, displaced);
  counting.add({ type: 'backfill' }, id, section * length - displaced);
  counting.add({ type: 'turf' }, id, length * trenchWidth);
}

function countStoneDrain(drain: StoneDrain, counting: Counting): void {
  const { id, width, depth, stone = 'round', fabric = 'wrapped' } = drain;
  const length = lengthOf(drain);
  if (length === 0) return void counting.missing.push({ id, why: 'noSize' });
  counting.add({ type: 'dug' }, id, width * depth * length);
  counting.add({ type: 'spoil' }, id, width * depth * length);
  if (stone !== 'none') counting.add({ type: 'stone', stone }, id, width * depth * length);
  // Wrapped below: its top is open.
  if (fabric === 'wrapped') counting.add({ type: 'fabric' }, id, length * (width + 2 * depth));
}

function countBed(bed: PavedBed, counting: Counting): void {
  const { id, depth, liner } = bed;
  const area = areaCovered(bed);
  if (area === 0) return void counting.missing.push({ id, why: 'noSize' });
  counting.add({ type: 'dug' }, id, area * depth);
  counting.add({ type: 'spoil' }, id, area * depth);
  counting.add({ type: 'stone', stone: 'openGraded' }, id, area * depth);
  counting.add({ type: liner ? 'liner' : 'fabric' }, id, area + 4 * Math.sqrt(area) * depth);
}

function countCulvert(culvert: Culvert, counting: Counting): void {
  const { id, nominal, material, pipes = 1, stone, inlet } = culvert;
  const length = lengthOf(culvert);
  if (length === 0) return void counting.missing.push({ id, why: 'noSize' });
  for (let k = 0; k < pipes; k++) counting.add({ type: 'pipe', material, nominal }, id, length);
  if (inlet !== 'projecting') counting.add({ type: 'culvertEnd', nominal }, id, 2 * pipes);
  if (stone)
    counting.add({ type: 'stone', stone: 'apron' }, id, pipes * APRON.long * APRON.wide * APRON.thick * nominal ** 2);
}

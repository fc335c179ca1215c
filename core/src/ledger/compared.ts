/** One job in the end, beside its plan: hours by step, machines, loads, parts, what it cost and what was asked. */
import type { Rentable } from '../catalogue/diggers';
import { plannedBefore } from '../asBuilt/moved';
import { needsOf } from '../clearances/needs';
import { crewOf, paceOf } from '../job/crew';
import { stepsOf, type WorkStep } from '../days/steps';
import { ofKind, type Job } from '../job/job';
import { COSTS, type CostOf, type Outcome } from '../job/kinds';
import type { Solution } from '../plan/solution';
import { pricesOf } from '../price/book';
import { priceOf, type Price, type PriceLine } from '../price/price';
import { MACHINE_STEP, machineHours } from '../quantities/machines';
import { planJob } from '../verdict/planJob';
import { takeOff, type Part, type TakeOff } from '../quantities/takeOff';

export const outcomeOf = (job: Job): Outcome => ofKind(job, 'outcome')[0] ?? { id: 'outcome', kind: 'outcome' };

/** A cost in the end: as it was told; by the hours that were told; or, where nobody told either, as planned. */
export interface CostCame {
  of: CostOf;
  planned: number;
  came: number;
  by: 'told' | 'hours' | 'plan';
}

export interface Compared {
  steps: readonly { step: WorkStep; took: number | null }[];
  /** Hours of the steps of which it was told: as planned, and what they took. */
  hours: { planned: number; took: number };
  costs: readonly CostCame[];
  cost: { planned: number; came: number };
  asked: { planned: number; came: number | null };
  /** What was left after the firm's own costs; null before it was told what was asked. */
  earned: { planned: number; came: number | null };
  loads: { planned: number; came: number | null };
  /** Hours that machines run as planned at the crew's pace, and ran; `usual` at the usual pace. */
  machines: readonly { machine: Rentable; planned: number; usual: number; ran: number | null }[];
  parts: readonly { part: Part; used: number | null; paid: number | null; rate: number }[];
  price: Price;
  taken: TakeOff;
}

/** What a line of a price goes into. */
export function costOfLine({ rented, work, extra }: PriceLine): CostOf {
  if (rented !== undefined) return 'machines';
  if (extra !== undefined) return 'others';
  return work === 'haul' ? 'hauling' : work === null ? 'parts' : 'work';
}

/** Parts that are bought: earth that is moved is work. */
const isBought = ({ item, buy }: Part): boolean =>
  buy > 0 && !['dug', 'backfill', 'spoil', 'fill', 'sodCut', 'saw'].includes(item.type);

function costsOf({ lines }: Price, { costs = {} }: Outcome, hours: Compared['hours']): CostCame[] {
  return COSTS.flatMap((of): CostCame[] => {
    const planned = lines.reduce((sum, line) => sum + (costOfLine(line) === of ? line.amount : 0), 0);
    const told = costs[of];
    if (told !== undefined) return [{ of, planned, came: told, by: 'told' }];
    if (planned === 0) return [];
    // A crew that took twice its hours cost twice as much, whether or not somebody has reckoned it yet.
    if (of === 'work' && hours.planned > 0 && hours.took > 0)
      return [{ of, planned, came: Math.round((planned * hours.took) / hours.planned), by: 'hours' }];
    return [{ of, planned, came: planned, by: 'plan' }];
  });
}

/** A job beside its plan; steps and parts that nobody told of are there with none. */
export function compared(job: Job, plan: Solution): Compared {
  const outcome = outcomeOf(job);
  const taken = takeOff(job, plan);
  const price = priceOf(job, taken);
  const inspected = needsOf(job, taken).some(({ kind }) => kind === 'inspection');
  const steps = stepsOf(job, taken, inspected).map((step) => ({ step, took: step.settled?.took ?? null }));
  const told = steps.filter(({ took }) => took !== null);
  const hours = {
    planned: told.reduce((sum, { step }) => sum + step.hours, 0),
    took: told.reduce((sum, { took }) => sum + took!, 0),
  };
  const costs = costsOf(price, outcome, hours);
  const came = costs.reduce((sum, each) => sum + each.came, 0);
  const crew = crewOf(job);
  const ran = new Map((outcome.machines ?? []).map(({ machine, hours: h }) => [machine, h]));
  const used = new Map((outcome.used ?? []).map((each) => [each.part, each]));
  const rates = new Map(price.lines.map(({ key, rate }) => [key, rate]));
  const asked = outcome.asked ?? null;
  const own = 1 + pricesOf(job).overhead;
  return {
    steps,
    hours,
    costs,
    cost: { planned: price.cost, came },
    asked: { planned: price.price, came: asked },
    earned: {
      planned: price.profit + price.rounded + price.contingency,
      came: asked === null ? null : Math.round(asked - came * own - putRight(job).cost),
    },
    loads: {
      planned: taken.parts.reduce((sum, { loads = 0 }) => sum + loads, 0),
      came: outcome.loads ?? null,
    },
    machines: (Object.entries(machineHours(job, taken)) as [Rentable, number][])
      .filter(([machine, usual]) => usual > 1e-9 || ran.has(machine))
      .map(([machine, usual]) => ({
        machine,
        usual,
        planned: usual * paceOf(crew, MACHINE_STEP[machine]),
        ran: ran.get(machine) ?? null,
      })),
    parts: taken.parts.filter(isBought).map((part) => ({
      part,
      used: used.get(part.key)?.quantity ?? null,
      paid: used.get(part.key)?.paid ?? null,
      rate: rates.get(part.key) ?? 0,
    })),
    price,
    taken,
  };
}

/** What the plan that was kept before the dig was to cost and to be asked for; null where none was kept. */
export function plannedThen(job: Job): { cost: number; price: number } | null {
  const before = plannedBefore(job);
  if (!before) return null;
  const { cost, price } = priceOf(before, takeOff(before, planJob(before)));
  return { cost, price };
}

/** Complaints that the company paid for, and what they cost. */
export function putRight(job: Job): { count: number; cost: number } {
  const own = ofKind(job, 'complaint').filter(({ pays }) => pays === 'company');
  return { count: own.length, cost: own.reduce((sum, { cost = 0 }) => sum + cost, 0) };
}

/** What a plan costs to build, line by line, and what is asked for it. Amounts are whole least units of the currency, and add up. */
import type { Rentable } from '../catalogue/diggers';
import { TRUCK } from '../catalogue/supply';
import { waysOf } from '../job/buildWays';
import { elementOf, headOf, ofKind, type Job } from '../job/job';
import { machineDays } from '../quantities/machines';
import { metBy, SET_ITEMS } from '../quantities/met';
import { noMachineIn } from '../quantities/widths';
import { ownMeets } from '../quantities/earth';
import { netOf, takeOff, type TakeOff } from '../quantities/takeOff';
import type { Item, PartUnit } from '../catalogue/items';
import { METRES_PER_FOOT } from '../units/constants';
import { partRate, pricesOf, WORK_RATES, type WorkRate } from './book';

export interface PriceLine {
  /** What its rate is kept under: a part's key, or `work` and its kind. */
  key: string;
  work: WorkRate | null;
  /** What is charged once, by the name that it was given. */
  extra?: string;
  /** Of an extra that is written down: its note's id. */
  note?: string;
  /** What is rented by the day. */
  rented?: Rentable;
  quantity: number;
  unit: PartUnit;
  /** Least units for one of its units, and whether the job has its own. */
  rate: number;
  own: boolean;
  amount: number;
}

export interface Price {
  currency: string;
  /** Dearest first: what drives the price. */
  lines: readonly PriceLine[];
  cost: number;
  contingency: number;
  overhead: number;
  profit: number;
  /** What rounding adds. */
  rounded: number;
  /** Before tax: the sum of all of these. */
  price: number;
  tax: number;
  total: number;
  /** Profit as a share of the price. */
  margin: number;
  /** m of trench that it is for; 0 where none is dug. */
  length: number;
}

/** Wheeling is priced by so many metres. */
const WHEELED = 10;
/** Depth that a metre of trench is priced to, m. */
const SHALLOW = 2 * METRES_PER_FOOT;

/** Truck loads that so much loose earth (m³) is charged as: none less than the least that is asked for one. */
const loadsOf = (job: Job, loose: number): number =>
  loose > 1e-9 ? Math.max(waysOf(headOf(job).ways).leastLoad, loose / TRUCK) : 0;

/** Quantities of work, by rate. */
function workIn(job: Job, { parts, trenches, works }: TakeOff): Partial<Record<WorkRate, number>> {
  const net = (...types: Item['type'][]): number => netOf(parts, ...types);
  const along = trenches.reduce((sum, { own, bored }) => sum + Math.max(0, own - bored), 0);
  const trenched = trenches.reduce((sum, { volume }) => sum + volume, 0);
  const { rock = 0, wet = 0, barrow = 0 } = pricesOf(job).conditions;
  // In the trench of another nothing is met twice.
  const dug = [...trenches.map(ownMeets), ...works];
  const sprinklers = dug
    .flatMap(({ meets }) => meets)
    .filter(({ id }) => elementOf(job, 'service', id)?.form === 'irrigation');
  return {
    visit: parts.length > 0 ? 1 : 0,
    trench: along,
    // By its mean depth, which its volume says.
    deeper: trenches.reduce(
      (sum, { own, width, ownVolume }) =>
        ownVolume > 0 ? sum + own * Math.max(0, ownVolume / (own * width) - SHALLOW) : sum,
      0,
    ),
    lay: net('pipe', 'pumpLine'),
    set: net(...SET_ITEMS),
    channelSet: net('channel'),
    ...metBy(job, dug, trenches),
    sprinklers: sprinklers.length,
    rock: trenched * rock,
    wet: along * wet,
    narrow: noMachineIn(job, trenches)
      ? trenches.reduce((sum, { own, bored, byHand }) => sum + (byHand > 0 ? 0 : Math.max(0, own - bored)), 0)
      : 0,
    barrow: ((net('spoil') + net('stone')) * barrow) / WHEELED,
    saw: net('saw'),
    slab: net('slab'),
    turf: net('turf'),
    sod: net('sodCut'),
    sow: net('seed'),
    bore: trenches.reduce((sum, { bored }) => sum + bored, 0),
    haul: parts.reduce((sum, { loose = 0 }) => sum + loadsOf(job, loose), 0),
    earth: Math.max(0, net('dug') - trenched) + net('fill'),
    stonePlaced: net('stone'),
  };
}

/** Key of a rate of work: a part may be called the same. */
const workKey = (work: WorkRate): string => `work ${work}`;

const UNITS: Partial<Record<WorkRate, PartUnit>> = {
  visit: 'piece',
  sprinklers: 'piece',
  rock: 'm³',
  barrow: 'm³',
  set: 'piece',
  channelSet: 'piece',
  haul: 'piece',
  slab: 'm²',
  turf: 'm²',
  sod: 'm²',
  sow: 'm²',
  earth: 'm³',
  stonePlaced: 'm³',
};

/** The price of a plan by its take-off; `offcuts`: whether this job pays for what is left of sticks and rolls, as the job has it when left out. */
export function priceOf(job: Job, taken: TakeOff, offcuts = waysOf(headOf(job).ways).offcuts): Price {
  const { currency, rates, contingency, overhead, profit, tax, rounding, extras, rented } = pricesOf(job);
  const own = new Map(Object.entries(rates));
  const lines: PriceLine[] = [];
  const add = (key: string, work: WorkRate | null, quantity: number, unit: PartUnit, usual: number): void => {
    const rate = own.get(key) ?? usual;
    if (quantity > 0 && (rate > 0 || own.has(key)))
      lines.push({ key, work, quantity, unit, rate, own: own.has(key), amount: Math.round(quantity * rate) });
  };
  for (const [work, quantity] of Object.entries(workIn(job, taken)) as [WorkRate, number][])
    add(workKey(work), work, quantity, UNITS[work] ?? 'm', WORK_RATES[work]);
  for (const { key, item, buy, spent = buy, unit } of taken.parts)
    add(key, null, offcuts === 'kept' ? spent : buy, unit, partRate(item));
  const days = Object.keys(rented).length > 0 ? machineDays(job, taken) : {};
  for (const [tool, rate] of Object.entries(rented) as [Rentable, number][]) {
    const quantity = days[tool] ?? 0;
    if (quantity > 0 && rate > 0)
      lines.push({
        key: `rented ${tool}`,
        work: null,
        rented: tool,
        quantity,
        unit: 'day',
        rate,
        own: true,
        amount: Math.round(quantity * rate),
      });
  }
  if (lines.length > 0)
    for (const { name, amount } of extras)
      if (amount > 0)
        lines.push({
          key: `extra ${name}`,
          work: null,
          extra: name,
          quantity: 1,
          unit: 'piece',
          rate: amount,
          own: true,
          amount,
        });
  // What was agreed on the way is charged whatever else is built.
  for (const { id, sort, text, amount = 0, back } of ofKind(job, 'note'))
    if (sort === 'extra' && amount > 0 && back === undefined)
      lines.push({
        key: `note ${id}`,
        work: null,
        extra: text,
        note: id,
        quantity: 1,
        unit: 'piece',
        rate: amount,
        own: true,
        amount,
      });
  lines.sort((a, b) => b.amount - a.amount || (a.key < b.key ? -1 : 1));
  const cost = lines.reduce((sum, { amount }) => sum + amount, 0);
  const spare = Math.round(cost * contingency);
  const firm = Math.round((cost + spare) * overhead);
  const base = cost + spare + firm;
  const earned = Math.round(profit.as === 'margin' ? base / (1 - profit.share) - base : base * profit.share);
  const price = Math.ceil((base + earned) / rounding) * rounding;
  const due = Math.round(price * tax);
  return {
    currency,
    lines,
    cost,
    contingency: spare,
    overhead: firm,
    profit: earned,
    rounded: price - base - earned,
    price,
    tax: due,
    total: price + due,
    margin: price > 0 ? (price - base) / price : 0,
    length: taken.trenches.reduce((sum, { own }) => sum + own, 0) + taken.trenched,
  };
}

/** What a plan is asked for before it is rounded, least units, so that what one change makes dearer or cheaper shows in it; and the same where off-cuts are kept for the next job. */
export function unrounded(job: Job, solution: Parameters<typeof takeOff>[1]): { asked: number; askedKept: number } {
  const taken = takeOff(job, solution);
  const of = ({ price, rounded }: Price): number => price - rounded;
  return { asked: of(priceOf(job, taken)), askedKept: of(priceOf(job, taken, 'kept')) };
}

/** What a job has that may make it a kind of its own: what is built, what it is dug through, how long it is. */
import { TRAITS, type Trait } from '../api/ledger';
import type { Item } from '../catalogue/items';
import type { OutfallForm } from '../catalogue/outfalls';
import { ofKind, type Job } from '../job/job';
import type { WorkRate } from '../price/book';
import { METRES_PER_FOOT } from '../units/constants';
import type { Compared } from './compared';

/** m of trench up to which a job is short, and from which it is long. */
const SHORT = 50 * METRES_PER_FOOT;
const LONG = 200 * METRES_PER_FOOT;

export const TRAIT_LABELS: Record<Trait, string> = {
  pipeOnly: 'Jobs of pipe and basins alone',
  channel: 'Jobs with a channel drain',
  pump: 'Jobs with a pump',
  pit: 'Jobs with a pit or dry well',
  splice: 'Jobs that are cut into an old line',
  culvert: 'Jobs with a culvert',
  swale: 'Jobs with a swale or berm',
  stoneDrain: 'Jobs with a stone drain',
  subsurface: 'Jobs with drains in the ground',
  paving: 'Jobs under or through paving',
  byHand: 'Jobs that no machine gets into',
  roots: 'Jobs among roots',
  rockOrWater: 'Jobs in rock or standing water',
  short: 'Short jobs, up to 50 ft (15 m) of trench',
  long: 'Long jobs, over 200 ft (60 m) of trench',
};

const PITS = new Set<OutfallForm>(['dryWell', 'leachingPit', 'rainGarden']);

/** The traits of a job, in the order of the list. */
export function traitsOf(job: Job, { taken, price }: Pick<Compared, 'taken' | 'price'>): Trait[] {
  const types = new Set(taken.parts.map(({ item }) => item.type));
  const work = new Set(price.lines.map(({ work: each }) => each));
  const bought = (...all: Item['type'][]): boolean => all.some((type) => types.has(type));
  const done = (...all: WorkRate[]): boolean => all.some((rate) => work.has(rate));
  const has = (...kinds: Parameters<typeof ofKind>[1][]): boolean => kinds.some((kind) => ofKind(job, kind).length > 0);
  const special: Record<Exclude<Trait, 'pipeOnly' | 'short' | 'long'>, boolean> = {
    channel: bought('channel'),
    pump: bought('pump'),
    pit: bought('chamber', 'leachTee') || ofKind(job, 'discharge').some(({ form }) => PITS.has(form)),
    splice: bought('slipCoupler', 'boot', 'tapIn'),
    culvert: has('culvert'),
    swale: has('swale', 'berm'),
    stoneDrain: has('stoneDrain'),
    subsurface: has('drain', 'drainField', 'pavedBed'),
    paving: bought('slab', 'saw') || done('bore'),
    byHand: done('narrow'),
    roots: done('rootsLight', 'rootsHeavy'),
    rockOrWater: done('rock', 'wet'),
  };
  const built = ['channel', 'pump', 'pit', 'culvert', 'swale', 'stoneDrain', 'subsurface'] as const;
  const is: Record<Trait, boolean> = {
    ...special,
    pipeOnly: bought('pipe') && built.every((trait) => !special[trait]),
    short: price.length > 0 && price.length < SHORT,
    long: price.length > LONG,
  };
  return TRAITS.filter((trait) => is[trait]);
}

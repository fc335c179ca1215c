/** What goes on the truck for each step: the parts that it lays, named by size, as they are loaded. */
import type { Item } from '../catalogue/items';
import type { Pack } from '../catalogue/supply';
import { elementOf, type Job } from '../job/job';
import type { Solution } from '../plan/solution';
import type { TakeOff } from '../quantities/takeOff';
import type { WorkStep } from './steps';

export interface Load {
  item: Item;
  unit: TakeOff['parts'][number]['unit'];
  /** In its unit, and what that comes in, of pipe. */
  quantity: number;
  pack?: Pack;
}

/** Earth and turf that lie there already, and work: nothing that is loaded. */
const THERE = new Set<Item['type']>(['dug', 'backfill', 'spoil', 'fill', 'sodCut', 'saw', 'weepHole']);
const OF_STEP: Partial<Record<Item['type'], string>> = {
  turf: 'turf',
  seed: 'turf',
  slab: 'slab',
  markingTape: 'backfill',
  tracer: 'backfill',
  broughtIn: 'backfill',
};

/** Key of the step that a part is for where it is used at an element. */
function stepOf(job: Job, lineOf: ReadonlyMap<string, string>, type: Item['type'], id: string): string {
  const own = OF_STEP[type];
  if (own) return own;
  const line = lineOf.get(id);
  if (line !== undefined) return `line ${line}`;
  switch (job.elements.get(id)?.kind) {
    case 'swale':
    case 'berm':
      return 'grade';
    case 'basin':
    case 'channel':
    case 'downspout':
      return 'boxes';
    case 'discharge':
      return elementOf(job, 'discharge', id)!.stone && type === 'stone' ? 'works' : 'boxes';
    default:
      return 'works';
  }
}

/** What each step takes along, by its key; of a step that is not there with the first that is. */
export function truckLoads(
  job: Job,
  { lines, runs }: Pick<Solution, 'lines' | 'runs'>,
  { parts }: TakeOff,
  steps: readonly WorkStep[],
): ReadonlyMap<string, readonly Load[]> {
  // A run and the fitting at its head go in together.
  const lineOf = new Map(
    lines.flatMap(({ letter, runs: ids }) =>
      ids.flatMap((id) => {
        const from = runs[id]?.from;
        const isFitting = from !== undefined && job.elements.get(from)?.kind === 'junction';
        return [[id, letter] as const, ...(isFitting ? [[from, letter] as const] : [])];
      }),
    ),
  );
  const known = new Set(steps.map(({ key }) => key));
  const loads = new Map<string, Load[]>();
  for (const { item, unit, uses, packs } of parts) {
    if (THERE.has(item.type)) continue;
    const byStep = new Map<string, number>();
    for (const { id, quantity } of uses) {
      const wanted = stepOf(job, lineOf, item.type, id);
      const key = known.has(wanted) ? wanted : (steps[0]?.key ?? wanted);
      byStep.set(key, (byStep.get(key) ?? 0) + quantity);
    }
    for (const [key, quantity] of byStep) {
      const load = { item, unit, quantity, ...(packs ? { pack: { of: packs.of, length: packs.length } } : {}) };
      loads.set(key, [...(loads.get(key) ?? []), load]);
    }
  }
  return loads;
}

/** Loads of several steps as one, each thing once; pipe first. */
export function asOneLoad(loads: readonly Load[]): Load[] {
  const byItem = new Map<Item, Load>();
  for (const load of loads) {
    const known = byItem.get(load.item);
    byItem.set(load.item, known ? { ...known, quantity: known.quantity + load.quantity } : load);
  }
  const all = [...byItem.values()];
  return [...all.filter(({ pack }) => pack), ...all.filter(({ pack }) => !pack)];
}

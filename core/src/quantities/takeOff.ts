/** Everything that a plan takes, counted from it: each part with the places that it is used at, as it is bought. */
import { USUAL_SOIL, type Soil } from '../catalogue/soils';
import { packOf, STONE_DENSITY, swellOf, TRUCK, WASTE, type Pack } from '../catalogue/supply';
import { sodFor, waysOf, type BuildWays, type SODS } from '../job/buildWays';
import { headOf, type Job } from '../job/job';
import { holding, Kept, step } from '../numeric/kept';
import type { Solution } from '../plan/solution';
import { situated } from '../yard/situate';
import { Counting, type Counted, type Missing, type Use } from './counting';
import { cutStock, type Cut } from '../numeric/cuttingStock';
import { countEarth, trenchesOf, type Trench } from './earth';
import { countAlong } from './along';
import { countRuns } from './fittings';
import { countLandings } from './landings';
import {
  GROUP_OF,
  keyOfItem,
  PART_GROUPS,
  UNIT_OF,
  type Item,
  type PartGroup,
  type PartUnit,
} from '../catalogue/items';
import { countJoints, couplersFor } from './joints';
import { countWorks, trenchedIn } from './works';
import { worksDug, type Dug } from './worksDug';

export interface Part {
  key: string;
  item: Item;
  group: PartGroup;
  unit: PartUnit;
  /** As measured, in its unit, and the places that it is for. */
  net: number;
  uses: readonly Use[];
  /** To buy or to move: with waste, in whole pieces or packs where it comes so. */
  buy: number;
  /** Of pipe: what of it a job pays where the rest of a stick or roll is kept for the next one. */
  spent?: number;
  /** Of pipe: how it is cut. */
  packs?: Pack & Pick<Cut, 'sticks' | 'offcut' | 'pieces' | 'proved'>;
  /** Of what is left over of the earth: how much of it fills elsewhere, m³ in the ground; of the rest that is hauled its bulk loose, m³, and truck loads; of stone, t. */
  used?: number;
  loose?: number;
  loads?: number;
  tonnes?: number;
}

export interface TakeOff {
  parts: readonly Part[];
  trenches: readonly Trench[];
  /** Lines of the plan, by the runs of each. */
  lines: Solution['lines'];
  /** Works that are dug along ways of their own. */
  works: readonly Dug[];
  /** Trench of works besides, m: of drains and fields, stone along a slab, lines of pumps. */
  trenched: number;
  /** What could not be counted. */
  missing: readonly Missing[];
  /** What the next one may keep of it. */
  readonly kept?: Kept;
}

const SOD_ITEMS: Record<(typeof SODS)[number], Item> = {
  kept: { type: 'sodCut' },
  new: { type: 'turf' },
  seed: { type: 'seed' },
};

/** So much of some types of a list, as measured, in their unit. */
export const netOf = (parts: readonly Part[], ...types: Item['type'][]): number =>
  parts.reduce((sum, { item, net }) => sum + (types.includes(item.type) ? net : 0), 0);

const totalOf = (counting: Counting, type: Item['type']): number =>
  counting.ofType(type).reduce((all, { uses }) => uses.reduce((so, { quantity }) => so + quantity, all), 0);

/**
 * Earth over the whole job: what is dug and left over goes first to where fill is wanted, what still lacks is brought in, and the rest is
 * hauled. Gives how much is used so, m³.
 */
function balanceEarth({ earth }: BuildWays, counting: Counting): number {
  const wanted = totalOf(counting, 'fill');
  const used = earth === 'used' ? Math.min(totalOf(counting, 'spoil'), wanted) : 0;
  const share = wanted > 0 ? 1 - used / wanted : 0;
  const filled = counting.ofType('fill')[0];
  for (const { id, quantity } of filled?.uses ?? []) counting.add({ type: 'broughtIn' }, id, share * quantity);
  return used;
}

/** Key that ground which is raised is counted under: the job itself. */
const RAISED = 'job';

/** Ground raised with what is left over, as deep as it is said to be. */
function countRaised({ raised }: BuildWays, counting: Counting): void {
  for (const { area, depth } of raised) counting.add({ type: 'fill' }, RAISED, area * depth);
}

/** Loose and spoilt on the way: not of what is counted by the piece, nor of earth. */
const WASTED = new Set<Item['type']>([
  'stone',
  'fabric',
  'liner',
  'lining',
  'turf',
  'tape',
  'markingTape',
  'tracer',
  'sealant',
  'seed',
  'sock',
  'copperSock',
  'concrete',
  'primer',
  'cement',
  'cleaner',
  'lubricant',
  'pumpLine',
]);

interface Buying {
  soil: Soil;
  /** m³ of what is dug and left over that goes to where fill is wanted. */
  used: number;
  /** Of pipe. */
  cut: Cut | undefined;
}

function partOf(counted: Counted, { soil, used, cut }: Buying): Part {
  const { key, item, uses } = counted;
  let net = 0;
  for (const { quantity } of uses) net += quantity;
  const buy = net * (WASTED.has(item.type) ? 1 + WASTE : 1);
  const part: Part = { key, item, group: GROUP_OF[item.type], unit: UNIT_OF[item.type], net, uses, buy };
  if (item.type === 'pipe' && cut) {
    const pack = packOf(item.material, item.nominal, net);
    // Off-cuts go toward the waste.
    const sticks = Math.max(cut.sticks, Math.ceil((net * (1 + WASTE)) / pack.length - 1e-6));
    const { pieces, proved } = cut;
    part.buy = sticks * pack.length;
    part.spent = Math.min(part.buy, net * (1 + WASTE));
    part.packs = { ...pack, sticks, offcut: part.buy - net, pieces, proved };
  }
  if (item.type === 'stone') part.tonnes = buy * STONE_DENSITY;
  if (item.type === 'spoil') {
    part.used = used;
    part.loose = Math.max(0, net - used) * swellOf(soil);
    part.loads = Math.ceil(part.loose / TRUCK - 1e-6);
  }
  return part;
}

const sum = (all: readonly number[]): number => all.reduce((so, each) => so + each, 0);

/** How some lengths (m), by their place, are cut from sticks. */
const cutting = step('cutting', ({ stick, count: _, ...lengths }: { stick: number; count: number }): Cut =>
  cutStock(Object.values(lengths), stick),
);

/** Where each type stands in a yard's list: by group, then by kind of thing. */
const RANK = Object.fromEntries(
  Object.entries(GROUP_OF)
    .map(([type, group], at) => ({ type, at, group: PART_GROUPS.indexOf(group) }))
    .sort((a, b) => a.group - b.group || a.at - b.at)
    .map(({ type }, rank) => [type, rank]),
) as Record<Item['type'], number>;
/** More than any pipe is wide, m. */
const WIDER = 100;

/** As a yard's list is read: by group, by kind of thing, the larger first. */
function inOrder(parts: readonly Part[]): Part[] {
  const places = parts.map((part) => ({
    part,
    at: RANK[part.item.type] * WIDER - ('nominal' in part.item ? part.item.nominal : 0),
  }));
  places.sort((a, b) => a.at - b.at || (a.part.key < b.part.key ? -1 : 1));
  return places.map(({ part }) => part);
}

/**
 * The take-off of a plan. Impossible things are left out and named as missing; it never throws. `before`: one of the plan before, of which
 * is kept what reads the same.
 */
export function takeOff(
  given: Job,
  solution: Pick<Solution, 'runs' | 'landings' | 'works' | 'here' | 'lines'>,
  before?: TakeOff,
): TakeOff {
  // What the plan did not ask itself, as the ground where no figure hangs on it, is kept from one take-off to the next.
  const kept = new Kept(before?.kept, solution.here?.kept);
  const job: Job = { ...situated(given, solution), kept };
  const ways = waysOf(headOf(job).ways);
  const counting = new Counting();
  countRuns(job, solution, counting);
  countLandings(job, solution, kept, counting);
  countWorks(job, solution, counting);
  const trenches = trenchesOf(job, solution, kept);
  countEarth(trenches, counting);
  const works = worksDug(job, kept);
  countAlong({ job, solution, trenches, works, ways }, counting);
  countRaised(ways, counting);
  const cuts = new Map<string, Cut>();
  for (const counted of counting.ofType('pipe')) {
    const { item, key, uses } = counted;
    if (item.type !== 'pipe') continue;
    const lengths = uses.map(({ quantity }) => quantity);
    const pack = packOf(item.material, item.nominal, sum(lengths));
    const cut = kept.ask(cutting, { stick: pack.length, count: lengths.length, ...lengths }, key);
    cuts.set(key, cut);
    const { material, nominal } = item;
    for (const { id, quantity } of couplersFor(counted, pack.length))
      counting.add({ type: 'coupler', material, nominal }, id, quantity);
  }
  countJoints(counting.all, ways, counting);
  const soil = headOf(job).soil ?? USUAL_SOIL;
  const used = balanceEarth(ways, counting);
  const sod = SOD_ITEMS[sodFor(ways, totalOf(counting, 'turf'), headOf(job).startsOn)];
  const parts = counting.all.map((counted) =>
    partOf(counted.item.type === 'turf' ? { ...counted, item: sod, key: keyOfItem(sod) } : counted, {
      soil,
      used,
      cut: cuts.get(counted.key),
    }),
  );
  const taken = {
    parts: inOrder(parts),
    trenches,
    lines: solution.lines,
    works,
    trenched: trenchedIn(job, solution),
    missing: counting.missing,
  };
  kept.close();
  return holding(taken, 'kept', kept);
}

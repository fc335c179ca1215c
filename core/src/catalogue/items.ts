/** What is bought, each by what it is and its sizes; its name is made where it is shown. */
import type { DownspoutSize } from './downspouts';
import type { Grate } from './grates';
import type { Material } from './pipes';
import type { Perforations, Stone } from './stone';

export const PART_GROUPS = ['pipe', 'fittings', 'inlets', 'ends', 'joints', 'stone', 'works', 'ground'] as const;
export type PartGroup = (typeof PART_GROUPS)[number];

/** Sizes are nominal, m. */
export type Item =
  | { type: 'pipe'; material: Material; nominal: number; perforated?: true | Perforations; recycled?: true }
  | { type: 'coupler' | 'slipCoupler' | 'cap' | 'cleanoutCap'; material: Material; nominal: number }
  | { type: 'wye' | 'tee'; material: Material; nominal: number; branch: number }
  | { type: 'bend'; material: Material; nominal: number; degrees: 22.5 | 45 | 90 }
  | { type: 'reducer'; material: Material; nominal: number; branch: number }
  | { type: 'adapter' | 'boot'; material: Material; other: Material; nominal: number }
  | { type: 'downspoutAdapter'; size: DownspoutSize; material: Material; nominal: number; vented?: true }
  | { type: 'box' | 'grate' | 'riser' | 'plug'; grate: Grate }
  | { type: 'boxOutlet' | 'inletSeal'; material: Material; nominal: number }
  | { type: 'trap' | 'chamber' }
  | { type: 'channel' | 'channelEnd'; width: number }
  | { type: 'channelOutlet'; width: number; material: Material; nominal: number }
  | { type: 'emitterElbow'; nominal: number; weep?: true }
  | { type: 'emitter' | 'leachTee' | 'guard' | 'endGrate' | 'kerbOutlet' | 'tapIn'; nominal: number }
  | { type: 'leafFilter'; size: DownspoutSize }
  | { type: 'sock' | 'copperSock'; nominal: number }
  | {
      type:
        | 'sprinklerRepair'
        | 'weepHole'
        | 'anchor'
        | 'trafficPlate'
        | 'barrelValve'
        | 'barrelUnion'
        | 'barrelOverflow'
        | 'barrelStand';
    }
  | { type: 'sealant' | 'markingTape' | 'tracer' | 'concrete' }
  | { type: 'pump' | 'checkValve' | 'pumpBasin' | 'pumpAlarm' | 'frostOverflow' }
  | { type: 'pumpLine'; nominal: number }
  | { type: 'barrel'; volume: number }
  | { type: 'culvertEnd' | 'headwall'; nominal: number }
  | { type: 'stone'; stone: Stone | 'bedding' | 'apron' | 'openGraded' }
  | { type: 'fabric' | 'liner' | 'lining' | 'tape' | 'primer' | 'cement' | 'cleaner' | 'lubricant' | 'screws' }
  | { type: 'dug' | 'backfill' | 'spoil' | 'fill' | 'broughtIn' | 'sodCut' | 'turf' | 'seed' | 'saw' | 'slab' };

export const GROUP_OF: Record<Item['type'], PartGroup> = {
  pipe: 'pipe',
  coupler: 'fittings',
  slipCoupler: 'fittings',
  cap: 'fittings',
  cleanoutCap: 'fittings',
  wye: 'fittings',
  tee: 'fittings',
  bend: 'fittings',
  reducer: 'fittings',
  adapter: 'fittings',
  boot: 'fittings',
  downspoutAdapter: 'inlets',
  box: 'inlets',
  grate: 'inlets',
  riser: 'inlets',
  plug: 'inlets',
  boxOutlet: 'inlets',
  inletSeal: 'inlets',
  weepHole: 'inlets',
  leafFilter: 'inlets',
  trap: 'inlets',
  channel: 'inlets',
  channelEnd: 'inlets',
  channelOutlet: 'inlets',
  emitter: 'ends',
  emitterElbow: 'ends',
  leachTee: 'ends',
  guard: 'ends',
  endGrate: 'ends',
  kerbOutlet: 'ends',
  tapIn: 'ends',
  pump: 'works',
  checkValve: 'works',
  pumpBasin: 'works',
  pumpAlarm: 'works',
  frostOverflow: 'works',
  pumpLine: 'works',
  barrel: 'works',
  chamber: 'works',
  barrelValve: 'works',
  barrelUnion: 'works',
  barrelOverflow: 'works',
  barrelStand: 'works',
  culvertEnd: 'works',
  headwall: 'works',
  trafficPlate: 'works',
  stone: 'stone',
  fabric: 'stone',
  liner: 'stone',
  sock: 'stone',
  concrete: 'stone',
  copperSock: 'pipe',
  anchor: 'pipe',
  sprinklerRepair: 'pipe',
  markingTape: 'pipe',
  tracer: 'pipe',
  sealant: 'joints',
  tape: 'joints',
  primer: 'joints',
  cement: 'joints',
  cleaner: 'joints',
  lubricant: 'joints',
  screws: 'joints',
  dug: 'ground',
  backfill: 'ground',
  spoil: 'ground',
  fill: 'ground',
  broughtIn: 'ground',
  sodCut: 'ground',
  turf: 'ground',
  seed: 'ground',
  lining: 'ground',
  saw: 'ground',
  slab: 'ground',
};

export const PART_UNITS = ['piece', 'm', 'm²', 'm³', 'L', 'day'] as const;
export type PartUnit = (typeof PART_UNITS)[number];

export const UNIT_OF: Record<Item['type'], PartUnit> = {
  ...(Object.fromEntries(Object.keys(GROUP_OF).map((type) => [type, 'piece'])) as Record<Item['type'], PartUnit>),
  pipe: 'm',
  pumpLine: 'm',
  sock: 'm',
  copperSock: 'm',
  markingTape: 'm',
  tracer: 'm',
  tape: 'm',
  saw: 'm',
  fabric: 'm²',
  liner: 'm²',
  lining: 'm²',
  turf: 'm²',
  sodCut: 'm²',
  seed: 'm²',
  slab: 'm²',
  stone: 'm³',
  dug: 'm³',
  backfill: 'm³',
  spoil: 'm³',
  fill: 'm³',
  broughtIn: 'm³',
  concrete: 'm³',
  primer: 'L',
  cement: 'L',
  cleaner: 'L',
  lubricant: 'L',
  sealant: 'L',
};

type Field =
  | 'material'
  | 'other'
  | 'nominal'
  | 'branch'
  | 'degrees'
  | 'perforated'
  | 'size'
  | 'grate'
  | 'width'
  | 'volume'
  | 'stone'
  | 'vented'
  | 'weep'
  | 'recycled';

const MADE = ['material', 'nominal'] as const;
const BRANCHED = ['material', 'nominal', 'branch'] as const;
const BETWEEN = ['material', 'other', 'nominal'] as const;
const SIZED = ['nominal'] as const;
const GRATED = ['grate'] as const;

/** All that tells one item from another of its type, in the order that its key has had from the first: price books keep keys. */
const FIELDS: Partial<Record<Item['type'], readonly Field[]>> = {
  pipe: ['material', 'nominal', 'perforated', 'recycled'],
  coupler: MADE,
  slipCoupler: MADE,
  cap: MADE,
  cleanoutCap: MADE,
  boxOutlet: MADE,
  inletSeal: MADE,
  wye: BRANCHED,
  tee: BRANCHED,
  reducer: BRANCHED,
  bend: ['material', 'nominal', 'degrees'],
  adapter: BETWEEN,
  boot: BETWEEN,
  downspoutAdapter: ['material', 'nominal', 'size', 'vented'],
  leafFilter: ['size'],
  box: GRATED,
  grate: GRATED,
  riser: GRATED,
  plug: GRATED,
  channel: ['width'],
  channelEnd: ['width'],
  channelOutlet: ['material', 'nominal', 'width'],
  emitter: SIZED,
  emitterElbow: ['nominal', 'weep'],
  leachTee: SIZED,
  guard: SIZED,
  endGrate: SIZED,
  kerbOutlet: SIZED,
  tapIn: SIZED,
  pumpLine: SIZED,
  sock: SIZED,
  copperSock: SIZED,
  culvertEnd: SIZED,
  headwall: SIZED,
  barrel: ['volume'],
  stone: ['stone'],
};

/** The same for the same thing. Sizes to a tenth of a millimetre. */
export function keyOfItem(item: Item): string {
  const names = FIELDS[item.type];
  if (names === undefined) return item.type;
  const fields = item as unknown as Record<string, string | number | boolean | undefined>;
  let key: string = item.type;
  for (const name of names) {
    const value = fields[name];
    if (value !== undefined) key += ` ${name} ${typeof value === 'number' ? Math.round(value * 1e4) : value}`;
  }
  return key;
}

/** What a part is called, sizes first, as it is asked for over a counter. */
import { DOWNSPOUT_LABELS } from '../catalogue/downspouts';
import { GRATE_FACTS } from '../catalogue/grates';
import type { Item } from '../catalogue/items';
import { MATERIAL_FACTS, type Material } from '../catalogue/pipes';
import { PERFORATION_FACTS, STONE_FACTS, type Perforations } from '../catalogue/stone';
import { CHAMBER, CHANNEL_LENGTH, RISER } from '../catalogue/supply';
import { showLength, showNominal, showSmall, showVolume, text, type UnitSystem } from '../units';

const PLAIN: Partial<Record<Item['type'], string>> = {
  trap: 'Sediment trap box',
  weepHole: 'Weep holes drilled in basin floors',
  sprinklerRepair: 'Coupling to mend a sprinkler pipe',
  anchor: 'Anchor of pipe on a steep run',
  trafficPlate: 'Plate for wheels over the open trench',
  barrelValve: 'Valve at the foot of a barrel',
  barrelUnion: 'Union at a barrel, to take it off for winter',
  barrelOverflow: 'Overflow of a barrel',
  barrelStand: 'Stand for a barrel',
  sealant: 'Sealant for plugs and outlets',
  markingTape: 'Marking tape over the pipe',
  tracer: 'Tracer wire',
  concrete: 'Concrete round channels',
  broughtIn: 'Fill to bring in',
  sodCut: 'Turf cut, kept and laid back',
  seed: 'Seed under a blanket',
  pump: 'Pump',
  checkValve: 'Check valve',
  pumpBasin: 'Pump basin with its cover',
  pumpAlarm: 'High water alarm',
  frostOverflow: 'Frost overflow at the wall',
  fabric: 'Non-woven fabric, 4 oz',
  liner: 'Liner',
  lining: 'Lining of swales',
  tape: 'Joint tape',
  primer: 'Primer',
  cement: 'Cement',
  cleaner: 'Pipe cleaner',
  lubricant: 'Gasket lubricant',
  screws: 'Screws',
  dug: 'Dug out',
  backfill: 'Backfilled and rammed',
  spoil: 'Left over of what is dug',
  fill: 'Fill placed',
  turf: 'New turf',
  saw: 'Saw cut',
  slab: 'Slab to restore',
};

const STONE_LABELS = {
  bedding: 'Bedding stone, ¾ in clear',
  apron: 'Stone for aprons',
  openGraded: 'Open-graded base stone',
};

const NAMES: Partial<Record<Item['type'], string>> = {
  coupler: 'coupler',
  slipCoupler: 'slip coupler',
  cap: 'end cap',
  cleanoutCap: 'cleanout cap',
  boxOutlet: 'basin outlet',
  inletSeal: 'inlet with its seal',
  emitter: 'pop-up emitter',
  leachTee: 'leaching tee under an emitter',
  guard: 'end guard',
  endGrate: 'end grate',
  kerbOutlet: 'outlet through a kerb',
  tapIn: 'tap into a main',
  pumpLine: 'pump line',
  culvertEnd: 'culvert end section',
  headwall: 'culvert headwall',
  sock: 'filter sock on the pipe',
  copperSock: 'copper wrap against roots',
};

/** A make within a name: letters that stand for words stay large. */
export const makeOf = (material: Material): string => {
  const { short } = MATERIAL_FACTS[material];
  return /^[A-Z]{2}/.test(short) ? short : short.toLowerCase();
};

const holesOf = (perforated: true | Perforations | undefined): string =>
  perforated === undefined
    ? ''
    : perforated === true
      ? ', perforated'
      : `, perforated: ${PERFORATION_FACTS[perforated].label.toLowerCase()}`;

export function partLabel(item: Item, units: UnitSystem): string {
  const size = (metres: number): string => text(showNominal(metres, units));
  switch (item.type) {
    case 'pipe':
      return `${size(item.nominal)} ${makeOf(item.material)} pipe${holesOf(item.perforated)}${item.recycled ? ', recycled plastic' : ''}`;
    case 'coupler':
    case 'slipCoupler':
    case 'cap':
    case 'cleanoutCap':
    case 'boxOutlet':
    case 'inletSeal':
      return `${size(item.nominal)} ${NAMES[item.type]}, ${makeOf(item.material)}`;
    case 'emitterElbow':
      return `${size(item.nominal)} elbow under an emitter${item.weep ? ', with weep holes' : ''}`;
    case 'leafFilter':
      return `Leaf filter for a ${DOWNSPOUT_LABELS[item.size]} downspout`;
    case 'wye':
    case 'tee':
      return `${size(item.nominal)} × ${size(item.branch)} ${item.type}, ${makeOf(item.material)}`;
    case 'bend':
      return `${size(item.nominal)} ${item.degrees === 22.5 ? '22½' : item.degrees}° bend, ${makeOf(item.material)}`;
    case 'reducer':
      return `${size(item.nominal)} × ${size(item.branch)} reducer, ${makeOf(item.material)}`;
    case 'adapter':
      return `${size(item.nominal)} adapter, ${makeOf(item.material)} to ${makeOf(item.other)}`;
    case 'boot':
      return `${size(item.nominal)} flexible boot with clamps, ${makeOf(item.material)} to ${makeOf(item.other)}`;
    case 'downspoutAdapter':
      return `${DOWNSPOUT_LABELS[item.size]} downspout to ${size(item.nominal)} adapter${item.vented ? ' with a vent' : ''}, ${makeOf(item.material)}`;
    case 'box':
      return `Basin box for a ${GRATE_FACTS[item.grate].label} grate`;
    case 'grate':
      return `${GRATE_FACTS[item.grate].label} grate`;
    case 'riser':
      return `Riser for a ${GRATE_FACTS[item.grate].label} box, ${text(showSmall(RISER, units))} high`;
    case 'plug':
      return `Plug for a ${GRATE_FACTS[item.grate].label} box`;
    case 'channel':
      return `${size(item.width)} channel drain with its grate, lengths of ${text(showLength(CHANNEL_LENGTH, units))}`;
    case 'channelEnd':
      return `${size(item.width)} channel end`;
    case 'channelOutlet':
      return `${size(item.width)} channel outlet to ${size(item.nominal)} pipe, ${makeOf(item.material)}`;
    case 'chamber':
      return `Chamber of a dry well, ${text(showVolume(CHAMBER, units))}`;
    case 'barrel':
      return `Barrel of ${text(showVolume(item.volume, units))}`;
    case 'stone':
      return item.stone in STONE_LABELS
        ? STONE_LABELS[item.stone as keyof typeof STONE_LABELS]
        : `Stone, ${STONE_FACTS[item.stone as keyof typeof STONE_FACTS].label.toLowerCase()}`;
    default:
      return 'nominal' in item ? `${size(item.nominal)} ${NAMES[item.type]}` : PLAIN[item.type]!;
  }
}

/** What things cost where nobody says otherwise: invented rates, in the least units of the currency for one SI unit. The user's own replace them one by one. */
import type { Rentable } from '../catalogue/diggers';
import type { Grate } from '../catalogue/grates';
import { headOf, type Job } from '../job/job';
import type { Item } from '../catalogue/items';
import type { Material } from '../catalogue/pipes';
import { METRES_PER_FOOT, METRES_PER_INCH } from '../units/constants';

/** Work and conditions, by what the trench meets. */
export const WORK_RATES = {
  /** To come and to set up, once. */
  visit: 25_000,
  /** m of trench to 2 ft deep, and for every metre deeper a metre more. */
  trench: 2600,
  deeper: 3000,
  /** m of pipe laid to its pitch. */
  lay: 450,
  /** An inlet or an end of a line set; a metre of channel. */
  set: 8500,
  channelSet: 6000,
  /** m by spade beside services; among roots, light and heavy. */
  handDig: 4500,
  rootsLight: 2000,
  rootsHeavy: 5500,
  /** A pipe of the sprinklers crossed and mended; m³ of rock broken out; m of trench kept dry; m without a machine; m³ wheeled 10 m. */
  sprinklers: 6500,
  rock: 26_000,
  wet: 2800,
  narrow: 5200,
  barrow: 900,
  /** m of saw cut, m² of slab made good, m² of turf. */
  saw: 1400,
  slab: 11_000,
  turf: 900,
  /** m of pipe driven through under a walk or drive. */
  bore: 14_500,
  /** m² of turf cut, kept and laid back; sown under a blanket. */
  sod: 1300,
  sow: 450,
  /** A truck load hauled, m³ of earth moved for swales, pits and beds, m³ of stone placed. */
  haul: 18_000,
  earth: 3800,
  stonePlaced: 3500,
} as const;
export type WorkRate = keyof typeof WORK_RATES;

/** What a part costs: at first, and for every inch of its size. */
const PER: Record<Item['type'], readonly [base: number, perInch: number]> = {
  pipe: [-120 / METRES_PER_FOOT, 95 / METRES_PER_FOOT],
  coupler: [50, 90],
  slipCoupler: [80, 140],
  cap: [60, 90],
  cleanoutCap: [150, 130],
  wye: [200, 330],
  tee: [150, 260],
  bend: [80, 190],
  reducer: [120, 170],
  adapter: [150, 180],
  boot: [400, 330],
  downspoutAdapter: [700, 0],
  box: [2600, 0],
  grate: [1900, 0],
  riser: [1700, 0],
  plug: [250, 0],
  boxOutlet: [300, 110],
  inletSeal: [600, 180],
  trap: [9000, 0],
  channel: [2600, 350],
  channelEnd: [450, 90],
  channelOutlet: [700, 140],
  emitter: [500, 260],
  emitterElbow: [200, 210],
  leachTee: [300, 260],
  guard: [300, 170],
  endGrate: [300, 160],
  kerbOutlet: [2500, 400],
  tapIn: [4500, 700],
  pump: [38_000, 0],
  checkValve: [4500, 0],
  pumpBasin: [16_000, 0],
  pumpAlarm: [9000, 0],
  frostOverflow: [3500, 0],
  pumpLine: [200, 180],
  weepHole: [150, 0],
  leafFilter: [2900, 0],
  sprinklerRepair: [1400, 0],
  sock: [40, 25],
  copperSock: [900, 220],
  anchor: [2200, 0],
  trafficPlate: [24_000, 0],
  barrelValve: [1400, 0],
  barrelUnion: [900, 0],
  barrelOverflow: [1200, 0],
  barrelStand: [6500, 0],
  sealant: [2800, 0],
  markingTape: [35, 0],
  tracer: [80, 0],
  concrete: [21_000, 0],
  barrel: [14_000, 0],
  chamber: [9500, 0],
  culvertEnd: [3000, 900],
  headwall: [9000, 1800],
  stone: [6500, 0],
  fabric: [120, 0],
  liner: [450, 0],
  lining: [600, 0],
  tape: [35, 0],
  primer: [2400, 0],
  cement: [3200, 0],
  cleaner: [1900, 0],
  lubricant: [1500, 0],
  screws: [12, 0],
  // Moved, not bought: priced as work.
  dug: [0, 0],
  backfill: [0, 0],
  spoil: [0, 0],
  fill: [0, 0],
  broughtIn: [3900, 0],
  sodCut: [0, 0],
  turf: [450, 0],
  seed: [160, 0],
  saw: [0, 0],
  slab: [3500, 0],
};

/** A box and its grate grow with their size: this times the price of a 12 in one. */
const LARGER: Record<Grate, number> = {
  round6: 0.45,
  flat9: 0.75,
  flat12: 1,
  dome12: 1.1,
  flat18: 2.2,
  round20: 2.8,
  flat24: 4,
};

/** What pipe and fittings of a make cost beside smooth pipe and its. */
const DEARER: Record<Material, number> = {
  smooth: 1,
  doubleWall: 1.15,
  singleWall: 0.45,
  flexible: 0.9,
  clay: 1,
};

/** What pipe of recycled plastic costs beside the same of virgin. */
const RECYCLED = 0.85;

/** Usual price of one unit of a part, least units of the currency. */
export function partRate(item: Item): number {
  const [base, perInch] = PER[item.type];
  const size = 'nominal' in item ? item.nominal : 'width' in item ? item.width : 0;
  const plain = Math.max(0, base + (perInch * size) / METRES_PER_INCH);
  if ('grate' in item) return plain * LARGER[item.grate];
  if (item.type === 'pipe' && item.recycled) return plain * DEARER[item.material] * RECYCLED;
  return 'material' in item ? plain * DEARER[item.material] : plain;
}

export interface Prices {
  currency: string;
  rates: Readonly<Record<string, number>>;
  contingency: number;
  overhead: number;
  profit: { as: 'margin' | 'markup'; share: number };
  tax: number;
  rounding: number;
  conditions: Conditions;
  /** Least units a day, by tool. */
  rented: Readonly<Partial<Record<Rentable, number>>>;
  extras: readonly { name: string; amount: number }[];
}

export interface Conditions {
  /** Shares of the trench. */
  rock?: number | undefined;
  wet?: number | undefined;
  narrow?: boolean | undefined;
  /** Narrowest gate on the way in, m. */
  gate?: number | undefined;
  /** m that what is dug and brought is wheeled. */
  barrow?: number | undefined;
}

const USUAL: Prices = {
  currency: 'USD',
  rates: {},
  contingency: 0.05,
  overhead: 0.12,
  profit: { as: 'margin', share: 0.2 },
  tax: 0,
  rounding: 500,
  conditions: {},
  rented: {},
  extras: [],
};

/** A job's prices, the usual ones where it says nothing. */
export const pricesOf = (job: Job): Prices => ({ ...USUAL, ...headOf(job).prices });

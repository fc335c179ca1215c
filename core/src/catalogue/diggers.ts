/** What a trench is dug by: how narrow and how deep it goes, and what passes a gate. Usual figures of rental yards. */
import { METRES_PER_FOOT, METRES_PER_INCH } from '../units/constants';

const inches = (count: number): number => count * METRES_PER_INCH;

export const DIGGERS = ['excavator', 'trencher', 'hand'] as const;
export type Digger = (typeof DIGGERS)[number];

/** Narrowest trench, m; room that a trench has beside its pipe, m; and how deep it goes, m. */
export const DIGGER_FACTS: Record<Digger, { least: number; room: number; deepest: number }> = {
  excavator: { least: inches(12), room: inches(8), deepest: Number.POSITIVE_INFINITY },
  // A chain cuts one width: the pipe lies in it with a finger's room.
  trencher: { least: inches(6), room: inches(1), deepest: inches(36) },
  hand: { least: inches(8), room: inches(6), deepest: Number.POSITIVE_INFINITY },
};
/** Widest that a trencher's chain cuts, m. */
export const CHAIN = inches(6);

/** Tools that are rented by the day, where a firm has none of its own. */
export const RENTABLE = ['excavator', 'trencher', 'sodCutter', 'rammer', 'wetSaw', 'borer', 'waterPump'] as const;
export type Rentable = (typeof RENTABLE)[number];

export const RENTED_LABELS: Record<Rentable, string> = {
  excavator: 'Excavator',
  trencher: 'Trencher',
  sodCutter: 'Sod cutter',
  rammer: 'Rammer or plate',
  wetSaw: 'Wet saw',
  borer: 'Boring tool',
  waterPump: 'Trench pump',
};

/** Excavators by the gate that they pass and how deep they dig, m. */
export const EXCAVATORS = [
  { name: 'micro', passes: inches(30), reach: 5 * METRES_PER_FOOT },
  { name: 'mini', passes: inches(40), reach: 7 * METRES_PER_FOOT },
  { name: 'compact', passes: inches(66), reach: 10 * METRES_PER_FOOT },
] as const;
export type Excavator = (typeof EXCAVATORS)[number];
/** Buckets, m wide. */
export const BUCKETS = [9, 12, 18, 24, 36].map(inches);
/** Width of a walk-behind trencher, m. */
export const TRENCHER_PASSES = inches(36);

/** The excavator for a trench so deep (m): the mini, or the smallest that reaches; through a gate so wide (m) only what passes it. Null where none does. */
export function excavatorFor(depth: number, gate: number | undefined): Excavator | null {
  const fits = EXCAVATORS.filter(({ passes, reach }) => reach >= depth && (gate === undefined || passes <= gate));
  return fits.find(({ name }) => name === 'mini') ?? fits[0] ?? null;
}

/** Parts of a take-off in words: what each is called, how much of it, and how that came. */
import type { Material } from '../catalogue/pipes';
import { WASTE } from '../catalogue/supply';
import { headOf, nameOf, type Job } from '../job/job';
import type { Missing } from './counting';
import { makeOf, partLabel } from './partLabel';
import type { PartGroup, PartUnit } from '../catalogue/items';
import type { Trench } from './earth';
import type { Part } from './takeOff';
import {
  CUBIC_METRES_PER_CUBIC_YARD,
  decimals,
  LITRES_PER_QUART,
  showArea,
  showLength,
  showNominal,
  showSmall,
  text,
  TONNES_PER_SHORT_TON,
  type Shown,
  type UnitSystem,
} from '../units';

export const PART_GROUP_LABELS: Record<PartGroup, string> = {
  pipe: 'Pipe',
  fittings: 'Fittings',
  inlets: 'Inlets',
  ends: 'Ends of lines',
  joints: 'For the joints',
  stone: 'Stone and fabric',
  works: 'Other works',
  ground: 'Earth and surface',
};

/** So much of a part's own unit. */
export function amountOf(quantity: number, unit: PartUnit, units: UnitSystem): Shown {
  const us = units === 'us';
  switch (unit) {
    case 'piece':
      return { value: decimals(quantity, 0), unit: '' };
    case 'm':
      return showLength(quantity, units);
    case 'm²':
      return showArea(quantity, units);
    case 'm³':
      return {
        // Little of it is told to the hundredth: none at all is another thing.
        value: decimals(
          us ? quantity / CUBIC_METRES_PER_CUBIC_YARD : quantity,
          us && quantity >= CUBIC_METRES_PER_CUBIC_YARD ? 1 : 2,
        ),
        unit: us ? 'yd³' : 'm³',
      };
    case 'day':
      return { value: decimals(quantity, 0), unit: quantity === 1 ? 'day' : 'days' };
    case 'L':
      return { value: decimals(us ? quantity / LITRES_PER_QUART : quantity, 2), unit: us ? 'qt' : 'L' };
  }
}

const tonnes = (mass: number, units: UnitSystem): Shown =>
  units === 'us'
    ? { value: decimals(mass / TONNES_PER_SHORT_TON, 1), unit: 'tons' }
    : { value: decimals(mass, 2), unit: 't' };

/** What is asked for: sticks or rolls of pipe, pieces, or an amount with its waste. */
export function buyOf(part: Part, units: UnitSystem): Shown {
  const { packs, buy, unit } = part;
  if (!packs) return amountOf(buy, unit, units);
  const of = text(showLength(packs.length, units));
  return { value: decimals(packs.sticks, 0), unit: `${packs.of}${packs.sticks === 1 ? '' : 's'} of ${of}` };
}

/** How it came, line by line: what each place takes, and what makes of that what is bought. */
export function partWorking(job: Job, part: Part): { label: string; shown: Shown }[] {
  const { units } = headOf(job);
  const { uses, unit, net, buy, packs } = part;
  const amount = (quantity: number): Shown => amountOf(quantity, unit, units);
  return [
    ...uses.map(({ id, quantity }) => ({ label: nameOf(job, id), shown: amount(quantity) })),
    ...(uses.length > 1 ? [{ label: 'In all', shown: amount(net) }] : []),
    ...(packs
      ? [
          { label: `Bought in ${packs.of}s`, shown: buyOf(part, units) },
          { label: 'Left over of them', shown: showLength(packs.offcut, units) },
        ]
      : buy > net * (1 + 1e-9)
        ? [{ label: `With ${decimals(WASTE * 100, 0)} % for waste`, shown: amount(buy) }]
        : []),
    ...(part.tonnes === undefined ? [] : [{ label: 'By weight', shown: tonnes(part.tonnes, units) }]),
    ...(part.used === undefined || part.used <= 0
      ? []
      : [{ label: 'Of it fills elsewhere on the job', shown: amount(part.used) }]),
    ...(part.loose === undefined ? [] : [{ label: 'Loose, to haul', shown: amount(part.loose) }]),
    ...(part.loads === undefined ? [] : [{ label: 'Truck loads', shown: amountOf(part.loads, 'piece', units) }]),
  ];
}

/** What could not be counted, and what to do. */
export function missingWords(job: Job, { id, why }: Missing): string {
  const name = nameOf(job, id);
  switch (why) {
    case 'noLine':
      return `${name} is in no line: its pipe is counted, its trench is not.`;
    case 'noSize':
      return `${name} has no length or area yet: nothing of it is counted.`;
    case 'oldPipe':
      return `${name} is of old clay, which nobody sells: choose what it is laid in, or say that it was here before.`;
  }
}

/** Where a wet trench floats an empty pipe until so much soil lies on it. */
export const floatsWords = (material: Material, nominal: number, cover: number, units: UnitSystem): string =>
  `Water in the trench floats empty ${text(showNominal(nominal, units))} ${makeOf(material)} pipe until ${text(showSmall(cover, units))} of soil lies on it: fill the pipe with water, or weigh it down.`;

/** Depths from which a trench asks for a ladder, and for protection of its walls, m: 4 and 5 ft. */
export const LADDER = 1.219;
export const PROTECTED = 1.524;

/** What the trenches ask for where anybody stands in them; null where none is deep enough to say so. */
export function trenchWords(job: Job, trenches: readonly Trench[]): string | null {
  const deepest = trenches.reduce<Trench | null>(
    (most, each) => (most && most.depth >= each.depth ? most : each),
    null,
  );
  if (!deepest || deepest.depth < LADDER) return null;
  const { units } = headOf(job);
  const depth = text(showSmall(deepest.depth, units));
  return deepest.depth >= PROTECTED
    ? `The trench of ${nameOf(job, deepest.id)} is ${depth} deep: its walls must be held or sloped, with a ladder within reach and the spoil 2 ft back. A competent person looks at it every day.`
    : `The trench of ${nameOf(job, deepest.id)} is ${depth} deep: a ladder within reach, the spoil 2 ft back.`;
}

/** Names of places in a row, after so many only how many more there are. */
function namesOf(names: readonly string[], most: number): string {
  const more = names.length - most;
  // One more is named as shortly as counted.
  return more > 1 ? `${names.slice(0, most).join('; ')} and ${more} more` : names.join('; ');
}

/** A take-off as a table, a part a row: what an order is written from. `places`: how many of a part's places are named at most. */
export function partsTable(job: Job, parts: readonly Part[], places = Infinity): string[][] {
  const { units } = headOf(job);
  return [
    ['Group', 'Part', 'Measured', 'To buy', 'Used at'],
    ...parts.map((part) => [
      PART_GROUP_LABELS[part.group],
      partLabel(part.item, units),
      text(amountOf(part.net, part.unit, units)),
      text(buyOf(part, units)),
      namesOf([...new Set(part.uses.map(({ id }) => nameOf(job, id)))], places),
    ]),
  ];
}

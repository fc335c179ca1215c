/** Steps of the work, what the truck carries and the tools in words. */
import { RENTED_LABELS } from '../catalogue/diggers';
import { headOf, nameOf, ofKind, type Job } from '../job/job';
import type { ElementKind } from '../job/kinds';
import { partLabel } from '../quantities/partLabel';
import { amountOf } from '../quantities/words';
import { decimals, showLength, showSmall, text, type UnitSystem } from '../units';
import type { Held, Scheduled } from './schedule';
import type { StepKind } from '../catalogue/paces';
import type { WorkStep } from './steps';
import type { Tool, ToolType } from './tools';
import type { Load } from './truck';

const STEPS: Record<StepKind, string> = {
  setOut: 'Come, look for the marks, set out',
  strip: 'Strip the turf',
  grade: 'Shape',
  line: 'Dig and lay',
  boxes: 'Set',
  works: 'Build',
  test: 'Run water through before anything is covered',
  inspect: 'Have it inspected, still open',
  backfill: 'Backfill in lifts',
  slab: 'Make the paving good',
  turf: 'Turf or seed, after the machines',
};

/** So many things are named; of more it is said how many. */
const NAMED = 3;
/** What is set, as it is counted on a finger, one and more. */
const SET: Partial<Record<ElementKind, readonly [string, string]>> = {
  basin: ['basin', 'basins'],
  channel: ['channel drain', 'channel drains'],
  downspout: ['downspout', 'downspouts'],
  junction: ['fitting', 'fittings'],
  discharge: ['way out', 'ways out'],
};
const OTHER = ['other thing', 'other things'] as const;

const listed = (all: readonly string[]): string =>
  all.length < 2 ? (all[0] ?? '') : `${all.slice(0, -1).join(', ')} and ${all.at(-1)}`;

/** Things by their names while they are few, then by how many there are of each kind. */
function thingsWords(job: Job, things: readonly string[]): string {
  if (things.length <= NAMED) return listed(things.map((id) => nameOf(job, id)));
  const counts = new Map<string, number>();
  for (const id of things) {
    const kind = job.elements.get(id)?.kind ?? 'job';
    const key = SET[kind] ? kind : 'other';
    counts.set(key, (counts.get(key) ?? 0) + 1);
  }
  if (counts.size === 1 && counts.has('other'))
    return listed([...things.slice(0, NAMED).map((id) => nameOf(job, id)), `${things.length - NAMED} more`]);
  return listed(
    [...counts].map(([kind, count]) => `${count} ${(SET[kind as ElementKind] ?? OTHER)[count === 1 ? 0 : 1]}`),
  );
}

/** What a step does, with what it does it to. */
export function stepLabel(job: Job, { key, kind, line, things }: WorkStep): string {
  if (key === 'saw') return 'Saw the paving';
  if (line !== null) {
    const from = ofKind(job, 'run').length > 0 ? ', from its foot upward' : '';
    return `${STEPS[kind]} line ${line}${from}`;
  }
  return things.length > 0 ? `${STEPS[kind]} ${thingsWords(job, things)}` : STEPS[kind];
}

const HELD: Record<Held, string> = {
  marks: 'waits for the marks',
  wet: 'waits out wet days',
  frost: 'waits for nights without frost',
  hand: 'set by hand',
  concrete: 'waits for concrete to harden',
};

/** Why it begins no sooner, and what is wrong with its days. */
export const heldWords = ({ held, marksGone }: Scheduled): string[] => [
  ...held.map((why) => HELD[why]),
  ...(marksGone ? ['digs without marks that stand'] : []),
];

const PLAIN_TOOLS: Partial<Record<ToolType, string>> = {
  ...RENTED_LABELS,
  spades: 'Spades and shovels, one for each of the crew',
  barrow: 'Wheelbarrows',
  levelAndRod: 'Level and rod, string and pegs',
  bubble: 'Spirit level for the pipe',
  drill: 'Cordless drill with driver and masonry bits',
  weepBit: 'Bit for weep holes, ½ in',
  hose: 'Hose, bucket and watch to run water through',
  mixer: 'Tub and hoe for concrete, gloves',
  wetSaw: 'Wet saw: water on the blade, and a mask',
};

/** A tool with the sizes that it must have. */
export function toolWords(job: Job, tool: Tool): string {
  const { units } = headOf(job);
  const small = (metres: number): string => text(showSmall(metres, units));
  switch (tool.type) {
    case 'excavator':
      return tool.machine === null
        ? `No excavator gets in that digs ${small(tool.reach)}: by hand, or another way in`
        : `Excavator, ${tool.machine}: bucket of ${small(tool.bucket)}${tool.reach > 0 ? `, digs ${small(tool.reach)} deep` : ''}`;
    case 'trencher':
      return `Trencher with a 6 in chain, ${small(tool.depth)} deep`;
    case 'borer':
      return `Boring tool for ${tool.sizes.map(small).join(', ')} outside`;
    case 'holeSaw':
      return `Hole saws of ${tool.sizes.map(small).join(', ')}, for pipe into boxes`;
    case 'pipeSaw':
      return `Pipe saw and file, for ${tool.sizes.map(small).join(', ')}`;
    case 'ladder':
      return `Ladder within reach: a trench is ${small(tool.depth)} deep`;
    case 'shields':
      return `Shields for the walls of a trench ${small(tool.depth)} deep`;
    case 'tarp':
      return `${tool.count} ${tool.count === 1 ? 'tarp' : 'tarps'} of ${units === 'us' ? '10 × 12 ft' : '3 × 3.6 m'} for what is dug`;
    case 'board':
      return `${tool.count} boards of ${units === 'us' ? '4 × 8 ft' : '1.2 × 2.4 m'} under the tracks`;
    default:
      return PLAIN_TOOLS[tool.type]!;
  }
}

/** What is loaded, and how much of it. */
export function loadWords(load: Load, units: UnitSystem): { label: string; amount: string } {
  const { item, unit, quantity, pack } = load;
  const label = partLabel(item, units);
  if (!pack) return { label, amount: text(amountOf(quantity, unit, units)) };
  const count = Math.ceil(quantity / pack.length - 1e-6);
  return {
    label,
    amount: `${decimals(count, 0)} ${pack.of}${count === 1 ? '' : 's'} of ${text(showLength(pack.length, units))}`,
  };
}

/** Machines that some steps use, as a crew lead says them, each once. */
export const machineWords = (steps: readonly Pick<WorkStep, 'machines'>[]): string[] =>
  [...new Set(steps.flatMap(({ machines }) => machines))].map((machine) => RENTED_LABELS[machine].toLowerCase());

/** Steps of the work in words. */
import type { Held, Scheduled } from './schedule';
import type { StepKind, WorkStep } from './steps';
import type { PartGroup } from '../catalogue/items';

const STEPS: Record<StepKind, string> = {
  setOut: 'Come, look for the marks, set out',
  strip: 'Strip the turf',
  grade: 'Shape swales and berms',
  line: 'Dig and lay',
  boxes: 'Set basins, drains and ends',
  works: 'Build the other works',
  test: 'Run water through before anything is covered',
  inspect: 'Have it inspected, still open',
  backfill: 'Backfill in lifts',
  slab: 'Make the paving good',
  turf: 'Turf or seed, after the machines',
};

export function stepLabel({ key, kind, line }: WorkStep): string {
  if (key === 'saw') return 'Saw the paving';
  return line === null ? STEPS[kind] : `${STEPS[kind]} line ${line}, from its foot upward`;
}

const HELD: Record<Held, string> = {
  marks: 'waits for the marks',
  wet: 'waits out wet days',
  frost: 'waits for nights without frost',
  hand: 'set by hand',
};

/** Why it begins no sooner, and what is wrong with its days. */
export const heldWords = ({ held, marksGone }: Scheduled): string[] => [
  ...held.map((why) => HELD[why]),
  ...(marksGone ? ['digs without marks that stand'] : []),
];

const MACHINES = { excavator: 'excavator', rammer: 'rammer', saw: 'wet saw' };

/** Groups of parts as a crew lead loads them. */
const ON_TRUCK: Record<PartGroup, string> = {
  pipe: 'pipe',
  fittings: 'fittings',
  inlets: 'basins and grates',
  ends: 'ends of lines',
  joints: 'glue and tape for joints',
  stone: 'stone and fabric',
  works: 'parts of other works',
  ground: 'earth and turf',
};

/** What the truck of its days carries. */
export function truckWords({ machine, truck }: WorkStep): string {
  const things = [...(machine === null ? [] : [MACHINES[machine]]), ...truck.map((group) => ON_TRUCK[group])];
  return things.join(', ');
}

/**
 * Looks at an old system: what each settles, how long it takes, and how much of what is in doubt of the verdict it takes away. The next one is
 * the one that takes away most a minute.
 */
import { elementOf, type Job } from '../job/job';
import type { Unknown, UnknownOf } from './unknowns';
import type { Worlds } from './worlds';

export const LOOKS = ['end', 'levels', 'hose', 'camera', 'pit', 'twoPits'] as const;
export type LookKind = (typeof LOOKS)[number];

export interface Look {
  kind: LookKind;
  /** The pipe that is looked at. */
  run: string;
  /** What it takes, h. */
  hours: number;
  /** How often the verdict is certain after it, 0–1, and what of the doubt it takes away, bits. */
  settles: number;
  gain: number;
}

/** Hours of one or two people, there already: a lid lifted; a rod held at two; a bucket timed; a camera pushed; a hole dug by hand to a pipe, twice. */
const HOURS: Record<LookKind, number> = { end: 0.1, levels: 0.3, hose: 0.4, camera: 0.75, pit: 1, twoPits: 2 };

/** What each tells of its pipe. */
const TELLS: Record<LookKind, readonly UnknownOf[]> = {
  end: ['size', 'material'],
  levels: ['fall'],
  hose: ['state'],
  camera: ['state', 'size', 'material'],
  pit: ['size', 'material'],
  twoPits: ['fall', 'size', 'material'],
};

/** Whether a pipe shows at one of its ends: a box that opens, or where it comes out. */
function opens(job: Job, id: string): boolean {
  const element = job.elements.get(id);
  if (element?.kind === 'junction') return element.form === 'cleanout' || element.form === 'sedimentTrap';
  if (element?.kind === 'discharge') return element.form === 'daylight' || element.form === 'channel';
  return element?.kind === 'basin' || element?.kind === 'channel';
}

function possible(job: Job, run: string): LookKind[] {
  const { from, to } = elementOf(job, 'run', run)!;
  const ends = [from, to].filter((id) => opens(job, id)).length;
  const pours = ['basin', 'channel', 'downspout'].includes(job.elements.get(from)?.kind ?? '');
  return [
    ...(ends > 0 ? (['end', 'camera'] as const) : []),
    ...(ends === 2 ? (['levels'] as const) : []),
    ...(pours ? (['hose'] as const) : []),
    'pit',
    'twoPits',
  ];
}

/** What is found, as far as a look can tell it apart: a hose tells only whether water comes through. */
const foundBy = (look: LookKind, { values }: Unknown, pick: number): string =>
  look === 'hose' ? (values[pick]!.broken ? 'nothing comes' : 'it comes') : String(pick);

const FEW = 8;

/** Doubt of a chance, bits. */
const doubt = (chance: number): number =>
  chance <= 1e-12 || chance >= 1 - 1e-12 ? 0 : -chance * Math.log2(chance) - (1 - chance) * Math.log2(1 - chance);

/** What a look would settle of the verdict: over all that may be found, by how likely it is. */
function weigh(kind: LookKind, run: string, { unknowns, worlds, all, holds }: Worlds): Pick<Look, 'gain' | 'settles'> {
  const told = unknowns.flatMap((unknown, k) =>
    unknown.run === run && TELLS[kind].includes(unknown.of) ? [{ unknown, k }] : [],
  );
  const found = new Map<string, { weight: number; holds: number; count: number }>();
  for (const world of worlds) {
    const key = told.map(({ unknown, k }) => foundBy(kind, unknown, world.picks[k]!)).join(' ');
    const sum = found.get(key) ?? { weight: 0, holds: 0, count: 0 };
    found.set(key, {
      weight: sum.weight + world.weight,
      holds: sum.holds + (world.holds ? world.weight : 0),
      count: sum.count + 1,
    });
  }
  let [left, settles] = [0, 0];
  for (const each of found.values()) {
    const rest = doubt(each.holds / each.weight);
    left += each.weight * rest;
    // Of a few that were drawn it may be chance that they agree.
    if (rest === 0 && (all || each.count >= FEW)) settles += each.weight;
  }
  return { gain: Math.max(0, doubt(holds) - left), settles };
}

/** Looks that take any doubt away, the best for its time first. Where no single one does, those that settle anything, the shortest first. */
export function looksFor(job: Job, worlds: Worlds): Look[] {
  const runs = [...new Set(worlds.unknowns.map(({ run }) => run))];
  const all = runs.flatMap((run) =>
    possible(job, run)
      .filter((kind) => worlds.unknowns.some(({ run: own, of }) => own === run && TELLS[kind].includes(of)))
      .map((kind): Look => ({ kind, run, hours: HOURS[kind], ...weigh(kind, run, worlds) })),
  );
  const byGain = (a: Look, b: Look): number => b.gain / b.hours - a.gain / a.hours || a.hours - b.hours;
  return all.filter(({ gain }) => gain > 1e-9).sort(byGain);
}

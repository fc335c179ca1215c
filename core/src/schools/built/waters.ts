/** Water off roofs, off the ground and out of it: all in one line, or each in a line of its own beside the others. */
import { changed } from '../../job/change';
import { freeName, splitRun } from '../../job/edits/insert';
import { freshId } from '../../job/ids';
import { landingsOf, ofKind, type Job } from '../../job/job';
import { isNew, type Element, type Junction, type Landing, type Run } from '../../job/kinds';
import { wayOfRun } from '../../job/places';
import { wayLength, type Place } from '../../site/place';
import { changeLabel, type School } from '../school';
import { movedAside, sideOf } from './aside';
import { changeTo, withPuts } from './redrawn';

const WATERS = ['roof', 'surface', 'ground'] as const;
type Water = (typeof WATERS)[number];

/** What comes in at a landing of its own; none at a fitting. */
const WATER_OF: Partial<Record<Landing['kind'], Water>> = {
  downspout: 'roof',
  basin: 'surface',
  channel: 'surface',
  stoneDrain: 'surface',
  drain: 'ground',
  drainField: 'ground',
};
/** Where a line of one water may have another line beside it; at a store, a pump or a way out all come together. */
const PASSED = new Set<Landing['kind']>(['junction', 'downspout', 'basin', 'channel']);

interface Line {
  run: Run;
  from: Landing;
  waters: ReadonlySet<Water>;
}

/** New pipe that several may be made of: from a landing that a second line can pass, with the waters that run in it. */
function linesOf(job: Job): Line[] {
  const runs = ofKind(job, 'run').filter(isNew);
  const leavingOf = new Map(runs.map((run) => [run.from, run]));
  const landings = new Map(landingsOf(job).map((landing) => [landing.id, landing]));
  const waters = new Map<string, Set<Water>>();
  for (const { id, kind } of landings.values()) {
    const water = WATER_OF[kind];
    if (!water) continue;
    const seen = new Set<string>();
    for (let at = id; !seen.has(at) && leavingOf.has(at); at = leavingOf.get(at)!.to) {
      // Beyond a store or a pump it is all one water.
      if (at !== id && !PASSED.has(landings.get(at)!.kind)) break;
      seen.add(at);
      const run = leavingOf.get(at)!;
      waters.set(run.id, (waters.get(run.id) ?? new Set()).add(water));
    }
  }
  return runs.flatMap((run) => {
    const of = waters.get(run.id);
    return of ? [{ run, from: landings.get(run.from)!, waters: of }] : [];
  });
}

/** Of a landing the water whose line it stands in: its own, or the first of those that run there. */
const standsIn = ({ from, waters }: Line): Water => WATER_OF[from.kind] ?? WATERS.find((water) => waters.has(water))!;

/** Lines so that each comes after all that run into it. */
function headFirst(lines: readonly Line[]): Line[] {
  const byFrom = new Map(lines.map((line) => [line.run.from, line]));
  const depth = (line: Line): number => {
    let count = 0;
    for (let at: Line | undefined = line; at && count <= lines.length; at = byFrom.get(at.run.to)) count++;
    return count;
  };
  return [...lines].sort((a, b) => depth(b) - depth(a));
}

/** A second line's piece beside one that several waters share. */
interface Beside {
  water: Water;
  line: Line;
  bend: Junction;
  bends: readonly Place[] | null;
}

/** Beside each pipe that several waters share a bend for every water but the one that keeps it, on the side that its water comes from. */
function besides(job: Job, lines: readonly Line[]): Beside[] {
  const sides = new Map<Water, -1 | 1>();
  const found: Beside[] = [];
  let named = job;
  for (const line of lines) {
    const others = line.waters.size < 2 ? [] : [...line.waters].filter((water) => water !== standsIn(line));
    for (const [k, water] of others.entries()) {
      const branch = lines.find(({ run, waters }) => run.to === line.run.from && waters.has(water));
      const side = sides.get(water) ?? sideOf(job, line.run, branch?.run);
      sides.set(water, side);
      const aside = movedAside(job, line.run, side * (k + 1));
      const bend: Junction = {
        id: freshId('node'),
        kind: 'junction',
        name: freeName(named, 'Bend'),
        form: 'bend',
        groundLevel: line.from.groundLevel,
        ...(aside ? { place: aside.head } : {}),
        ...('levelFrom' in line.from && line.from.levelFrom ? { levelFrom: line.from.levelFrom } : {}),
      };
      named = withPuts(named, bend);
      found.push({ water, line, bend, bends: aside && aside.bends });
    }
  }
  return found;
}

/** Each water in a line of its own, in one trench with the line that they shared. */
function parted(job: Job): Job {
  // Head first, so that each is as wide as what runs into it.
  const lines = headFirst(linesOf(job));
  const made = besides(job, lines);
  const passing = new Map(made.map((each) => [`${each.line.run.from} ${each.water}`, each]));
  const puts: Element[] = made.map(({ bend }) => bend);
  const widths = new Map<string, number>();
  const widen = (to: string, nominal: number): void => void widths.set(to, Math.max(nominal, widths.get(to) ?? 0));
  for (const { run, waters: all } of lines)
    for (const water of all) {
      const to = passing.get(`${run.to} ${water}`)?.bend.id ?? run.to;
      const own = passing.get(`${run.from} ${water}`);
      if (!own) {
        widen(to, run.nominal);
        if (to !== run.to) puts.push({ ...run, to });
        continue;
      }
      const { name: _one, laid: _read, insideDiameter: _its, bends: _there, ...alike } = run;
      const nominal = widths.get(own.bend.id) ?? run.nominal;
      widen(to, nominal);
      const bent = own.bends && own.bends.length > 0 ? { bends: [...own.bends] } : {};
      puts.push({
        ...alike,
        ...bent,
        nominal,
        id: freshId('run'),
        from: own.bend.id,
        to,
        beside: run.id,
        grade: { type: 'auto' },
      });
    }
  const drawn = withPuts(job, ...puts);
  return withPuts(drawn, ...puts.flatMap((put) => (put.kind === 'run' ? taped(job, drawn, put) : [])));
}

/** A run whose end was moved on the plan is longer or shorter by so much. */
function taped(before: Job, after: Job, run: Run): Run[] {
  const was = before.elements.get(run.beside ?? run.id) as Run;
  const [old, now] = [wayOfRun(before, was), wayOfRun(after, run)];
  return old && now ? [{ ...run, length: Math.max(0.1, run.length + wayLength(now) - wayLength(old)) }] : [];
}

/** A pipe may come in at these; at others a wye is put into their line, so far below them, m. */
const JOINED_AT = new Set<Landing['kind']>(['junction', 'downspout', 'basin']);
const BELOW = 1;

/** Of the lines that come to one way out the widest takes the others in, as far up as its last pipe goes. */
function joinedAt(job: Job, ends: readonly Line[]): Job {
  const byWidth = [...ends].sort((a, b) => b.run.nominal - a.run.nominal || b.run.length - a.run.length);
  const [trunk, ...others] = byWidth as [Line, ...Line[]];
  let now = job;
  let at = trunk.from.id;
  if (!JOINED_AT.has(trunk.from.kind)) {
    at = freshId('node');
    const wye: Junction = {
      id: at,
      kind: 'junction',
      name: freeName(job, 'Wye'),
      form: 'wye',
      groundLevel: trunk.from.groundLevel,
    };
    const below = Math.min(BELOW, trunk.run.length / 2);
    now = changed(job, splitRun(trunk.run, wye, freshId('run'), below, wayOfRun(job, trunk.run)));
  }
  const led = others.map(({ run }): Run => {
    const { beside: _shared, ...alone } = run;
    return { ...alone, to: at, grade: { type: 'auto' } };
  });
  return withPuts(now, ...led);
}

const joined = (job: Job): Job => sharedEnds(job).reduce(joinedAt, job);

/** Lines of different waters that come to one way out, by way out, where they can be joined before it. */
function sharedEnds(job: Job): Line[][] {
  const outs = new Set(ofKind(job, 'discharge').map(({ id }) => id));
  const byOut = new Map<string, Line[]>();
  for (const line of linesOf(job))
    if (outs.has(line.run.to)) byOut.set(line.run.to, [...(byOut.get(line.run.to) ?? []), line]);
  return [...byOut.values()].filter(
    (ends) => ends.length > 1 && new Set(ends.flatMap(({ waters }) => [...waters])).size > 1,
  );
}

const QUESTION = {
  question: 'Roof, yard and ground water: one line, or each its own?',
  sides: [
    {
      id: 'one',
      label: 'All in one line',
      reasons: 'One trench, one pipe, one way out. What clogs it backs up into all of it.',
    },
    {
      id: 'each',
      label: 'Each its own line',
      reasons:
        'Grit from the yard never lies in the roof’s line, a full roof line never comes up in the lawn, and a drain in stone stays free. More pipe, in one trench.',
    },
  ],
} satisfies Pick<School, 'question' | 'sides'>;

export const waters: School = {
  ...QUESTION,
  id: 'waters',
  group: 'built',
  asks: (job) => linesOf(job).some((line) => line.waters.size > 1) || sharedEnds(job).length > 0,
  chosen: (job) => {
    const mixed = linesOf(job).some((line) => line.waters.size > 1);
    const apart = sharedEnds(job).length > 0;
    return mixed && apart ? null : mixed ? 'one' : 'each';
  },
  choose: (job, side) => {
    const isOn = waters.chosen(job) === side;
    const after = isOn ? job : side === 'each' ? parted(job) : joined(job);
    return changeTo(changeLabel(job, QUESTION, side), job, after);
  },
};

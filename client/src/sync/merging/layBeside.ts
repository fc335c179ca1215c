/**
 * The server was put back from a copy. What this device knew of a job, laid beside what the server has now, element by element: what the
 * server lost is sent again, what was done there since is taken, and where both went on from the same state somebody is asked. Pure.
 */
import type { Beside, Element } from '@katabasis/core';
import type { Pending, Versioned } from '../device/stored';
import { same } from '../same';
import { NEVER } from './waiting';

type Job = NonNullable<Beside['job']>;

interface Apart {
  /** Lost there: elements put in or changed, and ids of those taken out. */
  puts: Element[];
  removes: string[];
  /** Gone on from in both. */
  both: Element[];
}

/** What is different. `seq`: how far this device had come. */
function apart(base: ReadonlyMap<string, Versioned>, seq: number, { common, elements, removed }: Job): Apart {
  const found: Apart = { puts: [], removes: [], both: [] };
  const there = new Map(elements.map((each) => [each.element.id, each]));
  const isSince = (version: number): boolean => version > common + 1;
  const out = new Set(removed);
  for (const { version, element } of base.values()) {
    const theirs = there.get(element.id);
    if (!isSince(version) || (theirs && same(theirs.element, element))) continue;
    if (theirs ? isSince(theirs.version) : out.has(element.id)) found.both.push(element);
    else found.puts.push(element);
  }
  for (const { version, element } of elements)
    if (!base.has(element.id) && !isSince(version) && seq >= common) found.removes.push(element.id);
  return found;
}

/** What is to be sent, oldest first, once what was known here has been laid beside what the server has. `id`: stem of the new changes' ids. */
export function layBeside(
  { base, seq, waiting }: { base: ReadonlyMap<string, Versioned>; seq: number; waiting: readonly Pending[] },
  job: Job,
  id: string,
): Pending[] {
  const there = new Map(job.elements.map((each) => [each.element.id, each]));
  const { puts, removes, both } = apart(base, seq, job);
  const again: Omit<Pending, 'change' | 'order'>[] = both.map((element) => ({
    label: 'As it was before the server was put back',
    puts: [element],
    removes: [],
    bases: { [element.id]: NEVER },
  }));
  if (puts.length + removes.length > 0) {
    const ids = [...puts.map((element) => element.id), ...removes];
    again.unshift({
      label: 'What the server had lost',
      puts,
      removes,
      bases: Object.fromEntries(ids.map((each) => [each, there.get(each)?.version ?? 0])),
      was: Object.fromEntries(ids.map((each) => [each, there.get(each)?.element ?? null])),
    });
  }
  const taken = new Set(again.flatMap(({ bases }) => Object.keys(bases)));
  const first = (waiting[0]?.order ?? 1) - again.length;
  return [
    ...again.map((each, k) => ({ ...each, change: `${id}_${k}`, order: first + k })),
    ...waiting.map((each) => onTheirs(each, taken, base, there)),
  ];
}

/** A waiting change, made on the server's versions: not where another comes before it now, or where theirs is not what it was made on. */
function onTheirs(
  each: Pending,
  taken: ReadonlySet<string>,
  base: ReadonlyMap<string, Versioned>,
  there: ReadonlyMap<string, { version: number; element: Element }>,
): Pending {
  const bases = Object.entries(each.bases).flatMap(([id, version]): [string, number][] => {
    const [known, theirs] = [base.get(id), there.get(id)];
    // Made on what is sent again before it; but for one that was made on something older still.
    if (taken.has(id)) return known && known.version !== version ? [[id, NEVER]] : [];
    if (!known && !theirs) return [[id, version === 0 ? 0 : NEVER]];
    const isSame = known?.version === version && theirs && same(known.element, theirs.element);
    return [[id, isSame ? theirs.version : NEVER]];
  });
  const own = new Set(bases.map(([id]) => id));
  const was = Object.entries(each.was ?? {}).filter(([id]) => own.has(id));
  return { ...each, bases: Object.fromEntries(bases), was: Object.fromEntries(was) };
}

/** Water that would run round: loops of pipes, gutters and overflows. */
import { ofKind, type Job } from './job';
import { ELEMENT_KINDS, isLaid, kindOf, type Element } from './kinds';
import { targetsOf } from './links';
import { at, type Fault } from './findings';
import { type Link } from './kinds/kind';

type Circuit = NonNullable<Link['circuit']>;

/** Takes in a loop, and may ask for its ids. */
type TellLoop = (loop: () => string[]) => void;

/** Links that must not go round, with the kinds that have them. Pipes first, as a job is read. */
export const CIRCUITS = (['pipes', 'gutters', 'overflows'] as const).map((circuit) => ({
  circuit,
  members: ELEMENT_KINDS.flatMap((kind) =>
    (kindOf(kind).links ?? []).filter((link) => link.circuit === circuit).map((link) => ({ kind, link })),
  ),
}));
/** What is told of a loop, by what goes round; for pipes the run is named, else the field. */
const ROUND: Record<Circuit, (loop: string) => string> = {
  pipes: (loop) => `is on a loop of pipes: ${loop}`,
  gutters: (loop) => `goes round from gutter to gutter: ${loop}`,
  overflows: (loop) => `passes water round: ${loop}`,
};

/** From where to where an element's link carries water: a run from its upper landing, anything else from itself. */
export const sourceOf = (element: Element): string => (element.kind === 'run' ? element.from : element.id);

/** Next ids of every id on a circuit. Of several runs out of one landing all are followed. */
export function circuitLinks(job: Job, circuit: Circuit): Map<string, string[]> {
  const links = new Map<string, string[]>();
  for (const { kind, link } of CIRCUITS.find((each) => each.circuit === circuit)!.members) {
    for (const element of ofKind(job, kind)) {
      if (element.kind === 'run' && !isLaid(element)) continue;
      const to = targetsOf(element, link);
      if (to.length === 0) continue;
      const known = links.get(sourceOf(element));
      if (known) known.push(...to);
      else links.set(sourceOf(element), to);
    }
  }
  return links;
}

/** Ids of a loop that are named, at its two ends. */
const MAX_NAMED = 8;

/**
 * Loops of one-way links, each told once, by the link that closes it; only those that can be reached from `starts`. Linear in the links;
 * a loop's list of ids is made only when it is asked for.
 */
export function findLoops(
  links: ReadonlyMap<string, readonly string[]>,
  starts: Iterable<string>,
  tell: TellLoop,
): void {
  /** Place on the path being walked; −1 once all behind an id is known. */
  const place = new Map<string, number>();
  for (const start of starts) {
    if (place.has(start)) continue;
    // An explicit stack: a line of ten thousand runs must not overflow the call stack.
    const path: { id: string; next: number }[] = [{ id: start, next: 0 }];
    place.set(start, 0);
    while (path.length > 0) {
      const top = path[path.length - 1]!;
      const to = links.get(top.id)?.[top.next++];
      if (to === undefined) {
        place.set(top.id, -1);
        path.pop();
        continue;
      }
      const at = place.get(to);
      if (at === undefined) {
        place.set(to, path.length);
        path.push({ id: to, next: 0 });
      } else if (at >= 0) {
        tell(() => namedOf(path, at));
      }
    }
  }
}

/** Ids of a loop from its place on the path; of a long one both ends. */
function namedOf(path: readonly { id: string }[], at: number): string[] {
  const ids = (from: number, to: number): string[] => path.slice(from, to).map(({ id }) => id);
  if (path.length - at <= 2 * MAX_NAMED) return ids(at, path.length);
  return [
    ...ids(at, at + MAX_NAMED),
    `${path.length - at - 2 * MAX_NAMED} more`,
    ...ids(path.length - MAX_NAMED, path.length),
  ];
}

export function loopFault(circuit: Circuit, loop: readonly string[]): Fault {
  const field = CIRCUITS.find((each) => each.circuit === circuit)!.members[0]!.link.field;
  return {
    path: at(loop[0]!, circuit === 'pipes' ? undefined : field),
    sentence: ROUND[circuit]([...loop, loop[0]].join(' → ')),
  };
}

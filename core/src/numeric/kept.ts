/**
 * What a plan keeps of its making, for the plan after it. Each piece of the work is a step: a function of what it reads and of nothing
 * else, so that what is compared is what is read, and nothing can be left out by hand. A step that reads what it read in the plan before
 * gives the very answer that it gave there; one that reads something else is worked out anew, and may in its turn keep of its own pieces
 * what reads the same. What is read is compared field by field and by identity: the core never changes a thing in place.
 *
 * A plan holds what it was itself made of, and nothing of the plan before that it did not take over: two plans are in memory, never a row.
 */

/** A piece of the work. `make` is given what it reads, and a place to keep what it is made of. */
export interface Step<I extends object, R> {
  /** For whoever looks at what an edit has worked out anew. */
  name: string;
  make(reads: I, kept: Kept): R;
}

/** A step is declared once, beside the work that it does. */
export const step = <I extends object, R>(name: string, make: Step<I, R>['make']): Step<I, R> => ({ name, make });

type AnyStep = Step<never, unknown>;

interface Answer {
  reads: object;
  made: unknown;
  /** What it was itself made of; null where it kept nothing. */
  within: Kept | null;
}

/** Answers of one step for a row of things, place by place. */
interface Row {
  things: readonly { id: string }[];
  reads: object[];
  made: unknown[];
}

/** Whether two lists of what one step reads hold the same, field by field. */
function readTheSame(one: object, other: object): boolean {
  for (const field in one)
    if (!Object.is((one as Record<string, unknown>)[field], (other as Record<string, unknown>)[field])) return false;
  return true;
}

const NONE: readonly Kept[] = [];

/** Of a step that is asked about the whole job, and not about one thing of it. */
const WHOLE = '';

export class Kept {
  /** Answers by step, and by the thing that they are about. */
  private answers: Map<AnyStep, Map<string, Answer[]>> | null = null;
  private rows: Map<AnyStep, Row[]> | null = null;
  private before: readonly Kept[];

  /** `before`: what plans before kept in this place, the nearest first. */
  constructor(...before: (Kept | null | undefined)[]) {
    this.before = before.filter((each) => each !== null && each !== undefined);
  }

  /**
   * The answer of a step to what it reads: of this plan, of the one before, or worked out now. `about`: the id of the thing that it is about,
   * where a step is asked about many.
   */
  ask<I extends object, R>(asked: Step<I, R>, reads: I, about = WHOLE): R {
    const own = this.answersTo(asked, about);
    for (const answer of own) if (readTheSame(reads, answer.reads)) return answer.made as R;
    let inItsPlace: Answer | undefined;
    for (const before of this.before) {
      const former = before.answers?.get(asked as unknown as AnyStep)?.get(about);
      if (!former) continue;
      for (const answer of former)
        if (readTheSame(reads, answer.reads)) {
          own.push(answer);
          return answer.made as R;
        }
      // What stood in its place there: the design rain comes before the rarer one in every plan.
      inItsPlace = former[own.length] ?? inItsPlace ?? former[former.length - 1];
    }
    const within = new Kept(inItsPlace?.within);
    const made = asked.make(reads, within);
    own.push({ reads, made, within: within.close() });
    return made;
  }

  private answersTo(asked: Step<never, unknown>, about: string): Answer[] {
    this.answers ??= new Map();
    let byThing = this.answers.get(asked);
    if (!byThing) this.answers.set(asked, (byThing = new Map()));
    let answers = byThing.get(about);
    if (!answers) byThing.set(about, (answers = []));
    return answers;
  }

  /** A step asked for each of some things, in whatever order: gives what answers for the thing at a place to what it reads. */
  row<T extends { id: string }, I extends object, R>(
    asked: Step<I, R>,
    things: readonly T[],
  ): (place: number, reads: I) => R {
    this.rows ??= new Map();
    let own = this.rows.get(asked as unknown as AnyStep);
    if (!own) this.rows.set(asked as unknown as AnyStep, (own = []));
    const place = own.length;
    const former = this.before.reduce<Row | undefined>((known, before) => {
      const rows = before.rows?.get(asked as unknown as AnyStep);
      return rows?.[place] ?? known ?? rows?.[rows.length - 1];
    }, undefined);
    const placeBefore = former ? placesIn(former.things, things) : null;
    const row: Row = { things, reads: new Array<object>(things.length), made: new Array<unknown>(things.length) };
    own.push(row);
    return (at, reads) => {
      const there = placeBefore ? placeBefore(at) : -1;
      const known = there >= 0 ? former!.reads[there] : undefined;
      const same = known !== undefined && readTheSame(reads, known);
      row.reads[at] = same ? known : reads;
      return (row.made[at] = same ? former!.made[there] : asked.make(reads, NOWHERE)) as R;
    };
  }

  /**
   * What was made, or what this or the plan before made in its place where that is alike: what reads it then need not be worked out anew.
   * `name` tells one such thing from another.
   */
  alike<T>(name: Step<{ made: T }, T>, made: T, isAlike: (one: T, other: T) => boolean): T {
    const own = this.answersTo(name, WHOLE);
    const former = this.before.flatMap((each) => each.answers?.get(name as unknown as AnyStep)?.get(WHOLE) ?? []);
    const known = [...own, ...former].find((each) => isAlike(each.made as T, made));
    if (!known) own.push({ reads: {}, made, within: null });
    else if (!own.includes(known)) own.push(known);
    return known ? (known.made as T) : made;
  }

  /** Lets go of the plan before, once all is asked that is asked; null where nothing was kept. */
  close(): Kept | null {
    this.before = NONE;
    return this.answers || this.rows ? this : null;
  }

  /** Every answer that is held, with the name of its step: what an edit worked out anew is what the plan before does not hold. */
  *held(): Iterable<{ step: string; made: unknown }> {
    for (const [{ name }, byThing] of this.answers ?? [])
      for (const { made, within } of [...byThing.values()].flat()) {
        yield { step: name, made };
        if (within) yield* within.held();
      }
  }
}

/** For steps of a row, which keep nothing of their own. */
const NOWHERE = new Kept();

/** Where each of some things stood in a row before, by its id; −1 where it did not. Most edits leave every place as it was. */
function placesIn(before: readonly { id: string }[], now: readonly { id: string }[]): (place: number) => number {
  let places: Map<string, number> | null = null;
  return (at) => {
    const { id } = now[at]!;
    if (before[at]?.id === id) return at;
    places ??= new Map(before.map((each, place) => [each.id, place]));
    return places.get(id) ?? -1;
  };
}

/** A thing with what it holds for the one after it, under a name: no part of what is printed, sent or compared. */
export function holding<T extends object, N extends string, V>(
  thing: T,
  name: N,
  value: V,
): T & { readonly [K in N]: V } {
  return Object.defineProperty(thing, name, { value, enumerable: false }) as T & { readonly [K in N]: V };
}

/** Lists of the same things in the same order. */
export const alikeLists =
  <T>(isAlike: (one: T, other: T) => boolean) =>
  (one: readonly T[], other: readonly T[]): boolean =>
    one.length === other.length && one.every((each, k) => isAlike(each, other[k]!));

/** Maps of the same values by the same keys. */
export const alikeMaps = <K, V>(one: ReadonlyMap<K, V>, other: ReadonlyMap<K, V>): boolean =>
  one.size === other.size && [...one].every(([key, value]) => Object.is(other.get(key), value));

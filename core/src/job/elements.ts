/**
 * The elements of a job: never changed in place, and a changed set costs what the change touches. Ids come from outside, so nothing
 * here is looked up in an object with a prototype.
 */
import { isLanding, LANDING_KINDS, type Element, type ElementKind, type Landing, type OfKind } from './kinds';

/** Small enough to copy for one change, and many enough that each holds few: 20,000 elements come to 80 a bucket. */
const BUCKETS = 256;

/** FNV-1a over an id, as a bucket's index. */
function bucketOf(id: string): number {
  let hash = 0x811c9dc5;
  for (let k = 0; k < id.length; k++) hash = Math.imul(hash ^ id.charCodeAt(k), 0x01000193);
  return (hash ^ (hash >>> 16)) & (BUCKETS - 1);
}

type Bucket = ReadonlyMap<string, Element>;
type Kinds = ReadonlyMap<ElementKind, readonly Element[]>;

const NONE: readonly Element[] = [];

export class Elements implements Iterable<Element> {
  /** In the order in which they were put; one that replaces another keeps its place. */
  readonly all: readonly Element[];
  private readonly buckets: readonly (Bucket | undefined)[];
  private readonly kinds: Kinds;
  /** Listed when first asked for. */
  private listed: readonly Landing[] | null;

  private constructor(
    all: readonly Element[],
    buckets: readonly (Bucket | undefined)[],
    kinds: Kinds,
    landings: readonly Landing[] | null = null,
  ) {
    this.all = all;
    this.buckets = buckets;
    this.kinds = kinds;
    this.listed = landings;
  }

  static readonly none = new Elements(NONE, new Array<undefined>(BUCKETS).fill(undefined), new Map());

  /** A set of a list's elements; a later one of the same id wins, and keeps the first one's place. */
  static of(list: Iterable<Element>): Elements {
    const place = new Map<string, number>();
    const all: Element[] = [];
    for (const element of list) {
      const at = place.get(element.id);
      if (at === undefined) place.set(element.id, all.push(element) - 1);
      else all[at] = element;
    }
    const buckets = new Array<Map<string, Element> | undefined>(BUCKETS).fill(undefined);
    const kinds = new Map<ElementKind, Element[]>();
    for (const element of all) {
      (buckets[bucketOf(element.id)] ??= new Map()).set(element.id, element);
      const alike = kinds.get(element.kind);
      if (alike) alike.push(element);
      else kinds.set(element.kind, [element]);
    }
    return new Elements(all, buckets, kinds);
  }

  get size(): number {
    return this.all.length;
  }

  [Symbol.iterator](): Iterator<Element> {
    return this.all[Symbol.iterator]();
  }

  get(id: string): Element | undefined {
    return this.buckets[bucketOf(id)]?.get(id);
  }

  has(id: string): boolean {
    return this.get(id) !== undefined;
  }

  /** All of a kind, in the order they were put: the same array for as long as none of that kind changes. */
  ofKind<K extends ElementKind>(kind: K): readonly OfKind<K>[] {
    return (this.kinds.get(kind) ?? NONE) as readonly OfKind<K>[];
  }

  /** All that a pipe can start, pass or end at, in the order they were put: the same array for as long as no list of a kind of them changes. */
  get landings(): readonly Landing[] {
    return (this.listed ??= this.all.filter(isLanding));
  }

  /** What landings a set has that differs from this one by some lists of kinds; null where they must be listed anew. */
  private landingsWith(kinds: Kinds): readonly Landing[] | null {
    return LANDING_KINDS.every((kind) => kinds.get(kind) === this.kinds.get(kind)) ? this.listed : null;
  }

  /**
   * The set with some elements taken out, and then others put in or in the place of those of their id. A new one stands last, or where
   * `stands` says: after another, or first. Those that stand behind one another are named in that order.
   */
  with(
    puts: readonly Element[],
    removes: readonly string[] = [],
    stands: readonly { id: string; after: string | null }[] = [],
  ): Elements {
    const draft = new Draft(this.all, this.buckets, this.kinds);
    for (const id of removes) draft.remove(id);
    const fresh = stands.length > 0 ? new Set(puts.filter(({ id }) => !draft.has(id)).map(({ id }) => id)) : null;
    for (const element of puts) draft.put(element);
    if (fresh) for (const { id, after } of stands) if (fresh.has(id)) draft.stand(id, after);
    return new Elements(draft.all, draft.buckets, draft.kinds, this.landingsWith(draft.kinds));
  }

  /**
   * The set with some elements in the place of those of their id, and others after all. Lists that this makes anew, of kinds and of landings,
   * are given through `same`, which may hand out an earlier one that holds the same, so that what is worked out from one is not worked out anew.
   */
  resolved(
    changed: ReadonlyMap<string, Element>,
    more: readonly Element[],
    same: <E extends Element>(of: ElementKind | 'landings', list: readonly E[]) => readonly E[],
  ): Elements {
    const set = this.with([...changed.values(), ...more]);
    const kinds = new Map(
      [...set.kinds].map(([kind, list]) => [kind, list === this.kinds.get(kind) ? list : same(kind, list)]),
    );
    return new Elements(set.all, set.buckets, kinds, this.landingsWith(kinds) ?? same('landings', set.landings));
  }
}

/** A set under change: every list and bucket is copied once, when it is first touched. */
class Draft {
  all: Element[];
  readonly buckets: (Bucket | undefined)[];
  readonly kinds: Map<ElementKind, readonly Element[]>;
  private readonly fresh = new Set<unknown>();

  constructor(all: readonly Element[], buckets: readonly (Bucket | undefined)[], kinds: Kinds) {
    this.all = all.slice();
    this.buckets = buckets.slice();
    this.kinds = new Map(kinds);
  }

  remove(id: string): void {
    const gone = this.buckets[bucketOf(id)]?.get(id);
    if (!gone) return;
    this.bucket(id).delete(id);
    this.all.splice(this.all.indexOf(gone), 1);
    this.leaveKind(gone);
  }

  put(element: Element): void {
    const before = this.buckets[bucketOf(element.id)]?.get(element.id);
    this.bucket(element.id).set(element.id, element);
    if (!before) {
      this.all.push(element);
      this.alike(element.kind).push(element);
      return;
    }
    this.all[this.all.indexOf(before)] = element;
    if (before.kind === element.kind) {
      const alike = this.alike(element.kind);
      alike[alike.indexOf(before)] = element;
      return;
    }
    this.leaveKind(before);
    // One that becomes another kind goes among its new fellows where it stands in the whole.
    this.inOrder(element.kind, [...(this.kinds.get(element.kind) ?? []), element]);
  }

  /** Keeps a kind's list in the order of the whole. */
  private inOrder(kind: ElementKind, alike: readonly Element[]): void {
    const order = new Map(this.all.map((each, k) => [each, k]));
    this.own(
      kind,
      [...alike].sort((a, b) => order.get(a)! - order.get(b)!),
    );
  }

  has(id: string): boolean {
    return this.buckets[bucketOf(id)]?.has(id) ?? false;
  }

  /** Moves an element right after another, or to the front; where that other is not here it stays. */
  stand(id: string, after: string | null): void {
    const element = this.buckets[bucketOf(id)]?.get(id);
    const before = after === null ? null : this.buckets[bucketOf(after)]?.get(after);
    if (!element || before === undefined) return;
    this.all.splice(this.all.indexOf(element), 1);
    this.all.splice(before === null ? 0 : this.all.indexOf(before) + 1, 0, element);
    this.inOrder(element.kind, this.alike(element.kind));
  }

  private leaveKind(gone: Element): void {
    const alike = this.alike(gone.kind);
    alike.splice(alike.indexOf(gone), 1);
  }

  private bucket(id: string): Map<string, Element> {
    const at = bucketOf(id);
    const known = this.buckets[at];
    if (known && this.fresh.has(known)) return known as Map<string, Element>;
    const copy = new Map(known);
    this.fresh.add(copy);
    this.buckets[at] = copy;
    return copy;
  }

  private alike(kind: ElementKind): Element[] {
    const known = this.kinds.get(kind);
    return known && this.fresh.has(known) ? (known as Element[]) : this.own(kind, known ? known.slice() : []);
  }

  private own(kind: ElementKind, list: Element[]): Element[] {
    this.fresh.add(list);
    this.kinds.set(kind, list);
    return list;
  }
}

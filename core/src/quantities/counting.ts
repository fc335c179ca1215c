/** What is counted so far: every part with the places that it is used at. */
import { keyOfItem, type Item } from '../catalogue/items';

export interface Use {
  /** Element that it is for. */
  id: string;
  quantity: number;
}

export interface Counted {
  key: string;
  item: Item;
  /** In the order met; of pipe each piece by itself. */
  uses: Use[];
}

/** What could not be counted, and why. */
export interface Missing {
  id: string;
  why: 'noLine' | 'noSize' | 'oldPipe';
}

interface Tallied {
  counted: Counted;
  /** Uses by place, once there are so many that a look through them would take longer. */
  at: Map<string, Use> | null;
}

/** So many places are looked through. */
const FEW = 12;

/** Adds so much of one thing, in its own unit, at an element; naught and less is nothing. */
export type Tally = (id: string, quantity?: number) => void;

export class Counting {
  private readonly parts = new Map<string, Tallied>();
  private readonly byType = new Map<Item['type'], Counted[]>();
  readonly missing: Missing[] = [];

  /** A tally of one thing, for what is added many times over. */
  of(item: Item): Tally {
    const key = keyOfItem(item);
    let part = this.parts.get(key);
    return (id, quantity = 1) => {
      if (quantity > 0) tally((part ??= this.part(key, item)), id, quantity);
    };
  }

  add(item: Item, id: string, quantity = 1): void {
    if (quantity > 0) tally(this.part(keyOfItem(item), item), id, quantity);
  }

  /** Adds what nothing was counted of at that element before, of an item whose key is known. */
  addFirst(key: string, item: Item, id: string, quantity: number): void {
    if (quantity > 0) put(this.part(key, item), id, quantity);
  }

  private part(key: string, item: Item): Tallied {
    const known = this.parts.get(key);
    if (known) return known;
    const part = { counted: { key, item, uses: [] }, at: null };
    this.parts.set(key, part);
    const alike = this.byType.get(item.type);
    if (alike) alike.push(part.counted);
    else this.byType.set(item.type, [part.counted]);
    return part;
  }

  /** All of a type. */
  ofType(type: Item['type']): readonly Counted[] {
    return [...(this.byType.get(type) ?? [])];
  }

  /** In the order first met. */
  get all(): readonly Counted[] {
    return [...this.parts.values()].map(({ counted }) => counted);
  }
}

function useAt(part: Tallied, id: string): Use | undefined {
  const { item, uses } = part.counted;
  // Every piece of pipe is cut by itself.
  if (item.type === 'pipe') return undefined;
  if (uses.length > FEW) part.at ??= new Map(uses.map((each) => [each.id, each]));
  if (part.at) return part.at.get(id);
  for (let k = uses.length - 1; k >= 0; k--) if (uses[k]!.id === id) return uses[k];
  return undefined;
}

function put({ counted, at }: Tallied, id: string, quantity: number): void {
  const use = { id, quantity };
  counted.uses.push(use);
  at?.set(id, use);
}

function tally(part: Tallied, id: string, quantity: number): void {
  const before = useAt(part, id);
  if (before) before.quantity += quantity;
  else put(part, id, quantity);
}

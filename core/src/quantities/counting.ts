/** What is counted so far: every part with the places that it is used at. */
import { keyOfItem, type Item } from './item';

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
  at: Map<string, Use>;
}

/** Adds so much of one thing, in its own unit, at an element; naught and less is nothing. */
export type Tally = (id: string, quantity?: number) => void;

export class Counting {
  private readonly parts = new Map<string, Tallied>();
  readonly missing: Missing[] = [];

  /** A tally of one thing, for what is added many times over. */
  of(item: Item): Tally {
    const key = keyOfItem(item);
    // Every piece of pipe is cut by itself.
    const byPiece = item.type === 'pipe';
    let part = this.parts.get(key);
    return (id, quantity = 1) => {
      if (!(quantity > 0)) return;
      part ??= this.begun(key, item);
      const before = byPiece ? undefined : part.at.get(id);
      if (before) {
        before.quantity += quantity;
        return;
      }
      const use = { id, quantity };
      part.counted.uses.push(use);
      if (!byPiece) part.at.set(id, use);
    };
  }

  add(item: Item, id: string, quantity = 1): void {
    if (quantity > 0) this.of(item)(id, quantity);
  }

  private begun(key: string, item: Item): Tallied {
    const known = this.parts.get(key);
    if (known) return known;
    const part = { counted: { key, item, uses: [] }, at: new Map<string, Use>() };
    this.parts.set(key, part);
    return part;
  }

  get all(): readonly Counted[] {
    return [...this.parts.values()].map(({ counted }) => counted);
  }
}

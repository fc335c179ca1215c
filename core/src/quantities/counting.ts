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

export class Counting {
  private readonly parts = new Map<string, { counted: Counted; at: Map<string, Use> }>();
  readonly missing: Missing[] = [];

  /** `quantity` in the item's own unit; naught and less is nothing. */
  add(item: Item, id: string, quantity = 1): void {
    if (!(quantity > 0)) return;
    const key = keyOfItem(item);
    let part = this.parts.get(key);
    if (!part) {
      part = { counted: { key, item, uses: [] }, at: new Map() };
      this.parts.set(key, part);
    }
    // Every piece of pipe is cut by itself.
    const before = item.type === 'pipe' ? undefined : part.at.get(id);
    if (before) {
      before.quantity += quantity;
      return;
    }
    const use = { id, quantity };
    part.counted.uses.push(use);
    part.at.set(id, use);
  }

  get all(): readonly Counted[] {
    return [...this.parts.values()].map(({ counted }) => counted);
  }
}

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
  private readonly parts = new Map<string, Counted>();
  readonly missing: Missing[] = [];

  /** `quantity` in the item's own unit; naught and less is nothing. */
  add(item: Item, id: string, quantity = 1): void {
    if (!(quantity > 0)) return;
    const key = keyOfItem(item);
    const there = this.parts.get(key) ?? { key, item, uses: [] };
    this.parts.set(key, there);
    const before = item.type === 'pipe' ? undefined : there.uses.find((use) => use.id === id);
    if (before) before.quantity += quantity;
    else there.uses.push({ id, quantity });
  }

  get all(): readonly Counted[] {
    return [...this.parts.values()];
  }
}

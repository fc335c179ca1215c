/** The cheapest way from some cells to every other (Dijkstra 1959), from what it costs to stand on each of them already. */
import type { Steps } from './costGrid';

/** No cell before this one. */
export const FIRST = -1;

/** Cells waiting, the cheapest on top: a binary heap that knows where each stands, so that none waits twice. */
class Waiting {
  private readonly heap: Int32Array;
  private readonly at: Int32Array;
  private count = 0;

  constructor(
    size: number,
    private readonly cost: Float64Array,
  ) {
    this.heap = new Int32Array(size);
    this.at = new Int32Array(size).fill(-1);
  }

  get isEmpty(): boolean {
    return this.count === 0;
  }

  /** Puts a cell in, or up where it has become cheaper. */
  put(cell: number): void {
    let k = this.at[cell]!;
    if (k < 0) k = this.count++;
    while (k > 0) {
      const up = (k - 1) >> 1;
      const other = this.heap[up]!;
      if (this.cost[other]! <= this.cost[cell]!) break;
      this.set(k, other);
      k = up;
    }
    this.set(k, cell);
  }

  take(): number {
    const top = this.heap[0]!;
    this.at[top] = -1;
    const last = this.heap[--this.count]!;
    if (this.count === 0) return top;
    let k = 0;
    for (;;) {
      let next = 2 * k + 1;
      if (next >= this.count) break;
      if (next + 1 < this.count && this.cost[this.heap[next + 1]!]! < this.cost[this.heap[next]!]!) next++;
      const below = this.heap[next]!;
      if (this.cost[below]! >= this.cost[last]!) break;
      this.set(k, below);
      k = next;
    }
    this.set(k, last);
    return top;
  }

  private set(k: number, cell: number): void {
    this.heap[k] = cell;
    this.at[cell] = k;
  }
}

/**
 * Lets costs spread: `cost` by cell as known so far, ∞ where nothing is, is brought down to the cheapest that any cell reaches it for;
 * `before` says from which cell that is, and is left alone where nothing cheaper came. `from`: cells whose cost has become another since it
 * was spread; all that are known where nothing is said.
 */
export function spread(steps: Steps, cost: Float64Array, before: Int32Array, from?: readonly number[]): void {
  const waiting = new Waiting(cost.length, cost);
  if (from) for (const at of from) waiting.put(at);
  else for (let at = 0; at < cost.length; at++) if (cost[at]! < Infinity) waiting.put(at);
  while (!waiting.isEmpty) {
    const at = waiting.take();
    const own = cost[at]!;
    for (let k = steps.first[at]!; k < steps.first[at + 1]!; k++) {
      const beside = steps.to[k]!;
      const comes = own + steps.cost[k]!;
      if (comes >= cost[beside]!) continue;
      cost[beside] = comes;
      before[beside] = at;
      waiting.put(beside);
    }
  }
}

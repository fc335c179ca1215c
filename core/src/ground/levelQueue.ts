/**
 * Places by level, the lowest first. They are sorted in two steps, a bucket by rounded level and a heap within the bucket under work, so
 * that the order is exact and nearly as cheap as counting. None may be put in below the lowest that has been taken.
 */

/** Enough that a bucket holds a few cells of a large grid. */
const MOST_BUCKETS = 1 << 17;

export class LevelQueue {
  private readonly scale: number;
  /** By bucket its first place, and by place the next in its bucket; −1 after the last. */
  private readonly first: Int32Array;
  private readonly next: Int32Array;
  /** The bucket under work, as a heap. */
  private readonly heap: Int32Array;
  private heaped = 0;
  private bucket = 0;

  /** `level`: by place, m; `count` places at most wait at once, all within `lowest` and `highest`. */
  constructor(
    private readonly level: Float64Array,
    private readonly lowest: number,
    highest: number,
    count: number,
  ) {
    const buckets = Math.max(1, Math.min(MOST_BUCKETS, count));
    this.scale = highest > lowest ? (buckets - 1) / (highest - lowest) : 0;
    this.first = new Int32Array(buckets).fill(-1);
    this.next = new Int32Array(level.length);
    this.heap = new Int32Array(count + 1);
  }

  put(place: number): void {
    const into = ((this.level[place]! - this.lowest) * this.scale) | 0;
    if (into === this.bucket) return this.rise(place);
    this.next[place] = this.first[into]!;
    this.first[into] = place;
  }

  /** Takes out the lowest; −1 where none waits. */
  take(): number {
    while (this.heaped === 0) {
      if (++this.bucket >= this.first.length) return -1;
      for (let place = this.first[this.bucket]!; place !== -1; place = this.next[place]!) this.rise(place);
    }
    const { heap, level } = this;
    const top = heap[0]!;
    const last = heap[--this.heaped]!;
    const here = level[last]!;
    let at = 0;
    for (;;) {
      let child = 2 * at + 1;
      if (child >= this.heaped) break;
      if (child + 1 < this.heaped && level[heap[child + 1]!]! < level[heap[child]!]!) child++;
      if (level[heap[child]!]! >= here) break;
      heap[at] = heap[child]!;
      at = child;
    }
    heap[at] = last;
    return top;
  }

  private rise(place: number): void {
    const { heap, level } = this;
    let at = this.heaped++;
    const here = level[place]!;
    while (at > 0) {
      const parent = (at - 1) >> 1;
      if (level[heap[parent]!]! <= here) break;
      heap[at] = heap[parent]!;
      at = parent;
    }
    heap[at] = place;
  }
}

/** How long things take and how much memory is in use, for benches. */

/** Bytes that live objects take, once what is dead has been cleared away. */
export function inUse(): number {
  (globalThis as { gc?: () => void }).gc?.();
  const { heapUsed, arrayBuffers } = process.memoryUsage();
  return heapUsed + arrayBuffers;
}

/** Times in ms, rising. */
export function timed(count: number, prepare: () => () => void): number[] {
  const times: number[] = [];
  for (let k = 0; k < count; k++) {
    const work = prepare();
    const start = performance.now();
    work();
    times.push(performance.now() - start);
  }
  return times.sort((a, b) => a - b);
}

export const at = (times: readonly number[], share: number): number => times[Math.floor((times.length - 1) * share)]!;
export const shown = (times: readonly number[]): string =>
  `median ${at(times, 0.5).toFixed(2)} ms, p95 ${at(times, 0.95).toFixed(2)} ms`;

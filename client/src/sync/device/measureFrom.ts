/** Puts how long something took, from `start` (ms, of `performance.now()`), on the browser's own timeline, where it can be read. Engines without one go on untimed. */
export function measureFrom(name: `katabasis.${string}`, start: number): void {
  if ('measure' in performance) performance.measure(name, { start });
}

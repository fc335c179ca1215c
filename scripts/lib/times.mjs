/** What some times come to. */

export const rising = (times) => [...times].sort((a, b) => a - b);
/** Of times that rise. */
export const at = (times, share) => times[Math.floor((times.length - 1) * share)] ?? Number.NaN;
/** Of times that rise. */
export const told = (times) => `median ${at(times, 0.5).toFixed(1)} ms, p95 ${at(times, 0.95).toFixed(1)} ms`;

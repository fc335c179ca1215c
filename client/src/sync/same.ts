/** Fields in one order: what was read back, merged or undone has the same ones in another. */
const ordered = (_key: string, value: unknown): unknown =>
  value !== null && typeof value === 'object' && !Array.isArray(value)
    ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)))
    : value;

/** Whether two values of elements say the same, in whatever order their fields stand. */
export const same = (a: unknown, b: unknown): boolean =>
  a === b || JSON.stringify(a) === JSON.stringify(b) || JSON.stringify(a, ordered) === JSON.stringify(b, ordered);

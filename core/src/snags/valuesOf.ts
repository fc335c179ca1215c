/** Values of a record, listed once: some forty rules go through the same runs and landings of one plan. */

const listed = new WeakMap<object, readonly unknown[]>();

export function valuesOf<T>(record: Readonly<Record<string, T>>): readonly T[] {
  const known = listed.get(record);
  if (known) return known as readonly T[];
  const values = Object.values(record);
  listed.set(record, values);
  return values;
}

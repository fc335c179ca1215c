/** A value that may be left empty: emptied, the element goes without it. */
export function without<T extends object>(element: T, key: keyof T, value: unknown): T {
  const { [key]: _old, ...rest } = element;
  return (value === undefined ? rest : { ...rest, [key]: value }) as T;
}

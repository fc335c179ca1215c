/** An object without the fields that are said to be nothing: what is taken out of an element is not kept as undefined. */
export const defined = <T extends object>(fields: T): T =>
  Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined)) as T;

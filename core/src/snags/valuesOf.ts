/** Values and entries of a record, listed once: some sixty rules go through the same runs, landings and inlets of one plan. */

const remembered = <T>(list: (record: object) => T): ((record: object) => T) => {
  const lists = new WeakMap<object, T>();
  return (record) => {
    const known = lists.get(record);
    if (known !== undefined) return known;
    const made = list(record);
    lists.set(record, made);
    return made;
  };
};

const values = remembered<readonly unknown[]>(Object.values);
const entries = remembered<readonly (readonly [string, unknown])[]>(Object.entries);

export const valuesOf = <T>(record: Readonly<Record<string, T>>): readonly T[] => values(record) as readonly T[];
export const entriesOf = <T>(record: Readonly<Record<string, T>>): readonly (readonly [string, T])[] =>
  entries(record) as readonly (readonly [string, T])[];

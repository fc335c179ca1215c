/** What a record holds under a name from outside: never what every object has by its prototype. */
export const ownValue = <T>(record: Readonly<Record<string, T>>, name: string): T | undefined =>
  Object.hasOwn(record, name) ? record[name] : undefined;

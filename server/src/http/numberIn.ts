/** A number as it stands in an address; −1, which nothing has, where it is none. */
export const numberIn = (text: string): number => Number(/^\d{1,15}$/.exec(text)?.[0] ?? -1);

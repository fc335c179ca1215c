/** Numbers in a row, each worked out from the thing at its place: a plain loop, where an array's own `from` asks an iterator for each. */

export function floats<T>(things: ArrayLike<T>, of: (thing: T, index: number) => number): Float64Array {
  const filled = new Float64Array(things.length);
  for (let index = 0; index < filled.length; index++) filled[index] = of(things[index]!, index);
  return filled;
}

export function indices<T>(things: ArrayLike<T>, of: (thing: T, index: number) => number): Int32Array {
  const filled = new Int32Array(things.length);
  for (let index = 0; index < filled.length; index++) filled[index] = of(things[index]!, index);
  return filled;
}

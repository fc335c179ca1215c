/**
 * What was made last of a few things, by identity. Of things that every edit makes anew a `WeakMap` would keep what was made of them
 * until all memory is cleared: the quick clearing of what is young takes its values for alive, whatever has become of their keys.
 */
export function lastFew<K extends object, V>(remembers: number, make: (key: K) => V): (key: K) => V {
  const keys: K[] = [];
  const values: V[] = [];
  return (key) => {
    for (let at = 0; at < keys.length; at++) {
      if (keys[at] !== key) continue;
      const value = values[at]!;
      // To the front: what was asked last is asked next.
      for (let k = at; k > 0; k--) [keys[k], values[k]] = [keys[k - 1]!, values[k - 1]!];
      [keys[0], values[0]] = [key, value];
      return value;
    }
    const value = make(key);
    keys.unshift(key);
    values.unshift(value);
    if (keys.length > remembers) keys.length = values.length = remembers;
    return value;
  };
}

/** Where earlier versions kept in local storage what the database has now. */

export const QUEUE = 'katabasis.queue.';
export const CACHE = 'katabasis.cache';

/** Names of what waits there to be carried over: first what the server said, then what was made on that. */
export const keptEarlier = (storage: Storage): string[] => {
  const keys = Array.from({ length: storage.length }, (_, k) => storage.key(k)!);
  return [...keys.filter((key) => key === CACHE), ...keys.filter((key) => key.startsWith(QUEUE))];
};

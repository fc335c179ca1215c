/** Where earlier versions kept in local storage what the database has now. */
import type { Db } from './schema';

export const QUEUE = 'katabasis.queue.';
export const CACHE = 'katabasis.cache';

/** Names of what waits there to be carried over: first what the server said, then what was made on that. */
export const keptEarlier = (storage: Storage): string[] => {
  const keys = Array.from({ length: storage.length }, (_, k) => storage.key(k)!);
  return [...keys.filter((key) => key === CACHE), ...keys.filter((key) => key.startsWith(QUEUE))];
};

type CarryOver = (db: Db, storage: Storage) => Promise<void>;

let load: () => Promise<CarryOver> = () => Promise.reject(new Error('Nothing is there to carry it over.'));

/** What carries it over needs the schemas, and comes late: whoever starts the application says where from. */
export const carriedOverBy = (from: typeof load): void => void (load = from);

/** Carries it over, where there is any. Where what does so cannot be had it stays where it is until it can. */
export async function carryEarlier(db: Db, storage: Storage): Promise<void> {
  if (keptEarlier(storage).length === 0) return;
  await load().then(
    (carryOver) => carryOver(db, storage),
    () => undefined,
  );
}

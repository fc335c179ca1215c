import { takePrefetched } from './prefetched';

const page = globalThis as { katabasisPrefetched?: unknown };

it('gives once what was asked for ahead, and nothing that is no list', () => {
  const list = { jobs: [], total: 0, next: null };
  page.katabasisPrefetched = list;
  expect([takePrefetched(), takePrefetched()]).toEqual([list, null]);
  page.katabasisPrefetched = { title: 'This device has not been let in', status: 401 };
  expect(takePrefetched()).toBeNull();
});

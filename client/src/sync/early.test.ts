import { takeEarly } from './early';

const page = globalThis as { katabasisEarly?: unknown };

it('gives once what was asked for ahead, and nothing that is no list', () => {
  const list = { jobs: [], total: 0, next: null };
  page.katabasisEarly = list;
  expect([takeEarly(), takeEarly()]).toEqual([list, null]);
  page.katabasisEarly = { title: 'This device has not been let in', status: 401 };
  expect(takeEarly()).toBeNull();
});

import { Refused, Unreachable } from './ask';
import { listApi } from './listApi';

globalThis.localStorage = { getItem: () => 'Truck' } as unknown as Storage;

const answers = (status: number, body: unknown): void => {
  globalThis.fetch = jest.fn(() => Promise.resolve(new Response(JSON.stringify(body), { status })));
};
const problem = { type: 'about:blank', title: 'Somebody else changed it.', status: 409 };
const said = (asked: Promise<unknown>): Promise<unknown> => asked.catch((error: unknown) => error);

it('takes a list that is one, and says so where it is none', async () => {
  answers(200, { jobs: [], total: 0, next: null });
  expect(await listApi.jobs()).toEqual({ jobs: [], total: 0, next: null });
  answers(200, { jobs: [{ id: 'a' }], total: 1, next: null });
  expect(await said(listApi.jobs())).toMatchObject({ message: expect.stringContaining('cannot read') });
});

it('a problem with conflicts is read by the schemas of elements, once they are here, and never before', async () => {
  const element = { id: 'w', kind: 'junction', form: 'wye', name: 'Wye', groundLevel: 0 };
  const conflicts = [{ id: 'w', version: 4, element }];
  answers(409, { ...problem, conflicts });
  expect(await said(listApi.jobs())).toBeInstanceOf(Unreachable);
  const { api } = await import('./api');
  answers(409, { ...problem, conflicts });
  const refused = await said(api.raw('a'));
  expect(refused).toBeInstanceOf(Refused);
  expect(refused).toMatchObject({ problem: { conflicts } });
  answers(409, { ...problem, conflicts: [{ id: 'w', version: 4, element: { id: 'w', kind: 'unheard' } }] });
  expect(await said(api.raw('a'))).toBeInstanceOf(Unreachable);
});

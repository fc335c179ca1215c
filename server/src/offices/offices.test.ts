import { weatherSchema, type LocateAnswer } from '@katabasis/core';
import { serve } from '../testing/serve';

const ticket = (name: string) => ({
  ticket: name,
  askedOn: '2026-11-26',
  readyOn: '2026-12-01',
  services: Array.from({ length: 40 }, (_, k) => ({ id: `s${k}`, form: 'gas' })),
});

it('the locating office answers nothing before the day, most on it and the late ones two days after; always the same', async () => {
  const { server } = serve();
  await server.post('/api/locate').send(ticket('L1')).expect(204);
  // A reply lost on the way.
  await server.post('/api/locate').send(ticket('L1')).expect(204);
  const on = async (day: string) =>
    (await server.get(`/api/locate/L1?on=${day}`).expect(200)).body as { answers: LocateAnswer[] };
  const marked = async (day: string) => (await on(day)).answers.filter(({ answer }) => answer === 'marked').length;
  expect(await marked('2026-11-30')).toBe(0);
  const there = await marked('2026-12-01');
  expect(there).toBeGreaterThan(20);
  expect(there).toBeLessThan(40);
  expect(await marked('2026-12-01')).toBe(there);
  expect(await marked('2026-12-03')).toBe(40);
  await server.get('/api/locate/L2?on=2026-12-01').expect(404);
  await server.get('/api/locate/L1?on=tomorrow').expect(422);
  await server
    .post('/api/locate')
    .send({ ...ticket('L3'), readyOn: 'soon' })
    .expect(422);
});

it('the weather office tells three weeks, the same for a day whenever it is asked, colder in January than in July', async () => {
  const { server } = serve();
  const from = async (day: string) =>
    weatherSchema.parse((await server.get(`/api/weather?from=${day}`).expect(200)).body).days;
  const [first, next] = [await from('2026-11-26'), await from('2026-11-27')];
  expect(first).toHaveLength(21);
  expect(next.slice(0, 20)).toEqual(first.slice(1));
  const mean = (days: { low: number }[]): number => days.reduce((sum, { low }) => sum + low, 0) / days.length;
  expect(mean(await from('2027-01-05'))).toBeLessThan(mean(await from('2027-07-05')) - 8);
  await server.get('/api/weather?from=2026-13-40').expect(422);
});

it('a price book is kept as it was; another of its id changes nothing', async () => {
  const { server } = serve();
  const book = {
    id: 'b1',
    name: 'Spring',
    from: '2026-03-01',
    prices: { currency: 'USD', rates: { 'work trench': 3000 } },
  };
  await server.post('/api/books').send(book).expect(204);
  await server
    .post('/api/books')
    .send({ ...book, name: 'Other' })
    .expect(204);
  expect((await server.get('/api/books')).body).toEqual({ books: [book] });
  await server
    .post('/api/books')
    .send({ ...book, id: 'b2', prices: { rates: { trench: 'free' } } })
    .expect(422);
  await server.delete('/api/books/b1').expect(204);
  await server.delete('/api/books/b1').expect(404);
});

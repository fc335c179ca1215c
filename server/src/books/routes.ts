/** Price books of the company: kept under a name and the day that they hold from; a job takes one over, and keeps what it took. */
import { priceBookSchema, type PriceBook } from '@katabasis/core';
import Router from '@koa/router';
import type { Db } from '../database';
import { parseOr422, ProblemError } from '../http/problem';

interface Row {
  id: string;
  name: string;
  from_day: string;
  prices: string;
}

const read = ({ id, name, from_day, prices }: Row): PriceBook => ({
  id,
  name,
  from: from_day,
  prices: JSON.parse(prices) as PriceBook['prices'],
});

export function bookRoutes(db: Db): Router {
  const router = new Router({ prefix: '/api/books' });
  router.get('/', (ctx) => {
    ctx.body = {
      books: db
        .prepare<[], Row>('select id, name, from_day, prices from price_books order by from_day desc, name')
        .all()
        .map(read),
    };
  });
  // A book that was quoted by is never changed: what is new is another.
  router.post('/', (ctx) => {
    const { id, name, from, prices } = parseOr422(priceBookSchema, ctx.request.body);
    db.prepare(
      'insert into price_books (id, name, from_day, prices, made_at) values (?, ?, ?, ?, ?) on conflict do nothing',
    ).run(id, name, from, JSON.stringify(prices), new Date().toISOString());
    ctx.status = 204;
  });
  router.delete('/:id', (ctx) => {
    const { changes } = db.prepare('delete from price_books where id = ?').run(ctx.params.id!);
    if (changes === 0) throw new ProblemError(404, 'There is no such price book.');
    ctx.status = 204;
  });
  return router;
}

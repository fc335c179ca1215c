/** The company whose jobs these are: one, set once. */
import { companySchema, type Company } from '@katabasis/core';
import Router from '@koa/router';
import type { Db } from '../database';
import { parseOr422 } from '../http/problem';

/** The company as it stands; nothing is known of it until it is said. */
export const companyIn = (db: Db): Company => {
  const row = db.prepare<[], { body: string }>('select body from company where id = 1').get();
  return row ? companySchema.parse(JSON.parse(row.body)) : {};
};

/** `onChange`: told once another stands. */
export function companyRoutes(db: Db, onChange: () => void): Router {
  const router = new Router({ prefix: '/api/company' });
  router.get('/', (ctx) => {
    ctx.body = { company: companyIn(db) };
  });
  router.put('/', (ctx) => {
    const company = parseOr422(companySchema, ctx.request.body);
    db.prepare(
      'insert into company (id, body, changed_at) values (1, ?, ?) on conflict (id) do update set body = excluded.body, changed_at = excluded.changed_at',
    ).run(JSON.stringify(company), new Date().toISOString());
    onChange();
    ctx.status = 204;
  });
  return router;
}

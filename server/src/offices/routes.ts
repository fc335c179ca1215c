/** The doors of the stand-in offices: buried lines and weather. */
import { daySchema, locateTicketSchema } from '@katabasis/core';
import Router from '@koa/router';
import { z } from 'zod';
import { parseOr422, ProblemError } from '../http/problem';
import type { LocateOffice } from '../stand-ins/locateOffice';
import { forecast } from '../stand-ins/weatherOffice';

const onQuery = z.strictObject({ on: daySchema });
const fromQuery = z.strictObject({ from: daySchema });

export function officeRoutes(locate: LocateOffice): Router {
  const router = new Router({ prefix: '/api' });
  router.post('/locate', (ctx) => {
    locate.ask(parseOr422(locateTicketSchema, ctx.request.body));
    ctx.status = 204;
  });
  router.get('/locate/:ticket', (ctx) => {
    const { on } = parseOr422(onQuery, { ...ctx.query });
    const answers = locate.answers(ctx.params.ticket!, on);
    if (!answers) throw new ProblemError(404, 'The office knows of no such ticket.');
    ctx.body = { answers };
  });
  router.get('/weather', (ctx) => {
    ctx.body = { days: forecast(parseOr422(fromQuery, { ...ctx.query }).from) };
  });
  return router;
}

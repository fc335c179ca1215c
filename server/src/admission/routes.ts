import { hereBodySchema } from '@katabasis/core';
import Router from '@koa/router';
import { parseOr422, ProblemError } from '../http/problem';
import { setCookie } from './admission';
import type { NearDoor } from './nearDoor';
import { keyCookie } from './ownKey';

/** A page of the server's own machine shows the ticket that it got at the near door, and has the key from then on. */
export function hereRoutes(door: NearDoor, key: string): Router {
  const router = new Router();
  router.post('/api/here', (ctx) => {
    const { ticket } = parseOr422(hereBodySchema, ctx.request.body);
    if (!door.takes(ticket)) throw new ProblemError(403, 'That ticket is not good any more.');
    setCookie(ctx, keyCookie(key), key);
    ctx.status = 204;
  });
  return router;
}

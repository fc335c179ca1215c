import Router from '@koa/router';
import { STATIONS } from '../stand-ins/rainOffice';

/** The rain office. */
export function rainRoutes(): Router {
  const router = new Router({ prefix: '/api/rain' });
  router.get('/stations', (ctx) => {
    ctx.set('Cache-Control', 'max-age=86400');
    ctx.body = { stations: STATIONS };
  });
  return router;
}

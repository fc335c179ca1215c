/** What a browser may load and do on our pages, told with every answer. */
import helmet from 'koa-helmet';
import type { Middleware } from 'koa';

/** `door`: port of the near door on the browser's own machine. */
export const policyOf = (door: number | undefined): Middleware =>
  helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'none'"],
        scriptSrc: ["'self'"],
        workerSrc: ["'self'", 'blob:'],
        styleSrc: ["'self'", "'unsafe-inline'"],
        fontSrc: ["'self'", 'data:'],
        imgSrc: ["'self'", 'data:', 'blob:'],
        connectSrc: ["'self'", ...(door === undefined ? [] : [`http://127.0.0.1:${door}`])],
        manifestSrc: ["'self'"],
        baseUri: ["'none'"],
        formAction: ["'none'"],
        frameAncestors: ["'none'"],
      },
    },
    // Served over plain HTTP on the contractor's own machine; over https it is said where that is known.
    hsts: false,
  });

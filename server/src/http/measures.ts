/** How often each door is asked at and how long it takes: for a monitor, in Prometheus’ text format, and for the owner's page. */
import { createServer, type Server } from 'node:http';
import { collectDefaultMetrics, Gauge, Histogram, Registry } from 'prom-client';
import type { Context, Middleware } from 'koa';
import type { ServerState } from '@katabasis/core';
import { ruleOf } from '../admission/rules';

/** s. */
const BUCKETS = [0.005, 0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 10];
const SLOWEST = 8;

/** A door by its pattern: ids and links stand in no measure. */
export const doorOf = (method: string, path: string): string =>
  ruleOf(method, path)?.path ?? (path.startsWith('/s/') ? '/s/:token' : path.startsWith('/api') ? '/api' : 'page');

/** The path that is asked for; none of an address that is none. */
function pathIn(ctx: Context): string {
  try {
    return ctx.path;
  } catch {
    return '';
  }
}

interface Taken {
  count: number;
  /** ms. */
  sum: number;
  longest: number;
}

export class Measures {
  private readonly registry = new Registry();
  private readonly seconds: Histogram<'method' | 'route' | 'status'>;
  private readonly taken = new Map<string, Taken>();

  /** `sizes`: what is looked up when a monitor asks, by its name there: a count or bytes. */
  constructor(sizes: Readonly<Record<string, { help: string; read: () => number }>> = {}) {
    this.seconds = new Histogram({
      name: 'katabasis_request_seconds',
      help: 'How long answers took, by door',
      labelNames: ['method', 'route', 'status'],
      buckets: BUCKETS,
      registers: [this.registry],
    });
    for (const [name, { help, read }] of Object.entries(sizes))
      new Gauge({
        name: `katabasis_${name}`,
        help,
        registers: [this.registry],
        collect() {
          this.set(read());
        },
      });
  }

  readonly middleware: Middleware = async (ctx, next) => {
    const start = performance.now();
    try {
      await next();
    } finally {
      const ms = performance.now() - start;
      const route = doorOf(ctx.method, pathIn(ctx));
      this.seconds.observe({ method: ctx.method, route, status: String(ctx.status) }, ms / 1000);
      const name = `${ctx.method} ${route}`;
      const taken = this.taken.get(name) ?? { count: 0, sum: 0, longest: 0 };
      this.taken.set(name, {
        count: taken.count + 1,
        sum: taken.sum + ms,
        longest: Math.max(taken.longest, ms),
      });
    }
  };

  /** The doors that took longest at once, with how often they were asked at and what they take in the mean, ms. */
  slowest(): ServerState['slowest'] {
    return [...this.taken]
      .map(([route, { count, sum, longest }]) => ({ route, count, mean: sum / count, longest }))
      .sort((a, b) => b.longest - a.longest)
      .slice(0, SLOWEST);
  }

  text(): Promise<string> {
    return this.registry.metrics();
  }

  /** Gives the figures to who asks on this machine, and nowhere else. */
  serve(port: number): Server {
    collectDefaultMetrics({ register: this.registry, prefix: 'katabasis_' });
    const server = createServer((request, response) => {
      if (request.url !== '/metrics') {
        response.writeHead(404).end();
        return;
      }
      void this.text().then((text) => response.writeHead(200, { 'Content-Type': this.registry.contentType }).end(text));
    });
    // Their own lack is no reason to stop.
    server.on('error', (error) => console.error(`Figures for a monitor: ${error.message}`));
    server.listen(port, '127.0.0.1');
    server.unref();
    return server;
  }
}

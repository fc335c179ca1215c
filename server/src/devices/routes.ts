import { pairBodySchema, type Devices } from '@katabasis/core';
import Router from '@koa/router';
import { toString as qrOf } from 'qrcode';
import { parseOr422, ProblemError } from '../http/problem';
import { askerOf, COOKIE, setCookie } from '../admission/admission';
import { fromOf } from '../http/cameFrom';
import { spoken, type Pairing } from './pairing';
import type { DeviceStore } from './store';

export interface DeviceParts {
  devices: DeviceStore;
  pairing: Pairing;
  /** Where others reach this server; none when only this machine does. */
  addresses: () => string[];
  /** Told of each device that is shut out. */
  onWithdrawn: (id: string) => void;
}

/** Devices: let in by the code, listed, withdrawn. */
export function deviceRoutes({ devices, pairing, addresses, onWithdrawn }: DeviceParts): Router {
  const router = new Router({ prefix: '/api/devices' });

  router.post('/pair', async (ctx) => {
    const { code, name } = parseOr422(pairBodySchema, ctx.request.body);
    await pairing.check(code, askerOf(ctx).local ? null : fromOf(ctx).address);
    const { device, token } = devices.admit(name);
    setCookie(ctx, COOKIE, token);
    ctx.status = 201;
    ctx.body = { id: device.id, name: device.name };
  });

  router.get('/', async (ctx) => {
    const { device, local } = askerOf(ctx);
    const urls = local ? addresses() : [];
    const withQr = await Promise.all(
      urls.map(async (url) => ({ url, qr: await qrOf(`${url}/pair#${pairing.code}`, { type: 'svg', margin: 1 }) })),
    );
    ctx.body = {
      devices: devices.list().map((each) => ({ ...each, own: each.id === device?.id })),
      pairing: urls.length > 0 ? { code: spoken(pairing.code), addresses: withQr } : null,
    } satisfies Devices;
  });

  router.delete('/:id', (ctx) => {
    // A phone may go by itself; others are shown out from the server's own machine.
    const { device, local } = askerOf(ctx);
    if (!local && device?.id !== ctx.params.id)
      throw new ProblemError(403, 'Devices are withdrawn on the machine that the server runs on.');
    if (!devices.withdraw(ctx.params.id!)) throw new ProblemError(404, 'There is no such device.');
    onWithdrawn(ctx.params.id!);
    ctx.status = 204;
  });
  return router;
}

import { pairBodySchema, type Devices } from '@katabasis/core';
import Router from '@koa/router';
import { toString as qrOf } from 'qrcode';
import { parseOr422, ProblemError } from '../http/problem';
import { COOKIE, setCookie } from '../admission/admission';
import { askerOf } from '../admission/asker';
import { fromOf } from '../http/cameFrom';
import { spoken, type Pairing } from './pairing';
import type { Trail } from '../people/audit';
import type { DeviceStore } from './store';

export interface DeviceParts {
  devices: DeviceStore;
  pairing: Pairing;
  /** Where others reach this server; none when only this machine does. */
  addresses: () => string[];
  trail: Trail;
  /** Told of each device that is shut out. */
  onWithdrawn: (id: string) => void;
}

/** Devices: let in by the code, listed, withdrawn. */
export function deviceRoutes({ devices, pairing, addresses, trail, onWithdrawn }: DeviceParts): Router {
  const router = new Router({ prefix: '/api/devices' });

  router.post('/pair', async (ctx) => {
    const { code, name } = parseOr422(pairBodySchema, ctx.request.body);
    await pairing.check(code, askerOf(ctx).local ? null : fromOf(ctx).address);
    const { device, token } = devices.admit(name);
    setCookie(ctx, COOKIE, token);
    trail.add({ who: device.name, address: fromOf(ctx).address, what: 'was let in by the code' });
    ctx.status = 201;
    ctx.body = { id: device.id, name: device.name };
  });

  router.get('/', async (ctx) => {
    const { device, local, person, rights } = askerOf(ctx);
    const urls = local ? addresses() : [];
    const withQr = await Promise.all(
      urls.map(async (url) => ({ url, qr: await qrOf(`${url}/pair#${pairing.code}`, { type: 'svg', margin: 1 }) })),
    );
    ctx.body = {
      devices: devices
        .list()
        // Others' devices are an owner's to see; the office sees those that are nobody's.
        .filter((each) => rights.has('people') || each.person === (person?.id ?? null))
        .map(({ person: _person, ...each }) => ({ ...each, own: each.id === device?.id })),
      pairing: urls.length > 0 ? { code: spoken(pairing.code), addresses: withQr } : null,
    } satisfies Devices;
  });

  router.delete('/:id', (ctx) => {
    // A phone may go by itself; others are shown out from the server's own machine, by an owner, or by whose they are.
    const { device, person, rights } = askerOf(ctx);
    const id = ctx.params.id!;
    const isOwn = device?.id === id || (person !== null && devices.ofPerson(person.id).includes(id));
    if (!rights.has('people') && !isOwn)
      throw new ProblemError(403, 'Devices are withdrawn by an owner, or on the machine that the server runs on.');
    if (!devices.withdraw(id)) throw new ProblemError(404, 'There is no such device.');
    trail.by(ctx, isOwn ? 'took a device of their own out' : 'shut a device out');
    onWithdrawn(ctx.params.id!);
    ctx.status = 204;
  });
  return router;
}

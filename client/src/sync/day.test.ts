import { jobFrom, type Element } from '@katabasis/core';
import { deviceOf, ServerModel } from '../testing/serverModel';
import type { Session } from './session';

const ids = Array.from({ length: 40 }, (_, k) => `e${k}`);
const bend = (id: string, name: string, groundLevel: number): Element => ({
  id,
  kind: 'junction',
  form: 'bend',
  name,
  groundLevel,
});

it('a day offline on two devices, 500 edits each: none lost, none doubled, none written over unseen', async () => {
  const head: Element = { id: 'job', kind: 'job', name: 'Yard', units: 'us', pitchStyle: 'ground' };
  const server = new ServerModel([head, ...ids.map((id) => bend(id, id, 0))]);
  server.losesEvery = 10;
  let made = 0;
  const newId = (): string => `change-${made++}`;
  const devices = [await deviceOf(server, newId), await deviceOf(server, newId)];
  server.reachable = false;
  // Both name every one of the forty things, again and again.
  const last = [new Map<string, string>(), new Map<string, string>()];
  for (let k = 0; k < 500; k++) {
    for (const [d, each] of devices.entries()) {
      const id = ids[(k * 7 + d * 20) % 40]!;
      const present = each.session.view.job!.elements.get(id) as Extract<Element, { kind: 'junction' }>;
      expect(each.session.edit({ label: 'x', puts: [{ ...present, name: `d${d} n${k}` }], removes: [] })).toBeNull();
      last[d]!.set(id, `d${d} n${k}`);
      // Pages are closed and opened all day long.
      if (k % 50 === 49) each.session = await each.open();
    }
  }
  for (const { session } of devices) await session.flush();
  expect(devices.map(({ session }) => session.view.keeping)).toMatchObject([{ count: 500 }, { count: 500 }]);
  server.reachable = true;
  const settle = async (session: Session, side: 'mine' | 'theirs'): Promise<number> => {
    let asked = 0;
    for (let round = 0; round < 3000 && session.view.keeping.state !== 'kept'; round++) {
      if (session.view.keeping.state === 'conflict') {
        asked++;
        session.resolve(side);
      }
      await session.flush();
    }
    return asked;
  };
  // The first comes home to a server that nobody touched; the second is asked about each thing that both changed.
  expect(await settle(devices[0]!.session, 'mine')).toBe(0);
  expect(server.seq).toBe(500);
  for (const id of ids) expect(server.elementOf(id)).toMatchObject({ name: last[0]!.get(id) });
  const asked = await settle(devices[1]!.session, 'mine');
  expect(asked).toBeGreaterThan(0);
  expect(server.seq).toBe(1000);
  for (const id of ids) expect(server.elementOf(id)).toMatchObject({ name: last[1]!.get(id) });
  devices[0]!.session.take(server.reply());
  for (const { session, store } of devices) {
    expect(session.view.job!.elements.all).toEqual(jobFrom('yard', server.elements).elements.all);
    expect(await store.waiting()).toEqual([]);
  }
});

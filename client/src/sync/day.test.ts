import { jobFrom, type ChangeBody, type Conflict, type Element, type JobReply } from '@katabasis/core';
import { type Api } from './api';
import { Refused, Unreachable } from './ask';
import { MemoryStore } from './device/memoryStore';
import { Session } from './session';

const ids = Array.from({ length: 40 }, (_, k) => `e${k}`);
const bend = (id: string, name: string, groundLevel: number): Element => ({
  id,
  kind: 'junction',
  form: 'bend',
  name,
  groundLevel,
});

/** A server in the test's memory, by the rules of the real one. */
class Model implements Api {
  reachable = true;
  seq = 0;
  readonly elements = new Map<string, { version: number; element: Element }>();
  private readonly done = new Map<string, { seq: number; versions: Record<string, number> }>();

  constructor() {
    const head: Element = { id: 'job', kind: 'job', name: 'Yard', units: 'us', pitchStyle: 'ground' };
    for (const element of [head, ...ids.map((id) => bend(id, id, 0))])
      this.elements.set(element.id, { version: 1, element });
  }

  reply(): JobReply {
    return { id: 'yard', seq: this.seq, elements: [...this.elements.values()] };
  }

  restore = async (): Promise<void> => undefined;
  create = async (): Promise<JobReply> => this.reply();

  change = async (_: string, body: ChangeBody): Promise<{ seq: number; versions: Record<string, number> }> => {
    if (!this.reachable) throw new Unreachable('out of reach');
    const again = this.done.get(body.change);
    if (again) return again;
    const wanted = [...body.puts.map(({ base, element }) => ({ base, id: element.id })), ...body.removes];
    const conflicts: Conflict[] = wanted.flatMap(({ base, id }) => {
      const present = this.elements.get(id);
      return (present?.version ?? 0) === base
        ? []
        : [{ id, version: present?.version ?? 0, element: present?.element ?? null }];
    });
    if (conflicts.length > 0) throw new Refused({ type: 'about:blank', title: 'Stale', status: 409, conflicts });
    this.seq++;
    for (const { id } of body.removes) this.elements.delete(id);
    for (const { element } of body.puts) this.elements.set(element.id, { version: this.seq + 1, element });
    const reply = {
      seq: this.seq,
      versions: Object.fromEntries(body.puts.map(({ element }) => [element.id, this.seq + 1])),
    };
    this.done.set(body.change, reply);
    // One answer in ten is lost on the way back.
    if (this.seq % 10 === 0) throw new Unreachable('lost on the way');
    return reply;
  };
}

it('a day offline on two devices, 500 edits each: none lost, none doubled, none written over unseen', async () => {
  const server = new Model();
  let made = 0;
  const device = async (): Promise<{ session: Session; store: MemoryStore; open: () => Promise<Session> }> => {
    const store = new MemoryStore(true);
    const open = async (): Promise<Session> => {
      const needs = {
        store,
        api: server,
        newId: () => `change-${made++}`,
        tellPages: () => undefined,
        onSaved: () => undefined,
        onBehind: () => undefined,
      };
      const session = new Session('yard', needs);
      await session.ready;
      session.take(server.reply());
      return session;
    };
    return { session: await open(), store, open };
  };
  const devices = [await device(), await device()];
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
  for (const id of ids) expect(server.elements.get(id)!.element).toMatchObject({ name: last[0]!.get(id) });
  const asked = await settle(devices[1]!.session, 'mine');
  expect(asked).toBeGreaterThan(0);
  expect(server.seq).toBe(1000);
  for (const id of ids) expect(server.elements.get(id)!.element).toMatchObject({ name: last[1]!.get(id) });
  devices[0]!.session.take(server.reply());
  for (const { session, store } of devices) {
    expect(session.view.job!.elements.all).toEqual(
      jobFrom(
        'yard',
        [...server.elements.values()].map(({ element }) => element),
      ).elements.all,
    );
    expect(await store.waiting()).toEqual([]);
  }
});

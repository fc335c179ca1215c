/** A server of one job in a test's memory, by the rules of the real one: versions, conflicts, changes sent twice, copies put back. */
import { OTHER_EPOCH, type Beside, type ChangeBody, type Conflict, type Element, type JobReply } from '@katabasis/core';
import type { Api } from '../sync/api';
import { Refused, Unreachable } from '../sync/ask';
import { MemoryStore } from '../sync/device/memoryStore';
import { Session } from '../sync/session';

interface Reply {
  epoch: string;
  seq: number;
  versions: Record<string, number>;
}

interface State {
  /** Null where the job is not here. */
  createdAt: string | null;
  seq: number;
  elements: Map<string, { version: number; element: Element }>;
  done: Map<string, Reply>;
  /** What each change took out. */
  log: { seq: number; removes: string[] }[];
  /** Name of the present epoch. */
  epoch: string;
}

/** An epoch: the one it went on from, and how far the job had come then. */
interface Life {
  parent: string | null;
  seq: number;
  asOf: string | null;
}

const refused = (status: number, title: string, more: object = {}): Refused =>
  new Refused({ type: 'about:blank', title, status, ...more });

export class ServerModel implements Api {
  reachable = true;
  /** One answer in so many is lost on the way back. */
  losesEvery = Infinity;
  private clock = 0;
  private state: State;
  /** Of all epochs, also those that no copy knows of. */
  private readonly lives = new Map<string, Life>([['epoch-1', { parent: null, seq: 0, asOf: null }]]);

  constructor(elements: readonly Element[]) {
    this.state = {
      createdAt: this.now(),
      seq: 0,
      elements: new Map(elements.map((element) => [element.id, { version: 1, element }])),
      done: new Map(),
      log: [],
      epoch: 'epoch-1',
    };
  }

  private now(): string {
    return String(this.clock++).padStart(8, '0');
  }

  get seq(): number {
    return this.state.seq;
  }

  get epoch(): string {
    return this.state.epoch;
  }

  elementOf(id: string): Element | undefined {
    return this.state.elements.get(id)?.element;
  }

  /** What the job holds, in order. */
  get elements(): Element[] {
    return [...this.state.elements.values()].map(({ element }) => element);
  }

  /** A copy of all that is here, and as of when. */
  copied(): State & { at: string } {
    return { ...structuredClone(this.state), at: this.now() };
  }

  /** Puts a copy in place: an epoch begins. */
  putBack({ at, ...state }: State & { at: string }): void {
    const epoch = `epoch-${this.now()}`;
    this.lives.set(epoch, { parent: state.epoch, seq: state.createdAt === null ? -1 : state.seq, asOf: at });
    this.state = { ...structuredClone(state), epoch };
  }

  /** The job as told; throws where it is not here. */
  reply(): JobReply {
    const { createdAt, seq, elements } = this.state;
    if (createdAt === null) throw refused(404, 'There is no such job here.');
    return { id: 'yard', epoch: this.epoch, seq, createdAt, elements: [...elements.values()] };
  }

  private answer<T>(what: () => T): Promise<T> {
    if (!this.reachable) return Promise.reject(new Unreachable('out of reach'));
    try {
      return Promise.resolve(what());
    } catch (error) {
      return Promise.reject(error as Error);
    }
  }

  /** What is shared with another epoch, and as of when they parted. */
  private since(named: string): { common: number; asOf: string | null } {
    const epoch = named === '' ? 'epoch-1' : named;
    const line = (id: string | null): string[] =>
      id === null ? [] : [id, ...line(this.lives.get(id)?.parent ?? null)];
    const [here, there] = [line(this.epoch), this.lives.has(epoch) ? line(epoch) : []];
    const parted = [...here.filter((id) => !there.includes(id)), ...there.filter((id) => !here.includes(id))];
    if (parted.length === here.length + there.length) return { common: -1, asOf: null };
    const lives = parted.map((id) => this.lives.get(id)!);
    const common = Math.min(Number.MAX_SAFE_INTEGER, ...lives.map(({ seq }) => seq));
    return { common, asOf: lives.map(({ asOf }) => asOf ?? '').sort()[0] ?? null };
  }

  beside = (_: string, epoch: string): Promise<Beside> =>
    this.answer(() => {
      const { createdAt, log } = this.state;
      const { common, asOf } = this.since(epoch);
      const is = { epoch: this.epoch, asOf, takenOut: false };
      if (createdAt === null) return { ...is, job: null };
      const removed = log.filter(({ seq }) => seq > common).flatMap(({ removes }) => removes);
      return { ...is, job: { ...this.reply(), common, removed } };
    });

  restore = (): Promise<void> => Promise.resolve();

  create = (_: string, elements: readonly Element[]): Promise<JobReply> =>
    this.answer(() => {
      if (this.state.createdAt !== null) throw refused(409, 'A job of that id is here already.');
      this.state.createdAt = this.now();
      this.state.elements = new Map(elements.map((element) => [element.id, { version: 1, element }]));
      return this.reply();
    });

  /** Forgets the job whole, as a copy from before it began does. */
  forget(): void {
    for (const [id, life] of this.lives) this.lives.set(id, { ...life, seq: -1 });
    this.state = { ...this.state, createdAt: null, seq: 0, elements: new Map(), done: new Map(), log: [] };
  }

  change = (_: string, body: ChangeBody): Promise<Reply> =>
    this.answer(() => {
      const { done, elements, log } = this.state;
      if (body.epoch !== undefined && body.epoch !== this.epoch) throw refused(409, 'Put back.', { type: OTHER_EPOCH });
      const again = done.get(body.change);
      if (again) return again;
      const wanted = [...body.puts.map(({ base, element }) => ({ base, id: element.id })), ...body.removes];
      const conflicts = wanted.flatMap(({ base, id }): Conflict[] => {
        const present = elements.get(id);
        if ((present?.version ?? 0) === base) return [];
        return [{ id, version: present?.version ?? 0, element: present?.element ?? null }];
      });
      if (conflicts.length > 0) throw refused(409, 'Stale', { conflicts });
      const seq = ++this.state.seq;
      for (const { id } of body.removes) elements.delete(id);
      for (const { element } of body.puts) elements.set(element.id, { version: seq + 1, element });
      log.push({ seq, removes: body.removes.map(({ id }) => id) });
      const versions = Object.fromEntries(body.puts.map(({ element }) => [element.id, seq + 1]));
      done.set(body.change, { epoch: this.epoch, seq, versions });
      if (seq % this.losesEvery === 0) throw new Unreachable('lost on the way');
      return { epoch: this.epoch, seq, versions };
    });
}

const gone = (): Promise<never> => new Promise(() => undefined);

/** An object whose methods do nothing more, and give nothing back, once the page that calls them is gone. */
function ofPage<T extends object>(whole: T, isGone: () => boolean): T {
  const call =
    (method: (...given: unknown[]) => unknown) =>
    (...given: unknown[]): unknown =>
      isGone() ? gone() : Promise.resolve(method.apply(whole, given)).then((got) => (isGone() ? gone() : got));
  return new Proxy(whole, {
    get: (of, name) => {
      const value: unknown = Reflect.get(of, name);
      return typeof value === 'function' ? call(value as never) : value;
    },
  });
}

/** A device with a page open at the model's job; `open` closes that and gives the page as it is after a reload. */
export async function deviceOf(server: ServerModel, newId: () => string) {
  const store = new MemoryStore(true);
  let pages = 0;
  const open = async (): Promise<Session> => {
    const page = ++pages;
    const isGone = (): boolean => page !== pages;
    const quiet = (): undefined => undefined;
    const needs = {
      store: ofPage(store, isGone),
      api: ofPage(server, isGone),
      newId,
      tellPages: quiet,
      onSaved: quiet,
      onBehind: quiet,
    };
    const session = new Session('yard', needs);
    await session.ready;
    if (server.reachable) session.take(server.reply());
    return session;
  };
  return { session: await open(), store, open };
}

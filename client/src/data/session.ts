/**
 * One job as it is worked on here: what the server has, the changes made since laid over it, undo and redo, and the sending of it
 * all. Every change is stored before it shows, shows before it is sent, and leaves the store only when the server has it.
 */
import {
  applyChange,
  changeSchema,
  issueSentence,
  jobFaults,
  jobFrom,
  type Change,
  type Conflict,
  type Element,
  type Job,
  type JobReply,
} from '@katabasis/core';
import { Refused, type Api } from './api';
import {
  enqueued,
  hasRoom,
  loadQueue,
  settled,
  updateQueue,
  withoutElements,
  type KeyValue,
  type Pending,
} from './queue';

/** What stands between this device and the server. */
export type Keeping =
  | { state: 'kept' }
  | { state: 'sending' }
  | { state: 'waiting'; count: number; stored: boolean }
  | { state: 'conflict'; label: string; conflicts: Conflict[] }
  | { state: 'refused'; label: string; sentence: string };

export interface SessionView {
  /** Null until the job has been read once. */
  job: Job | null;
  keeping: Keeping;
  undoLabel: string | null;
  redoLabel: string | null;
}

export interface SessionNeeds {
  storage: KeyValue;
  api: Api;
  newId: (stem: string) => string;
  /** Called with the job as the server has it, whenever that is newly known. */
  onServerState: (reply: JobReply) => void;
  /** Called when the server is known to have more than this page has seen. */
  onBehind: () => void;
}

const RETRY_MS = [2_000, 5_000, 15_000, 30_000];

export class Session {
  readonly id: string;
  private readonly needs: SessionNeeds;
  /** The server's state as last known. */
  private base = new Map<string, { version: number; element: Element }>();
  private known = false;
  private seq = -1;
  private past: Change[] = [];
  private future: Change[] = [];
  private previewed: Change | null = null;
  private stopped: Extract<Keeping, { state: 'conflict' | 'refused' }> | null = null;
  private unreached = false;
  private sending: Promise<void> | null = null;
  private failures = 0;
  private timer: ReturnType<typeof setTimeout> | null = null;
  private listeners = new Set<() => void>();
  /** Replaced, never altered; the same object for as long as nothing in it changes. */
  view: SessionView;
  /** The job with a change laid over it that is not made yet: a landing under the finger. */
  shown: Job | null = null;

  constructor(id: string, needs: SessionNeeds) {
    this.id = id;
    this.needs = needs;
    const { create } = loadQueue(needs.storage, id);
    if (create) this.baseFrom(create.map((element) => ({ version: 1, element })));
    this.view = this.look();
    this.shown = this.view.job;
    if (this.waiting() > 0) void this.flush();
  }

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Takes in the job as the server has it; older news than what is known is let pass. */
  take(reply: JobReply): void {
    if (reply.seq < this.seq || loadQueue(this.needs.storage, this.id).create) return;
    this.seq = reply.seq;
    this.baseFrom(reply.elements);
    this.refresh();
  }

  /** The stored queue was altered by another page of this device. */
  reread(): void {
    this.refresh();
  }

  /** Whether a change is laid over the job that is not made yet. */
  get moving(): boolean {
    return this.previewed !== null;
  }

  /** Makes a change. Gives a sentence, and changes nothing, when the job could not be saved with it. */
  edit(change: Change): string | null {
    const wrong = this.make(change);
    if (wrong === null) this.future = [];
    this.refresh();
    return wrong;
  }

  undo(): void {
    this.step(this.past, this.future, 'Undo');
  }

  redo(): void {
    this.step(this.future, this.past, 'Redo');
  }

  /** Lays a change over the job without making it; null takes it off. */
  preview(change: Change | null): void {
    this.previewed = change;
    // A finger moves sixty times a second: only what it moves is worked out again.
    this.shown = this.lookUnder(this.view.job);
    this.tell();
  }

  /** Sends what waits, oldest first. Never throws. */
  flush(): Promise<void> {
    this.sending ??= this.send().finally(() => {
      this.sending = null;
      this.refresh();
    });
    this.refresh();
    return this.sending;
  }

  resolve(side: 'mine' | 'theirs'): void {
    if (this.stopped?.state !== 'conflict') return;
    const { conflicts } = this.stopped;
    this.stopped = null;
    for (const { id, version, element } of conflicts) {
      if (element) this.base.set(id, { version, element });
      else this.base.delete(id);
    }
    const ids = new Set(conflicts.map(({ id }) => id));
    this.alter((queue) =>
      side === 'mine'
        ? {
            ...queue,
            bases: { ...queue.bases, ...Object.fromEntries(conflicts.map(({ id, version }) => [id, version])) },
          }
        : withoutElements(queue, ids),
    );
    if (side === 'theirs') this.forgetSteps();
    this.needs.onBehind();
    void this.flush();
  }

  /** Gives up the change that the server refused. */
  dropRefused(): void {
    if (this.stopped?.state !== 'refused') return;
    this.stopped = null;
    const [head] = loadQueue(this.needs.storage, this.id).changes;
    if (head) this.alter((queue) => settled(queue, head.change));
    this.forgetSteps();
    void this.flush();
  }

  private forgetSteps(): void {
    this.past = [];
    this.future = [];
  }

  private step(from: Change[], onto: Change[], word: string): void {
    const change = from.pop();
    if (!change) return;
    const bare = change.label.replace(/^(Undo|Redo): /, '');
    const { inverse } = this.applied(change);
    if (this.enqueue({ ...change, label: `${word}: ${bare}`.slice(0, 200) })) onto.push({ ...inverse, label: bare });
    this.refresh();
  }

  private make(change: Change): string | null {
    if (!this.view.job) return 'The job is still being read.';
    const parsed = changeSchema.safeParse(change, { reportInput: true });
    if (!parsed.success) {
      const issue = parsed.error.issues[0]!;
      return `${String(issue.path.at(-1) ?? 'It')} ${issueSentence(issue)}.`;
    }
    const { job, inverse } = this.applied(change);
    const [fault] = jobFaults(job);
    if (fault) return `${fault.path} ${fault.sentence}.`;
    if (this.enqueue(change)) this.past.push(inverse);
    return null;
  }

  private applied(change: Change): { job: Job; inverse: Change } {
    return applyChange(this.view.job!, change);
  }

  /** Stores a change and sends it. Gives false for one that changes nothing. */
  private enqueue(change: Change): boolean {
    const { job } = this.view;
    const puts = change.puts.filter(
      (element) => JSON.stringify(job!.elements.get(element.id)) !== JSON.stringify(element),
    );
    const removes = change.removes.filter((id) => job!.elements.has(id) && !puts.some((element) => element.id === id));
    if (puts.length + removes.length === 0) return false;
    const pending: Pending = { change: this.needs.newId('change'), label: change.label, puts, removes };
    this.previewed = null;
    this.alter((queue) => enqueued(queue, pending, (id) => this.base.get(id)?.version ?? 0));
    void this.flush();
    return true;
  }

  private baseFrom(elements: readonly { version: number; element: Element }[]): void {
    this.base = new Map(elements.map((each) => [each.element.id, each]));
    this.known = true;
  }

  private alter(change: Parameters<typeof updateQueue>[2]): void {
    updateQueue(this.needs.storage, this.id, change);
    this.refresh();
  }

  private waiting(): number {
    const { create, changes } = loadQueue(this.needs.storage, this.id);
    return changes.length + (create ? 1 : 0);
  }

  private async send(): Promise<void> {
    if (this.timer) clearTimeout(this.timer);
    this.timer = null;
    while (this.stopped === null) {
      const queue = loadQueue(this.needs.storage, this.id);
      const [head] = queue.changes;
      if (!queue.create && !head) break;
      try {
        if (queue.create) await this.sendJob(queue.create);
        else await this.sendChange(head!, queue.bases);
        this.unreached = false;
        this.failures = 0;
      } catch (error) {
        if (!(error instanceof Refused)) return this.later();
        this.unreached = false;
        this.stop(error, queue.create ? 'New job' : head!.label);
      }
    }
  }

  private async sendJob(create: readonly Element[]): Promise<void> {
    const reply = await this.needs.api.create(this.id, create);
    updateQueue(this.needs.storage, this.id, ({ create: _sent, ...rest }) => rest);
    this.take(reply);
    this.needs.onServerState(reply);
  }

  private async sendChange(head: Pending, bases: Readonly<Record<string, number>>): Promise<void> {
    const base = (id: string): number => bases[id] ?? 0;
    const reply = await this.needs.api.change(this.id, {
      change: head.change,
      label: head.label,
      puts: head.puts.map((element) => ({ base: base(element.id), element })),
      removes: head.removes.map((id) => ({ base: base(id), id })),
    });
    for (const id of head.removes) this.base.delete(id);
    for (const element of head.puts) this.base.set(element.id, { version: reply.versions[element.id] ?? 1, element });
    const behind = reply.seq > this.seq + 1;
    this.seq = Math.max(this.seq, reply.seq);
    this.alter((queue) => settled(queue, head.change, reply.versions));
    this.needs.onServerState({ id: this.id, seq: this.seq, elements: [...this.base.values()] });
    if (behind) this.needs.onBehind();
  }

  private stop({ problem, message }: Refused, label: string): void {
    this.stopped =
      problem.status === 409 && problem.conflicts
        ? { state: 'conflict', label, conflicts: problem.conflicts }
        : { state: 'refused', label, sentence: message };
  }

  private later(): void {
    this.unreached = true;
    const wait = RETRY_MS[Math.min(this.failures++, RETRY_MS.length - 1)]!;
    this.timer = setTimeout(() => void this.flush(), wait);
    // A timer of an unsent change must not hold a test's process open; a browser's timers are plain numbers.
    (this.timer as { unref?: () => void }).unref?.();
  }

  private look(): SessionView {
    const queue = loadQueue(this.needs.storage, this.id);
    let job: Job | null = this.known
      ? jobFrom(
          this.id,
          [...this.base.values()].map(({ element }) => element),
        )
      : null;
    if (job) for (const change of queue.changes) job = applyChange(job, change).job;
    // The same job stays the same object: what is derived from it is worked out once.
    if (job && this.view?.job && sameElements(job, this.view.job)) job = this.view.job;
    const count = queue.changes.length + (queue.create ? 1 : 0);
    const keeping: Keeping =
      this.stopped ??
      (count === 0
        ? { state: 'kept' }
        : this.unreached
          ? { state: 'waiting', count, stored: hasRoom(this.id) }
          : { state: 'sending' });
    return {
      job,
      keeping,
      undoLabel: this.past.at(-1)?.label ?? null,
      redoLabel: this.future.at(-1)?.label ?? null,
    };
  }

  private lookUnder(job: Job | null): Job | null {
    return job && this.previewed ? applyChange(job, this.previewed).job : job;
  }

  private refresh(): void {
    this.view = this.look();
    this.shown = this.lookUnder(this.view.job);
    this.tell();
  }

  private tell(): void {
    for (const listener of this.listeners) listener();
  }
}

function sameElements(a: Job, b: Job): boolean {
  const ids = a.elements.all.map(({ id }) => id);
  return (
    ids.length === b.elements.all.map(({ id }) => id).length &&
    ids.every(
      (id) =>
        a.elements.get(id) === b.elements.get(id) ||
        JSON.stringify(a.elements.get(id)) === JSON.stringify(b.elements.get(id)),
    )
  );
}

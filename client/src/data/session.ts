/**
 * One job as it is worked on here: what the server has, the changes made since laid over it, undo and redo, and the sending of it all.
 * All is in memory while the job is open, so that an edit costs what it touches; every change is given to the device's store in the same
 * turn in which it shows, and leaves it only when the server has it.
 */
import {
  changed,
  changeSchema,
  issueSentence,
  jobFrom,
  type Change,
  type Job,
  type JobReply,
  type Stands,
} from '@katabasis/core';
import { Refused, Unreachable } from './ask';
import { faultOf } from './faultOf';
import type { Asking, Keeping, PageNews, SessionNeeds, SessionView } from './keeping';
import { Retry } from './retry';
import { sameJobs } from './sameJobs';
import { Stacks } from './stacks';
import { stepOf, takenBack } from './steps';
import type { Pending, Stack, Step, StoredJob, Versioned } from './stored';
import { own } from './own';
import { byPlace, withPlaces } from './places';
import { acknowledge, pendingOf, rebased, withoutChange, withoutElements, type Rest } from './waiting';
import { timed } from './timed';

export class Session {
  readonly id: string;
  /** Settled once what the device keeps of the job has been read. */
  readonly ready: Promise<void>;
  private readonly needs: SessionNeeds;
  /** The server's state as last known. */
  private base = new Map<string, Versioned>();
  private seq = -1;
  private unsent = false;
  /** Whether what the device keeps has been read: before that nothing can be made, as what waits already comes first. */
  private isRead = false;
  private waiting: Pending[] = [];
  /** Ids of changes that found no room in the device's store. */
  private readonly unstored = new Set<string>();
  private job: Job | null = null;
  private readonly same = sameJobs();
  private readonly stacks = new Stacks();
  private asking: Asking | null = null;
  private previewed: Change | null = null;
  private stopped: Extract<Keeping, { state: 'conflict' | 'refused' }> | null = null;
  /** Whether the last try came to nothing, and what was said then. */
  private unreached: { why: string | null } | null = null;
  private sending: Promise<void> | null = null;
  private readonly retry = new Retry();
  private readonly listeners = new Set<() => void>();
  /** Replaced, never altered; the same object for as long as nothing in it changes. */
  view: SessionView;
  /** The job with a change laid over it that is not made yet: a landing under the finger. */
  shown: Job | null = null;

  /** `known`: the job as it stands, of one that begins here or was read already; else what the device keeps is read. */
  constructor(id: string, needs: SessionNeeds, known?: StoredJob) {
    this.id = id;
    this.needs = needs;
    this.view = { job: null, keeping: { state: 'kept' }, undoLabel: null, redoLabel: null, asking: null };
    this.ready = known ? Promise.resolve(this.begin(known)) : this.read();
  }

  private begin({ seq, unsent, elements, waiting }: StoredJob): void {
    this.isRead = true;
    this.seq = seq;
    this.unsent = unsent;
    this.waiting = [...waiting];
    this.setBase(elements);
    this.keep({ seq, unsent, elements, waiting });
    this.refresh();
  }

  /** Reads what the device keeps, in place of what was known to wait, and sends what waits in it. */
  private async read(): Promise<void> {
    const known = new Set(this.waiting.map(({ change }) => change));
    const stored = await this.needs.store.load(this.id);
    this.isRead = true;
    const waiting = stored?.waiting ?? [];
    // Made here while this was read, or told of by another page before it was stored.
    const newer = this.waiting.filter(
      ({ change }) => !known.has(change) && !waiting.some((each) => each.change === change),
    );
    this.waiting = [...waiting, ...newer];
    this.stacks.remember(stored?.steps ?? []);
    // The server may have answered already.
    const older = this.job !== null && stored !== null && stored.seq <= this.seq;
    if (stored && !older && (stored.seq >= 0 || stored.unsent)) {
      this.seq = stored.seq;
      this.unsent = stored.unsent;
      this.setBase(stored.elements);
    } else this.lay();
    this.refresh();
    if (this.count() > 0) void this.flush();
  }

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Takes in the job as the server has it; older news than what is known is let pass. */
  take(reply: JobReply): void {
    if (this.unsent || reply.seq < this.seq || (reply.seq === this.seq && this.job !== null)) return;
    this.seq = reply.seq;
    const elements = reply.elements.map((each, place) => ({ ...each, place }));
    this.setBase(elements);
    this.needs.store.replace(this.id, reply.seq, elements).catch(() => undefined);
    this.refresh();
  }

  /** Follows what another page of this device did. */
  follow(news: PageNews): void {
    if (news.news === 'made') {
      if (this.waiting.some(({ change }) => change === news.pending.change)) return;
      this.waiting.push(news.pending);
      if (this.job) this.job = this.same(changed(this.job, news.pending));
      this.refresh();
    } else if (news.news === 'done') {
      this.settle(news.done, news.versions, news.seq);
      this.refresh();
    } else {
      void this.read();
    }
  }

  /** Whether the server has come further than this page knows, by a change that is not one of its own. */
  isBehind(seq: number, change: string): boolean {
    return seq > this.seq && !this.waiting.some((each) => each.change === change);
  }

  /** Whether a change is laid over the job that is not made yet. */
  get moving(): boolean {
    return this.previewed !== null;
  }

  /** Makes a change. Gives a sentence, and changes nothing, when the job could not be saved with it. */
  edit(change: Change): string | null {
    const start = performance.now();
    const wrong = this.make(change);
    timed('katabasis.made', start);
    this.refresh();
    return wrong;
  }

  /** Takes back the last step made here; asks first where somebody else has changed the same since, unless told to `anyway`. */
  undo(anyway = false): void {
    this.step('past', 'future', anyway);
  }

  redo(anyway = false): void {
    this.step('future', 'past', anyway);
  }

  /** Answers what was asked at a step: it stays done, and the one before it is next. */
  leaveStep(): void {
    if (!this.asking) return;
    this.keep(this.stacks.drop(this.asking.word === 'Undo' ? 'past' : 'future'));
    this.asking = null;
    this.refresh();
  }

  /** Lays a change over the job without making it; null takes it off. */
  preview(change: Change | null): void {
    this.previewed = change;
    // A finger moves sixty times a second: only what it moves is worked out again.
    this.shown = this.underFinger();
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
    const theirs = this.placed(conflicts.flatMap(({ version, element }) => (element ? [{ version, element }] : [])));
    const gone = conflicts.filter(({ element }) => element === null).map(({ id }) => id);
    for (const each of theirs) this.base.set(each.element.id, each);
    for (const id of gone) this.base.delete(id);
    const rest: Rest & { done?: Pending[] } =
      side === 'mine'
        ? rebased(this.waiting, new Map(conflicts.map(({ id, version }) => [id, version])))
        : withoutElements(this.waiting, new Set(conflicts.map(({ id }) => id)));
    this.waiting = rest.waiting;
    this.keep({ elements: theirs, gone, waiting: rest.rewritten, done: rest.done ?? [] });
    this.needs.tellPages({ news: 'other' });
    this.lay();
    this.needs.onBehind();
    void this.flush();
  }

  /** Brings a job back that somebody took out meanwhile, and sends what waits in it. Gives a sentence when it is kept no longer. */
  async bringBack(): Promise<string | null> {
    try {
      await this.needs.api.restore(this.id);
    } catch (error) {
      return (error as Error).message;
    }
    this.stopped = null;
    await this.flush();
    return null;
  }

  /** Gives up the change that the server refused. */
  dropRefused(): void {
    if (this.stopped?.state !== 'refused') return;
    this.stopped = null;
    const [head] = this.waiting;
    if (head) {
      const rest = withoutChange(this.waiting, head);
      this.waiting = rest.waiting;
      this.keep(this.stacks.forget(head.change));
      this.keep({ waiting: rest.rewritten, done: [head] });
      this.needs.tellPages({ news: 'other' });
      this.lay();
    }
    void this.flush();
  }

  private step(from: Stack, onto: Stack, anyway: boolean): void {
    const step = this.stacks.last(from);
    if (!step || !this.job) return;
    const word = from === 'past' ? 'Undo' : 'Redo';
    const { change, differing } = takenBack(this.job, step, anyway);
    if (differing.length > 0 && !anyway) {
      this.asking = { word, label: step.label, differing };
      return this.refresh();
    }
    const label = `${word}: ${step.label}`.slice(0, 200);
    const wrong = faultOf(this.job, { ...change, label });
    if (wrong !== null) {
      // Something came to lead there since: it cannot go before that does.
      this.asking = { word, label: step.label, differing: step.parts.map(({ id }) => ({ id, field: null })) };
      return this.refresh();
    }
    this.enqueue({ ...change, label }, onto, step.label, this.stacks.drop(from));
    this.refresh();
  }

  private make(change: Change): string | null {
    if (!this.job || !this.isRead) return 'The job is still being read.';
    const parsed = changeSchema.safeParse(change, { reportInput: true });
    if (!parsed.success) {
      const issue = parsed.error.issues[0]!;
      return `${String(issue.path.at(-1) ?? 'It')} ${issueSentence(issue)}.`;
    }
    const wrong = faultOf(this.job, change);
    if (wrong === null) this.enqueue(change, 'past', change.label, this.stacks.empty('future'));
    return wrong;
  }

  /**
   * Keeps a change with the step that takes it back, shows it and sends it; `forgotten` are steps that go with that. One that changes
   * nothing is none.
   */
  private enqueue(change: Change, onto: Stack, label: string, { forgotten = [] }: Pick<Step, 'forgotten'>): void {
    const { elements } = this.job!;
    const puts = change.puts.filter((put) => JSON.stringify(elements.get(put.id)) !== JSON.stringify(put));
    const removes = change.removes.filter((id) => elements.has(id) && !puts.some((put) => put.id === id));
    if (puts.length + removes.length === 0) return forgotten.length > 0 ? this.keep({ forgotten }) : undefined;
    const stands = change.stands ? { stands: change.stands } : {};
    const bare = { label: change.label, puts, removes, ...stands };
    const pending = pendingOf(this.waiting, bare, this.needs.newId('change'), (id) => this.base.get(id)?.version ?? 0);
    const step = this.stacks.push(onto, stepOf(this.job!, { ...bare, label }, pending.change));
    this.previewed = null;
    this.asking = null;
    this.waiting.push(pending);
    this.job = this.same(changed(this.job!, bare));
    const again = this.waiting.filter((each) => this.unstored.has(each.change));
    this.keep({ ...step, forgotten: [...forgotten, ...(step.forgotten ?? [])], waiting: [...again, pending] });
    this.needs.tellPages({ news: 'made', pending });
    void this.flush();
  }

  /** Gives a step to the device's store; what finds no room there is held on the page, and said so. */
  private keep(step: Step): void {
    this.needs.store.keep(this.id, step).then(
      () => {
        if (this.unstored.size === 0) return;
        for (const { change } of step.waiting ?? []) this.unstored.delete(change);
        this.refresh();
      },
      () => {
        for (const { change } of step.waiting ?? []) this.unstored.add(change);
        this.refresh();
      },
    );
  }

  private setBase(elements: readonly Versioned[]): void {
    this.base = new Map(elements.map((each) => [each.element.id, each]));
    this.lay(true);
  }

  /** Lays what waits over the server's state anew. */
  private lay(known = this.job !== null): void {
    if (!known) return;
    const stored = [...this.base.values()].sort(byPlace).map(({ element }) => element);
    let job = jobFrom(this.id, stored);
    for (const change of this.waiting) job = changed(job, change);
    this.job = this.same(job);
  }

  /** Elements of the server's as they are kept: each at its place, those that are new where they are to stand, or else behind all. */
  private placed(elements: readonly Omit<Versioned, 'place'>[], stands: readonly Stands[] = []): Versioned[] {
    if (elements.every(({ element }) => this.base.has(element.id)))
      return elements.map((each) => ({ ...each, place: this.base.get(each.element.id)!.place }));
    return withPlaces(elements, [...this.base.values()], stands);
  }

  private count(): number {
    return this.waiting.length + (this.unsent ? 1 : 0);
  }

  private async send(): Promise<void> {
    await this.ready;
    // It is on the device already: what a tap shows comes first.
    await this.needs.picture?.();
    this.retry.callOff();
    while (this.stopped === null && this.count() > 0) {
      const [head] = this.waiting;
      try {
        if (this.unsent) await this.sendJob();
        else await this.sendChange(head!);
        this.unreached = null;
        this.retry.succeeded();
      } catch (error) {
        if (!(error instanceof Refused)) return this.later(error);
        this.unreached = null;
        this.stop(error, this.unsent ? 'New job' : head!.label);
      }
    }
  }

  private async sendJob(): Promise<void> {
    const { seq, elements } = await this.needs.api.create(
      this.id,
      [...this.base.values()].map(({ element }) => element),
    );
    this.unsent = false;
    this.seq = seq;
    const sent = elements.map((each, place) => ({ ...each, place }));
    this.setBase(sent);
    this.keep({ seq, unsent: false, elements: sent });
    this.needs.tellPages({ news: 'other' });
    this.needs.onSaved();
  }

  private async sendChange(head: Pending): Promise<void> {
    const base = (id: string): number => own(head.bases, id) ?? 0;
    const reply = await this.needs.api.change(this.id, {
      change: head.change,
      label: head.label,
      puts: head.puts.map((element) => ({ base: base(element.id), element })),
      removes: head.removes.map((id) => ({ base: base(id), id })),
      ...(head.stands ? { stands: head.stands } : {}),
    });
    const behind = reply.seq > this.seq + 1;
    this.settle(head, reply.versions, reply.seq, true);
    this.needs.tellPages({ news: 'done', done: head, versions: reply.versions, seq: reply.seq });
    this.needs.onSaved();
    if (behind) this.needs.onBehind();
  }

  /** A change is with the server: the elements that it touched are now known at their new versions, and what waits goes on from there. */
  private settle(done: Pending, versions: Readonly<Record<string, number>>, seq: number, keep = false): void {
    const now = this.placed(
      done.puts.map((element) => ({ version: own(versions, element.id) ?? 1, element })),
      done.stands,
    );
    for (const id of done.removes) this.base.delete(id);
    // Another device's later change to the same element may be known already.
    for (const each of now)
      if ((this.base.get(each.element.id)?.version ?? 0) < each.version) this.base.set(each.element.id, each);
    // News that skipped some of another device's leave the number as it is, so that those are still taken in.
    if (seq === this.seq + 1) this.seq = seq;
    const rest = acknowledge(this.waiting, done, versions);
    this.waiting = rest.waiting;
    this.unstored.delete(done.change);
    if (keep) this.keep({ seq: this.seq, elements: now, gone: done.removes, waiting: rest.rewritten, done: [done] });
  }

  private stop({ problem, message }: Refused, label: string): void {
    this.stopped =
      problem.status === 409 && problem.conflicts
        ? { state: 'conflict', label, conflicts: problem.conflicts }
        : { state: 'refused', label, sentence: message, gone: problem.status === 404 };
  }

  private later(error: unknown): void {
    this.unreached = { why: error instanceof Unreachable ? error.said : null };
    this.retry.later(() => void this.flush());
  }

  private keeping(): Keeping {
    const count = this.count();
    if (this.stopped) return this.stopped;
    if (count === 0) return { state: 'kept' };
    if (!this.unreached) return { state: 'sending' };
    const stored = this.needs.store.durable && this.unstored.size === 0;
    return { state: 'waiting', count, stored, why: this.unreached.why };
  }

  private underFinger(): Job | null {
    return this.job && this.previewed ? changed(this.job, this.previewed) : this.job;
  }

  private refresh(): void {
    this.view = {
      job: this.job,
      keeping: this.keeping(),
      undoLabel: this.stacks.last('past')?.label ?? null,
      redoLabel: this.stacks.last('future')?.label ?? null,
      asking: this.asking,
    };
    this.shown = this.underFinger();
    this.tell();
  }

  private tell(): void {
    for (const listener of this.listeners) listener();
  }
}

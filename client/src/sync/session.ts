/**
 * One job as it is worked on here: what the server has, the changes made since laid over it, undo and redo, and the sending of it all.
 * What becomes of it by what happens is `reduceSession`'s; here it happens, and what is then to be done is done. Every change is given to
 * the device's store in the same turn in which it shows, and leaves it only when the server has it.
 */
import { OTHER_EPOCH, type Change, type Job, type JobReply } from '@katabasis/core';
import { later } from './again';
import { Refused, Unreachable } from './ask';
import type { PageNews, SessionNeeds, SessionView } from './keeping';
import type { Side } from './merging/mergeFields';
import { ownValue } from './ownValue';
import { reduceSession } from './reduceSession';
import { canSend, unread, type Effect, type SessionEvent, type SessionState } from './sessionState';
import type { Pending, Step, StoredJob } from './device/stored';
import { measureFrom } from './device/measureFrom';
import { underFinger, viewOf } from './sessionView';

/** Whether the device's store failed for want of room; a transaction that was broken off for it names it itself. */
const isFull = (error: unknown): boolean => (error as { name?: unknown } | null)?.name === 'QuotaExceededError';

export class Session {
  readonly id: string;
  /** Settled once what the device keeps of the job has been read, or could not be. */
  readonly ready: Promise<void>;
  private readonly needs: SessionNeeds;
  private state: SessionState;
  private sending: Promise<void> | null = null;
  private comparing: Promise<void> | null = null;
  /** How often this page has written to the device's store. */
  private written = 0;
  private again: ReturnType<typeof setTimeout> | undefined;
  private readonly listeners = new Set<() => void>();
  /** Replaced, never altered; the same object for as long as nothing in it changes. */
  view: SessionView;
  /** The job with a change laid over it that is not made yet: a landing under the finger. */
  shown: Job | null = null;

  /** `known`: the job as it stands, of one that begins here or was read already; else what the device keeps is read. */
  constructor(id: string, needs: SessionNeeds, known?: StoredJob) {
    this.id = id;
    this.needs = needs;
    this.state = unread(id);
    this.view = viewOf(this.state, needs.store.durable);
    if (known) this.happens({ event: 'begun', stored: known });
    this.ready = known ? Promise.resolve() : this.read();
  }

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Takes in the job as the server has it; older news than what is known is let pass. */
  take(reply: JobReply): void {
    this.happens({ event: 'replied', reply });
  }

  /** Follows what another page of this device did. */
  follow(news: PageNews): void {
    this.happens({ event: 'news', news });
  }

  /** Whether the server has come further than this page knows, by a change that is not one of its own. */
  isBehind(seq: number, change: string): boolean {
    return seq > this.state.seq && !this.state.waiting.some((each) => each.change === change);
  }

  /** Whether a change is laid over the job that is not made yet. */
  get moving(): boolean {
    return this.state.previewed !== null;
  }

  /** Makes a change. Gives a sentence, and changes nothing, when the job could not be saved with it. */
  edit(change: Change): string | null {
    const start = performance.now();
    const said = this.happens({ event: 'made', change, id: this.needs.newId('change') });
    measureFrom('katabasis.made', start);
    return said;
  }

  /** Takes back the last step made here; asks first where somebody else has changed the same since, unless told to `anyway`. */
  undo(anyway = false): void {
    this.happens({ event: 'stepped', word: 'Undo', anyway, id: this.needs.newId('change') });
  }

  redo(anyway = false): void {
    this.happens({ event: 'stepped', word: 'Redo', anyway, id: this.needs.newId('change') });
  }

  /** Answers what was asked at a step: it stays done, and the one before it is next. */
  leaveStep(): void {
    this.happens({ event: 'stepLeft' });
  }

  /** Lays a change over the job without making it; null takes it off. */
  preview(change: Change | null): void {
    this.state = reduceSession(this.state, { event: 'previewed', change }).state;
    // A finger moves sixty times a second: only what it moves is worked out again.
    this.shown = underFinger(this.state);
    this.tell();
  }

  resolve(side: Side): void {
    this.happens({ event: 'resolved', side });
  }

  /** Gives up the change that the server refused. */
  dropRefused(): void {
    this.happens({ event: 'refusedDropped' });
  }

  /** Brings a job back that somebody took out meanwhile, and sends what waits in it. Gives a sentence when it is kept no longer. */
  async bringBack(): Promise<string | null> {
    try {
      await this.needs.api.restore(this.id);
    } catch (error) {
      return (error as Error).message;
    }
    this.happens({ event: 'broughtBack' });
    await this.flush();
    return null;
  }

  /** Sends what waits, oldest first. Never throws. */
  flush(): Promise<void> {
    this.sending ??= this.send().finally(() => {
      this.sending = null;
      this.show();
    });
    this.show();
    return this.sending;
  }

  /** Lets something happen, does what is then to be done, and shows it. */
  private happens(event: SessionEvent): string | null {
    const { state, effects, said = null } = reduceSession(this.state, event);
    this.state = state;
    for (const effect of effects) this.does(effect);
    this.show();
    return said;
  }

  private does(effect: Effect): void {
    const { store, tellPages, onSaved, onBehind } = this.needs;
    switch (effect.effect) {
      case 'keep':
        return this.keep(effect.step);
      case 'replace':
        this.written++;
        return void store.replace(this.id, effect.head, effect.elements).catch(() => undefined);
      case 'compare':
        return void this.compare();
      case 'read':
        return void this.read();
      case 'send':
        return void this.flush();
      case 'sendAgain':
        return this.sendAgain(effect.after);
      case 'tell':
        return tellPages(effect.news);
      case 'saved':
        return onSaved();
      case 'behind':
        return onBehind();
    }
  }

  /** Lays what is known here beside what the server has, of an epoch that it has not begun with. Never throws. */
  compare(): Promise<void> {
    this.comparing ??= this.layBeside().finally(() => (this.comparing = null));
    return this.comparing;
  }

  private async layBeside(): Promise<void> {
    await this.ready;
    const { api, newId, alone = (work) => work() } = this.needs;
    await alone(async () => {
      // Another page of this device may have done it meanwhile.
      if (this.state.kept) await this.read();
      this.happens({ event: 'lagged' });
      try {
        const beside = await api.beside(this.id, this.state.epoch);
        this.happens({ event: 'compared', beside, id: newId('change') });
      } catch (error) {
        this.happens({ event: 'unreached', why: error instanceof Unreachable ? error.said : (error as Error).message });
      }
    });
  }

  private async read(): Promise<void> {
    try {
      for (;;) {
        const known = new Set(this.state.waiting.map(({ change }) => change));
        const { written } = this;
        const stored = await this.needs.store.load(this.id);
        // Written to by this page meanwhile: what was read may be from before that.
        if (written !== this.written) continue;
        this.happens({ event: 'stored', stored, known });
        return;
      }
    } catch {
      this.happens({ event: 'unreadable' });
    }
  }

  /** Gives a step to the device's store; what finds no room there is held on the page, and said so. */
  private keep(step: Step): void {
    this.written++;
    const changes = (step.waiting ?? []).map(({ change }) => change);
    this.needs.store.keep(this.id, step).then(
      () => this.state.unstored.size > 0 && this.happens({ event: 'roomFound', changes }),
      (error: unknown) => this.happens({ event: 'noRoom', changes, isFull: isFull(error) }),
    );
  }

  private async send(): Promise<void> {
    await this.ready;
    // It is on the device already: what a tap shows comes first.
    await this.needs.painted?.();
    clearTimeout(this.again);
    if (this.state.lagging) await this.compare();
    while (canSend(this.state)) {
      const [head] = this.state.waiting;
      const label = this.state.unsent ? 'New job' : head!.label;
      const { seq, epoch } = this.state;
      try {
        if (this.state.unsent) await this.sendJob();
        else await this.sendChange(head!);
      } catch (error) {
        if (!(error instanceof Refused))
          return void this.happens({ event: 'unreached', why: error instanceof Unreachable ? error.said : null });
        const { problem, message } = error;
        const isElsewhere = problem.status === 409 && this.state.unsent;
        if (isElsewhere || problem.type === OTHER_EPOCH) {
          this.happens({ event: isElsewhere ? 'createdElsewhere' : 'lagged' });
          await this.compare();
        } else if (problem.status === 409 && problem.conflicts)
          this.happens({ event: 'conflicted', label, conflicts: problem.conflicts, seq, epoch });
        else this.happens({ event: 'refused', label, sentence: message, gone: problem.status === 404 });
      }
    }
  }

  private sendAgain(after: number): void {
    clearTimeout(this.again);
    this.again = later(after, () => void this.flush());
  }

  private async sendJob(): Promise<void> {
    const begun = [...this.state.base.values()].map(({ element }) => element);
    this.happens({ event: 'created', reply: await this.needs.api.create(this.id, begun) });
  }

  private async sendChange(head: Pending): Promise<void> {
    const base = (id: string): number => ownValue(head.bases, id) ?? 0;
    const { epoch } = this.state;
    const { versions, seq } = await this.needs.api.change(this.id, {
      change: head.change,
      label: head.label,
      puts: head.puts.map((element) => ({ base: base(element.id), element })),
      removes: head.removes.map((id) => ({ base: base(id), id })),
      ...(head.stands ? { stands: head.stands } : {}),
      ...(epoch === '' ? {} : { epoch }),
    });
    this.happens({ event: 'sent', head, versions, seq, epoch });
  }

  private show(): void {
    this.view = viewOf(this.state, this.needs.store.durable);
    this.shown = underFinger(this.state);
    this.tell();
  }

  private tell(): void {
    for (const listener of this.listeners) listener();
  }
}

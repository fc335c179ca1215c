import { changed, jobFrom, type Element } from '@katabasis/core';
import fc from 'fast-check';
import { reduceSession } from './reduceSession';
import { canSend, unread, type SessionEvent, type SessionState } from './sessionState';
import { byPlace } from './device/stored';

const wye = (id: string, name: string): Element => ({ id, kind: 'junction', form: 'wye', name, groundLevel: 0 });
const HEAD: Element = { id: 'job', kind: 'job', name: 'Yard', units: 'us', pitchStyle: 'ground' };
const reply = (seq: number, name: string) => ({
  id: 'yard',
  epoch: 'e1',
  seq,
  createdAt: '',
  elements: [HEAD, wye('a', name), wye('b', 'B')].map((element) => ({ version: seq + 1, element })),
});
const rename = (name: string) => ({ label: name, puts: [wye('a', name)], removes: [] });

/** What can happen to a session, as far as it can in the state that it is in. */
type Act = (state: SessionState, k: number) => SessionEvent | null;
const ACTS: Record<string, Act> = {
  stored: (state) => ({ event: 'stored', stored: null, known: new Set(state.waiting.map(({ change }) => change)) }),
  unreadable: () => ({ event: 'unreadable' }),
  replied: ({ seq }, k) => ({ event: 'replied', reply: reply(seq + 1, `Theirs ${k}`) }),
  made: (_, k) => ({ event: 'made', change: rename(`Mine ${k}`), id: `c${k}` }),
  removed: (_, k) => ({ event: 'made', change: { label: 'Out', puts: [], removes: ['b'] }, id: `c${k}` }),
  undo: (_, k) => ({ event: 'stepped', word: 'Undo', anyway: k % 2 === 0, id: `c${k}` }),
  redo: (_, k) => ({ event: 'stepped', word: 'Redo', anyway: true, id: `c${k}` }),
  left: () => ({ event: 'stepLeft' }),
  previewed: (_, k) => ({ event: 'previewed', change: k % 3 === 0 ? null : rename('Held') }),
  sent: (state) => {
    const [head] = state.waiting;
    const versions = Object.fromEntries((head?.puts ?? []).map(({ id }) => [id, state.seq + 2]));
    return head && canSend(state) ? { event: 'sent', head, versions, seq: state.seq + 1, epoch: state.epoch } : null;
  },
  conflicted: (state, k) =>
    canSend(state)
      ? {
          event: 'conflicted',
          label: 'x',
          seq: state.seq,
          epoch: state.epoch,
          conflicts: [{ id: 'a', version: 90 + k, element: wye('a', 'Theirs') }],
        }
      : null,
  resolvedMine: () => ({ event: 'resolved', side: 'mine' }),
  resolvedTheirs: () => ({ event: 'resolved', side: 'theirs' }),
  refused: (state) => (canSend(state) ? { event: 'refused', label: 'x', sentence: 'No.', gone: false } : null),
  dropped: () => ({ event: 'refusedDropped' }),
  unreached: () => ({ event: 'unreached', why: null }),
};

const acts = fc.array(fc.constantFrom(...Object.keys(ACTS)), { maxLength: 40 });

it('the job is what the server has with what waits laid over it, in every state and whatever has happened', () => {
  fc.assert(
    fc.property(acts, (list) => {
      let state = unread('yard');
      let reached = '';
      list.forEach((act, k) => {
        const event = ACTS[act]!(state, k);
        if (!event) return;
        const before = { ...state };
        const { state: next, effects, said } = reduceSession(state, event);
        // Nothing is altered in place.
        expect(state).toEqual(before);
        reached += ` ${next.state}`;
        if (next.job) {
          const stored = [...next.base.values()].sort(byPlace).map(({ element }) => element);
          const laid = next.waiting.reduce((job, change) => changed(job, change), jobFrom('yard', stored));
          expect(next.job.elements.all).toEqual(laid.elements.all);
        }
        // What is made is kept, told and sent, or it is said why not and nothing is.
        if (event.event === 'made') {
          const isNew = next.waiting.length > state.waiting.length;
          const keeps = effects.some((each) => each.effect === 'keep' && (each.step.waiting?.length ?? 0) > 0);
          expect([keeps, effects.some(({ effect }) => effect === 'send')]).toEqual([isNew, isNew]);
          if (said) expect([next, effects]).toEqual([state, []]);
          if (state.state === 'unread') expect(said).toBe('The job is still being read.');
          else if (state.job) expect(said ?? '').not.toContain('being read');
        }
        if (canSend(next)) expect(['conflicted', 'refused']).not.toContain(next.state);
        expect(new Set(next.waiting.map(({ order }) => order)).size).toBe(next.waiting.length);
        state = next;
      });
      // What the device could not read is never taken for read.
      if (reached.includes('unreadable')) expect(state.kept).toBe(false);
    }),
    { numRuns: 400 },
  );
});

describe('what comes late, or twice, mixes nothing up', () => {
  /** A session at the server's third change, with one of its own that waits. */
  function waiting(): SessionState {
    const opened = reduceSession(unread('yard'), { event: 'stored', stored: null, known: new Set() }).state;
    const known = reduceSession(opened, { event: 'replied', reply: reply(3, 'Known') }).state;
    return reduceSession(known, { event: 'made', change: rename('Mine'), id: 'c1' }).state;
  }
  const nameOf = (state: SessionState): unknown => (state.job!.elements.get('a') as { name: string }).name;
  const sent = (state: SessionState, seq: number, epoch = state.epoch): SessionEvent => ({
    event: 'sent',
    head: state.waiting[0]!,
    versions: { a: seq + 1 },
    seq,
    epoch,
  });

  it('an answer of another epoch settles nothing: the change still waits', () => {
    const state = waiting();
    expect(reduceSession(state, sent(state, 4, 'e0')).state.waiting).toHaveLength(1);
    expect(reduceSession(state, sent(state, 4)).state.waiting).toHaveLength(0);
  });

  it('an answer told again does not take back what others have done since, nor bring back what they took out', () => {
    const state = waiting();
    const later = reply(9, 'Theirs since');
    const replied = reduceSession(state, { event: 'replied', reply: later }).state;
    expect(nameOf(reduceSession(replied, sent(replied, 4)).state)).toBe('Theirs since');
    const without = { ...later, elements: later.elements.filter(({ element }) => element.id !== 'a') };
    const gone = reduceSession(state, { event: 'replied', reply: without }).state;
    expect(reduceSession(gone, sent(gone, 4)).state.job!.elements.has('a')).toBe(false);
  });

  it('a conflict that is older than what was taken in since, or of another epoch, is asked of anew', () => {
    const state = waiting();
    const conflicts = [{ id: 'a', version: 5, element: wye('a', 'Older') }];
    const told = (seq: number, epoch: string): SessionState =>
      reduceSession(state, { event: 'conflicted', label: 'x', conflicts, seq, epoch }).state;
    expect(told(2, 'e1')).toBe(state);
    expect(told(3, 'e0')).toBe(state);
    expect(told(3, 'e1').state).toBe('conflicted');
  });

  it('a question is put anew when what it is about may have changed again', () => {
    const state = waiting();
    const conflicts = [{ id: 'a', version: 5, element: wye('a', 'Theirs') }];
    const asking = reduceSession(state, { event: 'conflicted', label: 'x', conflicts, seq: 3, epoch: 'e1' }).state;
    const { state: next, effects } = reduceSession(asking, { event: 'replied', reply: reply(7, 'Theirs again') });
    expect([next.state, effects.map(({ effect }) => effect)]).toEqual(['open', ['replace', 'send']]);
  });

  it('what is held on this page only is not dropped as another page tells of something', () => {
    const state = reduceSession(waiting(), { event: 'noRoom', changes: ['c1'], isFull: true }).state;
    const stored = { seq: 3, unsent: false, epoch: 'e1', elements: [], waiting: [] };
    const next = reduceSession(state, { event: 'stored', stored, known: new Set(['c1']) }).state;
    expect(next.waiting.map(({ change }) => change)).toEqual(['c1']);
  });

  it('of a server of another epoch nothing is taken, and nothing is sent, before both were laid side by side', () => {
    const state = waiting();
    const { state: next, effects } = reduceSession(state, {
      event: 'replied',
      reply: { ...reply(9, 'x'), epoch: 'e2' },
    });
    expect([next.lagging, canSend(next), nameOf(next)]).toEqual([true, false, 'Mine']);
    expect(effects).toEqual([{ effect: 'compare' }]);
  });
});

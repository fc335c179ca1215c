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

import { unread, type SessionState } from './sessionState';
import { viewOf } from './sessionView';

/** A change that waits as nobody answers. */
const waiting = (more: Partial<SessionState> = {}): SessionState =>
  ({
    ...unread('yard'),
    state: 'open',
    waiting: [{ change: 'c1', order: 1, label: 'x', puts: [], removes: [], bases: {} }],
    unreached: { why: null, times: 1 },
    ...more,
  }) as SessionState;
const heldIn = (state: SessionState, durable: boolean): unknown => {
  const { keeping } = viewOf(state, durable);
  return keeping.state === 'waiting' ? keeping.held : keeping.state;
};

it('nothing is told as kept that is not, and each reason is its own', () => {
  const unstored = new Set(['c1']);
  expect(heldIn(waiting(), true)).toBeNull();
  expect(heldIn(waiting(), false)).toBe('nothing');
  expect(heldIn(waiting({ kept: false }), true)).toBe('unread');
  expect(heldIn(waiting({ unstored, isFull: true }), true)).toBe('full');
  expect(heldIn(waiting({ unstored, isFull: false }), true)).toBe('failed');
});

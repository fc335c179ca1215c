import { whenAtRest } from './atRest';
import type { Planned } from '../planning/useJob';

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

/** A job that is changed when the test says. */
function changing(): { planned: Planned; change: () => void } {
  let hear = (): void => undefined;
  const subscribe = (listener: () => void): (() => void) => {
    hear = listener;
    return () => undefined;
  };
  return { planned: { subscribe } as unknown as Planned, change: () => hear() };
}

it('does one after another, those ahead first, once nothing has been changed for a while', () => {
  const { planned, change } = changing();
  const done: string[] = [];
  const part = (name: string, ahead: boolean) => whenAtRest(planned, () => done.push(name) > 0, ahead);
  part('a', false);
  part('b', true);
  change();
  jest.advanceTimersByTime(300);
  change();
  jest.advanceTimersByTime(1199);
  expect(done).toEqual([]);
  jest.advanceTimersByTime(100);
  expect(done).toEqual(['b', 'a']);
});

it('one that was taken away while others had their turn is not done any more', () => {
  const { planned, change } = changing();
  const done: string[] = [];
  let leave = (): void => undefined;
  whenAtRest(
    planned,
    () => {
      leave();
      return done.push('first') > 0;
    },
    false,
  );
  leave = whenAtRest(planned, () => done.push('came in sight') > 0, false);
  change();
  jest.advanceTimersByTime(2000);
  expect(done).toEqual(['first']);
});

it('waits for a finger that comes down between them, and goes on where it was', () => {
  const { planned, change } = changing();
  const done: string[] = [];
  for (const name of ['a', 'b', 'c']) whenAtRest(planned, () => done.push(name) > 0, false);
  change();
  jest.advanceTimersByTime(1201);
  expect(done).toEqual(['a']);
  window.dispatchEvent(new Event('pointerdown'));
  jest.advanceTimersByTime(1190);
  expect(done).toEqual(['a']);
  jest.advanceTimersByTime(100);
  expect(done).toEqual(['a', 'b', 'c']);
});

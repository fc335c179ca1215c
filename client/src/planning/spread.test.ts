import { notAnyMore, soon } from './spread';

beforeEach(() => void jest.useFakeTimers());
afterEach(() => void jest.useRealTimers());

/** Parts that take so long each, by a clock that only they move. */
function slow(ms: number): { done: string[]; part: (name: string) => () => void } {
  let now = 0;
  jest.spyOn(performance, 'now').mockImplementation(() => now);
  const done: string[] = [];
  return {
    done,
    part: (name) => () => {
      now += ms;
      done.push(name);
    },
  };
}

it('does all that is quick in one go, later than now', () => {
  const { done, part } = slow(0.1);
  for (const name of ['a', 'b', 'c']) soon(part(name));
  expect(done).toEqual([]);
  jest.runOnlyPendingTimers();
  expect(done).toEqual(['a', 'b', 'c']);
});

it('does a few slow ones at a time, and lets others in between', () => {
  const { done, part } = slow(1.5);
  for (const name of ['a', 'b', 'c', 'd', 'e']) soon(part(name));
  jest.runOnlyPendingTimers();
  expect(done).toEqual(['a', 'b']);
  jest.runOnlyPendingTimers();
  expect(done).toEqual(['a', 'b', 'c', 'd']);
  jest.runAllTimers();
  expect(done).toEqual(['a', 'b', 'c', 'd', 'e']);
});

it('does not do what is no more wanted, and does once what was asked for twice', () => {
  const { done, part } = slow(0.1);
  const [a, b] = [part('a'), part('b')];
  for (const each of [a, b, a]) soon(each);
  notAnyMore(b);
  jest.runAllTimers();
  expect(done).toEqual(['a']);
});

import { act, render, screen } from '@testing-library/react';
import { Text } from 'react-native';
import { useWorked } from './useWorked';

/** What is asked for on one state, and how its answer is given. */
interface Asked {
  on: object;
  signal: AbortSignal;
  give: (answer: string) => void;
  end: () => void;
}
let asked: Asked[];

function Shown({ on }: { on: object }) {
  const answer = useWorked<string>(
    [on],
    (signal, give) => new Promise((end) => void asked.push({ on, signal, give, end })),
  );
  return <Text>{answer ?? 'worked out'}</Text>;
}

const shown = (): string => screen.getByText(/./).textContent!;
const [made, sized, named, other] = [{}, {}, {}, {}];

/** Shows it on a state, and gives that a whole answer where one is asked for. */
function setUp() {
  asked = [];
  const view = render(<Shown on={made} />);
  const to = (on: object): void => view.rerender(<Shown on={on} />);
  const answer = (words: string): Promise<void> =>
    act(async () => {
      asked.at(-1)!.give(words);
      asked.at(-1)!.end();
    });
  return { to, answer };
}

it('knows again at once what was worked out on the state before, back and forth, and asks for nothing twice', async () => {
  const { to, answer } = setUp();
  expect(shown()).toBe('worked out');
  await answer('made');
  for (const [on, words] of [
    [sized, 'sized'],
    [named, 'named'],
  ] as const) {
    to(on);
    expect(shown()).toBe('worked out');
    await answer(words);
    to(made);
    expect(shown()).toBe('made');
    to(on);
    expect(shown()).toBe(words);
    to(made);
  }
  expect(asked.map(({ on }) => on)).toEqual([made, sized, named]);
  // Long ago: not kept for ever.
  to(other);
  await answer('other');
  to(sized);
  expect(shown()).toBe('worked out');
});

it('begins anew where it was called off half-way, and takes nothing of what it called off', async () => {
  const { to, answer } = setUp();
  const [first] = asked;
  act(() => first!.give('half of it'));
  expect(shown()).toBe('half of it');
  to(sized);
  expect(first!.signal.aborted).toBe(true);
  await act(async () => (first!.give('late'), first!.end()));
  expect(shown()).toBe('worked out');
  to(made);
  expect(shown()).toBe('half of it');
  expect(asked.map(({ on }) => on)).toEqual([made, sized, made]);
  await answer('whole');
  to(sized);
  to(made);
  expect(shown()).toBe('whole');
  expect(asked).toHaveLength(4);
});

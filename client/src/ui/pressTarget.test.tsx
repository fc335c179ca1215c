import { fireEvent, render, screen } from '@testing-library/react';
import { pressWhereTouched } from './pressTarget';

let end: () => void;
let pressed: string[] = [];
beforeEach(() => {
  pressed = [];
  end = pressWhereTouched();
  const press = (what: string) => () => void pressed.push(what);
  render(
    <>
      <button onClick={press('lay')}>
        <b>Lay 6 in</b>
      </button>
      <button onClick={press('move')}>Move it</button>
      <div role="radio" aria-checked={false} onClick={press('size')}>
        4 in
      </div>
      <p onClick={press('words')}>Words</p>
    </>,
  );
});
afterEach(() => end());

interface At {
  x?: number;
  at?: number;
  /** Of a mouse: the how manieth click in one place. */
  count?: number;
}

/** As a browser has it: counted, and with its time and place. */
function happen(what: string, type: 'pointerdown' | 'click', { x = 100, at = 0, count }: At = {}): Event {
  const event = new MouseEvent(type, { bubbles: true, cancelable: true, detail: count ?? 1, clientX: x });
  Object.defineProperty(event, 'timeStamp', { value: at });
  Object.defineProperty(event, 'pointerType', { value: count === undefined ? 'touch' : 'mouse' });
  fireEvent(screen.getByText(what), event);
  return event;
}
const tap = (what: string, at?: At): void => {
  happen(what, 'pointerdown', at);
  happen(what, 'click', at);
};

it('presses what the finger came down on, where something else lies under it as it is lifted', () => {
  happen('Lay 6 in', 'pointerdown');
  // Nor does the browser follow what lies there.
  expect(happen('Move it', 'click').defaultPrevented).toBe(true);
  expect(pressed).toEqual(['lay']);
  expect(document.activeElement).toBe(screen.getByText('Lay 6 in').parentElement);
  // With a mouse, what holds the two is told of it.
  happen('4 in', 'pointerdown', { at: 1000 });
  happen('Words', 'click', { at: 1000 });
  expect(pressed).toEqual(['lay', 'size']);
});

it('presses nothing where that has gone, where it was none, or where the finger went elsewhere', () => {
  happen('4 in', 'pointerdown');
  const gone = screen.getByText('4 in');
  const { parentElement } = gone;
  gone.addEventListener('click', () => pressed.push('gone'));
  gone.remove();
  happen('Move it', 'click');
  parentElement!.append(gone);
  happen('Words', 'pointerdown', { at: 1000 });
  happen('Move it', 'click', { at: 1000 });
  happen('Lay 6 in', 'pointerdown', { at: 2000 });
  happen('Move it', 'click', { at: 2000, x: 106 });
  expect(pressed).toEqual([]);
  tap('Move it', { at: 3000 });
  expect(pressed).toEqual(['move']);
});

it('a press of a key or of the page’s own is no finger’s, whatever one came down on before', () => {
  happen('4 in', 'pointerdown');
  screen.getByText('Move it').click();
  expect(pressed).toEqual(['move']);
  tap('4 in', { at: 1000 });
  // As a box is that its label was tapped for.
  happen('Move it', 'click', { at: 1000 });
  expect(pressed).toEqual(['move', 'size', 'move']);
});

it('a thumb that bounces does not press what has come up under it', () => {
  tap('Lay 6 in', { at: 1000 });
  tap('Move it', { at: 1120 });
  tap('Move it', { at: 1249, x: 123 });
  expect(pressed).toEqual(['lay']);
  // Once it can have been read, it is meant.
  tap('Move it', { at: 1250, x: 123 });
  expect(pressed).toEqual(['lay', 'move']);
});

it('nor does a double click with a mouse; two clicks that the browser tells apart are meant', () => {
  tap('Lay 6 in', { at: 1000, count: 1 });
  tap('Move it', { at: 1300, count: 2 });
  expect(pressed).toEqual(['lay']);
  tap('Move it', { at: 1310, count: 1 });
  tap('Move it', { at: 1320, count: 2 });
  expect(pressed).toEqual(['lay', 'move', 'move']);
});

it('taps in quick succession count on one thing, and on things side by side', () => {
  tap('Move it', { at: 1000 });
  tap('Move it', { at: 1100 });
  tap('Lay 6 in', { at: 1200, x: 124 });
  tap('Words', { at: 3000 });
  tap('Move it', { at: 3100 });
  expect(pressed).toEqual(['move', 'move', 'lay', 'words', 'move']);
});

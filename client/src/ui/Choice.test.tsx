import { act, fireEvent, render, screen } from '@testing-library/react';
import { Choice } from './Choice';

const OPTIONS = ['4', '6', '8'].map((value) => ({ value, label: `${value} in` }));
const chosen = (): string[] =>
  screen.getAllByRole('radio', { checked: true }).map((chip) => chip.getAttribute('aria-label')!);
const chip = (label: string): HTMLElement => screen.getByRole('radio', { name: label });
const tap = (label: string): boolean => fireEvent.click(chip(label));

const sheet = (value: string, onChoose: (value: string) => unknown) => (
  <Choice label="Size" value={value} options={OPTIONS} onChoose={onChoose} />
);

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

it('marks a tapped chip at once, before what is drawn around it follows, and then follows that', () => {
  const asked: string[] = [];
  const take = (value: string): void => void asked.push(value);
  const view = render(sheet('4', take));
  tap('8 in');
  expect([chosen(), asked]).toEqual([['8 in'], ['8']]);
  view.rerender(sheet('8', take));
  expect(chosen()).toEqual(['8 in']);
  // Taken back elsewhere.
  view.rerender(sheet('4', take));
  expect(chosen()).toEqual(['4 in']);
});

it('marks nothing that could not be taken, nor for long what nobody has come to say', () => {
  const view = render(sheet('4', () => 'Not while somebody digs.'));
  tap('8 in');
  expect(chosen()).toEqual(['4 in']);
  view.rerender(sheet('4', () => null));
  tap('6 in');
  expect(chosen()).toEqual(['6 in']);
  act(() => jest.advanceTimersByTime(3000));
  expect(chosen()).toEqual(['4 in']);
});

it('is taken by Enter or Space, and its arrow keys go round', () => {
  const asked: string[] = [];
  render(sheet('4', (value) => void asked.push(value)));
  fireEvent.keyDown(chip('4 in'), { key: 'ArrowLeft' });
  expect(document.activeElement).toBe(chip('8 in'));
  fireEvent.keyDown(chip('8 in'), { key: ' ' });
  fireEvent.keyDown(chip('6 in'), { key: 'Enter' });
  fireEvent.keyDown(chip('4 in'), { key: 'a' });
  expect(asked).toEqual(['8', '6']);
});

import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { Pressable, Text } from 'react-native';
import { z } from 'zod';
import { useNoted } from './useNoted';

const words = z.string();

/** A sheet with a keypad: booking empties it and closes the sheet in one and the same tap. */
function Keyed({ onBooked }: { onBooked: () => void }) {
  const [typed, set] = useNoted('rod', words, '');
  return (
    <>
      <Text testID="typed">{typed}</Text>
      <Pressable testID="four" onPress={() => set((now) => `${now}4`)} />
      <Pressable
        testID="book"
        onPress={() => {
          set(() => '');
          onBooked();
        }}
      />
    </>
  );
}
function Sheets() {
  const [open, setOpen] = useState(true);
  return open ? <Keyed onBooked={() => setOpen(false)} /> : <Pressable testID="next" onPress={() => setOpen(true)} />;
}
const typed = (): string => screen.getByTestId('typed').textContent!;
const tap = (id: string): boolean => fireEvent.click(screen.getByTestId(id));

beforeEach(() => localStorage.clear());

it('what is emptied as its sheet closes is empty when the next one opens', () => {
  render(<Sheets />);
  tap('four');
  tap('four');
  expect(typed()).toBe('44');
  tap('book');
  tap('next');
  expect(typed()).toBe('');
  tap('four');
  expect(typed()).toBe('4');
});

it('what is keyed in is there after a reload, also where the page goes at once', () => {
  render(<Sheets />);
  tap('four');
  cleanup();
  render(<Sheets />);
  expect(typed()).toBe('4');
});

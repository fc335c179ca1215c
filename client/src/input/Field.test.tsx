import { act, fireEvent, render, screen } from '@testing-library/react';
import type { JSX } from 'react';
import { lengthEntry } from './entry';
import { QuantityField } from './Field';
import { Fields } from './Fields';
import { TextBox } from './TextBox';

function box(
  onCommit: (value: number | undefined) => string | null,
  more: { value?: number; optional?: boolean } = {},
): HTMLInputElement {
  const { value, optional = false } = more;
  render(<QuantityField label="Length" value={value} {...lengthEntry('us')} optional={optional} onCommit={onCommit} />);
  return screen.getByLabelText('Length', { selector: 'input' }) as HTMLInputElement;
}

function leave(input: HTMLInputElement, text: string): void {
  fireEvent.change(input, { target: { value: text } });
  fireEvent.blur(input);
}

describe('a box for a quantity', () => {
  it.each([
    ['12\'6"', 3.81],
    ['12 6', 3.81],
    ['12.5', 3.81],
    ['12ft6', 3.81],
    ['3.8m', 3.8],
  ])('takes %s as a tradesman says it', (typed, metres) => {
    const commit = jest.fn<string | null, [number | undefined]>(() => null);
    leave(box(commit), typed);
    expect(commit.mock.calls[0]![0]).toBeCloseTo(metres, 9);
  });

  it('says what would be right, keeps what was typed, and commits nothing', () => {
    const commit = jest.fn(() => null);
    const input = box(commit, { value: 3 });
    leave(input, 'twelve');
    expect(screen.getByRole('alert').textContent).toMatch(/12'6/);
    expect(input.value).toBe('twelve');
    expect(input).toHaveAttribute('aria-invalid', 'true');
    expect(commit).not.toHaveBeenCalled();
  });

  it('passes on what the job says against a value that can be read', () => {
    const input = box(() => 'It must lie between the two ends.', { value: 3 });
    leave(input, '400');
    expect(screen.getByRole('alert').textContent).toBe('It must lie between the two ends.');
    expect(input.value).toBe('400');
  });

  it('may be emptied only where it may be left empty', () => {
    const commit = jest.fn(() => null);
    leave(box(commit, { value: 3 }), '');
    expect(screen.getByRole('alert').textContent).toBe('This is needed.');
    expect(commit).not.toHaveBeenCalled();
  });

  it('emptied where it may be, it is gone', () => {
    const commit = jest.fn(() => null);
    leave(box(commit, { value: 3, optional: true }), '');
    expect(commit).toHaveBeenCalledWith(undefined);
  });

  it('left as it was, changes nothing', () => {
    const commit = jest.fn(() => null);
    fireEvent.blur(box(commit, { value: 3 }));
    expect(commit).not.toHaveBeenCalled();
  });
});

it('an entry that could not be taken stands there again when the sheet is opened anew, until it is put right', () => {
  const commit = jest.fn(() => null);
  const sheet = (
    <Fields of="job basin">
      <QuantityField label="Sump" value={0.3} {...lengthEntry('us')} onCommit={commit} />
    </Fields>
  );
  const boxNow = (): HTMLInputElement => screen.getByLabelText('Sump', { selector: 'input' }) as HTMLInputElement;
  const first = render(sheet);
  leave(boxNow(), 'knee deep');
  first.unmount();
  const second = render(sheet);
  expect(boxNow().value).toBe('knee deep');
  expect(screen.getByRole('alert').textContent).toMatch(/12'6/);
  leave(boxNow(), '2');
  expect(commit).toHaveBeenCalledTimes(1);
  second.unmount();
  render(sheet);
  expect(boxNow().value).not.toBe('knee deep');
  expect(screen.queryByRole('alert')).toBeNull();
});

describe('a value that comes from elsewhere while a box is held', () => {
  const boxOf = (text: string, onText: (text: string) => void = () => undefined): JSX.Element => (
    <TextBox label="Name" text={text} onText={onText} />
  );
  const taken = (input: HTMLInputElement): string =>
    input.value.slice(input.selectionStart ?? 0, input.selectionEnd ?? 0);

  it('is taken whole as the one before was, until something is typed', () => {
    const { rerender } = render(boxOf('Wye 2'));
    const input = screen.getByLabelText('Name', { selector: 'input' }) as HTMLInputElement;
    act(() => input.focus());
    rerender(boxOf('North wye'));
    expect(taken(input)).toBe('North wye');
    fireEvent.change(input, { target: { value: 'N' } });
    input.setSelectionRange(1, 1);
    rerender(boxOf('N'));
    expect(taken(input)).toBe('');
  });
});

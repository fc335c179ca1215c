import { fireEvent, render, screen, within } from '@testing-library/react';
import { useState } from 'react';
import { ThemeProvider } from '../theme/theme';
import { DataTable, type Order } from './DataTable';

const COLUMNS = [
  { title: 'Run', wide: true as const },
  { title: 'Length', right: true as const },
];
const ROWS = [
  ['Run 10', '9 in'],
  ['Run 9', '100 ft'],
  ['Gone', ''],
  ['run 2', '12 ft 6 in'],
  ['Total', '113 ft 3 in'],
];
/** The total has none: it stays at the foot. */
const MEASURES = [
  [null, 0.2286],
  [null, 30.48],
  [null, null],
  [null, 3.81],
];

/** Whoever draws it keeps the order. */
function Kept({ onGo }: { onGo: (id: string) => void }) {
  const [by, onBy] = useState<Order | null>(null);
  return (
    <DataTable
      label="Runs"
      columns={COLUMNS}
      rows={ROWS}
      measures={MEASURES}
      ids={['a', 'b', 'c', 'd']}
      onGo={onGo}
      by={by}
      onBy={onBy}
    />
  );
}

const drawn = (width: number, onGo: (id: string) => void = () => undefined): void => {
  Object.assign(window, { innerWidth: width });
  fireEvent(window, new Event('resize'));
  render(
    <ThemeProvider>
      <Kept onGo={onGo} />
    </ThemeProvider>,
  );
};

describe('on a wide screen', () => {
  beforeEach(() => Object.defineProperty(document.documentElement, 'clientWidth', { value: 1280, configurable: true }));
  const names = (): string[] =>
    screen
      .getAllByRole('row')
      .slice(1)
      .map((row) => within(row).getAllByRole('cell')[0]!.textContent!);
  const press = (column: string): boolean =>
    fireEvent.click(screen.getByRole('button', { name: `Put in order by ${column}` }));
  const sorts = (): (string | null)[] =>
    screen.getAllByRole('columnheader').map((head) => head.getAttribute('aria-sort'));

  it('is put in order by what its cells measure, not by how they are written; what measures nothing and the foot come last', () => {
    drawn(1280);
    expect(names()).toEqual(['Run 10', 'Run 9', 'Gone', 'run 2', 'Total']);
    press('Length');
    expect(names()).toEqual(['Run 10', 'run 2', 'Run 9', 'Gone', 'Total']);
    expect(sorts()).toEqual(['none', 'ascending']);
    press('Length');
    expect(names()).toEqual(['Run 9', 'run 2', 'Run 10', 'Gone', 'Total']);
    expect(sorts()).toEqual(['none', 'descending']);
  });

  it('puts words in order with their numbers as numbers', () => {
    drawn(1280);
    press('Run');
    expect(names()).toEqual(['Gone', 'run 2', 'Run 9', 'Run 10', 'Total']);
  });

  it('goes to what a row is of', () => {
    const gone: string[] = [];
    drawn(1280, (id) => gone.push(id));
    press('Length');
    fireEvent.click(screen.getByRole('link', { name: 'run 2' }));
    expect(gone).toEqual(['d']);
    expect(screen.queryByRole('link', { name: 'Total' })).toBeNull();
  });
});

it('on a phone says of each row what its columns are, in the order asked for', () => {
  Object.defineProperty(document.documentElement, 'clientWidth', { value: 390, configurable: true });
  drawn(390);
  fireEvent.click(screen.getByRole('radio', { name: 'Length' }));
  const items = screen.getAllByRole('listitem').map((item) => item.textContent);
  expect(items).toEqual([
    'Run 10Length9 in',
    'run 2Length12 ft 6 in',
    'Run 9Length100 ft',
    'Gone',
    'Total' + 'Length113 ft 3 in',
  ]);
  fireEvent.click(screen.getByRole('radio', { name: 'Length, least first' }));
  expect(screen.getAllByRole('listitem')[0]!.textContent).toBe('Run 9Length100 ft');
});

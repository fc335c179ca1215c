/** Whom to ask, on which days, for how much, and the options: as they are told on the screen. */
import { catalogueTable, headOf, jobFrom, ofKind, planJob, takeOff, type Job } from '@katabasis/core';
import { quillfeather } from '@katabasis/core/samples';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { TextDecoder } from 'node:util';
import Papa from 'papaparse';
import { pickFile } from '../../files/files';
import { openJob, press, seen } from '../../testing/openJob';
import { ClearSheet } from './ClearSheet';
import { DaysSheet } from './DaysSheet';
import { DigSheet } from './DigSheet';
import { OptionsSheet } from './OptionsSheet';
import { PriceBooks } from './PriceBooks';
import { PriceSheet } from './PriceSheet';

jest.mock('../../files/files', () => ({ ...jest.requireActual('../../files/files'), pickFile: jest.fn() }));

const sample = (): Job => jobFrom('test', quillfeather().elements.all);
const takenOf = (job: Job) => takeOff(job, planJob(job));
const commit = (box: string, typed: string): void => {
  fireEvent.change(screen.getByTestId(box), { target: { value: typed } });
  fireEvent.blur(screen.getByTestId(box));
};

beforeEach(() => localStorage.clear());
// Browsers have one; the tests' page has none of its own.
beforeAll(() => void Object.assign(globalThis, { TextDecoder }));

it('the dig is marked ready only when all that is needed is there', () => {
  const { job } = openJob(sample(), <ClearSheet taken={takenOf(sample())} />);
  expect(screen.getByTestId('ready')).toHaveTextContent('Not ready to dig: Buried lines marked; Private lines shown.');
  for (const need of ['need-locate', 'need-private']) {
    expect(screen.getByTestId('mark-ready')).toHaveAttribute('aria-disabled', 'true');
    fireEvent.click(screen.getByTestId(need));
    fireEvent.click(screen.getByRole('radio', { name: /^Granted/ }));
  }
  fireEvent.click(screen.getByTestId('mark-ready'));
  expect(screen.getByTestId('ready')).toHaveTextContent('Ready to dig.');
  expect(headOf(job()).clearedOn).toMatch(/^\d{4}-\d\d-\d\d$/);
});

it('days out of reach of the weather office say so; a holiday that is no day is told and kept in its box', () => {
  const { job } = openJob(sample(), <DaysSheet taken={takenOf(sample())} />);
  expect(seen()).toContain('The weather office is out of reach');
  expect(seen()).toContain('The marks are not asked for');
  commit('holidays', '2026-12-25, 2026-13-01');
  expect(seen()).toContain('“2026-13-01” is no day');
  expect(screen.getByTestId('holidays')).toHaveValue('2026-12-25, 2026-13-01');
  commit('holidays', '2027-01-01 2026-12-25');
  expect(headOf(job()).calendar).toEqual({ holidays: ['2026-12-25', '2027-01-01'] });
});

it('a step that is done leaves the days, is kept with its day, and is taken back', () => {
  const { job } = openJob(sample(), <DaysSheet taken={takenOf(sample())} />);
  const kept = () => ofKind(job(), 'step').map(({ of, doneOn }) => [of, typeof doneOn]);
  fireEvent.click(screen.getByTestId('step-setOut'));
  fireEvent.click(screen.getByTestId('done-setOut'));
  expect(kept()).toEqual([['setOut', 'string']]);
  expect(screen.queryByTestId('step-setOut')).toBeNull();
  expect(within(screen.getByTestId('done')).getByText('Come, look for the marks, set out')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Not done yet' }));
  expect(kept()).toEqual([['setOut', 'undefined']]);
  expect(screen.getByTestId('step-setOut')).toBeTruthy();
});

it('by a string line each peg is told, and what is measured down from it is judged', () => {
  const { job } = openJob(sample(), <DigSheet />);
  fireEvent.click(screen.getByRole('radio', { name: 'String line' }));
  commit('dig-string', '4 ft');
  const station = screen.getAllByTestId('dig-station')[0]!;
  // Ground over invert is 1′ less 1 3/8 in of it at the swale: the string stands as much less than 4 ft over the ground.
  expect(station).toHaveTextContent(/String over ground/);
  fireEvent.click(station);
  for (const each of '3.9') press(each, 'button');
  press('Take it', 'button');
  // A tenth of a foot too high.
  expect(screen.getAllByTestId('dig-station')[0]).toHaveTextContent(/1\s1\/4\sin too high/);
  expect(ofKind(job(), 'run').flatMap((run) => run.laid ?? [])).toHaveLength(1);
});

it('an option is kept aside and taken again, each with its price and its verdict', () => {
  const { job } = openJob(sample(), <OptionsSheet />);
  press('Keep it aside, and change a copy', 'button');
  expect(screen.getAllByTestId('option')).toHaveLength(2);
  expect(ofKind(job(), 'variant').map(({ name }) => name)).toEqual(['First plan']);
  press('Take First plan', 'button');
  expect(headOf(job()).option).toBe('First plan');
  expect(ofKind(job(), 'variant').map(({ name }) => name)).not.toContain('First plan');
  expect(job().elements.has('trunkLower')).toBe(true);
});

it('a permit stands in the price by its name, and is charged otherwise, or not at all, by its line', () => {
  const { job } = openJob(sample(), <PriceSheet taken={takenOf(sample())} />);
  commit('extra-name', 'Permit');
  commit('extra-amount', '120');
  expect(headOf(job()).prices?.extras).toEqual([{ name: 'Permit', amount: 12_000 }]);
  const line = screen.getByRole('button', { name: 'Permit: $120.00' });
  fireEvent.click(line);
  commit('price-rate', '');
  expect(headOf(job()).prices?.extras).toEqual([]);
});

it('a supplier’s table with wrong rows takes over the others, and tells each wrong one by its row', async () => {
  const taken = takenOf(sample());
  const [head, first, second] = catalogueTable(sample(), taken) as [string[], string[], string[]];
  const rows = [
    head,
    [...first.slice(0, 3), '9.75', 'USD'],
    [...second.slice(0, 3), 'ask', 'USD'],
    ['glue', '', '', '1', ''],
  ];
  const bytes = Buffer.from(Papa.unparse(rows));
  (pickFile as jest.Mock).mockResolvedValue({ arrayBuffer: () => Promise.resolve(bytes) });
  const { job } = openJob(sample(), <PriceBooks taken={taken} />);
  press('Read a supplier’s prices', 'button');
  await waitFor(() => expect(seen()).toContain('1 price is taken over; 2 could not be:'));
  expect(seen()).toContain('Row 3 has “ask” for a price.');
  expect(seen()).toContain('Row 4 “glue” is no part of this job.');
  expect(Object.keys(headOf(job()).prices!.rates!)).toEqual([first[0]]);
});

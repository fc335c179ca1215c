import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { nameOf, put, type Element, type Fix } from '@katabasis/core';
import { useState } from 'react';
import { findFix } from '../planning/planner';
import { PlannedContext, useJob, usePlanned } from '../planning/useJob';
import { openJob, sampleWith, seen, type Opened } from '../testing/openJob';
import { FixButton } from './FixButton';

jest.mock('../planning/planner', () => ({ ...jest.requireActual('../planning/planner'), findFix: jest.fn() }));

/** What is worked out, given when the test says. */
let found: ((fix: Fix | null) => void)[] = [];
beforeEach(() => {
  found = [];
  jest.mocked(findFix).mockImplementation(() => new Promise((done) => found.push(done)));
});

const renamed = (name: string) => put(name, { ...sampleWith().elements.get('basin')!, name } as Element);
const fixCalled = (label: string): Fix => ({ label, change: renamed(`Basin, after: ${label}`) }) as Fix;
const give = (fix: Fix | null): Promise<void> => act(async () => found.at(-1)!(fix));
const button = (): HTMLElement => screen.getByTestId(/^fix-/);
const tap = (): void => {
  fireEvent.pointerDown(button());
  fireEvent.click(button());
};
const basin = (open: Opened): string => nameOf(open.job(), 'basin');

function First() {
  const { plan } = useJob();
  return <FixButton snag={plan.snags[0]!} instead="Nothing mends this." />;
}

/** A fix that is known, and then being worked out anew as something else was changed. */
async function anew(): Promise<Opened> {
  const open = openJob(sampleWith(), <First />);
  await give(fixCalled('Lay 8 in'));
  act(() => void open.session.edit(renamed('Changed elsewhere')));
  await waitFor(() => expect(found).toHaveLength(2));
  return open;
}

it('a tap while it is worked out anew is kept, and done once it is found to be the same', async () => {
  const open = await anew();
  tap();
  expect(basin(open)).toBe('Changed elsewhere');
  await give(fixCalled('Lay 8 in'));
  expect(basin(open)).toBe('Basin, after: Lay 8 in');
});

it.each([
  ['another', fixCalled('Lay 10 in')],
  ['none', null],
])('where it comes out as %s nothing is done, and it says so', async (_, fix) => {
  const open = await anew();
  tap();
  await give(fix);
  expect(basin(open)).toBe('Changed elsewhere');
  expect(seen()).toContain('nothing was done');
});

it('a tap that was kept is dropped where something else is done before it', async () => {
  const open = await anew();
  tap();
  act(() => void open.session.edit(renamed('Changed again')));
  await waitFor(() => expect(found).toHaveLength(3));
  await give(fixCalled('Lay 8 in'));
  expect(basin(open)).toBe('Changed again');
  expect(seen()).toContain('nothing was done');
});

it('what was read when the finger came down is what is meant', async () => {
  const open = await anew();
  fireEvent.pointerDown(button());
  await give(fixCalled('Lay 10 in'));
  fireEvent.click(button());
  expect(basin(open)).toBe('Changed elsewhere');
  expect(seen()).toContain('nothing was done');
  tap();
  expect(basin(open)).toBe('Basin, after: Lay 10 in');
});

/** Draws what it holds as it was, from when it is told to until it is told to catch up. */
function Behind({ first }: { first: 'behind' | 'along' }) {
  const latest = usePlanned();
  const [held, hold] = useState(first === 'behind' ? latest.made : null);
  const still = { ...latest, latest, made: () => held, previewed: () => held };
  return (
    <PlannedContext value={held ? still : latest}>
      <button onClick={() => hold(latest.made)}>Fall behind</button>
      <button onClick={() => hold(null)}>Catch up</button>
      <First />
    </PlannedContext>
  );
}

it('what is drawn a moment behind does nothing to the job as it is, before it is found for that', async () => {
  const open = openJob(sampleWith(), <Behind first="behind" />);
  await give(fixCalled('Lay 8 in'));
  act(() => void open.session.edit(renamed('Changed elsewhere')));
  tap();
  expect(basin(open)).toBe('Changed elsewhere');
  act(() => screen.getByText('Catch up').click());
  await waitFor(() => expect(found).toHaveLength(2));
  expect(basin(open)).toBe('Changed elsewhere');
  await give(fixCalled('Lay 8 in'));
  expect(basin(open)).toBe('Basin, after: Lay 8 in');
});

it('a tap meant for a state that was worked out before is done, though nothing is sought for it', async () => {
  const open = openJob(sampleWith(), <Behind first="along" />);
  await give(fixCalled('Lay 8 in'));
  act(() => void open.session.edit(renamed('Changed elsewhere')));
  await waitFor(() => expect(found).toHaveLength(2));
  await give(fixCalled('Lay 8 in'));
  act(() => screen.getByText('Fall behind').click());
  act(() => void open.session.undo());
  tap();
  act(() => screen.getByText('Catch up').click());
  await waitFor(() => expect(basin(open)).toBe('Basin, after: Lay 8 in'));
});

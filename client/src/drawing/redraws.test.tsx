/** What makes a tap's picture fast, counted rather than timed: one plan an edit, and only what it changes drawn anew. */
import { put, setInvert, type Job, type Plan, type Run } from '@katabasis/core';
import type * as CoreModule from '@katabasis/core';
import { quillfeather } from '@katabasis/core/samples';
import { largeYard } from '@katabasis/core/trial';
import { act } from '@testing-library/react';
import { drawGlyph } from '../elements';
import { openJob, type Opened } from '../testing/openJob';
import { Descent } from './Descent';

let mockPlans = 0;
jest.mock('@katabasis/core', () => {
  const core = jest.requireActual<typeof CoreModule>('@katabasis/core');
  return {
    ...core,
    planJob: (...given: Parameters<typeof core.planJob>) => {
      mockPlans++;
      return core.planJob(...given);
    },
  };
});

let mockEyes = 0;
jest.mock('./Eye', () => ({
  // Not remembered by what it is given, as the true one is: it counts how often a run's words are drawn.
  Eye: () => {
    mockEyes++;
    return null;
  },
}));

const drawn = (open: Opened, edit: () => void): { eyes: number; plans: number; changed: number } => {
  const [eyes, plans, before] = [mockEyes, mockPlans, open.plan()];
  act(edit);
  return { eyes: mockEyes - eyes, plans: mockPlans - plans, changed: changedRuns(before, open.plan()) };
};

/** Runs of which anything has changed. */
const changedRuns = (before: Plan, after: Plan): number =>
  Object.keys(after.runs).filter((id) => JSON.stringify(before.runs[id]) !== JSON.stringify(after.runs[id])).length;

const sizedTo = (open: Opened, id: string, nominal: number): void => {
  const run = open.job().elements.get(id) as Run;
  open.session.edit(put('Size', { ...run, nominal }));
};

const opened = (job: Job): Opened =>
  openJob(job, <Descent draw={drawGlyph} chosen={null} onChoose={() => undefined} />);

const JOBS: [string, () => Job][] = [
  ['the clinic', quillfeather],
  ['sixty runs', () => largeYard(60, 20)],
];

describe.each(JOBS)('of %s', (_, make) => {
  it('a size is planned once and draws anew no more runs than it changes; undone, nothing is planned again', () => {
    const open = opened(make());
    const all = Object.keys(open.plan().runs).length;
    const branch = open.job().elements.ofKind('run')[0]!;
    const sized = drawn(open, () => sizedTo(open, branch.id, branch.nominal === 0.2032 ? 0.1524 : 0.2032));
    expect(sized.plans).toBe(1);
    expect(sized.eyes).toBeGreaterThan(0);
    expect(sized.eyes).toBeLessThanOrEqual(sized.changed);
    expect(sized.changed).toBeLessThan(all);
    const undone = drawn(open, () => open.session.undo());
    expect(undone.plans).toBe(0);
    expect(undone.eyes).toBeLessThanOrEqual(undone.changed);
  });

  it('a name draws no run anew', () => {
    const open = opened(make());
    const head = open.job().elements.ofKind('job')[0]!;
    expect(drawn(open, () => open.session.edit(put('Name', { ...head, name: 'Another' }))).eyes).toBe(0);
  });

  it('a landing set at its level is one plan', () => {
    const open = opened(make());
    const { from } = open.job().elements.ofKind('run')[0]!;
    const change = setInvert(open.job(), from, open.plan().landings[from]!.invert! - 0.02)!;
    const set = drawn(open, () => open.session.edit(change));
    expect(set.plans).toBe(1);
    expect(set.eyes).toBeLessThanOrEqual(set.changed);
  });
});

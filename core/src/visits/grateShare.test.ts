/** The share of a grate that was shut, read off between storms that were tried. */
import { basin } from '../testing/parts';
import { grateShare, withShut } from './grateShare';
import type { RainExplained } from './rainVisit';

const tried = (share: number, peak: number): RainExplained => ({
  cause: share === 0 ? { kind: 'asPlanned' } : { kind: 'blocked', id: 'basin', share },
  belief: 0,
  peaks: [9, peak],
});
/** In no order, as they are ranked. */
const RANKED = [tried(0.9, 0.08), tried(0, 0.02), tried(1, 0.1), tried(0.4, 0.03), tried(0.7, 0.05)];

it('lies straight between two that were tried, and in a range as wide as a mark is read', () => {
  const found = grateShare(RANKED, 'basin', 1, 0.065)!;
  expect(found.share).toBeCloseTo(0.8, 9);
  expect(found.low).toBeLessThan(0.7);
  expect(found.high).toBeGreaterThan(0.9);
  expect(grateShare(RANKED, 'basin', 1, 0.2)!.share).toBe(1);
  // No deeper than planned, or another's grate: nothing is shut.
  expect(grateShare(RANKED, 'basin', 1, 0.015)).toBeNull();
  expect(grateShare(RANKED, 'other', 1, 0.065)).toBeNull();
});

it('is shut beyond what is counted on: half of what is left of a half is three quarters, and never all', () => {
  expect(withShut(basin({ clogging: 0.5 }), 0.5).clogging).toBe(0.75);
  expect(withShut(basin({ clogging: 0.5 }), 1).clogging).toBe(0.95);
});

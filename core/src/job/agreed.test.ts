import { agreedAltered, isFixed } from './agreed';
import { jobFrom } from './job';
import { FIXED_SORTS, NOTE_SORTS, type Note } from './kinds';

const note = (over: Partial<Note> = {}): Note => ({
  id: 'note',
  kind: 'note',
  sort: 'promise',
  text: 'No machine on the lawn',
  on: '2026-11-10',
  ...over,
});
const TODAY = '2026-11-11';
const altered = (was: Note, puts: Note[], removes: string[] = [], today = TODAY): number =>
  agreedAltered(jobFrom('yard', [was]), { puts, removes }, today).length;

it('what was agreed stays from the next day on; what somebody only saw does not', () => {
  for (const sort of NOTE_SORTS) {
    const fixed = FIXED_SORTS.includes(sort) ? 1 : 0;
    expect(isFixed(note({ sort }), TODAY)).toBe(fixed === 1);
    expect(altered(note({ sort }), [], ['note'])).toBe(fixed);
    expect(altered(note({ sort }), [note({ sort, text: 'Machines anywhere' })])).toBe(fixed);
    expect(altered(note({ sort }), [], ['note'], '2026-11-10')).toBe(0);
  }
});

it('neither its words nor its day, its kind or its price is altered; it is taken back, and follows its thing', () => {
  const extra = note({ sort: 'extra', amount: 25_000 });
  for (const over of [{ text: 'x' }, { on: '2026-11-12' }, { sort: 'seen' as const }, { amount: 1 }, { by: 'Teo' }])
    expect(altered(extra, [{ ...extra, ...over }])).toBe(1);
  const { amount: _, ...free } = extra;
  expect(altered(extra, [free])).toBe(1);
  expect(altered(free, [extra])).toBe(0);
  expect(altered(extra, [{ ...extra, back: TODAY }])).toBe(0);
  expect(altered(extra, [{ ...extra, of: 'basin' }])).toBe(0);
});

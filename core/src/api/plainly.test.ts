import fc from 'fast-check';
import { isJobList, isPlainProblem } from './plainly';
import { jobListSchema, problemSchema } from './wire';

const verdict = { state: 'stop', sentence: 'Line B stops short.', at: 'b1', stops: 1, fixes: 0, minds: 2 };
const row = {
  id: 'j-1',
  name: 'Kennel wing',
  site: '4 Lane',
  client: 'A client',
  state: 'planned',
  date: '2026-11-25',
  units: 'us',
  seq: 3,
  updatedAt: '2026-11-25T10:00:00Z',
  verdict,
  trouble: 'It cannot be read.',
  glance: {
    sketch: { width: 100, height: 40, houses: 'M0 0L1 1Z', ground: '', pipes: 'M0 0L1 1', outs: 'M1 1h0' },
    price: '$4,100',
    days: 3,
    starts: '2026-12-03',
    asks: 2,
  },
};
const list = { jobs: [row, { ...row, verdict: null }], total: 2, next: 'after' };
const problem = {
  type: 'about:blank',
  title: 'What was sent cannot be saved.',
  status: 422,
  detail: 'more',
  faults: [{ path: 'name', sentence: 'is too long' }],
};

/** What may come in a field's place: the kinds of value that JSON knows, and those that lie at an edge. */
const JUNK = [
  null,
  true,
  '',
  'holds',
  'us',
  'agreed',
  0,
  -1,
  2.5,
  1e300,
  2 ** 53,
  NaN,
  Infinity,
  [],
  [null],
  [1],
  {},
  undefined,
];

/** The same with one thing anywhere in it made another, or taken out. */
function changed(value: unknown, picks: number[], junk: unknown): unknown {
  const keys = typeof value === 'object' && value !== null ? Object.keys(value) : [];
  const [pick = 0, ...rest] = picks;
  if (keys.length === 0 || picks.length === 0) return junk;
  const key = keys[pick % keys.length]!;
  const copy = (Array.isArray(value) ? [...(value as unknown[])] : { ...(value as object) }) as Record<string, unknown>;
  copy[key] = changed(copy[key], rest, junk);
  return copy;
}

/** Whether both agree of it, and with how many each; `whole` is one that both take. */
function agreed(
  whole: object,
  plainly: (value: unknown) => boolean,
  schema: { safeParse: (v: unknown) => { success: boolean } },
) {
  expect([plainly(whole), schema.safeParse(whole).success]).toEqual([true, true]);
  const taken = { yes: 0, no: 0 };
  fc.assert(
    fc.property(fc.array(fc.nat(30), { maxLength: 4 }), fc.constantFrom(...JUNK), (picks, junk) => {
      const value = changed(whole, picks, junk);
      const answer = plainly(value);
      expect({ value, taken: answer }).toEqual({ value, taken: schema.safeParse(value).success });
      taken[answer ? 'yes' : 'no']++;
    }),
    { seed: 11, numRuns: 4000, endOnFailure: true },
  );
  return taken;
}

it('a list of jobs is taken without its schema just when the schema takes it', () => {
  const { yes, no } = agreed(list, isJobList, jobListSchema);
  expect(yes).toBeGreaterThan(300);
  expect(no).toBeGreaterThan(2000);
});

it('so is a problem, where it names no conflicts', () => {
  const { yes, no } = agreed(problem, isPlainProblem, problemSchema);
  expect(yes).toBeGreaterThan(300);
  expect(no).toBeGreaterThan(1000);
  expect(isPlainProblem({ ...problem, conflicts: [] })).toBe(false);
});

/** For mutation runs: the same dice every time, and fewer throws. A mutant that only the tenth throw would notice is let live. */
const ROUNDS = 16;

type Rounds = { numRuns?: number; seed?: number } | undefined;
type Assert = (property: unknown, asked?: Rounds) => unknown;
interface FastCheck {
  assert: Assert;
  configureGlobal(asked: { numRuns: number; seed: number }): void;
  default: object;
}

/** However many rounds a test asks for itself, unless it throws the same dice each time and counts on all of its throws. */
jest.mock('fast-check', () => {
  const actual = jest.requireActual<FastCheck>('fast-check');
  actual.configureGlobal({ numRuns: ROUNDS, seed: 20_260 });
  const assert: Assert = (property, asked) =>
    actual.assert(
      property,
      asked?.seed === undefined ? { ...asked, numRuns: Math.min(asked?.numRuns ?? ROUNDS, ROUNDS) } : asked,
    );
  return { __esModule: true, ...actual, assert, default: { ...actual.default, assert } };
});

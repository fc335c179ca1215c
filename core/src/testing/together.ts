/**
 * Every test that judges a mutant, as one file: the core is loaded once, and not once for each of them. What checks a formula by itself
 * comes first, as it is soonest done; what rests on plans already made (searches, parts, prices, days, files) stays out.
 */
import { readdirSync } from 'node:fs';
import { join } from 'node:path';

const SOURCES = join(__dirname, '..');
const FIRST = ['numeric', 'hydraulics', 'network', 'sums', 'inlets', 'snags'];
const LEFT_OUT = [
  ...['design', 'samples', 'trial', 'job', 'units', 'words', 'ground', 'site'],
  ...['price', 'quantities', 'days', 'formats', 'variants', 'field', 'clearances'],
];
/**
 * A room is judged by what reckons with it directly, where only that room is changed: other plans take ten times as long, and would let
 * live what these do.
 */
const OF_ROOM: Readonly<Record<string, readonly string[]>> = {
  hydraulics: ['numeric/', 'hydraulics/', 'network/waterLine', 'sums/', 'inlets/'],
  network: ['numeric/', 'network/', 'sums/', 'plan/planJob', 'plan/rules', 'plan/waterLine'],
  snags: ['snags/', 'plan/rules', 'plan/openings', 'plan/works'],
};
/** Plan the same job over and over to see what is remembered, and not what is reckoned. */
const OF_MEMORY = ['plan/kept.test.ts'];
const asked = Object.entries(OF_ROOM).find(([room]) => process.env.KATABASIS_MUTATED?.includes(`/src/${room}/`))?.[1];

const roomOf = (path: string): string => path.split('/')[0]!;
const rank = (path: string): number => FIRST.indexOf(roomOf(path)) + 1 || FIRST.length + 1;

const isAsked = (path: string): boolean =>
  asked ? asked.some((start) => path.startsWith(start)) : !LEFT_OUT.includes(roomOf(path)) && !OF_MEMORY.includes(path);

const files = readdirSync(SOURCES, { recursive: true, encoding: 'utf8' })
  .filter((path) => path.endsWith('.test.ts') && isAsked(path))
  .sort((a, b) => rank(a) - rank(b) || a.localeCompare(b));

type Body = ((...args: unknown[]) => unknown) | undefined;
let killed = false;

/** A mutant is known by the first test that fails: the rest are passed over. */
const untilKilled =
  (body: Body) =>
  (...args: unknown[]): unknown => {
    if (killed) return undefined;
    const fail = (error: unknown): never => {
      killed = true;
      throw error;
    };
    try {
      const given = body?.(...args);
      return given instanceof Promise ? given.catch(fail) : given;
    } catch (error) {
      return fail(error);
    }
  };

/** Tests that count how often something came up in their many rounds, and in few it does not; and whole searches, which rest on what they plan with. */
const PASSED_OVER = [
  /^says how far before the end the fall runs out/,
  /^what is told to be covered/,
  /^sizes the sample/,
];

const plain = globalThis.it;
const each =
  (table: readonly unknown[]) =>
  (name: string, body: Body): void =>
    plain.each(table)(name, untilKilled(body) as () => void);
globalThis.it = Object.assign(
  (name: string, body?: Body) =>
    (PASSED_OVER.some((each) => each.test(name)) ? plain.skip : plain)(name, untilKilled(body) as () => void),
  {
    each,
  },
) as unknown as jest.It;

// Two files may name a test alike.
for (const path of files) describe(path, () => void jest.requireActual(join(SOURCES, path)));

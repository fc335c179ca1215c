/** One formula that can be checked by itself: named fields in SI in, named fields in SI out. */
import { z } from 'zod';
import { issueSentence } from '../job/faults';

export interface Field {
  schema: z.ZodType;
  unit: string;
}

export interface Sum {
  name: string;
  source: string;
  fields: Record<string, Field>;
  /** Fields that come out, with their units. */
  gives: Record<string, string>;
  run(given: never): object;
}

export interface SumError {
  /** `unknownSum`, `badField` or `badNetwork`. */
  name: string;
  field: string;
  sentence: string;
}

export type SumResult = { ok: true; out: object } | { ok: false; error: SumError };

/** A fault in what was given that no schema can see. */
export class BadGiven extends Error {
  readonly field: string;

  constructor(field: string, sentence: string) {
    super(sentence);
    this.field = field;
  }
}

/** A sum whose `run` takes just what its fields say. */
export function sum<T>(
  name: string,
  source: string,
  fields: Record<string, Field>,
  gives: Record<string, string>,
  run: (given: T) => object,
): Sum {
  return { name, source, fields, gives, run: run as Sum['run'] };
}

/** What was given, if its lists are all as long as the first of them. */
export function evenly<T extends object>(given: T, first: keyof T & string, ...others: (keyof T & string)[]): T {
  const lengthOf = (name: keyof T): number => (given[name] as readonly unknown[]).length;
  for (const name of others)
    if (lengthOf(name) !== lengthOf(first))
      throw new BadGiven(name, `must be as many as the ${first}, ${lengthOf(first)}`);
  return given;
}

/** A field without its unit is taken as a pure number. */
export const field = (schema: z.ZodType, unit = '–'): Field => ({ schema, unit });

export const positive = z.number().gt(0).max(1e9);
export const notNegative = z.number().min(0).max(1e12);
export const anyNumber = z.number().min(-1e9).max(1e9);
export const share = z.number().min(0).max(1);
export const rising = z
  .array(z.number().min(0))
  .min(1)
  .max(100_000)
  .refine((values) => values.every((value, k) => k === 0 || value > values[k - 1]!), {
    error: 'must rise from each to the next',
  });

/** Works out a sum. Never throws and never gives NaN: what cannot be is named with its field. */
export function workOut(sums: ReadonlyMap<string, Sum>, name: unknown, given: unknown): SumResult {
  const no = (error: SumError): SumResult => ({ ok: false, error });
  const sum = typeof name === 'string' ? sums.get(name) : undefined;
  if (!sum)
    return no({
      name: 'unknownSum',
      field: 'sum',
      sentence: `there is no sum called ${JSON.stringify(name) ?? 'nothing'}`,
    });
  const parsed = z
    .strictObject(Object.fromEntries(Object.entries(sum.fields).map(([key, { schema }]) => [key, schema])))
    .safeParse(given, { reportInput: true });
  if (!parsed.success) {
    const issue = parsed.error.issues[0]!;
    const path = issue.code === 'unrecognized_keys' ? issue.keys[0]! : issue.path.join('.');
    return no({ name: 'badField', field: path || 'in', sentence: issueSentence(issue) });
  }
  try {
    const out = sum.run(parsed.data as never);
    const odd = oddNumber(out);
    return odd === null
      ? { ok: true, out }
      : no({ name: 'badField', field: odd, sentence: 'comes to no finite number with what was given' });
  } catch (error) {
    if (error instanceof BadGiven) return no({ name: 'badField', field: error.field, sentence: error.message });
    throw error;
  }
}

/** Path of the first number that is not finite; null when all are. */
function oddNumber(value: unknown, path = ''): string | null {
  if (typeof value === 'number') return Number.isFinite(value) ? null : path;
  if (typeof value !== 'object' || value === null) return null;
  for (const [key, inner] of Object.entries(value)) {
    const odd = oddNumber(inner, path === '' ? key : `${path}.${key}`);
    if (odd !== null) return odd;
  }
  return null;
}

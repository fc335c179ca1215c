/** Values to check the sums against: published, analytic, or computed apart from this project. */
import { sumOf } from '../sums';
import cases from './cases.json';

export interface Case {
  sum: string;
  in: object;
  out: Record<string, unknown>;
  /** Relative. */
  tolerance: number;
  source: string;
}

export const CASES = cases as unknown as Case[];

export interface Checked {
  quantity: string;
  wanted: number | string | boolean;
  got: unknown;
  /** Relative for numbers, against the greater of the value and a billionth; 0 or 1 for words. */
  difference: number;
}

interface Level {
  id: string;
  level: number;
}

/** A sum's result in the words of the cases: the depth at a channel's closed end, a water line's levels by node. */
function asCase(out: Record<string, unknown>): Record<string, unknown> {
  const depths = out.depths as number[] | undefined;
  const nodes = out.nodes as Level[] | undefined;
  return {
    ...out,
    ...(depths ? { upstreamDepth: depths[0] } : {}),
    ...(nodes
      ? {
          levels: Object.fromEntries(nodes.map(({ id, level }) => [id, level])),
          flows: (out.runs as { flow: number }[]).map(({ flow }) => flow),
        }
      : {}),
  };
}

function compare(quantity: string, wanted: unknown, got: unknown): Checked[] {
  if (typeof wanted === 'object' && wanted !== null) {
    const many = Array.isArray(wanted)
      ? compare(`${quantity}.length`, wanted.length, (got as unknown[] | undefined)?.length)
      : [];
    return [
      ...many,
      ...Object.entries(wanted).flatMap(([key, inner]) =>
        compare(`${quantity}.${key}`, inner, (got as Record<string, unknown> | undefined)?.[key]),
      ),
    ];
  }
  const difference =
    typeof wanted === 'number'
      ? Math.abs((got as number) - wanted) / Math.max(Math.abs(wanted), 1e-9)
      : got === wanted
        ? 0
        : 1;
  return [
    { quantity, wanted: wanted as Checked['wanted'], got, difference: Number.isNaN(difference) ? 1 : difference },
  ];
}

/** Every quantity that a case gives, beside ours. */
export function check(each: Case): Checked[] {
  const result = sumOf(each.sum, each.in);
  const out = result.ok ? asCase(result.out as Record<string, unknown>) : {};
  return Object.entries(each.out).flatMap(([key, wanted]) => compare(key, wanted, out[key]));
}

/** The bench of sums: every formula, reachable by name. */
import { formulaSums } from './formulas';
import { layoutSums } from './layout';
import { networkSums } from './network';
import { siteSums } from './site';
import { stormSums } from './storm';
import { workSums } from './works';
import { workOut, type Sum, type SumResult } from './sum';

export type { Sum, SumError, SumResult } from './sum';

export const SUMS: ReadonlyMap<string, Sum> = new Map(
  [...formulaSums, ...networkSums, ...siteSums, ...workSums, ...stormSums, ...layoutSums].map((sum) => [sum.name, sum]),
);

export const sumOf = (name: unknown, given: unknown): SumResult => workOut(SUMS, name, given);

/** JSON has no NaN and no infinity; written all the same, they are read as no number, so that the fault is named with its field. */
export function readGiven(text: string): unknown {
  return JSON.parse(
    text.replace(/("(?:[^"\\]|\\.)*")|-?\b(?:NaN|Infinity)\b/g, (_all, quoted: string | undefined) => quoted ?? 'null'),
  );
}

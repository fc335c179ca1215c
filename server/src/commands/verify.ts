/** Writes the table of docs/verification.md anew from the tests' own cases; what stands above its marker is kept. */
import { CASES, check } from '@katabasis/core/verification';
import { writeBelow } from './below';

const shown = (value: unknown): string =>
  typeof value === 'number' ? String(Number(value.toPrecision(7))) : String(value);

function rows(): string[] {
  return CASES.flatMap((each, index) =>
    check(each).map(
      ({ quantity, wanted, got, difference }) =>
        `| ${index + 1} | ${each.sum} | ${quantity} | ${shown(wanted)} | ${shown(got)} | ${difference === 0 ? '0' : difference.toExponential(1)} | ${each.source.replaceAll('|', '/')} |`,
    ),
  );
}

function main(): number {
  const table = rows();
  const missed = CASES.filter((each) => check(each).some(({ difference }) => difference > each.tolerance)).length;
  const head = [
    `${CASES.length} cases, ${table.length} quantities, ${missed} outside their tolerance. SI units; the difference is relative.`,
    '',
    '| case | sum | quantity | published or analytic | ours | difference | source |',
    '|---|---|---|---|---|---|---|',
  ];
  writeBelow('verification.md', 'verify', [...head, ...table]);
  console.log(`${CASES.length} cases, ${missed} outside their tolerance`);
  return missed === 0 ? 0 : 1;
}

process.exitCode = main();

/** The bench of sums: `NAME '{json}'`, `--batch FILE` with one {"sum", "in"} a line, or `--list`. SI in and out. */
import { readGiven, sumOf, SUMS, type SumResult } from '@katabasis/core/sums';
import { readText } from './readText';

const printable = (result: SumResult): string => JSON.stringify(result.ok ? result.out : { error: result.error });

function list(): void {
  for (const { name, fields, gives, source } of SUMS.values()) {
    console.log(
      `${name}\n  in:     ${Object.entries(fields)
        .map(([field, { unit }]) => `${field} (${unit})`)
        .join(', ')}\n  out:    ${Object.entries(gives)
        .map(([field, unit]) => `${field} (${unit})`)
        .join(', ')}\n  source: ${source}`,
    );
  }
}

function batchLine(line: string): SumResult {
  try {
    const given = readGiven(line) as { sum?: unknown; in?: unknown } | null;
    return sumOf(given?.sum, given?.in);
  } catch (error) {
    return { ok: false, error: { name: 'notJson', field: 'line', sentence: (error as Error).message } };
  }
}

function batch(path: string | undefined): number {
  const text = readText(path, 'say which file to read: --batch FILE');
  if (text === null) return 2;
  const lines = text.replace(/\r?\n$/, '').split(/\r?\n/);
  if (text.trim() !== '') process.stdout.write(`${lines.map((line) => printable(batchLine(line))).join('\n')}\n`);
  return 0;
}

function one(name: string | undefined, text: string | undefined): number {
  let result: SumResult;
  try {
    result = sumOf(name, text === undefined ? undefined : readGiven(text));
  } catch (error) {
    result = { ok: false, error: { name: 'notJson', field: 'in', sentence: (error as Error).message } };
  }
  console.log(printable(result));
  if (result.ok) return 0;
  console.error(`${result.error.field}: ${result.error.sentence}`);
  return 2;
}

function main([first, second]: string[]): number {
  if (first === '--list') {
    list();
    return 0;
  }
  return first === '--batch' ? batch(second) : one(first, second);
}

process.exitCode = main(process.argv.slice(2));

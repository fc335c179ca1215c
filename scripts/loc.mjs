// Lines of code that are not blank, by part, and the share that is tests.
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './lib/run.mjs';

const files = execFileSync('git', ['ls-files', '-co', '--exclude-standard'], { cwd: ROOT, encoding: 'utf8' })
  .split('\n')
  .filter((name) => /\.(ts|tsx|mjs|cjs|js|sql)$/.test(name));
const parts = new Map();
let tests = 0;
let all = 0;
for (const name of files) {
  const lines = readFileSync(join(ROOT, name), 'utf8')
    .split('\n')
    .filter((line) => line.trim() !== '').length;
  const isTest = /\.test\.tsx?$|^e2e\/|\/testing\//.test(name);
  const part = name.includes('/') ? name.split('/')[0] : 'root';
  const row = parts.get(part) ?? { code: 0, tests: 0 };
  row[isTest ? 'tests' : 'code'] += lines;
  parts.set(part, row);
  all += lines;
  if (isTest) tests += lines;
}
for (const [part, row] of parts)
  console.log(`${part.padEnd(10)} code ${String(row.code).padStart(6)}  tests ${String(row.tests).padStart(6)}`);
console.log(`all        ${all} lines, ${((100 * tests) / all).toFixed(1)}% of them tests`);

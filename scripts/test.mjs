// Everything that must hold: types, lint, architecture, that it builds, unit tests, end-to-end tests. The last line counts them.
import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { runAside, runBin } from './lib/run.mjs';
import { attempt, ensureCaddy, ensureChromium, ensureInstalled } from './lib/setup.mjs';

const reports = mkdtempSync(join(tmpdir(), 'katabasis-test-'));
const count = { passed: 0, failed: 0 };

const CHECKS = [
  ['the application, built for the end-to-end tests', 'scripts/build.mjs', ['--if-stale']],
  ['lint', 'eslint', ['.']],
  ['types', 'tsc', ['-p', '.']],
  ['layout of the code', 'prettier', ['--check', '--log-level', 'warn', '.']],
  ['nothing unused', 'knip', []],
  ['architecture', 'depcruise', ['--config', '.dependency-cruiser.cjs', 'core/src', 'server/src', 'client/src']],
];

/** Each check keeps one core busy: two at a time. */
async function checks() {
  const waiting = [...CHECKS];
  const next = async () => {
    for (let each = waiting.shift(); each; each = waiting.shift()) {
      const [name, bin, args] = each;
      const started = Date.now();
      const { code, said } = await runAside(bin, args);
      if (code !== 0) console.log(said);
      console.log(`${code === 0 ? 'pass' : 'FAIL'}  ${name}, ${((Date.now() - started) / 1000).toFixed(0)} s`);
      if (code === 0) count.passed++;
      else count.failed++;
    }
  };
  await Promise.all([next(), next()]);
}

/** Runs a test runner that writes a report, and adds what the report counts. A runner that dies without one is a failure. */
function suite(name, bin, args, read, env = {}) {
  const started = Date.now();
  const code = runBin(bin, args, { env });
  let told = { passed: 0, failed: 1 };
  try {
    told = read();
  } catch {
    console.log(`${name} left no report.`);
  }
  if (code !== 0 && told.failed === 0) told.failed = 1;
  console.log(
    `${told.failed === 0 ? 'pass' : 'FAIL'}  ${name}: ${told.passed} passed, ${told.failed} failed, ${((Date.now() - started) / 1000).toFixed(0)} s`,
  );
  count.passed += told.passed;
  count.failed += told.failed;
}

const json = (file) => JSON.parse(readFileSync(join(reports, file), 'utf8'));

attempt(() => ensureInstalled());
await checks();
attempt(() => {
  suite('unit tests', 'jest', ['--ci', '--json', `--outputFile=${join(reports, 'unit.json')}`], () => {
    const { numPassedTests, numFailedTests, numFailedTestSuites } = json('unit.json');
    return { passed: numPassedTests, failed: numFailedTests || numFailedTestSuites };
  });
  const chromium = ensureChromium();
  // Without it what is tried over https is left out, and said so.
  if (ensureCaddy() === null) console.error('Caddy cannot be had here: nothing is tried over https.');
  suite(
    'end-to-end tests',
    'playwright',
    ['test'],
    () => {
      const { stats } = json('e2e.json');
      return { passed: stats.expected + stats.flaky, failed: stats.unexpected };
    },
    { KATABASIS_CHROMIUM: chromium, PLAYWRIGHT_JSON_OUTPUT_NAME: join(reports, 'e2e.json') },
  );
});

console.log(`${count.passed} passed, ${count.failed} failed`);
process.exit(count.failed === 0 ? 0 : 1);

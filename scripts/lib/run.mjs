/** Running other programs: everything they say goes to standard error unless asked for, so that a command's own output stays clean. */
import { spawn, spawnSync } from 'node:child_process';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..', '..');

/** Runs to the end; gives the exit code. `quiet` sends standard output to standard error. */
export function run(command, args, { quiet = false, cwd = ROOT, env = {} } = {}) {
  const done = spawnSync(command, args, {
    cwd,
    env: { ...process.env, ...env },
    stdio: ['ignore', quiet ? 2 : 'inherit', 'inherit'],
  });
  return done.status ?? 1;
}

/** Runs a program of this project's packages. */
export const runBin = (name, args, options) => run(process.execPath, [binPath(name), ...args], options);

/** A program of a package, or a script of ours, without waiting: gives its exit code and, where it failed, all that it said. */
export const runAside = (name, args) =>
  new Promise((resolve) => {
    const file = name.endsWith('.mjs') ? join(ROOT, name) : binPath(name);
    const child = spawn(process.execPath, [file, ...args], { cwd: ROOT, stdio: ['ignore', 'pipe', 'pipe'] });
    let said = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (said += String(chunk)));
    child.on('close', (code) => resolve({ code: code ?? 1, said }));
  });

const BINS = {
  prettier: 'prettier/bin/prettier.cjs',
  knip: 'knip/bin/knip.js',
  stryker: '@stryker-mutator/core/bin/stryker.js',
  tsc: 'typescript/bin/tsc',
  eslint: 'eslint/bin/eslint.js',
  depcruise: 'dependency-cruiser/bin/dependency-cruise.mjs',
  jest: 'jest/bin/jest.js',
  playwright: '@playwright/test/cli.js',
  expo: 'expo/bin/cli',
};

export const binPath = (name) => join(ROOT, 'node_modules', BINS[name]);

/** Where the server and the commands lie as they are run. */
export const BUNDLES = join(ROOT, 'server', 'dist');

/** Starts a bundled program and hands it our signals; ends with its exit code. */
export function become(name, args = [], env = {}) {
  const child = spawn(process.execPath, ['--enable-source-maps', join(BUNDLES, `${name}.mjs`), ...args], {
    cwd: process.env.INIT_CWD ?? ROOT,
    env: { ...process.env, ...env },
    stdio: 'inherit',
  });
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal));
  child.on('exit', (code, signal) => process.exit(code ?? (signal ? 1 : 0)));
}

// Changes the heart of the core in every small way there is and tells which changes no test noticed. Hours for all of it; a path after -- takes only that.
import { runBin } from './lib/run.mjs';
import { attempt, ensureInstalled } from './lib/setup.mjs';

attempt(() => {
  ensureInstalled();
  const [path] = process.argv.slice(2);
  if (path) process.env.KATABASIS_MUTATED = path;
  process.exit(
    runBin('stryker', [
      'run',
      'stryker.config.mjs',
      ...(path ? ['--mutate', `${path},!**/*.test.ts,!**/index.ts`] : []),
    ]),
  );
});

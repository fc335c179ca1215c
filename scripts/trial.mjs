// Random jobs planned, mended and sized, each judged by a walk that knows nothing of the rules: `npm run trial -- 500`, `-- 500 1000` from seed 1000 on.
import { become } from './lib/run.mjs';
import { attempt, ensureInstalled } from './lib/setup.mjs';

attempt(() => {
  ensureInstalled();
  become('core/src/trial/command.ts', process.argv.slice(2));
});

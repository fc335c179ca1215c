// Tries the server: killed at random moments, sent what no honest client sends, changed by many at once. A number after -- is how many kills.
import { become } from './lib/run.mjs';
import { attempt, ensureInstalled } from './lib/setup.mjs';

attempt(() => {
  ensureInstalled();
  become('server/src/commands/trialServer.ts', process.argv.slice(2));
});

/** Where a server keeps its things: all in one data folder. */
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..', '..');

export interface Paths {
  folder: string;
  database: string;
  files: string;
  backups: string;
  /** Key of the server's own machine, and who was shut out. */
  key: string;
  withdrawn: string;
  /** File by which the database is known to be the one worked on here last. */
  note: string;
  /** All lives of the database that are known here, one that no copy has among them. */
  epochs: string;
}

/** Paths by KATABASIS_DATA and KATABASIS_SAMPLES: demo data is in a database of its own. */
export function pathsOf(env: NodeJS.ProcessEnv): Paths {
  const folder = env.KATABASIS_DATA ?? join(ROOT, 'data');
  const stem = env.KATABASIS_SAMPLES ? 'demo' : 'katabasis';
  return {
    folder,
    database: join(folder, `${stem}.sqlite`),
    key: join(folder, 'own-key'),
    withdrawn: join(folder, 'withdrawn'),
    note: join(folder, `${stem}.note`),
    epochs: join(folder, `${stem}.epochs`),
    files: join(folder, 'files'),
    backups: join(folder, 'backups'),
  };
}

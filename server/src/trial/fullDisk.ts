/** Fills the disk under a server, by a limit on the database's size, and looks whether what it acknowledged is there and nothing else. */
import { jobFrom, type Element } from '@katabasis/core';
import { openDatabase } from '../database';
import { ProblemError } from '../http/problem';
import { JobStore } from '../jobs/store';
import { countOf, HEAD, junction } from './yard';

export interface FullDiskFigures {
  acknowledged: number;
  /** Refused because nothing more fitted. */
  refused: number;
  /** Acknowledged and not there, or there and not acknowledged: must be none. */
  wrong: number;
}

/** Rounds in which the disk fills and is given some room again. */
const ROUNDS = 20;
const PAGES_MORE = 4;

export function fullDiskTrial(file: string): FullDiskFigures {
  const db = openDatabase(file);
  const store = new JobStore(db);
  store.create(jobFrom('full', [HEAD, junction('a', 0)]));
  const figures: FullDiskFigures = { acknowledged: 0, refused: 0, wrong: 0 };
  let count = 0;
  let version = 1;
  for (let round = 0; round < ROUNDS; round++) {
    db.pragma(`max_page_count = ${(db.pragma('page_count', { simple: true }) as number) + PAGES_MORE}`);
    for (let full = false; !full;) {
      const element = { ...junction('a', count + 1) } as Element;
      const change = `change-${round}-${figures.acknowledged}-${figures.refused}`;
      try {
        const reply = store.change('full', {
          change,
          label: 'Count on',
          puts: [{ base: version, element }],
          removes: [],
        });
        version = reply.versions.a!;
        count++;
        figures.acknowledged++;
      } catch (error) {
        if (error instanceof ProblemError || (error as { code?: string }).code !== 'SQLITE_FULL') throw error;
        full = true;
        figures.refused++;
      }
    }
    // Read anew, as after a restart: memory must not have run ahead of the disk.
    for (const each of [store, new JobStore(db)])
      if (countOf(each.job('full').elements.get('a')!) !== count) figures.wrong++;
  }
  db.close();
  return figures;
}

/** Swales and berms drawn on measured ground, watched while it rains: how near the water comes to running over them. */
import { cellsAlong } from '../../ground/grid';
import { around } from '../../ground/ponds';
import { ofKind, type Job } from '../../job/job';
import { isGround } from '../ground/groundFaces';
import type { JobGround } from '../ground/groundOfJob';

/** Shallower than so nothing stands, m. */
const WET = 0.002;

export interface BankWatched {
  id: string;
  /** Least from the water up to its bank or crest so far, m, less than 0 over it; null while none has come; and when, s. */
  left: number | null;
  at: number;
}

interface Bank extends BankWatched {
  cells: readonly number[];
  /** Height of the bank over a cell's own ground, m. */
  over: (cell: number) => number;
}

export class Banks {
  private readonly banks: readonly Bank[];

  constructor(
    job: Job,
    private readonly ground: JobGround | null,
  ) {
    this.banks = ground ? [...swalesOn(job, ground), ...bermsOn(job, ground)] : [];
  }

  note(time: number): void {
    const depth = this.ground?.flow.depth;
    for (const bank of this.banks)
      for (const at of bank.cells) {
        if (!(depth![at]! > WET)) continue;
        const left = bank.over(at) - depth![at]!;
        if (bank.left === null || left < bank.left) [bank.left, bank.at] = [left, time];
      }
  }

  get told(): BankWatched[] {
    return this.banks.map(({ id, left, at }) => ({ id, left, at }));
  }
}

const swalesOn = (job: Job, ground: JobGround): Bank[] =>
  ofKind(job, 'swale').flatMap(({ id, way, depth, headLevel, footLevel }) => {
    if (!way || headLevel === undefined || footLevel === undefined) return [];
    const cells = [...new Set(cellsAlong(ground.grid, way))].filter((at) => isGround(ground.grid, at));
    return cells.length > 0 ? [{ id, left: null, at: 0, cells, over: () => depth }] : [];
  });

/** What stands beside a berm: on ground that is higher than its crest nothing is held by it. */
const bermsOn = (job: Job, ground: JobGround): Bank[] =>
  ofKind(job, 'berm').flatMap(({ id, way, footLevel, height }) => {
    if (!way) return [];
    const { levels } = ground.grid;
    const own = new Set(cellsAlong(ground.grid, way));
    const crest = footLevel + height;
    const beside = [...own].flatMap((at) => around(ground.grid, at));
    const cells = [...new Set(beside)].filter((at) => !own.has(at) && isGround(ground.grid, at) && levels[at]! < crest);
    return cells.length > 0 ? [{ id, left: null, at: 0, cells, over: (at: number) => crest - levels[at]! }] : [];
  });

/** What joins one pipe to the next of another make, size or wall. */
import type { Run } from '../job/kinds';

const CORRUGATED = new Set<Run['material']>(['singleWall', 'flexible', 'doubleWall']);

export interface Joint {
  /** Between two makes; null where both are of one. */
  makes: 'boot' | 'coupler' | 'adapter' | null;
  /** From a smaller pipe into a larger one. */
  increases: boolean;
  /** From pipe that takes water in to pipe that does not, or back. */
  wall: boolean;
}

/** What of a pipe tells how it is joined. */
export type Piece = Pick<Run, 'material' | 'nominal' | 'old' | 'perforated'>;

/** The joint between a pipe and the one that it comes into. */
export function jointOf(above: Piece, below: Piece): Joint {
  const old = [above, below].some(({ material, old: was }) => material === 'clay' || was !== undefined);
  return {
    makes:
      above.material === below.material
        ? null
        : old
          ? 'boot'
          : CORRUGATED.has(above.material) === CORRUGATED.has(below.material)
            ? 'coupler'
            : 'adapter',
    increases: above.nominal < below.nominal - 1e-6,
    wall: (above.perforated ?? false) !== (below.perforated ?? false),
  };
}

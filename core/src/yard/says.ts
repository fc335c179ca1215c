/** What the ground says, all at once: where the next level is wanted, what was seen beside what the levels hold, and how it falls from walls. */
import { guessedFrom, isGuessed } from '../ground/contours';
import { placeOf } from '../ground/grid';
import type { Pond } from '../ground/ponds';
import { ofKind, type Job, keeping } from '../job/job';
import type { Place } from '../site/place';
import { slopesAway, type SlopeAway } from './diagnosis';
import { groundOf } from './ground';
import { nextLevels, type NextLevel } from './nextLevel';
import { seenOf, unseenPonds, type Seen } from './seen';
import { yardWater } from './water';

/** Ground falls away from a wall by this in its first 10 ft, m: 6 in. */
export const FALL_ASKED = 0.1524;
/** What a rod reading cannot tell, m. */
const AS_READ = 0.005;

export interface GroundSays {
  /** Levels that stand on the plan, and whether they make ground. */
  levels: number;
  ground: boolean;
  /** From how far apart levels leave the ground between them to a guess, m; null where none stand so. */
  guessedFrom: number | null;
  next: readonly NextLevel[];
  seen: readonly Seen[];
  /** Ponds by the levels that nobody has seen. */
  unseen: readonly { pond: Pond; place: Place }[];
  /** Walls from which the ground falls too little, or toward them. */
  walls: readonly (SlopeAway & { name: string })[];
}

export function groundSays(given: Job): GroundSays {
  const job = keeping(given);
  const { points, surface } = groundOf(job);
  const water = yardWater(job);
  if (!water)
    return { levels: points.length, ground: false, guessedFrom: null, next: [], seen: [], unseen: [], walls: [] };
  return {
    levels: points.length,
    ground: true,
    guessedFrom: surface && isGuessed(surface) ? guessedFrom(surface) : null,
    next: nextLevels(job),
    seen: seenOf(job),
    unseen: unseenPonds(job).map((pond) => ({ pond, place: placeOf(water.grid, pond.deepest) })),
    walls: ofKind(job, 'building').flatMap(({ name, outline }) =>
      outline
        ? slopesAway(job, outline)
            .filter(({ fall }) => fall < FALL_ASKED - AS_READ)
            .map((each) => ({ ...each, name }))
        : [],
    ),
  };
}

/** Pipes that come to a landing and the one that leaves it, with how each turns there. */
import type { BuildWays } from '../job/buildWays';
import { ofKind, type Job } from '../job/job';
import { isLaid, type Landing, type Run } from '../job/kinds';
import { placeOfLanding } from '../job/places';
import type { Piece } from '../network/joints';
import { step, type Kept } from '../numeric/kept';
import { bearing, type Place } from '../site/place';
import { turnBetween } from './turns';

export interface PipesAt {
  above: readonly Run[];
  below: Run | undefined;
  /** How each of those above turns into the one below, rad; null off the plan. */
  turns: readonly (number | null)[];
}

/** A landing with all that what is set there rests on. */
export interface At<L extends Landing> {
  landing: L;
  pipes: PipesAt;
  /** Lowest that its pipe lies at, m; null where it has none. */
  invert: number | null;
  ways: BuildWays;
  /** Whether paving sheds to it, and whether its floor lets water into the ground. */
  paved: boolean;
  weeps: boolean;
}

/** What comes in at a landing: a run, or the pipe of what the landing itself is. */
export type Arriving = Run | (Piece & { parallel?: number | undefined });
export const isRun = (piece: Arriving): piece is Run => 'id' in piece;

/** How a pipe turns from where it comes in to where the next leaves, rad; null off the plan. */
export function turnInto({ above, turns }: PipesAt, piece: Arriving): number | null {
  return isRun(piece) ? (turns[above.findIndex(({ id }) => id === piece.id)] ?? null) : null;
}

/** A run with the directions that it leaves its head in and comes to its foot in, rad from north; null off the plan. */
interface Drawn {
  run: Run;
  head: number | null;
  foot: number | null;
}

interface Ends {
  run: Run;
  from: Place | undefined;
  to: Place | undefined;
}

const drawn = step('a run as drawn', ({ run, from, to }: Ends): Drawn => {
  if (!from || !to) return { run, head: null, foot: null };
  const bends = run.bends ?? [];
  return { run, head: bearing(from, bends[0] ?? to), foot: bearing(bends.at(-1) ?? from, to) };
});

/** The one that leaves, how many come in, and those by their place: what is read is compared by the fields of the newer one. */
interface Meeting {
  below: Drawn | undefined;
  comes: number;
  [above: number]: Drawn;
}

const pipesAt = step('pipes at a landing', (meeting: Meeting): PipesAt => {
  const { below, comes } = meeting;
  const above = Array.from({ length: comes }, (_, k) => meeting[k]!);
  const turnOf = (foot: number | null): number | null =>
    foot === null || !below || below.head === null ? null : turnBetween(foot, below.head);
  return { above: above.map(({ run }) => run), below: below?.run, turns: above.map(({ foot }) => turnOf(foot)) };
});

const ALONE: Meeting = { below: undefined, comes: 0 };

/** Pipes at each of some landings, in their order: the same object for as long as nothing about them changes. */
export function pipesAtEach(job: Job, landings: readonly Landing[], kept: Kept): PipesAt[] {
  const places = new Map(landings.map((landing) => [landing.id, placeOfLanding(landing)]));
  const meetings = new Map<string, Meeting>();
  const at = (id: string): Meeting => {
    const known = meetings.get(id);
    if (known) return known;
    const first = { ...ALONE };
    meetings.set(id, first);
    return first;
  };
  const runs = ofKind(job, 'run');
  const drawnAt = kept.row(drawn, runs);
  runs.forEach((run, k) => {
    if (!isLaid(run)) return;
    const each = drawnAt(k, { run, from: places.get(run.from), to: places.get(run.to) });
    at(run.from).below = each;
    const there = at(run.to);
    there[there.comes++] = each;
  });
  const asked = kept.row(pipesAt, landings);
  return landings.map(({ id }, k) => asked(k, meetings.get(id) ?? ALONE));
}

/** What a finger has come down on in a proposed plan: a line or a fitting that it holds, or any place; and what lines by another way would be. */
import type { Place } from '@katabasis/core';
import type { Grip, Moved } from '@katabasis/core/proposals';
import { useRef, useState } from 'react';
import { drawnStraight, gripAt, lookThrough, moveLines } from '../../../planning/proposals';
import type { LookedAt, ProposalTold } from '../../../planning/proposals.worker';

export interface Touched {
  place: Place;
  /** What is held, where it is now; null of a place by itself. */
  held: Grip | null;
  /** Null while it is held where it lies. */
  looked: LookedAt | null;
  /** It is moved, and not let go yet. */
  isMoving: boolean;
}

export interface Touching {
  touched: Touched | null;
  /** A tap at a place; `reach`: how near a line is meant, m. */
  tap: (place: Place, reach: number) => Promise<void>;
  /** What is held is moved to a place; `done`: let go there. */
  moveTo: (place: Place, done: boolean) => Promise<void>;
  straighten: () => Promise<void>;
  /** Takes lines as they are looked at. */
  take: () => Promise<void>;
  letGo: () => void;
  /** A plan is worked out anew. */
  isBusy: boolean;
}

export function useTouched({ aim }: ProposalTold, onMoved: (proposal: ProposalTold, moved: Moved) => void): Touching {
  const [touched, setTouched] = useState<Touched | null>(null);
  const [isBusy, setBusy] = useState(false);
  /** While one place is looked at, the last that the finger has come to since. */
  const looking = useRef<{ next: Place | null } | null>(null);

  const tap = async (place: Place, reach: number): Promise<void> => {
    const grip = await gripAt(aim, place);
    if (grip && grip.away <= reach) return setTouched({ place: grip.at, held: grip, looked: null, isMoving: false });
    const looked = await lookThrough(aim, place, null);
    setTouched({ place, held: null, looked, isMoving: false });
  };
  const take = async (looked: LookedAt | null): Promise<void> => {
    if (!looked?.through) return;
    const { id, place, ways } = looked.through;
    setBusy(true);
    const moved = await moveLines(aim, [{ id, place, ways }]);
    setBusy(false);
    setTouched(null);
    if (moved) onMoved(moved, { id, place, ways });
  };
  const moveTo = async (place: Place, done: boolean): Promise<void> => {
    const held = touched?.held;
    if (!held) return;
    if (done) {
      looking.current = null;
      const looked = await lookThrough(aim, place, held.id);
      // What bars it is told, and nothing is moved.
      if (looked?.through) return take(looked);
      return setTouched({ place, held, looked, isMoving: false });
    }
    setTouched((now) => now && { ...now, place, isMoving: true });
    if (looking.current) {
      looking.current.next = place;
      return;
    }
    const mine: { next: Place | null } = { next: place };
    looking.current = mine;
    while (mine.next && looking.current === mine) {
      const at = mine.next;
      mine.next = null;
      const looked = await lookThrough(aim, at, held.id);
      if (looking.current === mine) setTouched((now) => now && { ...now, looked });
    }
    if (looking.current === mine) looking.current = null;
  };
  return {
    touched,
    tap,
    moveTo,
    straighten: async () => {
      const held = touched?.held;
      if (!held) return;
      const looked = await drawnStraight(aim, held.id);
      if (looked) return take(looked);
      const said = {
        short: ['', ''] as const,
        sentences: ['It is straight already, or something is in the way.'],
        canGo: false,
      };
      setTouched((now) => now && { ...now, looked: { through: null, bar: null, said } });
    },
    take: () => take(touched?.looked ?? null),
    letGo: () => setTouched(null),
    isBusy,
  };
}

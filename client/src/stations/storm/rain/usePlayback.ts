/** Which picture of a storm stands, and its going on by itself. */
import type { StormFrame } from '@katabasis/core/simulation';
import { useEffect, useState } from 'react';

export const SPEEDS = ['slow', 'usual', 'fast'] as const;
export type Speed = (typeof SPEEDS)[number];
/** Between two pictures, ms. */
const BEATS: Record<Speed, number> = { slow: 300, usual: 120, fast: 50 };

export interface Playback {
  /** Picture that is shown. */
  shown: number;
  setAt: (at: number | null) => void;
  plays: boolean;
  setPlays: (plays: boolean) => void;
  speed: Speed;
  setSpeed: (speed: Speed) => void;
}

/** Where nobody has put it, it stands at the hardest of the storm. */
export function usePlayback(frames: readonly StormFrame[]): Playback {
  const [at, setAt] = useState<number | null>(null);
  const [plays, setPlays] = useState(false);
  const [speed, setSpeed] = useState<Speed>('usual');
  const last = frames.length - 1;
  useEffect(() => {
    if (!plays || last < 0) return;
    const timer = setInterval(() => {
      setAt((now) => {
        const next = (now ?? -1) + 1;
        if (next <= last) return next;
        setPlays(false);
        return last;
      });
    }, BEATS[speed]);
    return () => clearInterval(timer);
  }, [plays, last, speed]);
  return { shown: Math.max(0, Math.min(last, at ?? hardest(frames))), setAt, plays, setPlays, speed, setSpeed };
}

/** Whether whoever looks has asked for stills. */
export const wantsStills = (): boolean =>
  typeof window !== 'undefined' && window.matchMedia?.('(prefers-reduced-motion: reduce)').matches === true;

/** The picture with most water over inlets and ground. */
function hardest(frames: readonly StormFrame[]): number {
  const water = frames.map(({ depths, ground }) => {
    let sum = 0;
    for (const depth of depths) sum += depth * 1000;
    if (ground) for (const depth of ground) sum += depth;
    return sum;
  });
  return Math.max(0, water.indexOf(Math.max(...water)));
}

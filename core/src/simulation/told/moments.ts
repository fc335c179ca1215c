/** The telling times of a storm: what is looked at where nothing is to move, and what stands on paper. */
import type { StormFrame } from '../stormRun';

export interface Moment {
  label: string;
  /** Which picture. */
  at: number;
}

/** Water at one time, in one figure: over inlets and over the ground. */
function waterIn({ depths, ground }: StormFrame): number {
  let sum = 0;
  for (const depth of depths) sum += depth * 1000;
  if (ground) for (const depth of ground) sum += depth;
  return sum;
}

const greatest = (figures: readonly number[]): number => figures.indexOf(Math.max(...figures));

/** Four at most, in their order, none twice. */
export function momentsOf(frames: readonly StormFrame[]): Moment[] {
  if (frames.length === 0) return [];
  const lastRain = frames.findLastIndex(({ rain }) => rain > 0);
  const found: Moment[] = [
    { label: 'Hardest rain', at: greatest(frames.map(({ rain }) => rain)) },
    { label: 'Most water', at: greatest(frames.map(waterIn)) },
    { label: 'Rain over', at: Math.min(frames.length - 1, lastRain + 1) },
    { label: 'At the end', at: frames.length - 1 },
  ];
  return found.filter(({ at }, k) => found.findIndex((each) => each.at === at) === k).sort((a, b) => a.at - b.at);
}

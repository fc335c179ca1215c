/** Parts of clean jobs: a way out with room for its line, a pipe, ground that sheds. */
import type { SurfaceCover } from '../catalogue/surfaces';
import type { Element } from '../job/kinds';
import type { Hand } from '../numeric/dice';

export const INCH = 0.0254;

/** Where a clean line ends, `down` m under its inlets: beyond a bank, or on a slope that nobody has levelled. */
export function wayOut(hand: Hand, down: number): Element {
  const banked = hand.chance(0.5);
  return {
    id: 'out',
    kind: 'discharge',
    name: 'Way out',
    form: 'daylight',
    receiving: hand.pick(['swale', 'ditch', 'slope'] as const),
    groundLevel: -down,
    stone: true,
    end: 'guard',
    buildingDistance: hand.between(6, 30),
    ...(banked ? { bank: { length: hand.between(1.5, 3), topLevel: -0.1 } } : {}),
  };
}

export const run = (id: string, from: string, to: string, length: number, nominal: number): Element => ({
  id,
  kind: 'run',
  from,
  to,
  length,
  material: 'smooth',
  nominal,
  grade: { type: 'auto' },
});

/** Ground that sheds to one thing, m². */
export const sheds = (id: string, cover: SurfaceCover, area: number, to: string): Element => ({
  id,
  kind: 'surface',
  name: id,
  cover,
  area,
  feeds: [{ to, share: 1 }],
});

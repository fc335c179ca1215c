/** What is drawn in ink on a plan, as far as words must know: walls, pipes and marks, and what gives way to them. */
import { rootReach, type ElementKind } from '@katabasis/core';
import type { Drawn } from './drawn';
import { InkMap, type Box, type Ground } from '@katabasis/core/lettering';
import type { Thing } from './scene';
import { spotOf, type Spot } from './viewport';

/** Half the room that a mark takes, px. */
const MARKS: Partial<Record<ElementKind, number>> = {
  spotLevel: 4,
  wetSpot: 8,
  tree: 6,
  soilTest: 12,
  photo: 12,
  discharge: 14,
};
const MARK = 13;
export const markOf = ({ kind, shape }: Thing): number => (shape === 'place' ? (MARKS[kind] ?? MARK) : 0);

/** How wide lines of a kind are drawn, px. */
const WIDTHS: Partial<Record<ElementKind, number>> = {
  building: 3,
  channel: 12,
  opening: 8,
  service: 4,
  barrier: 3,
  swale: 10,
  drain: 6,
  culvert: 8,
  stoneDrain: 8,
  berm: 8,
};
const LINE = 2;

/** How wide a thing's line is drawn, px. */
export function widthOfLine({ element }: Thing, scale: number): number {
  if (element.kind === 'run') return Math.max(4, element.nominal * scale) + 3;
  return WIDTHS[element.kind] ?? LINE;
}

/** What no leader crosses. */
const SOLID = new Set<ElementKind>([
  'building',
  'run',
  'channel',
  'opening',
  'basin',
  'downspout',
  'junction',
  'discharge',
  'barrel',
  'fixedFlow',
]);

const square = ({ x, y }: Spot, half: number): Box => ({
  left: x - half,
  right: x + half,
  top: y - half,
  bottom: y + half,
});

/** `frame`: beyond it nothing is written. */
export function inkOf(
  { view, things, ground, under = [] }: Pick<Drawn, 'view' | 'things' | 'ground' | 'under'>,
  frame: Box,
): Ground {
  const origin = spotOf(view, { east: 0, north: 0 });
  const [firm, solid, faint] = [new InkMap(frame, origin), new InkMap(frame, origin), new InkMap(frame, origin)];
  for (const thing of things) {
    const spots = thing.places.map((place) => spotOf(view, place));
    const { element } = thing;
    if (element.kind === 'tree') {
      firm.circle(spots[0]!, ((element.crown ?? 6) / 2) * view.scale);
      firm.circle(spots[0]!, rootReach(element) * view.scale);
    }
    for (const ink of thing.kind === 'spotLevel' ? [faint] : SOLID.has(thing.kind) ? [firm, solid] : [firm])
      if (thing.shape === 'place') ink.box(square(spots[0]!, markOf(thing)));
      else ink.way(spots, thing.shape === 'outline', widthOfLine(thing, view.scale));
  }
  for (const [from, to] of ground?.arrows ?? []) faint.line(spotOf(view, from), spotOf(view, to), 8);
  for (const { ways, guessed } of ground?.contours ?? [])
    for (const way of [...ways, ...guessed]) faint.way(way.map((place) => spotOf(view, place)));
  for (const way of under) firm.way(way.map((place) => spotOf(view, place)));
  for (const way of ground?.ways ?? []) firm.way(way.map((place) => spotOf(view, place)));
  return { firm, solid, faint };
}

/** What part of the plan is on the screen, and how it is turned. Screen px from the left and from the top. */
import { extentOf, type Extent, type Place } from '@katabasis/core';

export interface Viewport {
  width: number;
  height: number;
  /** In the middle of the screen. */
  centre: Place;
  /** px a metre. */
  scale: number;
  /** The plan is turned so far clockwise, rad; 0 has its own north up. */
  turn: number;
}

export interface Spot {
  x: number;
  y: number;
}

/** A town's block, and a nail. */
const LEAST_SCALE = 0.5;
const MOST_SCALE = 2000;
/** Round what is fitted into the screen, px; at the right the plan's buttons stand. */
const MARGIN = 26;
const AT_RIGHT = 66;

export function spotOf({ width, height, centre, scale, turn }: Viewport, { east, north }: Place): Spot {
  const [e, n] = [(east - centre.east) * scale, (north - centre.north) * scale];
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  return { x: width / 2 + e * cos + n * sin, y: height / 2 + e * sin - n * cos };
}

export function placeAt({ width, height, centre, scale, turn }: Viewport, { x, y }: Spot): Place {
  const [right, down] = [(x - width / 2) / scale, (y - height / 2) / scale];
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  return { east: centre.east + right * cos + down * sin, north: centre.north + right * sin - down * cos };
}

/** As a finger drags it. */
export function panned(view: Viewport, dx: number, dy: number): Viewport {
  const centre = placeAt(view, { x: view.width / 2 - dx, y: view.height / 2 - dy });
  return { ...view, centre };
}

/** Larger and turned about a spot that stays where it is. */
export function zoomed(view: Viewport, factor: number, about: Spot, turn = 0): Viewport {
  const held = placeAt(view, about);
  const scale = Math.min(MOST_SCALE, Math.max(LEAST_SCALE, view.scale * factor));
  const next = { ...view, scale, turn: view.turn + turn };
  const moved = spotOf(next, held);
  return panned(next, about.x - moved.x, about.y - moved.y);
}

/** All of some places on a screen; a yard of usual size where there is none. */
export function fitted(places: readonly Place[], width: number, height: number, turn = 0): Viewport {
  const flat = { width, height, centre: { east: 0, north: 0 }, scale: 1, turn };
  const spots = places.map((place) => spotOf(flat, place));
  const extent: Extent = extentOf(spots.map(({ x, y }) => ({ east: x, north: y }))) ?? {
    west: width / 2 - 15,
    east: width / 2 + 15,
    south: height / 2 - 15,
    north: height / 2 + 15,
  };
  const [wide, high] = [Math.max(4, extent.east - extent.west), Math.max(4, extent.north - extent.south)];
  const scale = Math.min((width - MARGIN - AT_RIGHT) / wide, (height - 2 * MARGIN) / high);
  const centre = placeAt(flat, { x: (extent.west + extent.east) / 2, y: (extent.south + extent.north) / 2 });
  const view = { ...flat, centre, scale: Math.min(MOST_SCALE, Math.max(LEAST_SCALE, scale)) };
  return panned(view, (MARGIN - AT_RIGHT) / 2, 0);
}

/** The way that turns what is drawn for one view into what another shows, as a CSS transform about the top left. */
export function between(drawn: Viewport, shown: Viewport): string {
  const factor = shown.scale / drawn.scale;
  const turn = shown.turn - drawn.turn;
  const [cos, sin] = [factor * Math.cos(turn), factor * Math.sin(turn)];
  const origin = spotOf(shown, placeAt(drawn, { x: 0, y: 0 }));
  return `matrix(${cos},${sin},${-sin},${cos},${origin.x},${origin.y})`;
}

/** A length for a scale bar: the longest of the round ones that is at most so many px. */
export function barLength(scale: number, most: number, us: boolean): { metres: number; words: string } {
  const unit = us ? 0.3048 : 1;
  const steps = [0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50, 100, 200, 500];
  const step = steps.findLast((each) => each * unit * scale <= most) ?? steps[0]!;
  return { metres: step * unit, words: `${step} ${us ? 'ft' : 'm'}` };
}

/** What the plan is drawn from. */
import type { Contour, MarkWords, Place } from '@katabasis/core';
import type { ReactNode } from 'react';
import type { DrawOnPlan } from './pens';
import type { Thing } from './scene';
import type { Viewport } from './viewport';

/** A pond as it is drawn: its face in pieces that meet, the middles of its cells, and what is written on it. */
export interface PondOnPlan {
  id: string;
  cells: readonly Place[];
  pieces: readonly (readonly Place[])[];
  middle: Place;
  words: readonly string[];
  /** Seen by nobody yet: the levels say so. */
  chosen: boolean;
}

export interface GroundOnPlan {
  contours: readonly Contour[];
  /** How a contour's level is written. */
  wordsOf: (level: number) => string;
  ponds: readonly PondOnPlan[];
  /** Arrows down the slope: from where, to where. */
  arrows: readonly (readonly [Place, Place])[];
  /** Ways that water takes. */
  ways: readonly (readonly Place[])[];
  /** Ground that a chosen inlet gathers, as cells. */
  catchment: { cells: readonly Place[]; cell: number } | null;
}

export interface Drawn {
  view: Viewport;
  things: readonly Thing[];
  ground: GroundOnPlan | null;
  wordsOf: (thing: Thing) => MarkWords;
  draw: DrawOnPlan;
  chosen: string | null;
  us: boolean;
  /** Words are left out while only a part is shown, as under the magnifier. */
  bare?: boolean;
  /** Ways of what lies under all of it, which words keep off. */
  under?: readonly (readonly Place[])[];
  /** What lies under all of it. */
  underlay?: (view: Viewport) => ReactNode;
}

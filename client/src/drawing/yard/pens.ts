/** What a thing is drawn on the plan with. */
import type { Element, Shape } from '@katabasis/core';
import type { ReactNode } from 'react';
import type { Palette } from '../../theme/tokens';
import type { Spot } from './viewport';

export interface PlanPens extends Palette {
  /** Its places on the screen. */
  spots: readonly Spot[];
  /** Its way or its outline as a path. */
  path: string;
  shape: Shape;
  /** px a metre. */
  scale: number;
  chosen: boolean;
}

/** Draws one thing on the plan. */
export type DrawOnPlan = (element: Element, pens: PlanPens) => ReactNode;

/** Spots joined into a path. */
export const pathOf = (spots: readonly Spot[], closed: boolean): string =>
  spots.map(({ x, y }, k) => `${k === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`).join('') + (closed ? 'Z' : '');

/** A site drawn small on one sheet, for water or lines to be drawn over: what lies under them, and the houses that stand over. */
import type { Drawing, Place, Stroke } from '@katabasis/core';
import { memo } from 'react';
import { Path } from 'react-native-svg';
import { usePalette } from '../theme/theme';

/** Units of the picture: its longer side, and room for marks at its edge. */
const SIDE = 600;
const EDGE = 14;
const GROUND = new Set<Stroke['layer']>(['buildings', 'surfaces', 'works', 'barriers']);

/** Where places lie on a sheet, in its own units. */
export interface Scaled {
  x: (east: number) => number;
  y: (north: number) => number;
}

export interface Sheet extends Scaled {
  width: number;
  height: number;
  path: (places: readonly Place[], closed: boolean) => string;
  /** The place at a spot of the sheet, in its units; and how many of those a metre is. */
  placeAt: (x: number, y: number) => Place;
  scale: number;
}

/** Scales an extent to a sheet. */
export function sheetOf(extent: NonNullable<Drawing['extent']>): Sheet {
  const [across, up] = [extent.east - extent.west, extent.north - extent.south];
  const scale = SIDE / Math.max(across, up, 1);
  const x = (east: number): number => EDGE + (east - extent.west) * scale;
  const y = (north: number): number => EDGE + (extent.north - north) * scale;
  const path = (places: readonly Place[], closed: boolean): string =>
    places.map(({ east, north }, k) => `${k === 0 ? 'M' : 'L'}${x(east).toFixed(1)} ${y(north).toFixed(1)}`).join('') +
    (closed ? 'Z' : '');
  const placeAt = (right: number, down: number): Place => ({
    east: extent.west + (right - EDGE) / scale,
    north: extent.north - (down - EDGE) / scale,
  });
  return { x, y, path, placeAt, scale, width: across * scale + 2 * EDGE, height: up * scale + 2 * EDGE };
}

export interface Drawn {
  drawing: Drawing;
  sheet: Sheet;
}

/** What does not change while it rains is drawn once: under the water, */
export const Under = memo(function Under({ drawing, sheet }: Drawn) {
  const { line, bank } = usePalette();
  return drawing.strokes.map((stroke, k) =>
    stroke.shape === 'mark' || !GROUND.has(stroke.layer) ? null : (
      <Path
        key={k}
        d={sheet.path(stroke.places, stroke.shape === 'outline')}
        fill={stroke.shape === 'outline' && stroke.layer === 'surfaces' ? bank : 'none'}
        stroke={line}
        strokeWidth={2}
      />
    ),
  );
});

/** and over it. */
export const Over = memo(function Over({ drawing, sheet }: Drawn) {
  const { ink, ground } = usePalette();
  return drawing.strokes.map((stroke, k) =>
    stroke.shape === 'mark' || stroke.layer !== 'buildings' ? null : (
      <Path
        key={k}
        d={sheet.path(stroke.places, stroke.shape === 'outline')}
        fill={ground}
        stroke={ink}
        strokeWidth={3}
      />
    ),
  );
});

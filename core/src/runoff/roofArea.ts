/** The area of a roof face that gathers rain. */
import type { RoofFace } from '../job/kinds';
import { areaOf } from '../site/place';

/** Wind-driven allowance by rise in 12, in the steps of sheet-metal gutter tables: none to 3/12, 1.30 at 12/12. */
const WIND_STEPS: readonly { upTo: number; factor: number }[] = [
  { upTo: 3.5, factor: 1 },
  { upTo: 5.5, factor: 1.05 },
  { upTo: 8.5, factor: 1.1 },
  { upTo: 11.5, factor: 1.2 },
  { upTo: Number.POSITIVE_INFINITY, factor: 1.3 },
];

/** Wind-driven factor of a roof pitch given as rise over run. */
export function windFactor(pitch: number): number {
  return WIND_STEPS.find((step) => pitch * 12 < step.upTo)!.factor;
}

/** Plan area, m²: what the face covers seen from above. A length along the slope is laid flat first. */
export function planArea(face: RoofFace): number {
  const { shape } = face;
  if (shape.type === 'area') return shape.area;
  if (shape.type === 'outline') return areaOf(face.outline ?? []);
  const level = shape.alongSlope ? shape.run / Math.hypot(1, shape.pitch) : shape.run;
  return shape.width * level;
}

/** Plan area with the wind-driven allowance where the face asks for it, m². */
export function gatheringArea(face: RoofFace): number {
  const pitch = face.shape.type !== 'area' ? face.shape.pitch : 0;
  return planArea(face) * (face.windDriven ? windFactor(pitch) : 1);
}

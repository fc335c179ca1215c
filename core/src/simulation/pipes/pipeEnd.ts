/** What passes a pipe's head or its foot where the water beyond it does not hold it back. */
import { rootBetween } from '../../numeric/root';
import { GRAVITY } from '../../units/constants';
import type { PipeRun } from './pipeGrid';
import { areaAt, radiusAt, widthAt } from './roundSection';

/** Of the room that a root is sought in: as near as is wanted. */
const NEAR = 1e-8;
/** Of a diameter: deeper no free surface is told by its width. */
const NEARLY_FULL = 0.98;

/** K at a run's foot by how far what stands there covers it: a fitting in the open costs nothing. */
export function exitLossAt({ exitLoss = 0, invertDown, diameter }: PipeRun, level: number): number {
  return exitLoss * Math.max(0, Math.min(1, (level - invertDown) / diameter));
}

/** Head (m) before a pipe's head over which water stands in it at a critical depth (m): y + K V²/2g, V² = g A/T. */
const headAt = (diameter: number, depth: number, loss: number): number =>
  depth + (depth > 0 ? (loss * areaAt(diameter, depth)) / (2 * widthAt(diameter, depth)) : 0);

/** Critical depth (m) in a pipe's head under water that stands `head` m over its invert before it: head = y + K V²/2g, V² = g A/T. */
export function criticalUnder(diameter: number, head: number, loss: number): number {
  const most = Math.min(head, NEARLY_FULL * diameter);
  if (loss === 0) return most;
  const over = (depth: number): number => headAt(diameter, depth, loss) - head;
  return over(most) <= 0 ? most : rootBetween(0, most, over, NEAR);
}

/** That depth, or another where it is deeper: the root is looked for only where it is wanted. */
export function deeperThanCritical(diameter: number, head: number, loss: number, depth: number): number {
  if (loss > 0 && depth > 0 && depth < NEARLY_FULL * diameter && headAt(diameter, depth, loss) >= head) return depth;
  return Math.max(depth, criticalUnder(diameter, head, loss));
}

/** A run's head or foot, and K of V²/2g that its water loses before it comes in. */
export interface RunEnd {
  run: PipeRun;
  isHead: boolean;
  loss: number;
}

/** Most that passes over lower water, m³/s, with water `head` m over the invert: critical flow; at the foot of a steep pipe, uniform flow. */
export function mostAt({ run, isHead, loss }: RunEnd, head: number): number {
  const { diameter, roughness, parallel, invertUp, invertDown, length } = run;
  const depth = criticalUnder(diameter, head, loss);
  const area = areaAt(diameter, depth);
  const speed = (GRAVITY * area) / widthAt(diameter, depth);
  // Once its crown is under water it runs as from under a gate, by the head that is left.
  const spare = Math.max(0, head - depth - (loss * speed) / (2 * GRAVITY));
  const critical = area * Math.sqrt(speed + (2 * GRAVITY * spare) / Math.max(1, loss));
  const fall = (invertUp - invertDown) / length;
  if (isHead || fall <= 0) return critical * parallel;
  const uniform = (area * Math.cbrt(radiusAt(diameter, depth)) ** 2 * Math.sqrt(fall)) / roughness;
  return Math.max(critical, uniform) * parallel;
}

/** The same past a throat that costs some of the head: Q = most(head − throat Q²), which one Q fulfils. */
export function mostPast(end: RunEnd, head: number, throat: number): number {
  if (throat === 0) return mostAt(end, head);
  const { parallel } = end.run;
  const high = Math.min(mostAt(end, head), parallel * Math.sqrt(head / throat));
  const spare = (flow: number): number => {
    const left = head - throat * (flow / parallel) ** 2;
    return (left > 0 ? mostAt(end, left) : 0) - flow;
  };
  return spare(high) >= 0 ? high : rootBetween(0, high, spare, NEAR);
}

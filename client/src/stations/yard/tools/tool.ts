/** What a finger is doing in the yard: from the address, so that Back ends it. */
import { CREATIONS, kindOf, type Element, type Job, type Shape } from '@katabasis/core';
import { PUT, ROOF, SCALE } from '../../../parts/yardAddress';

export type Creation = (typeof CREATIONS)[number];

export type Tool =
  | { type: 'look'; chosen: string | null }
  | { type: 'add' | 'pace' | 'line' | 'section' | 'pipes' | 'levels' | 'says' | 'waysOut' | 'files' }
  | { type: 'putNew'; creation: Creation; shape: Shape }
  | { type: 'putOld'; element: Element; shape: Shape }
  | { type: 'roof'; building: string }
  | { type: 'scale'; underlay: string };

const PLAIN = ['pace', 'line', 'section', 'pipes', 'levels', 'says', 'waysOut', 'files'] as const;

/** Kinds that can be put down, by the name of their first one. */
export const PUTTABLE: readonly Creation[] = CREATIONS.filter(
  ({ kind, says }) => says !== undefined && kindOf(kind).shape !== undefined,
);

export const NEW = 'new~';

export function toolOf(job: Job, at: string | null): Tool {
  if (at === null) return { type: 'look', chosen: null };
  if (at === 'new') return { type: 'add' };
  const plain = PLAIN.find((each) => at === `~${each}`);
  if (plain) return { type: plain };
  if (at.startsWith(NEW)) {
    const creation = PUTTABLE.find(({ stem }) => stem === at.slice(NEW.length));
    if (creation) return { type: 'putNew', creation, shape: kindOf(creation.kind).shape! };
  }
  if (at.startsWith(PUT)) {
    const element = job.elements.get(at.slice(PUT.length));
    const shape = element && kindOf(element.kind).shape;
    if (element && shape) return { type: 'putOld', element, shape };
  }
  if (at.startsWith(ROOF)) return { type: 'roof', building: at.slice(ROOF.length) };
  if (at.startsWith(SCALE)) return { type: 'scale', underlay: at.slice(SCALE.length) };
  return { type: 'look', chosen: at };
}

/** Fewest corners of a shape. */
export const LEAST: Record<Shape, number> = { place: 1, way: 2, outline: 3 };

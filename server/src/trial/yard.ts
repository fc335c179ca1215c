/** A job for trials: many junctions, each with a count in its name, so that what was saved can be told from what was not. */
import type { Element } from '@katabasis/core';

export const HEAD: Element = { id: 'job', kind: 'job', name: 'Trial', units: 'us', pitchStyle: 'ground' };

export const junction = (id: string, count: number): Element => ({
  id,
  kind: 'junction',
  form: 'bend',
  name: `n${count}`,
  groundLevel: 0,
});

export const countOf = (element: Element): number =>
  element.kind === 'junction' ? Number(element.name.slice(1)) : Number.NaN;

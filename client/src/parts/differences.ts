/** Two versions of the same elements, compared field by field, in words of the job's own units. */
import { headOf, nameOf, showLevel, showLength, text, type Element, type Job } from '@katabasis/core';
import type { Collision } from '../sync/merging/mergeWaiting';

export interface Difference {
  id: string;
  name: string;
  field: string;
  mine: string;
  theirs: string;
}

type Fields = Readonly<Record<string, unknown>>;

const LEVELS = new Set(['groundLevel', 'sillLevel', 'spillLevel', 'controlLevel', 'standingLevel']);
const LENGTHS = new Set(['length', 'width', 'buildingDistance']);

/** `groundLevel` as it is said: ground level. */
export const fieldWords = (field: string): string => field.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`);

function shown(job: Job, field: string, value: unknown): string {
  const { units } = headOf(job);
  if (value === undefined || value === null) return 'none';
  if (typeof value === 'number' && LEVELS.has(field)) return text(showLevel(value, units));
  if (typeof value === 'number' && LENGTHS.has(field)) return text(showLength(value, units));
  if (typeof value === 'number') return String(Number(value.toPrecision(4)));
  if (typeof value === 'string') return job.elements.has(value) ? nameOf(job, value) : `“${value}”`;
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (Array.isArray(value)) return value.map((each) => shown(job, field, each)).join(', ') || 'none';
  return Object.entries(value as Fields)
    .map(([key, each]) => `${fieldWords(key)} ${shown(job, key, each)}`)
    .join(', ');
}

/** What mine and theirs differ in. */
export function differencesOf(job: Job, collisions: readonly Collision[]): Difference[] {
  return collisions.flatMap(({ id, mine, theirs }): Difference[] => {
    const name = nameIn(theirs) ?? nameIn(mine) ?? id;
    if (!mine || !theirs) {
      const is = (element: Element | null): string => (element ? 'is there' : 'taken out');
      return [{ id, name, field: 'the whole', mine: is(mine), theirs: is(theirs) }];
    }
    const [a, b] = [mine, theirs] as unknown as [Fields, Fields];
    return [...new Set([...Object.keys(a), ...Object.keys(b)])]
      .filter((field) => JSON.stringify(a[field]) !== JSON.stringify(b[field]))
      .map((field) => ({
        id,
        name,
        field: fieldWords(field),
        mine: shown(job, field, a[field]),
        theirs: shown(job, field, b[field]),
      }));
  });
}

const nameIn = (element: Element | null): string | undefined =>
  element && 'name' in element ? element.name : undefined;

/** What a finger has begun in the yard and has not made yet: half an outline, half a line, a walk round a house, two tapes, a rod reading. */
import { placeSchema } from '@katabasis/core';
import { z } from 'zod';
import { useNoted } from '../../input/useNoted';

const tapesSchema = z.object({ a: placeSchema.nullable(), b: placeSchema.nullable() });

/** Corners that were tapped: the tapes' ends, or a wall's. */
export type Tapes = z.infer<typeof tapesSchema>;

const begunSchema = z.object({
  places: z.array(placeSchema),
  /** Of a line: where it starts. */
  from: z.string().nullable(),
  /** A place that the rod stands on and that is not booked yet. */
  pending: z.object({ place: placeSchema, to: z.string().nullable(), id: z.string().nullable() }).nullable(),
  /** Corners that tapes are laid from; null while a finger puts the thing down itself. */
  tapes: tapesSchema.nullable(),
});
export type Begun = z.infer<typeof begunSchema>;
export const NOTHING_BEGUN: Begun = { places: [], from: null, pending: null, tapes: null };

const paceSchema = z.object({
  /** Where the walk begins; null until it was tapped. */
  start: placeSchema.nullable(),
  /** Bearing of the first wall, rad from north, clockwise. */
  first: z.number(),
  walls: z.array(z.object({ length: z.number(), turn: z.number() })),
  /** As walked, for the plan. */
  places: z.array(placeSchema),
});
export type PaceDraft = z.infer<typeof paceSchema>;
export const NOT_PACED: PaceDraft = { start: null, first: 0, walls: [], places: [] };

const tapedSchema = z.object({
  way: z.enum(['tie', 'along']),
  first: z.number().optional(),
  second: z.number().optional(),
  side: z.enum(['left', 'right']),
});
export type Taped = z.infer<typeof tapedSchema>;
const NOT_TAPED: Taped = { way: 'tie', side: 'left' };

const keyOf = (job: string, what: string): string => `katabasis.yard.${job}.${what}`;

/** What is begun with one tool; of one address of the yard. */
export const useBegun = (job: string, at: string | null) =>
  useNoted(keyOf(job, at ?? 'look'), begunSchema, NOTHING_BEGUN);

/** A walk round a house. */
export const usePaced = (job: string) => useNoted(keyOf(job, 'walk'), paceSchema, NOT_PACED);

/** What two tapes read. */
export const useTaped = (job: string) => useNoted(keyOf(job, 'tapes'), tapedSchema, NOT_TAPED);

/** What is typed and not entered yet, by what it is for. */
export function useTyped(job: string, what: string): [string, (next: string) => void] {
  const [typed, set] = useNoted(keyOf(job, `typed ${what}`), z.string(), '');
  return [typed, (next) => set(() => next)];
}

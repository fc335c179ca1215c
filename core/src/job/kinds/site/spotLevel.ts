import { z } from 'zod';
import { idSchema, level, name, place } from '../fields';
import { kind } from '../kind';

const schema = z.strictObject({
  id: idSchema,
  kind: z.literal('spotLevel'),
  name,
  place: place.optional(),
  /** m above the job's zero; by the level book's readings when absent. */
  level: level.optional(),
  /** A known one, that a level book may begin and end on. */
  benchmark: z.boolean().optional(),
  /** What stands there, as the crew would call it. */
  code: z.string().max(60).optional(),
});
export type SpotLevel = z.infer<typeof schema>;

export const spotLevelKind = kind<SpotLevel>(schema, {
  label: 'Level',
  idStem: 'level',
  shape: 'place',
  about: 'a spot level of the ground',
  notes: {
    level: 'by the level book’s readings when absent',
    benchmark: 'a known one, that a level book may begin and end on',
  },
  creations: [
    {
      stem: 'Level',
      says: 'How high the ground is at a place',
      build: ({ id, name: called, groundLevel }) => ({ id, kind: 'spotLevel', name: called, level: groundLevel }),
    },
  ],
});

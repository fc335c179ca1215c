import { z } from 'zod';
import { METRES_PER_INCH } from '../../../units/constants';
import { hereField, idSchema, length, name, way } from '../fields';
import { kind } from '../kind';
import { wayFaults } from '../outlineFaults';

export const SLEEVE_USES = ['pipe', 'irrigation', 'cable'] as const;
export type SleeveUse = (typeof SLEEVE_USES)[number];

const schema = z.strictObject({
  id: idSchema,
  kind: z.literal('sleeve'),
  name,
  way: way.optional(),
  length: length.optional(),
  nominal: z.number().min(0.02).max(3),
  use: z.enum(SLEEVE_USES),
  /** The pipe that lies in it. */
  holds: idSchema.optional(),
  ...hereField,
});
export type Sleeve = z.infer<typeof schema>;

export const sleeveKind = kind<Sleeve>(schema, {
  label: 'Sleeve',
  idStem: 'sleeve',
  shape: 'way',
  about: 'an empty pipe under paving or across a drain for what comes later, or for a pipe within it',
  links: [{ field: 'holds', to: 'run' }],
  faults: ({ way: drawn }) => wayFaults(drawn),
  creations: [
    {
      stem: 'Sleeve',
      says: 'A pipe under paving for another within it, or for sprinklers later',
      build: ({ id, name: called }) => ({
        id,
        kind: 'sleeve',
        name: called,
        nominal: 4 * METRES_PER_INCH,
        use: 'irrigation',
        length: 3,
      }),
    },
  ],
});

import { z } from 'zod';
import { idSchema, level, name, outline, storey } from '../fields';
import { kind } from '../kind';
import { outlineFaults } from '../outlineFaults';

const schema = z.strictObject({
  id: idSchema,
  kind: z.literal('building'),
  name,
  outline: outline.optional(),
  /** Of the lowest floor that people use, m above the job's zero. */
  floorLevel: level.optional(),
  storeys: storey.optional(),
  /** From the ground down to the underside of its footing, m. */
  footingDepth: z.number().min(0).max(50).optional(),
});
export type Building = z.infer<typeof schema>;

export const buildingKind = kind<Building>(schema, {
  label: 'Building',
  idStem: 'house',
  shape: 'outline',
  about: 'a house, a shed: what must stay dry',
  notes: { outline: 'its corners in turn', footingDepth: 'from the ground to the underside of its footing' },
  faults: ({ outline: drawn }) => outlineFaults(drawn),
  creations: [
    {
      stem: 'Building',
      says: 'A house, garage or shed: pace it out, or tap its corners',
      build: ({ id, name: called }) => ({ id, kind: 'building', name: called, storeys: 1 }),
    },
  ],
});

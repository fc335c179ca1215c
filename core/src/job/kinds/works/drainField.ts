import { z } from 'zod';
import { METRES_PER_INCH } from '../../../units/constants';
import { drainFields } from './drain';
import { area, hereField, idSchema, length, name, outline } from '../fields';
import { kind } from '../kind';
import { outlineFaults } from '../outlineFaults';

const schema = z.strictObject({
  id: idSchema,
  kind: z.literal('drainField'),
  name,
  /** Its first corner is where its pipe leaves. */
  outline: outline.optional(),
  /** m²; of its outline when absent. */
  area: area.optional(),
  /** Of its pipes, m, where it is not drawn. */
  length: length.optional(),
  ...drainFields,
  ...hereField,
});
export type DrainField = z.infer<typeof schema>;

export const drainFieldKind = kind<DrainField>(schema, {
  label: 'Drain field',
  idStem: 'field',
  shape: 'outline',
  about: 'subsurface drains side by side over an outline, with a collector',
  notes: { outline: 'its corners; the first is where its pipe leaves' },
  isLanding: () => true,
  standsIn: true,
  floorDepth: ({ depth }) => depth,
  faults: ({ outline: drawn }) => outlineFaults(drawn),
  creations: [
    {
      stem: 'Drain field',
      says: 'Perforated pipes side by side under soft ground: tap first the corner where they leave',
      build: ({ id, name: called, groundLevel }) => ({
        id,
        kind: 'drainField',
        name: called,
        groundLevel,
        area: 100,
        depth: 24 * METRES_PER_INCH,
        nominal: 4 * METRES_PER_INCH,
      }),
    },
  ],
});

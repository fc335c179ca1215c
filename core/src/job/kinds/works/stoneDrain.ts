import { z } from 'zod';
import { PERFORATIONS } from '../../../catalogue/stone';
import { METRES_PER_INCH } from '../../../units/constants';
import { hereField, idSchema, length, level, levelFrom, name, way } from '../fields';
import { kind } from '../kind';
import { wayFaults } from '../outlineFaults';
import { beddingFields, soilFields } from './workFields';

const schema = z.strictObject({
  id: idSchema,
  kind: z.literal('stoneDrain'),
  name,
  /** From its head to where its pipe leaves. */
  way: way.optional(),
  length: length.optional(),
  levelFrom,
  /** Top of its stone where its pipe leaves, m. */
  groundLevel: level,
  /** Edge of the slab that sheds to it, and the sill that it guards, m. */
  slabLevel: level.optional(),
  sillLevel: level.optional(),
  width: z.number().gt(0).max(5),
  depth: z.number().gt(0).max(3),
  /** Its perforated pipe, at the foot of its stone: nominal, m, its holes, and how many lie side by side. */
  nominal: z.number().min(0.02).max(1).optional(),
  perforations: z.enum(PERFORATIONS).optional(),
  pipes: z.number().int().min(1).max(3).optional(),
  ...beddingFields,
  ...soilFields,
  /** Share of its top that leaves and silt take. */
  clogging: z.number().min(0).max(1).optional(),
  ...hereField,
});
export type StoneDrain = z.infer<typeof schema>;

export const stoneDrainKind = kind<StoneDrain>(schema, {
  label: 'Open stone drain',
  idStem: 'stone',
  shape: 'way',
  about: 'stone to the surface along a slab, a pipe at its foot',
  notes: {
    nominal: 'of its perforated pipe',
    groundLevel: 'top of its stone',
    slabLevel: 'edge of the slab that sheds to it',
  },
  isLanding: () => true,
  takesGround: true,
  standsIn: true,
  floorDepth: ({ depth }) => depth,
  faults: ({ way: drawn }) => wayFaults(drawn),
  creations: [
    {
      stem: 'Stone drain',
      says: 'Open stone along a slab that sheds to the house, its top 2 in below the slab',
      build: ({ id, name: called, groundLevel }) => ({
        id,
        kind: 'stoneDrain',
        name: called,
        groundLevel: groundLevel - 2 * METRES_PER_INCH,
        slabLevel: groundLevel,
        width: 12 * METRES_PER_INCH,
        depth: 18 * METRES_PER_INCH,
        length: 5,
      }),
    },
  ],
});

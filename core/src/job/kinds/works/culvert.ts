import { z } from 'zod';
import { MATERIALS } from '../../../catalogue/pipes';
import { CULVERT_INLETS } from '../../../hydraulics/culvert';
import { METRES_PER_INCH } from '../../../units/constants';
import { flag, hereField, idSchema, length, level, name, way } from '../fields';
import { kind } from '../kind';
import { wayFaults } from '../outlineFaults';

const schema = z.strictObject({
  id: idSchema,
  kind: z.literal('culvert'),
  name,
  /** From its inlet to its outlet. */
  way: way.optional(),
  length: length.optional(),
  nominal: z.number().min(0.1).max(5),
  /** How many side by side. */
  pipes: z.number().int().min(1).max(6).optional(),
  material: z.enum(MATERIALS),
  inlet: z.enum(CULVERT_INLETS),
  invertUp: level,
  invertDown: level,
  /** Lowest of the road's edge over it, m. */
  roadLevel: level,
  /** True where no wheels pass. */
  walk: z.boolean().optional(),
  /** True where the road over it is paved. */
  paved: flag,
  /** Water at its outlet, m, where somebody has seen it. */
  standingLevel: level.optional(),
  /** Straight across, where it lies askew to gain fall: how long that would be, m, and where it would come out. */
  straight: z.strictObject({ length, invertDown: level }).optional(),
  /** The old one: out of the ground, left beside it, or none. */
  old: z.enum(['out', 'beside']).optional(),
  stone: z.boolean().optional(),
  to: idSchema.optional(),
  ...hereField,
});
export type Culvert = z.infer<typeof schema>;

export const culvertKind = kind<Culvert>(schema, {
  label: 'Culvert',
  idStem: 'culvert',
  shape: 'way',
  leadsOn: true,
  takesGround: true,
  about: 'a pipe that takes a swale or ditch under a drive',
  notes: {
    straight: 'length, invertDown, of a line straight across, where it lies askew',
    old: '`out` or `beside`: what becomes of the old one',
  },
  links: [{ field: 'to', to: 'taker', circuit: 'overflows' }],
  faults: ({ way: drawn }) => wayFaults(drawn),
  creations: [
    {
      stem: 'Culvert',
      says: 'A pipe under a drive for a swale or a ditch',
      build: ({ id, name: called, groundLevel }) => ({
        id,
        kind: 'culvert',
        name: called,
        length: 6,
        nominal: 15 * METRES_PER_INCH,
        material: 'doubleWall',
        inlet: 'mitred',
        invertUp: groundLevel - 30 * METRES_PER_INCH,
        invertDown: groundLevel - 30 * METRES_PER_INCH - 0.1,
        roadLevel: groundLevel,
      }),
    },
  ],
});

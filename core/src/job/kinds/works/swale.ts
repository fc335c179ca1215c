import { z } from 'zod';
import { LININGS, SWALE_SECTIONS } from '../../../catalogue/swales';
import { METRES_PER_INCH } from '../../../units/constants';
import { hereField, idSchema, length, level, name, way } from '../fields';
import { kind } from '../kind';
import { wayFaults } from '../outlineFaults';
import { soilFields } from './workFields';

const schema = z.strictObject({
  id: idSchema,
  kind: z.literal('swale'),
  name,
  /** From its head to its foot. */
  way: way.optional(),
  /** m; of its way when absent. */
  length: length.optional(),
  section: z.enum(SWALE_SECTIONS),
  /** Of a trapezoid's floor, m. */
  bottomWidth: z.number().min(0).max(50).optional(),
  /** Run over rise of its sides; of a parabola, half its width at the bank over its depth. */
  sideSlope: z.number().gt(0).max(50),
  /** From its bank down to its floor, m. */
  depth: z.number().gt(0).max(5),
  lining: z.enum(LININGS),
  /** Floor at its head and its foot, m; the ground less its depth when absent. */
  headLevel: level.optional(),
  footLevel: level.optional(),
  /** What takes its water; off the job when absent. */
  to: idSchema.optional(),
  /** Whose leave its end wants, where that is a neighbour's. */
  consent: z.enum(['needed', 'given']).optional(),
  /** The drain beneath it that takes what seeps through its floor; by the plan when absent. */
  beneath: idSchema.optional(),
  ...soilFields,
  ...hereField,
});
export type Swale = z.infer<typeof schema>;

export const swaleKind = kind<Swale>(schema, {
  label: 'Swale',
  idStem: 'swale',
  shape: 'way',
  leadsOn: true,
  takesGround: true,
  about: 'an open way for water along the ground',
  notes: {
    sideSlope: 'run over rise',
    headLevel: 'floor at its head',
    to: 'what takes its water; off the job when absent',
    beneath: 'a subsurface drain that takes what seeps through its floor',
  },
  links: [
    { field: 'to', to: 'taker', circuit: 'overflows' },
    { field: 'beneath', to: 'drain' },
  ],
  faults: ({ way: drawn }) => wayFaults(drawn),
  creations: [
    {
      stem: 'Swale',
      says: 'An open grassed way round the house or to the street: tap from its head to its foot',
      build: ({ id, name: called, groundLevel }) => ({
        id,
        kind: 'swale',
        name: called,
        section: 'trapezoid',
        bottomWidth: 24 * METRES_PER_INCH,
        sideSlope: 4,
        depth: 12 * METRES_PER_INCH,
        lining: 'grass',
        length: 20,
        headLevel: groundLevel - 12 * METRES_PER_INCH,
        footLevel: groundLevel - 12 * METRES_PER_INCH - 0.4,
      }),
    },
  ],
});

import { z } from 'zod';
import { METRES_PER_INCH } from '../../../units/constants';
import { area, hereField, idSchema, length, level, name, way } from '../fields';
import { kind } from '../kind';
import { wayFaults } from '../outlineFaults';

const schema = z.strictObject({
  id: idSchema,
  kind: z.literal('berm'),
  name,
  way: way.optional(),
  /** m; of its way when absent. */
  length: length.optional(),
  /** Ground at the lowest of its foot, m; and of its crest over that. */
  footLevel: level,
  height: z.number().gt(0).max(5),
  topWidth: z.number().min(0).max(20),
  /** Run over rise. */
  sideSlope: z.number().gt(0).max(20),
  /** The swale whose water it holds off. */
  holds: idSchema.optional(),
  /** Highest water that stands against it, m, where somebody has said so. */
  waterLevel: level.optional(),
  /** Behind it: the landing that drains what it traps, and the hollow that holds it until then, m². */
  to: idSchema.optional(),
  hollow: area.optional(),
  ...hereField,
});
export type Berm = z.infer<typeof schema>;

export const bermKind = kind<Berm>(schema, {
  label: 'Berm',
  idStem: 'berm',
  shape: 'way',
  leadsOn: true,
  takesGround: true,
  about: 'a low bank that holds water off',
  notes: {
    holds: 'the swale whose water it holds off',
    to: 'what drains the ground behind it',
    hollow: 'where that stands until then',
  },
  links: [
    { field: 'to', to: 'taker', circuit: 'overflows' },
    { field: 'holds', to: 'swale' },
  ],
  faults: ({ way: drawn }) => wayFaults(drawn),
  creations: [
    {
      stem: 'Berm',
      says: 'A low bank between a swale and the house',
      build: ({ id, name: called, groundLevel }) => ({
        id,
        kind: 'berm',
        name: called,
        footLevel: groundLevel,
        height: 12 * METRES_PER_INCH,
        topWidth: 18 * METRES_PER_INCH,
        sideSlope: 3,
        length: 10,
      }),
    },
  ],
});

import { z } from 'zod';
import { GRATES } from '../../catalogue/grates';
import { groundInletFields, hereField, idSchema, level, levelFrom, name, place } from './fields';
import { kind } from './kind';

const schema = z.strictObject({
  id: idSchema,
  kind: z.literal('basin'),
  name,
  place: place.optional(),
  levelFrom,
  grate: z.enum(GRATES),
  /** Level of the grate, which is the ground that water reaches it over. */
  groundLevel: level,
  /** How many of the grate stand here; one when absent. */
  count: z.number().int().min(1).max(50).optional(),
  /** Share that leaves take; the grate's usual when absent. */
  clogging: z.number().min(0).max(0.95).optional(),
  /** Of the rim, the share that stands against a wall. */
  walled: z.number().min(0).max(0.9).optional(),
  /** Below the outlet's invert, m. */
  sumpDepth: z.number().min(0).max(3).optional(),
  ...groundInletFields,
  ...hereField,
});
export type Basin = z.infer<typeof schema>;

export const basinKind = kind<Basin>(schema, {
  label: 'Catch basin',
  idStem: 'basin',
  shape: 'place',
  about: 'catch basin',
  notes: {
    clogging: 'share that leaves take',
    walled: 'share of its rim against a wall',
    spillLevel: 'ground over which water runs off clear of the sill',
    approach: 'slope, roughness, width, of one on a slope',
  },
  links: [{ field: 'passesTo', to: 'taker', circuit: 'overflows' }],
  isLanding: () => true,
  groundInlet: true,
  takesGround: true,
  standsIn: true,
  creations: [
    {
      stem: 'Basin',
      says: 'A catch basin with a grate at a low spot',
      inRun: 'Catch basin',
      build: ({ id, name: called, groundLevel }) => ({ id, kind: 'basin', name: called, grate: 'flat12', groundLevel }),
    },
  ],
});

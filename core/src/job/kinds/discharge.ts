import { z } from 'zod';
import { OUTFALL_FORMS, RECEIVING } from '../../catalogue/outfalls';
import { METRES_PER_FOOT } from '../../units/constants';
import { flag, idSchema, level, name } from './fields';
import { kind } from './kind';

const schema = z.strictObject({
  id: idSchema,
  kind: z.literal('discharge'),
  name,
  form: z.enum(OUTFALL_FORMS),
  receiving: z.enum(RECEIVING),
  /** Ground where the pipe comes out, or the pop-up's lid. */
  groundLevel: level,
  /** Lowest level the invert may have (swale's bottom, the main's own invert); the ground when absent. */
  controlLevel: level.optional(),
  /** Level at which water stands there in the design rain; none when absent. */
  standingLevel: level.optional(),
  /** Of an existing main, m³/s: what it carries full, and what of that others use already. */
  mainCapacity: z.number().gt(0).max(100).optional(),
  mainUsed: z.number().min(0).max(100).optional(),
  /** True once an apron of stone is laid where the pipe comes out. */
  stone: flag,
  /** To the nearest building of anybody's, m. */
  buildingDistance: z.number().min(0).max(10_000).optional(),
  /** True until somebody has measured it. */
  assumed: flag,
});
export type Discharge = z.infer<typeof schema>;

export const dischargeKind = kind<Discharge>(schema, {
  label: 'Way out',
  idStem: 'out',
  about: 'a way out',
  isLanding: () => true,
  creations: [
    {
      stem: 'Way out',
      says: 'Where the water may go: swale, slope, ditch, street, lawn',
      build: ({ id, name: called, groundLevel }) => ({
        id,
        kind: 'discharge',
        name: called,
        form: 'daylight',
        receiving: 'swale',
        groundLevel: groundLevel - 3 * METRES_PER_FOOT,
        assumed: true,
      }),
    },
  ],
});

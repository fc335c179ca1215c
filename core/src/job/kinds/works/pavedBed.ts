import { z } from 'zod';
import { METRES_PER_INCH } from '../../../units/constants';
import { area, flag, hereField, idSchema, length, level, levelFrom, name, outline } from '../fields';
import { kind } from '../kind';
import { outlineFaults } from '../outlineFaults';
import { soilFields } from './workFields';

const schema = z.strictObject({
  id: idSchema,
  kind: z.literal('pavedBed'),
  name,
  /** Its first corner is where its pipe leaves. */
  outline: outline.optional(),
  area: area.optional(),
  levelFrom,
  /** Paving at its low edge, where its pipe leaves, m. */
  groundLevel: level,
  /** Of the open-graded stone at its low edge, m; and the share of it that water fills. */
  depth: z.number().gt(0).max(3),
  voids: z.number().gt(0).max(0.95).optional(),
  /** Fall of its floor away from the building, m/m; less than 0 falls towards it. */
  fall: z.number().min(-1).max(1).optional(),
  /** Its length along that fall, m; the root of its area when absent. */
  length: length.optional(),
  /** True where a sheet under it keeps its water from the soil. */
  liner: flag,
  /** Opening at its outlet, m; as wide as the pipe that leaves it when absent. */
  orifice: z.number().gt(0).max(1).optional(),
  ...soilFields,
  ...hereField,
});
export type PavedBed = z.infer<typeof schema>;

export const pavedBedKind = kind<PavedBed>(schema, {
  label: 'Permeable base',
  idStem: 'bed',
  shape: 'outline',
  about: 'open-graded stone under permeable paving, with a pipe at its low edge',
  notes: { fall: 'of its floor away from the building', orifice: 'opening at its outlet' },
  isLanding: () => true,
  takesGround: true,
  standsIn: true,
  floorDepth: ({ depth }) => depth,
  faults: ({ outline: drawn }) => outlineFaults(drawn),
  creations: [
    {
      stem: 'Permeable base',
      says: 'Stone under permeable paving that holds its rain: tap first the corner where its pipe leaves',
      build: ({ id, name: called, groundLevel }) => ({
        id,
        kind: 'pavedBed',
        name: called,
        groundLevel,
        area: 30,
        depth: 12 * METRES_PER_INCH,
        fall: 0.01,
      }),
    },
  ],
});

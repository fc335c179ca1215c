import { z } from 'zod';
import { METRES_PER_FOOT } from '../../units/constants';
import { area, coefficient, feeds, flag, idSchema, length, name, outline, place, storey } from './fields';
import { outlineFaults } from './outlineFaults';
import { kind } from './kind';

const schema = z.strictObject({
  id: idSchema,
  kind: z.literal('roofFace'),
  name,
  outline: outline.optional(),
  /** The edge that its gutter runs along. */
  eave: z.array(place).length(2).optional(),
  storey,
  shape: z.discriminatedUnion('type', [
    z.strictObject({ type: z.literal('area'), area }),
    /** `run` is eave to ridge: level, or along the slope when `alongSlope`. `pitch` is rise over run. */
    z.strictObject({
      type: z.literal('sides'),
      width: length,
      run: length,
      pitch: z.number().min(0).max(12),
      alongSlope: flag,
    }),
    /** By its outline on the plan. `pitch` is rise over run. */
    z.strictObject({ type: z.literal('outline'), pitch: z.number().min(0).max(12) }),
  ]),
  /** Adds the wind-driven allowance for a steep face. */
  windDriven: flag,
  coefficient: coefficient.optional(),
  feeds,
  /** Its water comes down a valley into one place of the gutter, that many m of gutter from the downspout. */
  valley: z.strictObject({ gutterRun: length }).optional(),
});
export type RoofFace = z.infer<typeof schema>;

export const roofFaceKind = kind<RoofFace>(schema, {
  label: 'Roof face',
  idStem: 'face',
  shape: 'outline',
  about: 'one slope of roof',
  notes: {
    eave: 'the edge that its gutter runs along, two places',
    shape: '`area`, or `sides` with width, run, pitch, or `outline` with pitch',
    valley: 'gutterRun, m of gutter from the valley to the downspout',
  },
  faults: ({ shape, outline: drawn }) => [
    ...(shape.type === 'outline' && drawn === undefined
      ? [{ field: 'outline', sentence: 'is missing: its area is taken from it' }]
      : []),
    ...outlineFaults(drawn),
  ],
  links: [{ field: 'feeds', to: 'downspout', many: true }],
  creations: [
    {
      stem: 'Roof face',
      says: 'One slope of roof that sheds to a gutter',
      build: ({ id, name: called }) => ({
        id,
        kind: 'roofFace',
        name: called,
        storey: 1,
        shape: { type: 'sides', width: 30 * METRES_PER_FOOT, run: 15 * METRES_PER_FOOT, pitch: 0.5 },
        feeds: [],
      }),
    },
  ],
});

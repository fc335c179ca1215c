import { z } from 'zod';
import { SURFACE_COVERS } from '../../catalogue/surfaces';
import { METRES_PER_FOOT } from '../../units/constants';
import { area, coefficient, feeds, idSchema, length, name } from './fields';
import { kind } from './kind';

const schema = z.strictObject({
  id: idSchema,
  kind: z.literal('surface'),
  name,
  cover: z.enum(SURFACE_COVERS),
  area,
  coefficient: coefficient.optional(),
  feeds,
  /** Its longest way to the inlet, for the time that water takes; at once when absent. */
  sheet: z.strictObject({ length, slope: z.number().gt(0).max(2), roughness: z.number().gt(0).max(1) }).optional(),
  shallow: z.strictObject({ length, slope: z.number().gt(0).max(2), paved: z.boolean() }).optional(),
});
export type Surface = z.infer<typeof schema>;

export const surfaceKind = kind<Surface>(schema, {
  label: 'Ground that drains here',
  idStem: 'ground',
  about: 'ground that sheds to an inlet',
  notes: { sheet: 'length, slope, roughness of its sheet flow', shallow: 'then in rills: length, slope, paved' },
  links: [{ field: 'feeds', to: 'landing', many: true }],
  creations: [
    {
      stem: 'Ground',
      says: 'Lawn, paving or bed whose water runs to a basin or channel',
      build: ({ id, name: called }) => ({
        id,
        kind: 'surface',
        name: called,
        cover: 'lawnLoam',
        area: 1000 * METRES_PER_FOOT ** 2,
        feeds: [],
      }),
    },
  ],
});

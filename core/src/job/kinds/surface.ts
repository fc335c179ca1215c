import { z } from 'zod';
import { SOILS } from '../../catalogue/soils';
import { SURFACE_COVERS } from '../../catalogue/surfaces';
import { METRES_PER_FOOT } from '../../units/constants';
import { area, coefficient, feeds, idSchema, length, name, outline } from './fields';
import { outlineFaults } from './outlineFaults';
import { kind } from './kind';

const schema = z.strictObject({
  id: idSchema,
  kind: z.literal('surface'),
  name,
  outline: outline.optional(),
  cover: z.enum(SURFACE_COVERS),
  /** m²; of its outline where absent. One with neither is told as a fault. */
  area: area.optional(),
  /** Under it; as the job's ground when absent. */
  soil: z.enum(SOILS).optional(),
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
  shape: 'outline',
  about: 'ground that sheds to an inlet',
  notes: {
    outline: 'its corners; with an outline and no area its water goes where the ground leads it',
    sheet: 'length, slope, roughness of its sheet flow',
    shallow: 'then in rills: length, slope, paved',
  },
  faults: ({ area: typed, outline: drawn }) => [
    ...(typed === undefined && drawn === undefined
      ? [{ field: 'area', sentence: 'is missing: give its area, or draw its outline' }]
      : []),
    ...outlineFaults(drawn),
  ],
  links: [{ field: 'feeds', to: 'taker', many: true }],
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
    {
      stem: 'Neighbour’s roof',
      says: 'What a neighbour’s downspout sends over when it rains',
      build: ({ id, name: called }) => ({
        id,
        kind: 'surface',
        name: called,
        cover: 'roof',
        area: 500 * METRES_PER_FOOT ** 2,
        feeds: [],
      }),
    },
  ],
});

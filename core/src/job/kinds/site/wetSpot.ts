import { z } from 'zod';
import { day, idSchema, name, place } from '../fields';
import { kind } from '../kind';

export const WET_FORMS = ['standing', 'soft', 'washedOut', 'wetBasement'] as const;
export type WetForm = (typeof WET_FORMS)[number];

const schema = z.strictObject({
  id: idSchema,
  kind: z.literal('wetSpot'),
  name,
  form: z.enum(WET_FORMS),
  place: place.optional(),
  /** Of the water that stood there, m. */
  depth: z.number().min(0).max(10).optional(),
  /** How long after the rain it was seen, h. */
  hours: z.number().min(0).max(10_000).optional(),
  seenOn: day.optional(),
});
export type WetSpot = z.infer<typeof schema>;

export const wetSpotKind = kind<WetSpot>(schema, {
  label: 'Wet spot',
  idStem: 'wet',
  shape: 'place',
  about: 'where water was seen: standing, soft ground, washed out, a wet basement',
  notes: { hours: 'how long after the rain, h' },
  creations: [
    {
      stem: 'Wet spot',
      says: 'Where water stands, the ground stays soft, soil is washed out or a basement is wet',
      build: ({ id, name: called }) => ({ id, kind: 'wetSpot', name: called, form: 'standing' }),
    },
  ],
});

import { z } from 'zod';
import { day, idSchema, name, place } from '../fields';
import { kind } from '../kind';

const schema = z.strictObject({
  id: idSchema,
  kind: z.literal('photo'),
  name,
  /** Among the job's files, by its SHA-256. */
  file: z.string().regex(/^[0-9a-f]{64}$/),
  place: place.optional(),
  /** Which way it looks, rad from north, clockwise. */
  bearing: z
    .number()
    .min(0)
    .max(2 * Math.PI)
    .optional(),
  takenOn: day.optional(),
  note: z.string().max(2000).optional(),
});
export type Photo = z.infer<typeof schema>;

export const photoKind = kind<Photo>(schema, {
  label: 'Photo',
  idStem: 'photo',
  shape: 'place',
  about: 'a photo, where it was taken and which way it looks',
  notes: { file: 'by its SHA-256', bearing: 'which way it looks, rad from north, clockwise' },
});

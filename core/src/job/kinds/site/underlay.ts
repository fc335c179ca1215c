import { z } from 'zod';
import { idSchema, name, place } from '../fields';
import { kind } from '../kind';

/** A picture's own coordinates: shares of its width from its left, and of its height from its top. */
const spot = z.strictObject({ across: z.number().min(0).max(1), down: z.number().min(0).max(1) });

const schema = z.strictObject({
  id: idSchema,
  kind: z.literal('underlay'),
  name,
  /** The picture among the job's files, by its SHA-256. */
  file: z.string().regex(/^[0-9a-f]{64}$/),
  /** Width over height. */
  ratio: z.number().gt(0.01).max(100),
  /** Two spots of the picture and where they lie. */
  a: z.strictObject({ spot, place }),
  b: z.strictObject({ spot, place }),
});
export type Underlay = z.infer<typeof schema>;

export const underlayKind = kind<Underlay>(schema, {
  label: 'Underlay',
  idStem: 'sheet',
  about: 'a plan, scan or aerial picture under the ground plan',
  notes: { file: 'the picture, by its SHA-256', a: 'a spot of the picture and its place', b: 'another' },
});

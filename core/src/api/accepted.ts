/** Offers accepted on the customer's page, and what was asked there. */
import { z } from 'zod';
import { daySchema } from './build';

/** The field that a signature is drawn in. */
export const SIGNED = { width: 600, height: 200 } as const;
const point = z.tuple([z.number().int().min(0).max(SIGNED.width), z.number().int().min(0).max(SIGNED.height)]);
/** Strokes as they were drawn. */
export const signatureSchema = z
  .array(z.array(point).min(2).max(2000))
  .min(1)
  .max(60)
  .refine((strokes) => strokes.reduce((sum, stroke) => sum + stroke.length, 0) <= 6000, {
    error: 'has too many points',
  });
export type Signature = z.infer<typeof signatureSchema>;

const nameSchema = z.string().trim().min(1).max(120);

export const acceptBodySchema = z.strictObject({
  /** Of the offer as it was read. */
  sha256: z.string().regex(/^[0-9a-f]{64}$/),
  name: nameSchema,
  on: daySchema,
  /** Which of the options; the plan as above where there are none. */
  chosen: z.string().max(200).nullable(),
  signature: signatureSchema,
});
export const commentBodySchema = z.strictObject({ name: nameSchema, said: z.string().trim().min(1).max(2000) });
export const answerBodySchema = z.strictObject({ answer: z.string().trim().min(1).max(2000) });

export const acceptedSchema = z.object({
  accepted: z.array(
    z.object({
      number: z.number().int(),
      name: z.string(),
      on: z.string(),
      at: z.string(),
      chosen: z.string().nullable(),
      price: z.string(),
      offered: z.string(),
      sha256: z.string(),
      /** Data of an SVG path in a field of `SIGNED`. */
      signature: z.string(),
      /** Whether the offer still reads so. */
      stands: z.boolean(),
    }),
  ),
  comments: z.array(
    z.object({
      number: z.number().int(),
      name: z.string(),
      said: z.string(),
      at: z.string(),
      answer: z.string().nullable(),
    }),
  ),
});
export type Accepted = z.infer<typeof acceptedSchema>;

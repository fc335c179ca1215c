import { z } from 'zod';
import { idSchema, intensity, name } from './fields';
import { kind } from './kind';

const rising = z
  .array(z.number().gt(0).max(864_000))
  .min(2)
  .max(60)
  .refine((values) => values.every((value, k) => k === 0 || value > values[k - 1]!), {
    error: 'must rise from each to the next',
  });
const intensityTable = z
  .strictObject({ durations: rising, intensities: z.array(intensity).min(2).max(60) })
  .refine((table) => table.durations.length === table.intensities.length, {
    error: 'must hold as many intensities as durations',
  });
/** years */
const returnPeriod = z.number().min(1).max(1000);

const schema = z.strictObject({
  id: z.literal('rain'),
  kind: z.literal('rain'),
  /** Of the 5-minute rain: what roofs and all that answers at once are sized by, m/s. */
  intensity,
  /** How it weakens with duration (s), for ground that answers slowly; without it one intensity holds for all. */
  table: intensityTable.optional(),
  /** The rarer rain that doors and window wells are checked by; they are judged by the design rain alone when absent. */
  openings: z.strictObject({ returnPeriod, intensity, table: intensityTable.optional() }).optional(),
  source: z.discriminatedUnion('type', [
    z.strictObject({ type: z.literal('typed') }),
    /** A table of the user's own, typed or from a file. */
    z.strictObject({ type: z.literal('own'), place: name, returnPeriod }),
    z.strictObject({
      type: z.literal('office'),
      station: idSchema,
      place: name,
      returnPeriod,
      duration: z.number().min(60).max(86_400),
    }),
  ]),
});
export type RainElement = z.infer<typeof schema>;

export const rainKind = kind<RainElement>(schema, {
  label: 'Design rain',
  idStem: 'rain',
  about: 'the design rain; its id is `rain`',
  notes: {
    table: 'durations and intensities',
    openings: 'the rarer rain that sills are checked by: returnPeriod, intensity, table',
  },
  nameIn: () => 'Design rain',
});

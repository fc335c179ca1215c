import { z } from 'zod';
import { day } from '../fields';
import { kind } from '../kind';

const schema = z.strictObject({
  id: z.literal('keeping'),
  kind: z.literal('keeping'),
  /** The day on which the trench was closed: dates of care and the warranty count from it. */
  laidOn: day.optional(),
  /** Months, and what it does not cover. */
  warranty: z
    .strictObject({ months: z.number().int().min(1).max(600), not: z.string().max(2000).optional() })
    .optional(),
  /** Care by the company: what a year of it costs, least units of the currency, from a day on. */
  contract: z.strictObject({ amount: z.number().int().min(0).max(1e9), from: day }).optional(),
  /** Care that was done, by its name and day; and what this job needs none of. */
  done: z
    .array(z.strictObject({ care: z.string().min(1).max(200), on: day }))
    .max(1000)
    .optional(),
  /** When leaves fall and frost begins here, months of the year 1–12. */
  seasons: z
    .strictObject({ leaves: z.number().int().min(1).max(12), frost: z.number().int().min(1).max(12).nullable() })
    .optional(),
});
export type Keeping = z.infer<typeof schema>;

export const keepingKind = kind<Keeping>(schema, {
  label: 'Keeping',
  idStem: 'keeping',
  onPaper: true,
  about: 'how what was laid is looked after; its id is `keeping`',
  notes: {
    laidOn: 'when the trench was closed',
    warranty: 'months, and what it does not cover',
    contract: 'amount a year (least units of the currency), from',
    done: 'care that was done, by its name and day',
    seasons: 'months 1–12 in which leaves fall and frost begins; no frost is null',
  },
  nameIn: () => 'Keeping',
});

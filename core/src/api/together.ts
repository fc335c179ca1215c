/** Working together: who is at a job on which days, who has it open, and news of it. */
import { z } from 'zod';
import { ROLES } from '../roles/roles';

const day = z.iso.date();

/** Days that somebody is at a job, both within; null where none was said. */
export const crewBodySchema = z
  .strictObject({ from: day.nullable(), to: day.nullable() })
  .refine(({ from, to }) => (from === null) === (to === null), { message: 'has a first day and a last one, or none' })
  .refine(({ from, to }) => from === null || to === null || from <= to, { message: 'ends before it begins' });

/** People who may be given a job, and those it is given to. */
export const crewSchema = z.object({
  people: z.array(
    z.object({
      id: z.string(),
      name: z.string(),
      role: z.enum(ROLES),
      own: z.boolean(),
      given: z.object({ from: day.nullable(), to: day.nullable() }).nullable(),
    }),
  ),
});
export type Crew = z.infer<typeof crewSchema>;

/** Others who have a job open at this moment, by name. */
export const othersSchema = z.object({ others: z.array(z.string()) });

export const todayQuerySchema = z.strictObject({ on: day });
/** Jobs that are given to people on days that are not past, those of today first. */
export const todaySchema = z.object({
  jobs: z.array(
    z.object({
      job: z.string(),
      name: z.string(),
      site: z.string().nullable(),
      from: day,
      to: day,
      /** Whether whoever asks is among them. */
      own: z.boolean(),
      who: z.array(z.string()),
    }),
  ),
  /** News not read yet. */
  fresh: z.number().int(),
});
export type Today = z.infer<typeof todaySchema>;

/** News, the latest first. */
export const toldSchema = z.object({
  told: z.array(
    z.object({
      number: z.number().int(),
      at: z.string(),
      job: z.string(),
      name: z.string(),
      what: z.string(),
      fresh: z.boolean(),
    }),
  ),
});
export type Told = z.infer<typeof toldSchema>;
export const readBodySchema = z.strictObject({ number: z.number().int().min(0) });

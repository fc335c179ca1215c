/** What the Build station and the server say to each other: papers, offices, price books, shared pages. */
import { z } from 'zod';
import { idSchema } from '../job/kinds';
import { pricesSchema } from '../job/kinds/job';
import { jobIdSchema } from './wire';

/** A job to be printed, as it stands on the asking device. */
export const sheetBodySchema = z.strictObject({
  job: jobIdSchema,
  elements: z.array(z.unknown()).max(20_000),
  paper: z.enum(['a4', 'letter']),
});

/** A day, 2026-11-26. */
export const daySchema = z.iso.date();

/** A request to have public lines marked; the asking device names its ticket. */
export const locateTicketSchema = z.strictObject({
  ticket: idSchema,
  askedOn: daySchema,
  readyOn: daySchema,
  services: z.array(z.strictObject({ id: idSchema, form: z.string().max(40) })).max(200),
});
export type LocateTicket = z.infer<typeof locateTicketSchema>;

export const locateAnswersSchema = z.object({
  answers: z.array(
    z.object({ id: z.string(), form: z.string(), answer: z.enum(['waiting', 'marked']), due: z.string() }),
  ),
});
export type LocateAnswer = z.infer<typeof locateAnswersSchema>['answers'][number];

export const weatherSchema = z.object({
  days: z.array(z.object({ day: z.string(), rain: z.number(), low: z.number() })),
});

export const priceBookSchema = z.strictObject({
  id: idSchema,
  name: z.string().trim().min(1).max(120),
  from: daySchema,
  prices: pricesSchema,
});
export type PriceBook = z.infer<typeof priceBookSchema>;
export const priceBooksSchema = z.object({ books: z.array(priceBookSchema) });

/** A page that is read without being let in, and for whom: the crew that digs, the customer who is offered it, and who looks after it once it is laid. */
export const AUDIENCES = ['crew', 'customer', 'keeper'] as const;
export type Audience = (typeof AUDIENCES)[number];
/** `days`: after so many it leads nowhere any more; never where that is left out. */
export const shareBodySchema = z.strictObject({
  audience: z.enum(AUDIENCES),
  days: z.number().int().min(1).max(365).optional(),
});
export const sharedSchema = z.object({ link: z.string() });
export const sharesSchema = z.object({
  shares: z.array(
    z.object({
      id: z.string(),
      audience: z.enum(AUDIENCES),
      madeAt: z.string(),
      withdrawnAt: z.string().nullable(),
      until: z.string().nullable(),
    }),
  ),
});
export type Share = z.infer<typeof sharesSchema>['shares'][number];

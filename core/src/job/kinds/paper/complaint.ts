import { z } from 'zod';
import { day, idSchema, place } from '../fields';
import { kind } from '../kind';

/** Who pays for putting it right. */
export const WHO_PAYS = ['company', 'customer', 'other'] as const;
export type WhoPays = (typeof WHO_PAYS)[number];

const schema = z.strictObject({
  id: idSchema,
  kind: z.literal('complaint'),
  /** The day on which it was seen, and what: in the customer's words. */
  on: day,
  saw: z.string().trim().min(1).max(2000),
  /** The thing at which, and where on the plan. */
  of: idSchema.optional(),
  place: place.optional(),
  photos: z.array(idSchema).max(50).optional(),
  /** Rain of that day, m, and who says so. */
  rain: z.strictObject({ depth: z.number().min(0).max(2), from: z.string().max(200) }).optional(),
  found: z.string().max(2000).optional(),
  done: z.string().max(2000).optional(),
  /** At whose cost, and how much, least units of the currency. */
  pays: z.enum(WHO_PAYS).optional(),
  cost: z.number().int().min(0).max(1e9).optional(),
  /** The visit that closed it. */
  closedBy: idSchema.optional(),
  closedOn: day.optional(),
});
export type Complaint = z.infer<typeof schema>;

export const complaintKind = kind<Complaint>(schema, {
  label: 'Complaint',
  idStem: 'complaint',
  onPaper: true,
  about: 'what the customer saw, what was found and done, until a visit closes it',
  notes: {
    saw: 'in the customer’s words',
    rain: 'depth (m) of that day, and from whom',
    pays: '`company`, `customer` or `other`: at whose cost it is put right',
    cost: 'least units of the currency',
    closedBy: 'the visit that closed it',
  },
  nameIn: ({ saw }) => saw,
});

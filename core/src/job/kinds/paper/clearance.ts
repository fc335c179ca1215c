import { z } from 'zod';
import { day, idSchema, name } from '../fields';
import { kind } from '../kind';

/** How far asking has come. */
export const CLEARANCE_STATES = ['asked', 'granted', 'refused', 'notNeeded'] as const;
export type ClearanceState = (typeof CLEARANCE_STATES)[number];

const schema = z.strictObject({
  id: idSchema,
  kind: z.literal('clearance'),
  /** What it clears, as the plan asks for it. */
  of: z.string().min(1).max(200),
  state: z.enum(CLEARANCE_STATES),
  askedOn: day.optional(),
  /** From when one may dig by it, and the last day. */
  readyOn: day.optional(),
  expiresOn: day.optional(),
  who: name.optional(),
  note: z.string().max(2000).optional(),
  /** Number that an office gave it. */
  ticket: z.string().max(60).optional(),
});
export type Clearance = z.infer<typeof schema>;

export const clearanceKind = kind<Clearance>(schema, {
  label: 'Clearance',
  idStem: 'clearance',
  onPaper: true,
  about: 'leave or marks that the work needs, and how far asking has come',
  notes: { of: 'what it clears, as the plan asks for it', ticket: 'number that an office gave it' },
  nameIn: ({ of }) => of,
});

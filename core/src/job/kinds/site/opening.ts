import { z } from 'zod';
import { idSchema, length, level, name } from '../fields';
import { kind } from '../kind';

export const OPENING_FORMS = ['door', 'garageDoor', 'windowWell', 'vent', 'basementSteps'] as const;
export type OpeningForm = (typeof OPENING_FORMS)[number];

const schema = z.strictObject({
  id: idSchema,
  kind: z.literal('opening'),
  name,
  form: z.enum(OPENING_FORMS),
  building: idSchema.optional(),
  /** Which wall, from 0: from that corner of the building's outline to the next. */
  wall: z.number().int().min(0).max(499).optional(),
  /** From the wall's first corner to its middle, m. */
  along: z.number().min(0).max(10_000).optional(),
  width: length.optional(),
  /** m above the job's zero. */
  sillLevel: level.optional(),
});
export type Opening = z.infer<typeof schema>;

export const openingKind = kind<Opening>(schema, {
  label: 'Opening',
  idStem: 'opening',
  about: 'a door, window well, vent or steps in a wall',
  notes: { wall: 'which wall of the building, from 0', along: 'from that wall’s first corner to its middle' },
  links: [{ field: 'building', to: 'building' }],
  creations: [
    {
      stem: 'Door',
      says: 'Where water must not come in: a door, garage door, window well, vent, basement steps',
      build: ({ id, name: called }) => ({ id, kind: 'opening', name: called, form: 'door' }),
    },
  ],
});

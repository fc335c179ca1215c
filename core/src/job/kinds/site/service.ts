import { z } from 'zod';
import { day, idSchema, name, way } from '../fields';
import { kind } from '../kind';
import { besideRunFields, besideRunLinks, besideRunNotes } from './besideRun';
import { wayFaults } from '../outlineFaults';

export const SERVICE_FORMS = [
  'power',
  'gas',
  'water',
  'sewer',
  'telecom',
  'irrigation',
  'lighting',
  'invisibleFence',
  'septicField',
  'well',
] as const;
export type ServiceForm = (typeof SERVICE_FORMS)[number];

const schema = z.strictObject({
  id: idSchema,
  kind: z.literal('service'),
  name,
  form: z.enum(SERVICE_FORMS),
  way: way.optional(),
  /** Private ones are not covered by the locating service. */
  owner: z.enum(['public', 'private']).optional(),
  /** Whose marks show where it lies, and since when; not marked when absent. */
  markedBy: name.optional(),
  markedOn: day.optional(),
  /** From the ground to its top, m; not known when absent. */
  depth: z.number().min(0).max(50).optional(),
  /** To each side of the marks only a spade digs, m. */
  handDig: z.number().min(0).max(20).optional(),
  ...besideRunFields,
});
export type Service = z.infer<typeof schema>;

/** Dug by hand to each side where nothing else is said, m: 24 in. */
export const USUAL_HAND_DIG = 0.6096;

export const serviceKind = kind<Service>(schema, {
  label: 'Buried service',
  idStem: 'service',
  shape: 'way',
  about: 'a buried service, a septic field, a well',
  notes: {
    markedBy: 'whose marks show where it lies',
    handDig: 'to each side of the marks only a spade digs',
    ...besideRunNotes,
  },
  links: besideRunLinks,
  faults: ({ way: drawn }) => wayFaults(drawn),
  creations: [
    {
      stem: 'Buried service',
      says: 'Gas, power, water, sewer, telecom, irrigation: where the marks say it lies',
      build: ({ id, name: called }) => ({ id, kind: 'service', name: called, form: 'gas', owner: 'public' }),
    },
  ],
});

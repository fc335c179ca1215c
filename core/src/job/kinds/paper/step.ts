import { z } from 'zod';
import { day, idSchema } from '../fields';
import { kind } from '../kind';

const schema = z.strictObject({
  id: idSchema,
  kind: z.literal('step'),
  /** Which of the plan's steps. */
  of: z.string().min(1).max(200),
  /** Not before this day. */
  day: day.optional(),
  /** People, and how long they take, h. */
  crew: z.number().int().min(1).max(50).optional(),
  hours: z.number().gt(0).max(1000).optional(),
  /** The day on which it was done, and the hours that the crew took in the end. */
  doneOn: day.optional(),
  took: z.number().gt(0).max(1000).optional(),
});
export type Step = z.infer<typeof schema>;

export const stepKind = kind<Step>(schema, {
  label: 'Step of the work',
  idStem: 'step',
  onPaper: true,
  about: 'what was settled by hand of a step of the work',
  notes: {
    of: 'which of the plan’s steps',
    day: 'not before it',
    hours: 'h',
    doneOn: 'when it was done',
    took: 'h that the crew took in the end',
  },
  nameIn: ({ of }) => of,
});

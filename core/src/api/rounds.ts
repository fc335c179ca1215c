/** All jobs that are looked after, with what each is due for. */
import { z } from 'zod';

export const roundsSchema = z.object({
  jobs: z.array(
    z.object({
      id: z.string(),
      name: z.string(),
      site: z.string().optional(),
      kept: z.object({
        due: z.array(z.object({ on: z.string(), title: z.string() })),
        complaints: z.array(z.object({ on: z.string(), saw: z.string() })),
        off: z.array(z.object({ on: z.string(), of: z.string() })),
        last: z.string().nullable(),
      }),
    }),
  ),
  /** Jobs whose plans are still being worked out: what they are due for is not among these yet. */
  pending: z.number().int(),
});
export type Rounds = z.infer<typeof roundsSchema>;

/** What is asked of proposals beyond the job: what is left out of them, and where no line goes. */
import type { Asked } from '@katabasis/core/proposals';
import { z } from 'zod';

export const askedPlans: z.ZodType<Asked> = z.strictObject({
  leaveOut: z.array(z.string()),
  notHere: z.array(
    z.strictObject({ place: z.strictObject({ east: z.number(), north: z.number() }), reach: z.number() }),
  ),
});

export const NOTHING_MORE: Asked = { leaveOut: [], notHere: [] };

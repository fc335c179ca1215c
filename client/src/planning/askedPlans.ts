/** What is asked of proposals beyond the job: what is left out of them, where no line goes, and which lines were moved. */
import type { Aim, Asked, Moved } from '@katabasis/core/proposals';
import { z } from 'zod';

const place = z.strictObject({ east: z.number(), north: z.number() });

export const askedPlans: z.ZodType<Asked> = z.strictObject({
  leaveOut: z.array(z.string()),
  notHere: z.array(z.strictObject({ place, reach: z.number() })),
});

export const NOTHING_MORE: Asked = { leaveOut: [], notHere: [] };

/** Lines that were moved, in their turn, each in the proposal of an aim. */
export type MovedLines = readonly { aim: Aim; moved: Moved }[];

export const movedLines: z.ZodType<MovedLines> = z.array(
  z.strictObject({
    aim: z.enum(['cost', 'disturbance', 'reserve']),
    moved: z.strictObject({
      id: z.string(),
      place,
      ways: z.array(z.strictObject({ run: z.string(), way: z.array(place) })),
    }),
  }),
);

export const NOTHING_MOVED: MovedLines = [];

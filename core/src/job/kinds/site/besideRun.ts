/** Where something lies that is on no plan: beside a run, so far down it and so far off. */
import { z } from 'zod';
import { idSchema } from '../fields';

export const besideRunFields = {
  /** The run that it lies beside where it is not drawn. */
  beside: idSchema.optional(),
  /** From that run's head, m, and off it, m; 0 lies across it. */
  along: z.number().min(0).max(10_000).optional(),
  away: z.number().min(0).max(1000).optional(),
};

export const besideRunLinks = [{ field: 'beside', to: 'run' }] as const;
export const besideRunNotes = {
  beside: 'a run that it lies beside, where it is not drawn',
  along: 'm down that run',
  away: 'm off it; 0 lies across it',
};

/** A storm as it is asked for: which rain, how long and how, onto what ground, and what fails in it. */
import type { StormIn } from '@katabasis/core/simulation';
import { z } from 'zod';

const failure = z.strictObject({
  kind: z.enum(['blocked', 'stopped', 'shut', 'power', 'worn', 'high', 'off', 'full']),
  id: z.string(),
  share: z.number().min(0).max(1).optional(),
  level: z.number().optional(),
  from: z.number().min(0).optional(),
  to: z.number().min(0).optional(),
});

export const askedStorm = z.strictObject({
  rain: z.enum(['design', 'rarer', 'gauge']),
  /** s */
  length: z.number(),
  shape: z.enum(['middle', 'front', 'late', 'block', 'triangle']),
  /** A second time six hours later. */
  again: z.boolean(),
  wetness: z.enum(['dry', 'ordinary', 'soaked']),
  failing: z.array(failure),
  /** What a gauge wrote down, or somebody typed: read where `rain` is that. */
  gauge: z.string(),
});
export type AskedStorm = Omit<z.infer<typeof askedStorm>, 'failing'> & Pick<StormIn, 'failing'>;

export const USUAL_STORM: AskedStorm = {
  rain: 'design',
  length: 3600,
  shape: 'middle',
  again: false,
  wetness: 'ordinary',
  failing: [],
  gauge: '',
};

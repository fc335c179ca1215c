/** What the client and the server say to each other: one schema a body, shared by both. */
import { z } from 'zod';
import { elementSchema, idSchema } from '../job/kinds';

/** A job's own id: longer than an element's, so that two phones never name two jobs alike. */
export const jobIdSchema = idSchema;
const changeId = z.string().regex(/^[A-Za-z0-9_-]{8,64}$/);
const version = z.number().int().min(0);

/** A new job with its first elements. */
export const createBodySchema = z.strictObject({ id: jobIdSchema, elements: z.array(z.unknown()).max(20_000) });

/** One change. `base` is the version of the element that it replaces, 0 for a new one. */
export const changeBodySchema = z.strictObject({
  change: changeId,
  label: z.string().min(1).max(200),
  puts: z.array(z.strictObject({ base: version, element: elementSchema })).max(20_000),
  removes: z.array(z.strictObject({ base: version, id: idSchema })).max(20_000),
});
export type ChangeBody = z.infer<typeof changeBodySchema>;

export const versionedSchema = z.object({ version: z.number().int(), element: elementSchema });
export const jobReplySchema = z.object({ id: z.string(), seq: z.number().int(), elements: z.array(versionedSchema) });
export type JobReply = z.infer<typeof jobReplySchema>;

/** What a change came to: the versions that its elements now have. */
export const changeReplySchema = z.object({ seq: z.number().int(), versions: z.record(z.string(), z.number().int()) });
export type ChangeReply = z.infer<typeof changeReplySchema>;

export const verdictReplySchema = z.object({
  state: z.enum(['stop', 'fix', 'mind', 'holds', 'empty']),
  sentence: z.string(),
  at: z.string().nullable(),
  stops: z.number(),
  fixes: z.number(),
  minds: z.number(),
});
export const jobRowSchema = z.object({
  id: z.string(),
  name: z.string(),
  site: z.string().optional(),
  units: z.enum(['us', 'metric']),
  seq: z.number(),
  updatedAt: z.string(),
  verdict: verdictReplySchema,
});
export type JobRow = z.infer<typeof jobRowSchema>;
export const jobListSchema = z.object({ jobs: z.array(jobRowSchema) });

/** The present state of an element that a stale change meant to replace; `element` is null when it is gone. */
export const conflictSchema = z.object({
  id: z.string(),
  version: z.number().int(),
  element: elementSchema.nullable(),
});
export type Conflict = z.infer<typeof conflictSchema>;

/** `application/problem+json`. */
export const problemSchema = z.object({
  type: z.string(),
  title: z.string(),
  status: z.number(),
  detail: z.string().optional(),
  faults: z.array(z.object({ path: z.string(), sentence: z.string() })).optional(),
  conflicts: z.array(conflictSchema).optional(),
});
export type Problem = z.infer<typeof problemSchema>;

/** A rain station's table: intensity (m/s) by return period (years) and duration (s). */
export const stationSchema = z.object({
  id: z.string(),
  place: z.string(),
  climate: z.string(),
  durations: z.array(z.number()),
  returnPeriods: z.array(z.number()),
  intensities: z.array(z.array(z.number())),
});
export type RainStation = z.infer<typeof stationSchema>;
export const stationListSchema = z.object({ stations: z.array(stationSchema) });

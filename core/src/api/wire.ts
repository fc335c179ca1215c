/** What the client and the server say to each other: one schema a body, shared by both. */
import { z } from 'zod';
import { standsListSchema } from '../job/change';
import { elementSchema, idSchema } from '../job/kinds';
import { JOB_STATES } from '../job/states';

/** A job's own id: longer than an element's, so that two phones never name two jobs alike. */
export const jobIdSchema = idSchema;
const changeId = z.string().regex(/^[A-Za-z0-9_-]{8,64}$/);
const version = z.number().int().min(0);

/** Name of one life of the server's database: put back from a copy, it begins another, and versions of before are not trusted. */
const epochSchema = z.string().max(64);

/** A new job with its first elements. */
export const createBodySchema = z.strictObject({ id: jobIdSchema, elements: z.array(z.unknown()).max(20_000) });

/** One change. `base` is the version of the element that it replaces, 0 for a new one. */
export const changeBodySchema = z.strictObject({
  change: changeId,
  label: z.string().min(1).max(200),
  puts: z.array(z.strictObject({ base: version, element: elementSchema })).max(20_000),
  removes: z.array(z.strictObject({ base: version, id: idSchema })).max(20_000),
  /** Where those that are new stand; last where nothing is said. */
  stands: standsListSchema.optional(),
  /** The epoch of the server that the versions are from; of any where none is said. */
  epoch: epochSchema.optional(),
});
export type ChangeBody = z.infer<typeof changeBodySchema>;

export const versionedSchema = z.object({ version: z.number().int(), element: elementSchema });
export const jobReplySchema = z.object({
  id: z.string(),
  epoch: epochSchema,
  seq: z.number().int(),
  /** When it was first here, ISO 8601. */
  createdAt: z.string(),
  elements: z.array(versionedSchema),
});
export type JobReply = z.infer<typeof jobReplySchema>;

/** The epoch whose state of a job a device has. */
export const besideQuerySchema = z.strictObject({ epoch: epochSchema });
/**
 * A job as it stands, for a device that knows it from another epoch. `common`: the last change that both share, −1 where none is known;
 * `removed`: ids taken out since; `asOf`: the moment whose state was put back, null where nobody can tell. No job: it was taken out,
 * or it is not here at all.
 */
export const besideSchema = z.object({
  epoch: epochSchema,
  asOf: z.string().nullable(),
  takenOut: z.boolean(),
  job: jobReplySchema.extend({ common: z.number().int(), removed: z.array(z.string()) }).nullable(),
});
export type Beside = z.infer<typeof besideSchema>;

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
/** A job at a glance; a sketch holds the data of SVG paths. */
export const glanceSchema = z.object({
  sketch: z
    .object({
      width: z.number(),
      height: z.number(),
      houses: z.string(),
      ground: z.string(),
      pipes: z.string(),
      outs: z.string(),
    })
    .optional(),
  price: z.string(),
  days: z.number(),
  starts: z.string().optional(),
  asks: z.number(),
});
export const jobRowSchema = z.object({
  id: z.string(),
  name: z.string(),
  site: z.string().optional(),
  client: z.string().optional(),
  state: z.enum(JOB_STATES).optional(),
  date: z.string().optional(),
  units: z.enum(['us', 'metric']),
  seq: z.number(),
  updatedAt: z.string(),
  /** Null while it is being worked out, and where the job cannot be read. */
  verdict: verdictReplySchema.nullable(),
  /** Why there is no verdict: the job cannot be read, or is too much to work out here. */
  trouble: z.string().optional(),
  /** Absent as long as there is no verdict. */
  glance: glanceSchema.optional(),
});
export type JobRow = z.infer<typeof jobRowSchema>;

/** What a list of jobs is asked for; all of it may be left out. `after` is where the page before ended. */
export const jobQuerySchema = z.strictObject({
  find: z.string().max(200).optional(),
  state: z.enum(JOB_STATES).optional(),
  from: z.iso.date().optional(),
  to: z.iso.date().optional(),
  after: z.string().max(200).optional(),
  limit: z.coerce.number().int().min(1).max(200).optional(),
});
export type JobQuery = z.infer<typeof jobQuerySchema>;
export const jobListSchema = z.object({
  jobs: z.array(jobRowSchema),
  /** How many there are of what was asked for, on all pages. */
  total: z.number().int(),
  next: z.string().nullable(),
});
export type JobList = z.infer<typeof jobListSchema>;

/** Jobs taken out, latest first; each is kept until its day. */
export const binSchema = z.object({
  jobs: z.array(z.object({ id: z.string(), name: z.string(), deletedAt: z.string(), keptUntil: z.string() })),
});
export type Bin = z.infer<typeof binSchema>;

/** What was done to a job, latest first. */
export const historySchema = z.object({
  changes: z.array(z.object({ seq: z.number().int(), label: z.string(), at: z.string(), by: z.string() })),
  next: z.number().int().nullable(),
});
export type History = z.infer<typeof historySchema>;

/** A copy of a job as it stood after a change, 0 for as it began. */
export const copyBodySchema = z.strictObject({
  id: jobIdSchema,
  seq: z.number().int().min(0),
  name: z.string().trim().min(1).max(120),
});

/** A name that a device is known by. */
export const deviceNameSchema = z.string().trim().min(1).max(60);
/** What a device sends to be let in. */
export const pairBodySchema = z.strictObject({ code: z.string().max(20), name: deviceNameSchema });
/** What a page of the server's own machine shows. */
export const hereBodySchema = z.strictObject({ ticket: z.string().max(100) });
export const devicesSchema = z.object({
  devices: z.array(
    z.object({ id: z.string(), name: z.string(), pairedAt: z.string(), seenAt: z.string(), own: z.boolean() }),
  ),
  /** How another device is let in; only told on the machine that the server runs on, and where others can reach it. */
  pairing: z.object({ code: z.string(), addresses: z.array(z.object({ url: z.string(), qr: z.string() })) }).nullable(),
});
export type Devices = z.infer<typeof devicesSchema>;

const fileHash = z.string().regex(/^[0-9a-f]{64}$/);
/** Files that a device has, by the SHA-256 of their bytes: the answer names those that are not here. */
export const lackingBodySchema = z.strictObject({ hashes: z.array(fileHash).max(5_000) });
export const lackingReplySchema = z.object({ hashes: z.array(z.string()) });
/** Where a piece of a file begins, and how long the whole is, bytes. */
export const pieceQuerySchema = z.strictObject({
  at: z.coerce.number().int().min(0),
  of: z.coerce.number().int().min(1),
});
/** A file on its way: how many of its bytes have come, and whether it is kept. */
export const arrivalSchema = z.object({ has: z.number().int(), done: z.boolean() });
export type Arrival = z.infer<typeof arrivalSchema>;

/** What the server tells of by itself: a job was changed, or the list was. */
export const newsSchema = z.discriminatedUnion('news', [
  z.object({ news: z.literal('changed'), job: z.string(), seq: z.number().int(), change: z.string() }),
  z.object({ news: z.literal('listed') }),
]);
export type News = z.infer<typeof newsSchema>;

/** The present state of an element that a stale change meant to replace; `element` is null when it is gone. */
export const conflictSchema = z.object({
  id: z.string(),
  version: z.number().int(),
  element: elementSchema.nullable(),
});
export type Conflict = z.infer<typeof conflictSchema>;

/** Type of the problem that the server was put back from a copy since the versions that it was sent. */
export const OTHER_EPOCH = 'otherEpoch';

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

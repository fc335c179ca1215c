/** How the server stands, for an owner. */
import { z } from 'zod';

export const serverStateSchema = z.object({
  /** Of the program, and how many steps the database has come. */
  version: z.string(),
  schema: z.number().int(),
  startedAt: z.string(),
  /** Why nothing can be saved; null where it can. */
  why: z.string().nullable(),
  /** Bytes. */
  database: z.number(),
  files: z.object({ count: z.number().int(), bytes: z.number() }),
  free: z.number().nullable(),
  backup: z.object({ at: z.string(), bytes: z.number(), count: z.number().int() }).nullable(),
  /** A copy that is kept all along, where one is: when it was written last. */
  copy: z.object({ at: z.string().nullable() }).nullable(),
  /** A replica that follows all along, where there is one: ms that it is behind (null where that cannot be seen), photos that it lacks, and
   * when it was put together last to see whether it can be, with why not. */
  replica: z
    .object({
      running: z.boolean(),
      behind: z.number().nullable(),
      photos: z.number().int(),
      /** Whether it is sealed with a key. */
      sealed: z.boolean(),
      drill: z.object({ at: z.string(), why: z.string().nullable() }).nullable(),
    })
    .nullable(),
  people: z.number().int(),
  devices: z.number().int(),
  listening: z.number().int(),
  slowest: z.array(z.object({ route: z.string(), count: z.number(), mean: z.number(), longest: z.number() })),
  problems: z.array(z.object({ number: z.string(), at: z.string(), route: z.string(), status: z.number() })),
});
export type ServerState = z.infer<typeof serverStateSchema>;

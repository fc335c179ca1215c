/** Jars that were tried at all jobs: fabrics, stones and pipes beside one another. */
import { z } from 'zod';
import { jarSchema } from '../job/kinds';

export const companyJarsSchema = z.object({
  /** Jobs whose plans are still being worked out: theirs are not among these yet. */
  pending: z.number().int(),
  tests: z.array(
    z.object({
      job: z.string(),
      name: z.string(),
      on: z.string(),
      soil: z.string().optional(),
      tries: z.array(jarSchema),
    }),
  ),
});
export type CompanyJars = z.infer<typeof companyJarsSchema>;

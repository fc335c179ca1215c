/** Prints the job file's JSON Schema, made from the schemas that read it. */
import { elementSchema, FILE_FORMAT, FILE_VERSION, idSchema } from '@katabasis/core';
import { z } from 'zod';

const fileSchema = z.strictObject({
  format: z.literal(FILE_FORMAT),
  version: z.literal(FILE_VERSION),
  job: idSchema,
  elements: z.array(elementSchema).max(20_000),
});

console.log(JSON.stringify(z.toJSONSchema(fileSchema), null, 2));

/** Fields that several kinds share. SI throughout; levels are m above the job's own zero. */
import { z } from 'zod';

export const idSchema = z
  .string()
  .regex(/^[A-Za-z][A-Za-z0-9_-]{0,63}$/, 'must be a letter followed by letters, digits, - or _ (64 at most)');
export const name = z.string().trim().min(1).max(120);
/** m above the job's zero. */
export const level = z.number().min(-1000).max(9000);
/** m */
export const length = z.number().gt(0).max(10_000);
/** m² */
export const area = z.number().gt(0).max(1_000_000);
export const coefficient = z.number().gt(0).max(1);
/** m/s of rain. */
export const intensity = z.number().gt(0).max(0.001);
/** Fall over length, m/m. */
export const pitch = z.number().min(-1).max(5);
export const flag = z.boolean().optional();
/** Of what may have been here before: then it is neither bought nor dug. */
export const hereField = { here: flag };
export const storey = z.number().int().min(1).max(20);

/** m east or north of the job's own origin. */
const coordinate = z.number().min(-100_000).max(100_000);
export const place = z.strictObject({ east: coordinate, north: coordinate });
/** Corners of a closed outline, in turn. */
export const outline = z.array(place).min(3).max(500);
/** Places of an open way, in turn. */
export const way = z.array(place).min(2).max(500);
/** The level of a landing is read off the ground at its place; its own figure stands in where no ground is known there. */
export const levelFrom = z.literal('ground').optional();
/** As 2026-11-25. */
export const day = z.iso.date();

/** Where water goes and in what proportion; shares are weights, so they never fail to add up. */
export const feedSchema = z.strictObject({ to: idSchema, share: z.number().gt(0).max(1000) });
export type Feed = z.infer<typeof feedSchema>;
export const feeds = z.array(feedSchema).max(20);

/** How water comes on to an inlet that stands on a slope; `width` of the sheet that comes to a grate, m. */
const approachSchema = z.strictObject({
  slope: z.number().gt(0).max(2),
  roughness: z.number().gt(0).max(1),
  width: length.optional(),
});

/** What inlets in the ground have alike. */
export const groundInletFields = {
  /** Sill of the opening that it protects, and the ground over which standing water runs off clear of it. */
  sillLevel: level.optional(),
  spillLevel: level.optional(),
  /** Length of the edge that it runs off over, m; `settings.spillLength` when absent. */
  spillLength: z.number().min(0.05).max(1000).optional(),
  /** In a low spot when absent. What carries over goes to `passesTo`. */
  approach: approachSchema.optional(),
  passesTo: idSchema.optional(),
};

import { z } from 'zod';
import { intensity, length, name } from './fields';
import { kind } from './kind';

const settingsSchema = z
  .strictObject({
    cover: z.number().min(0).max(5),
    leastCover: z.number().min(0).max(5),
    leastPitch: z.number().gt(0).max(0.2),
    leastPitchLarge: z.number().gt(0).max(0.2),
    largeFrom: length,
    buildingClearance: z.number().min(0).max(500),
    popupLift: z.number().min(0).max(0.5),
    gritSize: z.number().gt(0).max(0.05),
    ordinaryRain: intensity,
    leastVelocity: z.number().min(0).max(5),
    gutterDepth: z.number().gt(0).max(1),
    ponding: z.number().gt(0).max(1),
    spillLength: length,
    outcrop: z.number().min(0).max(100),
    openingMargin: z.number().min(0).max(2),
    highVelocity: z.number().gt(0).max(20),
    stopVelocity: z.number().gt(0).max(30),
    cleanoutSpacing: length,
    levelLinePitch: z.number().gt(0).max(0.2),
  })
  .partial();

const schema = z.strictObject({
  id: z.literal('job'),
  kind: z.literal('job'),
  name,
  site: z.string().max(500).optional(),
  units: z.enum(['us', 'metric']),
  /** `ground`: each stretch as shallow as it may be. `single`: one laser setting from top to bottom of a line. */
  pitchStyle: z.enum(['ground', 'single']),
  settings: settingsSchema.optional(),
});
export type JobElement = z.infer<typeof schema>;

export const jobKind = kind<JobElement>(schema, {
  label: 'Job',
  idStem: 'job',
  about: 'the head; its id is `job`',
  notes: { settings: 'rules of this job, in place of the usual ones' },
});

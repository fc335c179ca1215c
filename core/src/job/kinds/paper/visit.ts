import { z } from 'zod';
import { idSchema, level, name } from '../fields';
import { kind } from '../kind';

/** What is done on a visit. */
export const VISIT_TYPES = [
  'hose',
  'rain',
  'drainDown',
  'levels',
  'hold',
  'pitch',
  'camera',
  'clean',
  'jars',
  'look',
] as const;
export type VisitType = (typeof VISIT_TYPES)[number];

/** What a camera or a rod meets in a pipe. */
export const MET = ['stopped', 'standing', 'openJoint', 'rough', 'nothing'] as const;

/** What a jar is filled with. */
export const JAR_FILLS = ['nonWoven', 'sock', 'bare', 'woven', 'angular', 'round', 'rows', 'slots', 'other'] as const;
export type JarFill = (typeof JAR_FILLS)[number];
/** What comes through. */
export const JAR_COLOURS = ['clear', 'cloudy', 'muddy'] as const;

const seconds = z.number().gt(0).max(1e6);

/** One jar: what is in it, seconds that the same water took each time, and what came through. */
export const jarSchema = z.strictObject({
  fill: z.enum(JAR_FILLS),
  name: z.string().trim().min(1).max(80).optional(),
  seconds: z.array(seconds).min(1).max(20),
  colour: z.enum(JAR_COLOURS),
});

/** A bucket, m³, and the time in which it was filled, s. */
const filled = z.strictObject({ volume: z.number().gt(0).max(10), seconds });
const along = z.number().min(0).max(100_000);
const depth = z.number().min(0).max(20);
const hours = z.number().gt(0).max(10_000);

const test = z.discriminatedUnion('type', [
  z.strictObject({
    type: z.literal('hose'),
    /** Landing that the water goes into, the bucket at the hose, and at the end. */
    into: idSchema,
    bucket: filled.optional(),
    end: filled.optional(),
    /** When the water was turned on, while the clock still runs. */
    running: z.iso.datetime().optional(),
    /** s until it showed at the end, or for how long it was watched and did not. */
    shows: seconds.optional(),
    waited: seconds.optional(),
    /** Where it came up on the way. */
    up: idSchema.optional(),
  }),
  z.strictObject({
    type: z.literal('rain'),
    /** In the gauge, m, in so many hours. */
    depth: z.number().gt(0).max(2),
    hours: z.number().gt(0).max(240),
    /** What stood over the ground at a thing, m, and when it was gone, h after the rain; 0 m where nothing did. */
    stood: z.array(z.strictObject({ at: idSchema, depth, gone: hours.optional() })).max(50),
  }),
  z.strictObject({
    type: z.literal('drainDown'),
    of: idSchema,
    /** Depth of the water, m, so many s after the first. */
    readings: z.array(z.strictObject({ time: z.number().min(0).max(1e7), depth })).max(200),
  }),
  z.strictObject({
    type: z.literal('levels'),
    /** Inverts read again, m above the job's zero. */
    read: z
      .array(z.strictObject({ at: idSchema, level }))
      .min(1)
      .max(100),
  }),
  /** A pipe plugged and filled: how far its water fell, m, in so many s. */
  z.strictObject({ type: z.literal('hold'), run: idSchema, drop: z.number().min(0).max(10), seconds }),
  z.strictObject({
    type: z.literal('pitch'),
    run: idSchema,
    /** Length of the level, m, and what it read stick by stick from the pipe's foot up, m/m. */
    stick: z.number().min(0.1).max(5),
    pitches: z.array(z.number().min(-1).max(1)).min(1).max(500),
  }),
  z.strictObject({
    type: z.literal('camera'),
    run: idSchema,
    /** m from the pipe's head. */
    met: z
      .array(z.strictObject({ along, found: z.enum(MET), note: z.string().max(500).optional() }))
      .min(1)
      .max(200),
  }),
  z.strictObject({
    type: z.literal('clean'),
    /** What was taken out of each sump, m³, and whether leaves lay on its grate. */
    sumps: z
      .array(z.strictObject({ at: idSchema, grit: z.number().min(0).max(10), leaves: z.boolean().optional() }))
      .min(1)
      .max(200),
  }),
  z.strictObject({
    type: z.literal('jars'),
    /** The same water through each, m³, and over which soil. */
    water: z.number().gt(0).max(0.1).optional(),
    soil: z.string().trim().min(1).max(200).optional(),
    tries: z.array(jarSchema).min(1).max(12),
  }),
  z.strictObject({ type: z.literal('look') }),
]);

const schema = z.strictObject({
  id: idSchema,
  kind: z.literal('visit'),
  /** When it was begun. */
  at: z.iso.datetime(),
  by: name.optional(),
  note: z.string().max(2000).optional(),
  /** Photos of it, by id. */
  photos: z.array(idSchema).max(400).optional(),
  test,
  /** Something was mended: what was tested before says no more how it lies. */
  mended: z.boolean().optional(),
  /** What was told on that day, by the plan as it was: of which thing, and figures that were to be expected, in the unit of the test. */
  said: z
    .strictObject({
      of: z.string().max(300),
      asPlanned: z.boolean().optional(),
      sentence: z.string().max(2000),
      low: z.number().optional(),
      high: z.number().optional(),
    })
    .optional(),
});
export type Visit = z.infer<typeof schema>;
export type VisitTest = Visit['test'];
export type TestOf<T extends VisitType> = Extract<VisitTest, { type: T }>;

export const visitKind = kind<Visit>(schema, {
  label: 'Visit',
  idStem: 'visit',
  onPaper: true,
  about: 'a test or a look at what lies here, what was found, and what the plan said to it on that day',
  notes: {
    at: 'when it was begun',
    test: '`hose` with into, bucket, end (volume m³, seconds), running, shows, waited (s), up; `rain` with depth, hours, stood (at, depth, gone h); `drainDown` with of, readings (time s, depth m); `levels` with read (at, level); `hold` with run, drop, seconds; `pitch` with run, stick, pitches from the foot up; `camera` with run, met (along, found, note); `clean` with sumps (at, grit m³, leaves); `jars` with water (m³ through each), soil, tries (fill, name, seconds of each time, colour); `look`',
    mended: 'something was mended: what was tested before no more says how it lies',
    said: 'of, asPlanned, sentence, low, high: what was told on that day, by the plan as it was',
  },
  faults: ({ test: done }) => {
    if (done.type !== 'drainDown') return [];
    const k = done.readings.findIndex(({ time }, j) => j > 0 && time <= done.readings[j - 1]!.time);
    return k === -1 ? [] : [{ field: `test.readings[${k}].time`, sentence: 'must be later than the one before' }];
  },
  nameIn: ({ said, at }) => said?.of ?? `Visit of ${at.slice(0, 10)}`,
});

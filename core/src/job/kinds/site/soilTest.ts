import { z } from 'zod';
import { idSchema, name, place } from '../fields';
import { kind } from '../kind';

const share = z.number().min(0).max(1);

const schema = z.strictObject({
  id: idSchema,
  kind: z.literal('soilTest'),
  name,
  place: place.optional(),
  test: z.discriminatedUnion('type', [
    /** How long a ribbon it makes between thumb and finger, m. */
    z.strictObject({ type: z.literal('ribbon'), length: z.number().min(0).max(1) }),
    /** Heights of the layers in a jar, as shares of the whole. */
    z.strictObject({ type: z.literal('jar'), sand: share, silt: share, clay: share }),
    /** A hole of a radius, m, filled with water: how deep it stood, m, after so long, s. */
    z.strictObject({
      type: z.literal('hole'),
      radius: z.number().gt(0).max(2),
      readings: z
        .array(z.strictObject({ time: z.number().min(0).max(1e7), depth: z.number().min(0).max(10) }))
        .max(200),
    }),
  ]),
});
export type SoilTest = z.infer<typeof schema>;

export const soilTestKind = kind<SoilTest>(schema, {
  label: 'Soil test',
  idStem: 'soil',
  shape: 'place',
  about: 'a ribbon, a jar or a hole: how fast the ground takes water',
  notes: { test: '`ribbon` with length; `jar` with sand, silt, clay; `hole` with radius and readings' },
  faults: ({ test }) => {
    if (test.type === 'jar' && test.sand + test.silt + test.clay === 0)
      return [{ field: 'test', sentence: 'has a jar with nothing in it' }];
    if (test.type !== 'hole') return [];
    const k = test.readings.findIndex(({ time }, j) => j > 0 && time <= test.readings[j - 1]!.time);
    return k === -1 ? [] : [{ field: `test.readings[${k}].time`, sentence: 'must be later than the one before' }];
  },
  creations: [
    {
      stem: 'Soil test',
      says: 'A ribbon, a jar or a hole of water: how fast the ground takes it',
      build: ({ id, name: called }) => ({
        id,
        kind: 'soilTest',
        name: called,
        test: { type: 'ribbon', length: 0.0254 },
      }),
    },
  ],
});

import { z } from 'zod';
import { hereField, idSchema, level, levelFrom, name, place } from '../fields';
import { kind } from '../kind';

const month = z.number().int().min(1).max(12);

const schema = z.strictObject({
  id: idSchema,
  kind: z.literal('barrel'),
  name,
  place: place.optional(),
  levelFrom,
  /** Ground that it stands on, m. */
  groundLevel: level,
  /** m³ */
  volume: z.number().gt(0).max(1000),
  /** Height of what it stands on, m; 0 on the ground; and of its overflow over that. */
  stand: z.number().min(0).max(3).optional(),
  outletHeight: z.number().gt(0).max(10).optional(),
  /** Month in which it is emptied and its valve opened before frost, and in which it is shut again. */
  opened: month.optional(),
  shut: month.optional(),
  ...hereField,
});
export type Barrel = z.infer<typeof schema>;

export const barrelKind = kind<Barrel>(schema, {
  label: 'Barrel',
  idStem: 'barrel',
  shape: 'place',
  about: 'a rain barrel in a downspout’s line, its overflow the pipe that leaves it',
  notes: {
    stand: 'height of what it stands on',
    outletHeight: 'of its overflow over that',
    opened: 'month in which its valve is opened for winter',
    shut: 'and shut again',
  },
  isLanding: () => true,
  standsIn: true,
  creations: [
    {
      stem: 'Barrel',
      says: 'A rain barrel under a downspout, its overflow led on',
      inRun: 'Barrel',
      build: ({ id, name: called, groundLevel }) => ({ id, kind: 'barrel', name: called, groundLevel, volume: 0.2 }),
    },
  ],
});

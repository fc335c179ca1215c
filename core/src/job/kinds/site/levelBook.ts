import { z } from 'zod';
import { LONGEST_ROD } from '../../../site/levelBook';
import { day, idSchema, name } from '../fields';
import { kind } from '../kind';

const rod = z.number().min(-LONGEST_ROD).max(LONGEST_ROD);

const schema = z.strictObject({
  id: idSchema,
  kind: z.literal('levelBook'),
  name,
  bookedOn: day.optional(),
  readings: z
    .array(
      z.strictObject({
        /** A spot level, or any landing, by its id. */
        point: idSchema,
        sight: z.enum(['back', 'between', 'fore']),
        /** m; negative with the rod upside down. */
        rod,
        /** From the instrument, m, for the correction of its line of sight. */
        away: z.number().min(0).max(1000).optional(),
        /** What it was booked as before it was put right. */
        was: z.array(rod).max(20).optional(),
      }),
    )
    .max(5000),
  /** How far it may fail to close, m. */
  permitted: z.number().gt(0).max(1).optional(),
  /** Two-peg test of the instrument: readings, m, and between the pegs, m. */
  twoPeg: z
    .strictObject({ distance: z.number().gt(0).max(1000), midA: rod, midB: rod, endA: rod, endB: rod })
    .optional(),
});
export type LevelBook = z.infer<typeof schema>;

export const levelBookKind = kind<LevelBook>(schema, {
  label: 'Level book',
  idStem: 'book',
  about: 'rod readings, set-up by set-up',
  notes: {
    readings: 'point, sight (`back`, `between`, `fore`), rod; `was` holds what a reading was before it was put right',
    permitted: 'how far it may fail to close',
  },
});

import { z } from 'zod';
import { DOWNSPOUT_SIZES } from '../../catalogue/downspouts';
import { GUTTERS } from '../../catalogue/gutters';
import { feeds, idSchema, level, levelFrom, name, place, storey } from './fields';
import { kind } from './kind';

const schema = z.strictObject({
  id: idSchema,
  kind: z.literal('downspout'),
  name,
  place: place.optional(),
  levelFrom,
  storey,
  size: z.enum(DOWNSPOUT_SIZES),
  /** Lower downspouts whose gutter this one empties into; absent or empty when it reaches the ground. */
  landsOn: feeds.optional(),
  groundLevel: level,
  /** Of the gutter that it drains; 5 in when absent. */
  gutter: z.enum(GUTTERS).optional(),
  /** Inlet that the water its gutter cannot take runs to over the yard. Without it the line is sized as if all came down. */
  spillsTo: idSchema.optional(),
});
export type Downspout = z.infer<typeof schema>;

/** Whether an upper downspout's water stays on the roof. */
export const landsOnGutter = (downspout: Downspout): boolean => (downspout.landsOn?.length ?? 0) > 0;

export const downspoutKind = kind<Downspout>(schema, {
  label: 'Downspout',
  idStem: 'ds',
  shape: 'place',
  about: 'from a gutter to the ground, or onto lower gutters',
  links: [
    { field: 'landsOn', to: 'downspout', many: true, circuit: 'gutters' },
    { field: 'spillsTo', to: 'groundInlet' },
  ],
  isLanding: (downspout) => !landsOnGutter(downspout),
  creations: [
    {
      stem: 'Downspout',
      says: 'Where a gutter comes down, to the ground or to a lower gutter',
      build: ({ id, name: called, groundLevel }) => ({
        id,
        kind: 'downspout',
        name: called,
        storey: 1,
        size: 'rect3x4',
        groundLevel,
      }),
    },
  ],
});

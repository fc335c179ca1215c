import { z } from 'zod';
import { CUBIC_METRES_PER_SECOND_PER_GPM } from '../../units/constants';
import { feeds, flag, idSchema, name, place } from './fields';
import { kind } from './kind';

export const WATER_ORIGINS = ['neighbour', 'higherGround', 'spring', 'condensate', 'sump'] as const;
export type WaterOrigin = (typeof WATER_ORIGINS)[number];

/** Water that comes whatever the sky does: condensate, a sump, a neighbour's downspout. `flow` in m³/s. */
const schema = z.strictObject({
  id: idSchema,
  kind: z.literal('fixedFlow'),
  name,
  place: place.optional(),
  /** Where it comes from. */
  origin: z.enum(WATER_ORIGINS).optional(),
  flow: z.number().gt(0).max(10),
  /** Of a sump line: true where it lets water out outside the wall once it is frozen shut. */
  freezeOverflow: flag,
  feeds,
});
export type FixedFlow = z.infer<typeof schema>;

export const fixedFlowKind = kind<FixedFlow>(schema, {
  label: 'Steady water',
  idStem: 'steady',
  shape: 'place',
  about: 'water that always runs',
  links: [{ field: 'feeds', to: 'taker', many: true }],
  creations: [
    {
      stem: 'Steady water',
      says: 'A condensate line, a spring, what always runs from higher ground',
      build: ({ id, name: called }) => ({
        id,
        kind: 'fixedFlow',
        name: called,
        flow: CUBIC_METRES_PER_SECOND_PER_GPM,
        feeds: [],
      }),
    },
    {
      stem: 'House sump line',
      says: 'What the pump in a cellar sends out through the wall',
      build: ({ id, name: called }) => ({
        id,
        kind: 'fixedFlow',
        name: called,
        origin: 'sump',
        flow: 20 * CUBIC_METRES_PER_SECOND_PER_GPM,
        freezeOverflow: true,
        feeds: [],
      }),
    },
  ],
});

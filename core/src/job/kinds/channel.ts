import { z } from 'zod';
import { METRES_PER_FOOT, METRES_PER_INCH } from '../../units/constants';
import { groundInletFields, hereField, idSchema, length, level, levelFrom, name, way } from './fields';
import { kind } from './kind';

/** A channel drain. */
const schema = z.strictObject({
  id: idSchema,
  kind: z.literal('channel'),
  name,
  way: way.optional(),
  levelFrom,
  /** Level of its grate, at its lower end where it falls. */
  groundLevel: level,
  width: z.number().gt(0).max(2),
  depth: z.number().gt(0).max(2),
  length,
  /** Fall of its bed against its grate, m/m, and of the grate itself; `depth` is at the lowest of the bed. */
  slope: z.number().min(0).max(0.5),
  topSlope: z.number().min(0).max(0.5).optional(),
  /** Inside: upright walls on a flat floor when absent, or on a half round. */
  section: z.enum(['flat', 'round']).optional(),
  /** In the middle of its length two halves fall toward it; at the end when absent; or several, m from its upper end, all into its one line. */
  outlet: z.union([z.enum(['end', 'middle']), z.array(z.number().min(0).max(10_000)).min(1).max(20)]).optional(),
  /** Where the hole to its pipe is: in its floor when absent, or in its end or side, under less water. */
  hole: z.enum(['floor', 'end']).optional(),
  ...groundInletFields,
  ...hereField,
});
export type Channel = z.infer<typeof schema>;

/** At the upper end of a channel, m: its grate and its bed. In one with an outlet in the middle the bed falls half its length. */
export function channelHead({ groundLevel, depth, slope, topSlope = 0, length: whole, outlet }: Channel): {
  grate: number;
  bed: number;
} {
  const grate = groundLevel + topSlope * whole;
  return { grate, bed: grate - Math.max(0, depth - slope * (outlet === 'middle' ? whole / 2 : whole)) };
}

/** Whether a channel's outlets come one after another, none beyond its length. */
export const outletsFit = ({ outlet, length: whole }: Channel): boolean =>
  !Array.isArray(outlet) || outlet.every((place, k) => place <= whole && (k === 0 || place > outlet[k - 1]!));

export const channelKind = kind<Channel>(schema, {
  label: 'Channel drain',
  idStem: 'channel',
  shape: 'way',
  about: 'channel drain',
  notes: {
    slope: 'of its bed against its grate',
    topSlope: 'of the grate itself',
    outlet: '`end`, `middle`, or a rising list of places, m from its upper end',
    approach: 'slope, roughness, width, of one on a slope',
  },
  links: [{ field: 'passesTo', to: 'taker', circuit: 'overflows' }],
  isLanding: () => true,
  groundInlet: true,
  takesGround: true,
  standsIn: true,
  faults: (channel) =>
    outletsFit(channel)
      ? []
      : [{ field: 'outlet', sentence: 'must name outlets one after another, none beyond its length' }],
  creations: [
    {
      stem: 'Channel drain',
      says: 'A slot or grated channel across paving that sheds toward a door',
      build: ({ id, name: called, groundLevel }) => ({
        id,
        kind: 'channel',
        name: called,
        groundLevel,
        width: 4 * METRES_PER_INCH,
        depth: 6 * METRES_PER_INCH,
        length: 10 * METRES_PER_FOOT,
        slope: 0,
      }),
    },
  ],
});

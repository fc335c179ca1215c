import { z } from 'zod';
import { PERFORATIONS } from '../../../catalogue/stone';
import { METRES_PER_INCH } from '../../../units/constants';
import { area, hereField, idSchema, length, level, levelFrom, name, pitch, way } from '../fields';
import { kind } from '../kind';
import { wayFaults } from '../outlineFaults';
import { beddingFields, soilFields } from './workFields';

export const drainFields = {
  levelFrom,
  /** Ground where its pipe leaves, m; and at its other end, where that is known. */
  groundLevel: level,
  headLevel: level.optional(),
  /** Of the pipe's invert under the ground where it leaves, m. */
  depth: z.number().gt(0).max(5),
  /** Fall of its pipes, m/m; 0 lies level. */
  pitch: pitch.optional(),
  nominal: z.number().min(0.02).max(1),
  perforations: z.enum(PERFORATIONS).optional(),
  ...beddingFields,
  trenchWidth: z.number().min(0.05).max(5).optional(),
  /** Between pipes side by side, or of the ground that one line drains, m; worked out when absent. */
  spacing: z.number().gt(0).max(500).optional(),
  ...soilFields,
  /** From its pipes down to ground that takes no water, m. */
  barrier: z.number().min(0).max(50).optional(),
  /** What sinks in and must be led off, m/s. */
  recharge: z.number().gt(0).max(1e-4).optional(),
  /** How deep the ground is to be firm, m. */
  firm: z.number().gt(0).max(5).optional(),
};

const schema = z.strictObject({
  id: idSchema,
  kind: z.literal('drain'),
  name,
  /** From its head to where its pipe leaves. */
  way: way.optional(),
  /** m; of its way when absent. */
  length: length.optional(),
  /** Pipes in its trench. */
  pipes: z.number().int().min(1).max(3).optional(),
  /** Ground that it drains, m²; its length by its spacing when absent. */
  area: area.optional(),
  ...drainFields,
  ...hereField,
});
export type Drain = z.infer<typeof schema>;

export const drainKind = kind<Drain>(schema, {
  label: 'Subsurface drain',
  idStem: 'drain',
  shape: 'way',
  about: 'perforated pipe in stone, along a line',
  notes: {
    depth: 'of its invert where its pipe leaves',
    recharge: 'what sinks in and is led off',
    firm: 'how deep the ground is to be firm',
  },
  isLanding: () => true,
  standsIn: true,
  floorDepth: ({ depth }) => depth,
  faults: ({ way: drawn }) => wayFaults(drawn),
  creations: [
    {
      stem: 'Subsurface drain',
      says: 'Perforated pipe in stone along a soft strip: tap from its head to where it leaves',
      build: ({ id, name: called, groundLevel }) => ({
        id,
        kind: 'drain',
        name: called,
        groundLevel,
        length: 10,
        depth: 24 * METRES_PER_INCH,
        nominal: 4 * METRES_PER_INCH,
      }),
    },
  ],
});

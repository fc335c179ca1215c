import { z } from 'zod';
import { idSchema, length, name, way } from '../fields';
import { kind } from '../kind';
import { wayFaults } from '../outlineFaults';

export const BARRIER_FORMS = ['wall', 'retainingWall', 'fence', 'propertyLine'] as const;
export type BarrierForm = (typeof BARRIER_FORMS)[number];

const schema = z.strictObject({
  id: idSchema,
  kind: z.literal('barrier'),
  name,
  form: z.enum(BARRIER_FORMS),
  way: way.optional(),
  height: length.optional(),
  /** Of a property line: whether the neighbour has agreed to what crosses it. */
  consent: z.enum(['needed', 'given']).optional(),
});
export type Barrier = z.infer<typeof schema>;

export const barrierKind = kind<Barrier>(schema, {
  label: 'Wall, fence or property line',
  idStem: 'edge',
  shape: 'way',
  about: 'what bounds or divides the yard; water does not pass a wall',
  notes: { way: 'its places in turn' },
  faults: ({ way: drawn }) => wayFaults(drawn),
  creations: [
    {
      stem: 'Fence',
      says: 'A wall, a fence or the property line',
      build: ({ id, name: called }) => ({ id, kind: 'barrier', name: called, form: 'fence' }),
    },
  ],
});

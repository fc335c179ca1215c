import { z } from 'zod';
import { idSchema, level, name, place } from '../fields';
import { kind } from '../kind';
import { wayFaults } from '../outlineFaults';

export const BREAKLINE_FORMS = ['kerb', 'slabEdge', 'bankTop', 'bankToe'] as const;
export type BreaklineForm = (typeof BREAKLINE_FORMS)[number];

const schema = z.strictObject({
  id: idSchema,
  kind: z.literal('breakline'),
  name,
  form: z.enum(BREAKLINE_FORMS),
  way: z.array(place).min(2).max(500).optional(),
  /** Of each of its places in turn, m above the job's zero; null where it was not levelled. */
  levels: z.array(level.nullable()).max(500).optional(),
});
export type Breakline = z.infer<typeof schema>;

export const breaklineKind = kind<Breakline>(schema, {
  label: 'Edge in the ground',
  idStem: 'break',
  shape: 'way',
  about: 'a line at which the ground changes: kerb, edge of a slab, top or toe of a bank',
  notes: { levels: 'of each of its places; null where not levelled' },
  faults: ({ way: drawn, levels }) => [
    ...wayFaults(drawn),
    ...(levels && levels.length !== (drawn?.length ?? 0)
      ? [{ field: 'levels', sentence: `must be as many as its places, ${drawn?.length ?? 0}` }]
      : []),
  ],
  creations: [
    {
      stem: 'Edge in the ground',
      says: 'Where the ground changes at a line: kerb, edge of a slab, top or toe of a bank',
      build: ({ id, name: called }) => ({ id, kind: 'breakline', name: called, form: 'slabEdge' }),
    },
  ],
});

import { z } from 'zod';
import { METRES_PER_FOOT, METRES_PER_INCH } from '../../../units/constants';
import { idSchema, name, place } from '../fields';
import { kind } from '../kind';
import { besideRunFields, besideRunLinks, besideRunNotes } from './besideRun';

export const VIGOURS = ['low', 'ordinary', 'aggressive'] as const;
export type Vigour = (typeof VIGOURS)[number];

const schema = z.strictObject({
  id: idSchema,
  kind: z.literal('tree'),
  name,
  place: place.optional(),
  /** Across its trunk, and across its crown, m. */
  trunk: z.number().gt(0).max(10).optional(),
  crown: z.number().gt(0).max(100).optional(),
  /** How far and how strongly its roots seek water. */
  vigour: z.enum(VIGOURS).optional(),
  ...besideRunFields,
});
export type Tree = z.infer<typeof schema>;

/** Roots reach so many times the crown's half width: trees seek water beyond their drip line. */
const REACH: Record<Vigour, number> = { low: 1, ordinary: 1.5, aggressive: 2.5 };
const USUAL_CROWN = 20 * METRES_PER_FOOT;

/** Radius of the ground that its roots may be met in, m. */
export const rootReach = ({ crown = USUAL_CROWN, vigour = 'ordinary' }: Tree): number => (REACH[vigour] * crown) / 2;

export const treeKind = kind<Tree>(schema, {
  label: 'Tree',
  idStem: 'tree',
  shape: 'place',
  about: 'a tree, with its roots',
  notes: {
    trunk: 'across its trunk',
    crown: 'across its crown',
    vigour: 'how strongly its roots seek water',
    ...besideRunNotes,
  },
  links: besideRunLinks,
  creations: [
    {
      stem: 'Tree',
      says: 'With its crown, and how far its roots seek water',
      build: ({ id, name: called }) => ({
        id,
        kind: 'tree',
        name: called,
        trunk: 12 * METRES_PER_INCH,
        crown: USUAL_CROWN,
        vigour: 'ordinary',
      }),
    },
  ],
});

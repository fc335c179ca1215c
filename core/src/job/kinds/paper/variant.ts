import { z } from 'zod';
import { idSchema, name } from '../fields';
import { kind } from '../kind';

const schema = z.strictObject({
  id: idSchema,
  kind: z.literal('variant'),
  name,
  note: z.string().max(2000).optional(),
  /** What the plan is made of in it; read when it is looked at. */
  elements: z.array(z.looseObject({ id: idSchema, kind: z.string().max(40) })).max(5000),
  /** What things of the site are led to in it: by their id, their fields that name parts of the plan. */
  links: z.record(idSchema, z.record(z.string().max(40), z.unknown())),
});
export type Variant = z.infer<typeof schema>;

export const variantKind = kind<Variant>(schema, {
  label: 'Option',
  idStem: 'option',
  onPaper: true,
  about: 'another plan over the same site, kept aside',
  notes: {
    elements: 'what the plan is made of in it',
    links: 'what things of the site are led to in it',
  },
});

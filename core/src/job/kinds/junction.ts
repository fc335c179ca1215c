import { z } from 'zod';
import { JUNCTION_FORMS, TURNS, type JunctionForm } from '../../catalogue/fittings';
import { hereField, idSchema, level, levelFrom, name, place } from './fields';
import { kind, type Creation } from './kind';

const schema = z.strictObject({
  id: idSchema,
  kind: z.literal('junction'),
  name,
  place: place.optional(),
  levelFrom,
  form: z.enum(JUNCTION_FORMS),
  groundLevel: level,
  /** How a bend is made; one 45 when absent. */
  turn: z.enum(TURNS).optional(),
  ...hereField,
});
export type Junction = z.infer<typeof schema>;

const creation = (form: JunctionForm, stem: string, words: { says?: string; inRun: string }): Creation<Junction> => ({
  stem,
  ...words,
  build: ({ id, name: called, groundLevel }) => ({ id, kind: 'junction', name: called, form, groundLevel }),
});

export const junctionKind = kind<Junction>(schema, {
  label: 'Landing',
  idStem: 'node',
  shape: 'place',
  about: 'wye, tee, cleanout, bend or sediment trap',
  notes: { turn: '`one45`, `two45`, `one90`, of a bend' },
  isLanding: () => true,
  creations: [
    creation('wye', 'Wye', { says: 'Where lines join; a cleanout or a bend can be made of it', inRun: 'Wye' }),
    creation('cleanout', 'Cleanout', { inRun: 'Cleanout' }),
    creation('bend', 'Bend', { inRun: 'Bend or grade break' }),
    creation('sedimentTrap', 'Sediment trap', { inRun: 'Sediment trap' }),
  ],
});

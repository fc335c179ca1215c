import { z } from 'zod';
import { MATERIALS } from '../../catalogue/pipes';
import { flag, idSchema, length, level, name, pitch, place } from './fields';
import { kind } from './kind';

export const OLD_FATES = ['kept', 'cutOff', 'takenOut'] as const;
/** What of an old pipe may be no more than a guess. */
export const GUESSES = ['size', 'material'] as const;
export const OLD_STATES = ['sound', 'silted', 'roots', 'broken'] as const;

export const UNDER = ['turf', 'slab', 'cars', 'bed', 'deck'] as const;
/** What over a pipe is sawn and made good. */
export const PAVED: ReadonlySet<(typeof UNDER)[number]> = new Set(['slab', 'cars']);

const schema = z.strictObject({
  id: idSchema,
  kind: z.literal('run'),
  name: name.optional(),
  from: idSchema,
  to: idSchema,
  /** Places that it bends at, from its head on. */
  bends: z.array(place).max(200).optional(),
  length,
  /** Its length is read off the plan where both its ends lie there; taped or typed when absent. */
  lengthFrom: z.literal('plan').optional(),
  material: z.enum(MATERIALS),
  nominal: z.number().min(0.02).max(3),
  insideDiameter: z.number().min(0.02).max(3).optional(),
  /** `auto`: as shallow as cover and least pitch allow. Set levels are inverts. */
  grade: z.discriminatedUnion('type', [
    z.strictObject({ type: z.literal('auto') }),
    z.strictObject({ type: z.literal('pitch'), pitch }),
    z.strictObject({ type: z.literal('levels'), up: level.optional(), down: level.optional() }),
  ]),
  /** Takes ground water in through its holes. */
  perforated: flag,
  /** Of a pipe that was here before: what becomes of it, and the state that it is in. */
  old: z
    .strictObject({
      fate: z.enum(OLD_FATES),
      state: z.enum(OLD_STATES).optional(),
      /** What of it is guessed: it may be otherwise. */
      guessed: z.array(z.enum(GUESSES)).max(GUESSES.length).optional(),
      /** Test pits dug to it: its invert, m, so far from its head, m. */
      pits: z
        .array(z.strictObject({ along: z.number().min(0).max(10_000), level }))
        .max(50)
        .optional(),
      /** Falls that it may have where nobody has found it, m/m; as builders lay by habit when absent. */
      fall: z
        .strictObject({ least: pitch, most: pitch })
        .refine(({ least, most }) => most >= least, { error: 'must fall at most as much as at least, or more' })
        .optional(),
    })
    .optional(),
  /** What is over it: a slab is a walk, patio or deck that nobody drives on, and the pipe lies in or right under it. */
  under: z.enum(UNDER).optional(),
  /** Driven through under what is over it, so that nothing there is opened. */
  bored: flag,
  assumed: flag,
  /** Another run, or a drain, in whose trench it lies beside it. */
  beside: idSchema.optional(),
  /** In a trench of its own, however near another is drawn. */
  apart: flag,
  /** How many such pipes lie side by side and share the flow; one when absent. */
  parallel: z.number().int().min(1).max(6).optional(),
  /** Opening left in the adapter at its head where that is narrower than the pipe, m. */
  throat: z.number().min(0.02).max(3).optional(),
  /** As laid: invert, m, so far from its head, m, and when it was read. */
  laid: z
    .array(z.strictObject({ along: z.number().min(0).max(100_000), level, at: z.string().max(40).optional() }))
    .max(1000)
    .optional(),
  /** True once protection for a trench of 5 ft or deeper is planned. */
  shored: flag,
});
export type Run = z.infer<typeof schema>;

/** Whether water still runs through it: one that is cut off or taken out carries none. */
export const isLaid = ({ old }: Run): boolean => old === undefined || old.fate === 'kept';

/** Whether it is laid anew: an old one lies in its trench already. */
export const isNew = ({ old }: Run): boolean => old === undefined;

/** Whether the ground is opened along it: to lay it, or to take it out. */
export const isDug = (run: Run): boolean => isNew(run) || run.old!.fate === 'takenOut';

/** Inside diameter, m: the product's own where it was entered. */
export const diameterOf = (run: Run): number => run.insideDiameter ?? run.nominal;

export const runKind = kind<Run>(schema, {
  label: 'Solid pipe',
  idStem: 'run',
  about: 'solid pipe from one landing to the next',
  notes: {
    bends: 'places that it bends at, from its head on',
    lengthFrom: '`plan`: by its way on the plan; taped or typed when absent',
    old: 'fate, state, guessed (`size`, `material`), pits (along, level) and fall (least, most), of a pipe that was here before',
    grade: '`auto`; `pitch` with pitch; `levels` with up, down',
    bored: 'driven through under what is over it',
    beside: 'a run or a drain in whose trench it lies',
    apart: 'in a trench of its own, however near another is drawn',
    parallel: 'how many side by side',
    throat: 'opening of an adapter at its head, m',
    laid: 'along (m from its head), level (invert), at (when), as it was read in the trench',
    shored: 'protection is planned for a deep trench',
  },
  links: [
    { field: 'from', to: 'start' },
    { field: 'to', to: 'landing', circuit: 'pipes' },
    { field: 'beside', to: 'trench' },
  ],
  nameIn: (run, nameOf) => run.name ?? `${nameOf(run.from)} to ${nameOf(run.to)}`,
});

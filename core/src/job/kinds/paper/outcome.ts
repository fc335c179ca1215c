import { z } from 'zod';
import { RENTABLE } from '../../../catalogue/diggers';
import { day } from '../fields';
import { kind } from '../kind';

/** What a job's money goes into. */
export const COSTS = ['parts', 'work', 'machines', 'hauling', 'others'] as const;
export type CostOf = (typeof COSTS)[number];

const money = z.number().int().min(0).max(1e10);

const schema = z.strictObject({
  id: z.literal('outcome'),
  kind: z.literal('outcome'),
  /** The day on which all its bills were in: from then on it counts among the company's own figures. */
  settledOn: day.optional(),
  /** What was asked for it in the end, before tax, least units of the currency. */
  asked: money.optional(),
  /** What it came to, least units of the currency; what is left out is not known. */
  costs: z.partialRecord(z.enum(COSTS), money).optional(),
  /** Truck loads that were hauled away. */
  loads: z.number().min(0).max(10_000).optional(),
  /** Hours that machines ran. */
  machines: z
    .array(z.strictObject({ machine: z.enum(RENTABLE), hours: z.number().gt(0).max(10_000) }))
    .max(RENTABLE.length)
    .optional(),
  /** What went into the ground, by the part's key and in its unit, and what was paid for all of it. */
  used: z
    .array(
      z.strictObject({ part: z.string().min(1).max(200), quantity: z.number().gt(0).max(1e6), paid: money.optional() }),
    )
    .max(500)
    .optional(),
});
export type Outcome = z.infer<typeof schema>;

export const outcomeKind = kind<Outcome>(schema, {
  label: 'How it came out',
  idStem: 'outcome',
  onPaper: true,
  about: 'what the job took, cost and was paid for in the end; its id is `outcome`',
  notes: {
    settledOn: 'when all bills were in: from then on it counts among the company’s own figures',
    asked: 'before tax, least units of the currency',
    costs:
      '`parts`, `work`, `machines`, `hauling`, `others`: least units of the currency; what is left out is not known',
    loads: 'truck loads hauled away',
    machines: 'machine, hours that it ran',
    used: 'part (its key), quantity in the part’s unit, paid for all of it (least units)',
  },
  faults: ({ used = [], machines = [] }) => [
    ...twice(used.map(({ part }) => part)).map((k) => ({ field: `used[${k}].part`, sentence: 'is there already' })),
    ...twice(machines.map(({ machine }) => machine)).map((k) => ({
      field: `machines[${k}].machine`,
      sentence: 'is there already',
    })),
  ],
  nameIn: () => 'How it came out',
});

/** Places in a list at which something stands a second time. */
const twice = (all: readonly string[]): number[] => all.flatMap((each, k) => (all.indexOf(each) < k ? [k] : []));

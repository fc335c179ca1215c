/** How all jobs came out, beside their plans: what the company's own figures are worked out from. */
import { z } from 'zod';
import { RENTABLE } from '../catalogue/diggers';
import { PART_UNITS } from '../catalogue/items';
import { STEP_KINDS } from '../catalogue/paces';
import { COSTS } from '../job/kinds';

/** What a job has that may make it a kind of its own. */
export const TRAITS = [
  'pipeOnly',
  'channel',
  'pump',
  'pit',
  'splice',
  'culvert',
  'swale',
  'stoneDrain',
  'subsurface',
  'paving',
  'byHand',
  'roots',
  'rockOrWater',
  'short',
  'long',
] as const;
export type Trait = (typeof TRAITS)[number];

const figure = z.number();

/** One job. Hours, SI quantities, amounts in least units of the currency. */
export const ledgerEntrySchema = z.object({
  /** The day that it is counted by, and whether all its bills are in. */
  on: z.string(),
  settled: z.boolean(),
  currency: z.string(),
  units: z.enum(['us', 'metric']),
  /** Steps of which the hours were told, by their kind: at the usual pace, as planned, and what they took. */
  steps: z.array(z.object({ kind: z.enum(STEP_KINDS), usual: figure, planned: figure, took: figure })),
  /** Before tax: as planned, and in the end; null where nobody told. */
  asked: z.object({ planned: figure, came: figure.nullable() }),
  /** What it cost, by what it went into; `told` is false where it was reckoned by hours, or is the plan's. */
  costs: z.array(z.object({ of: z.enum(COSTS), planned: figure, came: figure, told: z.boolean() })),
  /** Share of the firm's own costs on top of these. */
  overhead: figure,
  /** Work that was planned, by the name of its rate, in its unit. */
  work: z.record(z.string(), figure),
  loads: z.object({ planned: figure, came: figure }).nullable(),
  machines: z.array(z.object({ machine: z.enum(RENTABLE), usual: figure, ran: figure })),
  /** Parts of which it was told what was used; `rate` is what one unit cost, null where nobody told. */
  parts: z.array(
    z.object({
      key: z.string(),
      label: z.string(),
      unit: z.enum(PART_UNITS),
      planned: figure,
      used: figure,
      rate: figure.nullable(),
    }),
  ),
  traits: z.array(z.enum(TRAITS)),
  /** Complaints that the company paid for, and what they cost. */
  complaints: z.object({ count: figure, cost: figure }),
});
export type LedgerEntry = z.infer<typeof ledgerEntrySchema>;

export const ledgerSchema = z.object({
  jobs: z.array(z.object({ id: z.string(), name: z.string(), entry: ledgerEntrySchema })),
  /** Jobs whose plans are still being worked out: they are not among these yet. */
  pending: z.number().int(),
});
export type Ledger = z.infer<typeof ledgerSchema>;
export type LedgerJob = Ledger['jobs'][number];

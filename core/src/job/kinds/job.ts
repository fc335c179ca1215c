import { DIGGERS, RENTABLE } from '../../catalogue/diggers';
import { MATERIALS } from '../../catalogue/pipes';
import { BASIN_FLOORS, EARTHS, OFFCUTS, OPENINGS, SODS } from '../buildWays';
import { z } from 'zod';
import { STEP_KINDS } from '../../catalogue/paces';
import { SOILS } from '../../catalogue/soils';
import { JOB_STATES } from '../states';
import { idSchema, intensity, length, level, name, outline } from './fields';
import { kind } from './kind';

/** What a site may have that asks for a licensed engineer. */
export const BEYOND = ['retainingWall', 'foundation', 'floodPlain', 'commercial', 'wetland', 'gas'] as const;
export const CONTACT_ROLES = ['client', 'neighbour', 'other'] as const;

const settingsSchema = z
  .strictObject({
    cover: z.number().min(0).max(5),
    leastCover: z.number().min(0).max(5),
    leastCoverInSlab: z.number().min(0).max(5),
    leastPitch: z.number().gt(0).max(0.2),
    leastPitchLarge: z.number().gt(0).max(0.2),
    largeFrom: length,
    buildingClearance: z.number().min(0).max(500),
    popupLift: z.number().min(0).max(0.5),
    gritSize: z.number().gt(0).max(0.05),
    ordinaryRain: intensity,
    leastVelocity: z.number().min(0).max(5),
    gutterDepth: z.number().gt(0).max(1),
    ponding: z.number().gt(0).max(1),
    spillLength: length,
    outcrop: z.number().min(0).max(100),
    openingMargin: z.number().min(0).max(2),
    highVelocity: z.number().gt(0).max(20),
    stopVelocity: z.number().gt(0).max(30),
    cleanoutSpacing: length,
    levelLinePitch: z.number().gt(0).max(0.2),
  })
  .partial();

const part = z.number().min(0).max(5);

/** What a job is priced by, in place of the usual figures. Money in the currency's least units, whole where it is an amount. */
export const pricesSchema = z
  .strictObject({
    /** ISO 4217. */
    currency: z.string().regex(/^[A-Z]{3}$/),
    /** Of one SI unit, by what is priced. */
    rates: z.record(z.string().max(200), z.number().min(0).max(1e9)),
    /** Shares of the cost: for what nobody foresees, and for what the firm itself costs. */
    contingency: part,
    overhead: part,
    /** Of the price (less than 1), or on top of the cost. */
    profit: z.discriminatedUnion('as', [
      z.strictObject({ as: z.literal('margin'), share: z.number().min(0).max(0.95) }),
      z.strictObject({ as: z.literal('markup'), share: part }),
    ]),
    tax: z.number().min(0).max(1),
    /** What the ground and the place add: shares of the trench in rock and in water, a gate that no machine passes, m that spoil is wheeled. */
    conditions: z
      .strictObject({
        rock: z.number().min(0).max(1),
        wet: z.number().min(0).max(1),
        narrow: z.boolean(),
        /** Narrowest gate on the way in, m. */
        gate: z.number().gt(0).max(20),
        barrow: z.number().min(0).max(1000),
      })
      .partial(),
    /** What a tool is rented for a day, by its name; what is not here is the firm's own. */
    rented: z.partialRecord(z.enum(RENTABLE), z.number().int().min(0).max(1e9)),
    /** Permits, and whatever else is charged once, least units. */
    extras: z.array(z.strictObject({ name, amount: z.number().int().min(0).max(1e9) })).max(30),
    /** The company's book that they were taken from, and the day that it holds from. */
    book: z.strictObject({ name, from: z.iso.date() }),
    /** The price goes up to a whole number of these. */
    rounding: z.number().int().min(1).max(1e7),
  })
  .partial();

/** How it is built, in place of the usual ways. */
export const waysSchema = z
  .strictObject({
    basinFloor: z.enum(BASIN_FLOORS),
    sod: z.enum(SODS),
    earth: z.enum(EARTHS),
    opening: z.enum(OPENINGS),
    digger: z.enum(DIGGERS),
    raised: z
      .array(
        z.strictObject({
          name,
          area: z.number().gt(0).max(1e5),
          depth: z.number().gt(0).max(3),
          /** On the plan, where it is, and the level that it is raised to, m: the ground is taken to lie so. */
          outline: outline.optional(),
          level: level.optional(),
        }),
      )
      .max(30),
    offcuts: z.enum(OFFCUTS),
    ventedFeet: z.boolean(),
    make: z.enum(MATERIALS),
    gluedJoints: z.boolean(),
    tapedJoints: z.boolean(),
    buttedInStone: z.boolean(),
    recycled: z.boolean(),
    markingTape: z.boolean(),
    tracer: z.boolean(),
    leafFilters: z.boolean(),
    copperWrap: z.boolean(),
    shareWithin: z.number().min(0).max(5),
    leastLoad: z.number().min(0).max(1),
  })
  .partial();

/** Days and customs that the work is laid out by, in place of the usual ones. */
export const calendarSchema = z
  .strictObject({
    /** Days on which nobody works. */
    holidays: z.array(z.iso.date()).max(100),
    /** Working days from a locate request to its marks, and days that those stand. */
    locateDays: z.number().int().min(0).max(30),
    locateLasts: z.number().int().min(1).max(365),
    /** People in a crew, and hours of a day. */
    crew: z.number().int().min(1).max(50),
    hours: z.number().gt(0).max(24),
    /** Own pace beside the usual one: 1.5 takes half as long again. */
    pace: z.number().min(0.1).max(10),
    /** The same of single kinds of step, in place of it. */
    paces: z.partialRecord(z.enum(STEP_KINDS), z.number().min(0.1).max(10)),
  })
  .partial();

/** A snag as it was when somebody accepted it, why, and on what day: one to mind, or one to mend that the customer wants otherwise. */
const acceptanceSchema = z.strictObject({
  code: z.string().min(1).max(60),
  /** That it was to be mended then: what was only to be minded is not accepted once it is. */
  severity: z.literal('fix').optional(),
  at: idSchema,
  other: idSchema.optional(),
  figure: z.number(),
  limit: z.number(),
  reason: z.string().trim().min(1).max(500),
  on: z.iso.date(),
});
export type Acceptance = z.infer<typeof acceptanceSchema>;

const schema = z.strictObject({
  id: z.literal('job'),
  kind: z.literal('job'),
  name,
  /** Where it is: street and town. */
  site: z.string().max(500).optional(),
  /** Whose yard it is. */
  client: z.string().max(200).optional(),
  /** Whom to reach: on the device and the server, on no page that is shared. */
  contacts: z
    .array(
      z.strictObject({
        name,
        role: z.enum(CONTACT_ROLES),
        phone: z.string().trim().max(60).optional(),
        mail: z.string().trim().max(200).optional(),
      }),
    )
    .max(20)
    .optional(),
  /** Number that its offer goes by in the company's books. */
  offer: z.string().trim().min(1).max(60).optional(),
  state: z.enum(JOB_STATES).optional(),
  /** Day of the work, `2026-11-25`. */
  date: z.iso.date().optional(),
  units: z.enum(['us', 'metric']),
  /** How far north lies to the right of the plan's own up, rad. */
  north: z.number().min(-Math.PI).max(Math.PI).optional(),
  /** The ground's soil where nothing else is said. */
  soil: z.enum(SOILS).optional(),
  /** `ground`: each stretch as shallow as it may be. `single`: one laser setting from top to bottom of a line. */
  pitchStyle: z.enum(['ground', 'single']),
  settings: settingsSchema.optional(),
  prices: pricesSchema.optional(),
  ways: waysSchema.optional(),
  calendar: calendarSchema.optional(),
  /** Since when all that is needed is there, and the dig may begin. */
  clearedOn: z.iso.date().optional(),
  /** First day of the work. */
  startsOn: z.iso.date().optional(),
  /** What this plan is called among its options. */
  option: name.optional(),
  accepted: z.array(acceptanceSchema).max(500).optional(),
  /** What is here besides that asks for a licensed engineer. */
  beyond: z.array(z.enum(BEYOND)).max(BEYOND.length).optional(),
  /** Questions of building, by their names, whose answer its offer explains. */
  explains: z.array(z.string().min(1).max(40)).max(60).optional(),
});
export type JobElement = z.infer<typeof schema>;

export const jobKind = kind<JobElement>(schema, {
  label: 'Job',
  idStem: 'job',
  about: 'the head; its id is `job`',
  notes: {
    site: 'street and town',
    client: 'whose yard it is',
    contacts: 'name, role (`client`, `neighbour`, `other`), phone, mail of whom to reach; on no page that is shared',
    offer: 'number of its offer in the company’s books',
    state: 'how far it has come',
    date: 'day of the work, as 2026-11-25',
    north: 'how far north lies to the right of the plan’s up, rad',
    soil: 'of the ground where nothing else is said',
    prices:
      'currency, rates, contingency, overhead, profit, tax, rounding, conditions, extras, book, in place of the usual ones; money in least units',
    calendar:
      'holidays, locateDays, locateLasts, crew, hours a day, pace and paces by kind of step, in place of the usual ones',
    clearedOn: 'since when the dig may begin',
    startsOn: 'first day of the work',
    option: 'what this plan is called among its options',
    accepted:
      'code, severity (`fix`)?, at, other?, figure, limit, reason, on, of snags that are accepted as they were then',
    beyond: 'what is here besides that asks for a licensed engineer',
    explains: 'questions of building whose answer its offer explains',
    settings: 'rules of this job, in place of the usual ones',
  },
});

/** What a job is made of: one schema per kind of element, SI throughout. Levels are m above the job's own datum. */
import { z } from 'zod';
import { DOWNSPOUT_SIZES } from '../catalogue/downspouts';
import { TURNS } from '../catalogue/fittings';
import { GRATES } from '../catalogue/grates';
import { GUTTERS } from '../catalogue/gutters';
import { MATERIALS } from '../catalogue/pipes';
import { SURFACE_COVERS } from '../catalogue/surfaces';

export const idSchema = z
  .string()
  .regex(/^[A-Za-z][A-Za-z0-9_-]{0,63}$/, 'must be a letter followed by letters, digits, - or _ (64 at most)');
const name = z.string().trim().min(1).max(120);
const level = z.number().min(-1000).max(9000);
const length = z.number().gt(0).max(10_000);
const area = z.number().gt(0).max(1_000_000);
const coefficient = z.number().gt(0).max(1);
const intensity = z.number().gt(0).max(0.001);
const pitch = z.number().min(-1).max(5);
const flag = z.boolean().optional();

/** Where water goes and in what proportion; shares are weights, so they never fail to add up. */
export const feedSchema = z.strictObject({ to: idSchema, share: z.number().gt(0).max(1000) });
const feeds = z.array(feedSchema).max(20);

const settingsSchema = z
  .strictObject({
    cover: z.number().min(0).max(5),
    leastCover: z.number().min(0).max(5),
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
    openingMargin: z.number().min(0).max(2),
    highVelocity: z.number().gt(0).max(20),
    cleanoutSpacing: length,
    levelLinePitch: z.number().gt(0).max(0.2),
  })
  .partial();

export const jobSchema = z.strictObject({
  id: z.literal('job'),
  kind: z.literal('job'),
  name,
  site: z.string().max(500).optional(),
  units: z.enum(['us', 'metric']),
  /** `ground`: each stretch as shallow as it may be. `single`: one laser setting from top to bottom of a line. */
  pitchStyle: z.enum(['ground', 'single']),
  settings: settingsSchema.optional(),
});

const rising = z
  .array(z.number().gt(0).max(864_000))
  .min(2)
  .max(60)
  .refine((values) => values.every((value, k) => k === 0 || value > values[k - 1]!), {
    error: 'must rise from each to the next',
  });

const intensityTable = z
  .strictObject({ durations: rising, intensities: z.array(intensity).min(2).max(60) })
  .refine((table) => table.durations.length === table.intensities.length, {
    error: 'must hold as many intensities as durations',
  });
const returnPeriod = z.number().min(1).max(1000);

export const rainSchema = z.strictObject({
  id: z.literal('rain'),
  kind: z.literal('rain'),
  /** Of the 5-minute rain: what roofs and all that answers at once are sized by. */
  intensity,
  /** How it weakens with duration (s), for ground that answers slowly; without it one intensity holds for all. */
  table: intensityTable.optional(),
  /** The rarer rain that doors and window wells are checked by, years; they are judged by the design rain alone when absent. */
  openings: z.strictObject({ returnPeriod, intensity, table: intensityTable.optional() }).optional(),
  source: z.discriminatedUnion('type', [
    z.strictObject({ type: z.literal('typed') }),
    /** A table of the user's own, typed or from a file. */
    z.strictObject({ type: z.literal('own'), place: name, returnPeriod }),
    z.strictObject({
      type: z.literal('office'),
      station: idSchema,
      place: name,
      returnPeriod,
      duration: z.number().min(60).max(86_400),
    }),
  ]),
});

export const roofFaceSchema = z.strictObject({
  id: idSchema,
  kind: z.literal('roofFace'),
  name,
  storey: z.number().int().min(1).max(20),
  shape: z.discriminatedUnion('type', [
    z.strictObject({ type: z.literal('area'), area }),
    /** `run` is eave to ridge: level, or along the slope when `alongSlope`. `pitch` is rise over run. */
    z.strictObject({
      type: z.literal('sides'),
      width: length,
      run: length,
      pitch: z.number().min(0).max(12),
      alongSlope: flag,
    }),
  ]),
  /** Adds the wind-driven allowance for a steep face. */
  windDriven: flag,
  coefficient: coefficient.optional(),
  feeds,
  /** Its water comes down a valley into one place of the gutter, that many m of gutter from the downspout. */
  valley: z.strictObject({ gutterRun: length }).optional(),
});

export const surfaceSchema = z.strictObject({
  id: idSchema,
  kind: z.literal('surface'),
  name,
  cover: z.enum(SURFACE_COVERS),
  area,
  coefficient: coefficient.optional(),
  feeds,
  /** Its longest way to the inlet, for the time that water takes; at once when absent. */
  sheet: z.strictObject({ length, slope: z.number().gt(0).max(2), roughness: z.number().gt(0).max(1) }).optional(),
  shallow: z.strictObject({ length, slope: z.number().gt(0).max(2), paved: z.boolean() }).optional(),
});

/** Water that comes whatever the sky does: condensate, a sump, a neighbour's downspout. */
export const fixedFlowSchema = z.strictObject({
  id: idSchema,
  kind: z.literal('fixedFlow'),
  name,
  flow: z.number().gt(0).max(10),
  feeds,
});

export const downspoutSchema = z.strictObject({
  id: idSchema,
  kind: z.literal('downspout'),
  name,
  storey: z.number().int().min(1).max(20),
  size: z.enum(DOWNSPOUT_SIZES),
  /** Lower downspouts whose gutter this one empties into; absent or empty when it reaches the ground. */
  landsOn: feeds.optional(),
  groundLevel: level,
  /** Of the gutter that it drains; 5 in when absent. */
  gutter: z.enum(GUTTERS).optional(),
  /** Inlet that the water its gutter cannot take runs to over the yard. Without it the line is sized as if all came down. */
  spillsTo: idSchema.optional(),
});

export const junctionSchema = z.strictObject({
  id: idSchema,
  kind: z.literal('junction'),
  name,
  form: z.enum(['wye', 'tee', 'cleanout', 'bend']),
  groundLevel: level,
  /** How a bend is made; one 45 when absent. */
  turn: z.enum(TURNS).optional(),
});

/** How water comes on to an inlet that stands on a slope; `width` of the sheet that comes to a grate, m. */
const approachSchema = z.strictObject({
  slope: z.number().gt(0).max(2),
  roughness: z.number().gt(0).max(1),
  width: length.optional(),
});

export const basinSchema = z.strictObject({
  id: idSchema,
  kind: z.literal('basin'),
  name,
  grate: z.enum(GRATES),
  /** Level of the grate, which is the ground that water reaches it over. */
  groundLevel: level,
  /** How many of the grate stand here; one when absent. */
  count: z.number().int().min(1).max(50).optional(),
  /** Share that leaves take; the grate's usual when absent. */
  clogging: z.number().min(0).max(0.95).optional(),
  /** Of the rim, the share that stands against a wall. */
  walled: z.number().min(0).max(0.9).optional(),
  /** Sill of the opening that it protects, and the ground over which standing water runs off clear of it. */
  sillLevel: level.optional(),
  spillLevel: level.optional(),
  /** Below the outlet's invert, m. */
  sumpDepth: z.number().min(0).max(3).optional(),
  /** In a low spot when absent. What carries over goes to `passesTo`. */
  approach: approachSchema.optional(),
  passesTo: idSchema.optional(),
});

/** A channel drain. */
export const channelSchema = z.strictObject({
  id: idSchema,
  kind: z.literal('channel'),
  name,
  /** Level of its grate, at its lower end where it falls. */
  groundLevel: level,
  width: z.number().gt(0).max(2),
  depth: z.number().gt(0).max(2),
  length,
  /** Fall of its bed against its grate, m/m, and of the grate itself; `depth` is at the lowest of the bed. */
  slope: z.number().min(0).max(0.5),
  topSlope: z.number().min(0).max(0.5).optional(),
  /** Inside: upright walls on a flat floor when absent, or on a half round. */
  section: z.enum(['flat', 'round']).optional(),
  /** In the middle of its length two halves fall toward it; at the end when absent; or several, m from its upper end, all into its one line. */
  outlet: z.union([z.enum(['end', 'middle']), z.array(z.number().min(0).max(10_000)).min(1).max(20)]).optional(),
  /** Where the hole to its pipe is: in its floor when absent, or in its end or side, under less water. */
  hole: z.enum(['floor', 'end']).optional(),
  sillLevel: level.optional(),
  spillLevel: level.optional(),
  approach: approachSchema.optional(),
  passesTo: idSchema.optional(),
});

export const dischargeSchema = z.strictObject({
  id: idSchema,
  kind: z.literal('discharge'),
  name,
  form: z.enum(['daylight', 'popup', 'main']),
  receiving: z.enum(['swale', 'slope', 'ditch', 'street', 'lawn']),
  /** Ground where the pipe comes out, or the pop-up's lid. */
  groundLevel: level,
  /** Daylight or main: lowest level the invert may have (swale's bottom, the main's own invert); the ground when absent. */
  controlLevel: level.optional(),
  /** Daylight or main: level at which water stands there in the design rain; none when absent. */
  standingLevel: level.optional(),
  /** Of an existing main, m³/s: what it carries full, and what of that others use already. */
  mainCapacity: z.number().gt(0).max(100).optional(),
  mainUsed: z.number().min(0).max(100).optional(),
  /** True once an apron of stone is laid where the pipe comes out. */
  stone: flag,
  /** To the nearest building of anybody's, m. */
  buildingDistance: z.number().min(0).max(10_000).optional(),
  /** True until somebody has measured it. */
  assumed: flag,
});

export const runSchema = z.strictObject({
  id: idSchema,
  kind: z.literal('run'),
  name: name.optional(),
  from: idSchema,
  to: idSchema,
  length,
  material: z.enum(MATERIALS),
  nominal: z.number().min(0.02).max(3),
  insideDiameter: z.number().min(0.02).max(3).optional(),
  /** `auto`: as shallow as cover and least pitch allow. Set levels are inverts. */
  grade: z.discriminatedUnion('type', [
    z.strictObject({ type: z.literal('auto') }),
    z.strictObject({ type: z.literal('pitch'), pitch }),
    z.strictObject({ type: z.literal('levels'), up: level.optional(), down: level.optional() }),
  ]),
  under: z.enum(['turf', 'cars']).optional(),
  assumed: flag,
  /** How many such pipes lie side by side and share the flow; one when absent. */
  parallel: z.number().int().min(1).max(6).optional(),
  /** Opening left in the adapter at its head where that is narrower than the pipe, m. */
  throat: z.number().min(0.02).max(3).optional(),
  /** True once protection for a trench of 5 ft or deeper is planned. */
  shored: flag,
});

export const elementSchema = z.discriminatedUnion('kind', [
  jobSchema,
  rainSchema,
  roofFaceSchema,
  surfaceSchema,
  fixedFlowSchema,
  downspoutSchema,
  junctionSchema,
  basinSchema,
  channelSchema,
  dischargeSchema,
  runSchema,
]);

export type Feed = z.infer<typeof feedSchema>;
export type JobElement = z.infer<typeof jobSchema>;
export type RainElement = z.infer<typeof rainSchema>;
export type RoofFace = z.infer<typeof roofFaceSchema>;
export type Surface = z.infer<typeof surfaceSchema>;
export type FixedFlow = z.infer<typeof fixedFlowSchema>;
export type Channel = z.infer<typeof channelSchema>;
export type Downspout = z.infer<typeof downspoutSchema>;
export type Junction = z.infer<typeof junctionSchema>;
export type Basin = z.infer<typeof basinSchema>;
export type Discharge = z.infer<typeof dischargeSchema>;
export type Run = z.infer<typeof runSchema>;
export type Element = z.infer<typeof elementSchema>;
export type ElementKind = Element['kind'];
/** Places a pipe can start, pass or end. A downspout that lands on a gutter is not one. */
export type Landing = Downspout | Junction | Basin | Channel | Discharge;

const LANDING_KINDS: ReadonlySet<ElementKind> = new Set(['downspout', 'junction', 'basin', 'channel', 'discharge']);

/** Whether a channel's outlets come one after another, none beyond its length. */
export const outletsFit = ({ outlet, length: whole }: Channel): boolean =>
  !Array.isArray(outlet) || outlet.every((place, k) => place <= whole && (k === 0 || place > outlet[k - 1]!));

/** Whether an upper downspout's water stays on the roof. */
export const landsOnGutter = (downspout: Downspout): boolean => (downspout.landsOn?.length ?? 0) > 0;

export function isLanding(element: Element | undefined): element is Landing {
  return (
    element !== undefined &&
    LANDING_KINDS.has(element.kind) &&
    !(element.kind === 'downspout' && landsOnGutter(element))
  );
}

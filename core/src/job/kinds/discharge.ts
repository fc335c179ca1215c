import { z } from 'zod';
import { OUTFALL_FORMS, RECEIVING } from '../../catalogue/outfalls';
import { MATERIALS } from '../../catalogue/pipes';
import { SOILS } from '../../catalogue/soils';
import { METRES_PER_FOOT } from '../../units/constants';
import { flag, hereField, idSchema, length, level, levelFrom, name, place } from './fields';
import { kind } from './kind';
import { soilFields } from './works/workFields';

export const MAIN_IS = ['storm', 'sanitary', 'unknown'] as const;

const schema = z.strictObject({
  id: idSchema,
  kind: z.literal('discharge'),
  name,
  place: place.optional(),
  levelFrom,
  form: z.enum(OUTFALL_FORMS),
  receiving: z.enum(RECEIVING),
  /** Ground where the pipe comes out, or the pop-up's lid. */
  groundLevel: level,
  /** Lowest level the invert may have (swale's bottom, the main's own invert); the ground when absent. */
  controlLevel: level.optional(),
  /** Level at which water stands there in the design rain; none when absent. */
  standingLevel: level.optional(),
  /** Of an existing main: inside diameter, m; pitch, m/m; make, old clay when absent; and what others send down it already, m³/s. */
  mainDiameter: z.number().min(0.02).max(5).optional(),
  mainPitch: z.number().gt(0).max(1).optional(),
  mainMaterial: z.enum(MATERIALS).optional(),
  /** What an existing main carries: storm water when absent, as one is asked before a line is drawn to it. */
  mainIs: z.enum(MAIN_IS).optional(),
  /** How the line comes into it: a wye spliced in, or a tap; by its size when absent. */
  joinedBy: z.enum(['wye', 'tap']).optional(),
  mainUsed: z.number().min(0).max(100).optional(),
  /** What it carries full, m³/s, where somebody has said so; else by its size and pitch. */
  mainCapacity: z.number().gt(0).max(100).optional(),
  /** How a pop-up's line empties after the rain: by holes in its foot, or a leaching tee of so much wetted soil (m²); not at all when absent. */
  drain: z
    .discriminatedUnion('type', [
      z.strictObject({ type: z.literal('weep'), soil: z.enum(SOILS).optional() }),
      z.strictObject({ type: z.literal('leach'), soil: z.enum(SOILS).optional(), area: z.number().gt(0).max(1000) }),
    ])
    .optional(),
  /** Of one that keeps its water until it has soaked away: what water fills, m² and m, the soil round it, and how high the ground water comes. */
  store: z
    .strictObject({
      area: z.number().gt(0).max(100_000),
      perimeter: z.number().min(0).max(10_000).optional(),
      depth: z.number().gt(0).max(20),
      cover: z.number().min(0).max(20),
      voids: z.number().gt(0).max(1),
      ...soilFields,
      waterTable: level.optional(),
    })
    .optional(),
  /** Of a pump basin: the pump's curve, its basin's area, the levels that start and stop it, and the line that it lifts through. */
  pump: z
    .strictObject({
      curve: z
        .array(z.strictObject({ flow: z.number().min(0).max(10), head: z.number().min(0).max(500) }))
        .min(2)
        .max(20)
        .refine(
          (points) =>
            points.every(({ flow, head }, k) => k === 0 || (flow > points[k - 1]!.flow && head <= points[k - 1]!.head)),
          {
            error: 'must rise in flow and fall in head from each to the next',
          },
        ),
      area: z.number().gt(0).max(1000),
      start: level,
      stop: level,
      mainLength: length,
      mainDiameter: z.number().min(0.01).max(1),
      outletLevel: level,
      checkValve: flag,
      alarm: flag,
      freezeOverflow: flag,
    })
    .optional(),
  /** The swale that it lets out into, or the channel drain that its water runs on through: what stands there stands against it. */
  into: idSchema.optional(),
  /** What is on the end of its pipe. */
  end: z.enum(['open', 'guard', 'grate']).optional(),
  /** Last stretch before daylight over which the ground drops away: its length, m, and the level of its upper edge, assumed when absent. */
  bank: z.strictObject({ length, topLevel: level.optional() }).optional(),
  /** Whose leave it wants, and whether it has been given. */
  consent: z.enum(['needed', 'given']).optional(),
  /** True once an apron of stone is laid where the pipe comes out. */
  stone: flag,
  /** To the nearest building of anybody's, m. */
  buildingDistance: z.number().min(0).max(10_000).optional(),
  /** True until somebody has measured it. */
  assumed: flag,
  ...hereField,
});
export type Discharge = z.infer<typeof schema>;

export const dischargeKind = kind<Discharge>(schema, {
  label: 'Way out',
  idStem: 'out',
  shape: 'place',
  about: 'a way out',
  notes: {
    controlLevel: 'lowest its invert may be; a main’s own invert',
    drain: '`weep` with soil, or `leach` with soil and area, of a pop-up',
    consent: '`needed` or `given`: whose leave it wants',
    mainIs: '`storm`, `sanitary` or `unknown`, of an existing main',
    joinedBy: '`wye` spliced in, or `tap`: how the line comes into a main',
    store: 'area, perimeter, depth, cover, voids, soil, conductivity, waterTable, of a dry well, pit or rain garden',
    pump: 'curve, area, start, stop, mainLength, mainDiameter, outletLevel, checkValve, alarm, freezeOverflow',
    into: 'the swale that it lets out into, or the channel drain that its water runs on through',
    end: 'what is on the end of its pipe',
    bank: 'length, topLevel?, of the last stretch before daylight',
  },
  links: [{ field: 'into', to: 'openWay', circuit: 'pipes' }],
  isLanding: () => true,
  faults: ({ pump }) =>
    pump && pump.stop >= pump.start ? [{ field: 'pump', sentence: 'stops above where it starts' }] : [],
  creations: [
    {
      stem: 'Way out',
      says: 'Where the water may go: swale, slope, ditch, street, lawn',
      build: ({ id, name: called, groundLevel }) => ({
        id,
        kind: 'discharge',
        name: called,
        form: 'daylight',
        receiving: 'swale',
        groundLevel: groundLevel - 3 * METRES_PER_FOOT,
        assumed: true,
      }),
    },
  ],
});

/** The open ways of a job, and those of downspouts that let out on the ground, in the order in which water comes down them, and the pipes that let out into them. */
import { letsInto, OUTFALLS } from '../catalogue/outfalls';
import { MATERIAL_FACTS } from '../catalogue/pipes';
import { LINING_FACTS } from '../catalogue/swales';
import type { Surface as GroundSurface } from '../ground/surface';
import { normalDepth } from '../hydraulics/pipe';
import { swaleFlow } from '../hydraulics/swaleFlow';
import { keptOf, ofKind, type Job } from '../job/job';
import type { Berm, Culvert, Discharge, GroundWay, Swale } from '../job/kinds';
import { step } from '../numeric/kept';
import { orderedWays, type Way } from '../runoff/groundWays';
import { shallowTime } from '../runoff/timeOfConcentration';
import { lengthOf } from '../works/measures';
import { levelsUnder, type LevelAt } from '../works/levelAt';
import { floorOf } from '../works/swale';
import { splashesOf, type Splash } from '../yard/downhill';
import { groundOf } from '../yard/ground';

export interface OpenWays {
  ways: readonly Way[];
  /** Swale or channel drain that each way out lets out into, by id. */
  outlets: ReadonlyMap<string, string>;
  /** Those that are channel drains. */
  channels: ReadonlySet<string>;
}

const NONE: readonly GroundWay[] = [];
const NO_WAYS: OpenWays = { ways: [], outlets: new Map(), channels: new Set() };

interface Kinds {
  swales: readonly Swale[];
  culverts: readonly Culvert[];
  berms: readonly Berm[];
}

const listed = step('open ways', ({ swales, culverts, berms }: Kinds): readonly GroundWay[] => [
  ...swales,
  ...culverts,
  ...berms,
]);

/** Every swale, culvert and berm; the same list for as long as they are. */
export function groundWaysIn(job: Job): readonly GroundWay[] {
  const kinds = { swales: ofKind(job, 'swale'), culverts: ofKind(job, 'culvert'), berms: ofKind(job, 'berm') };
  const count = kinds.swales.length + kinds.culverts.length + kinds.berms.length;
  return count === 0 ? NONE : keptOf(job).ask(listed, kinds);
}

/** Slowest that water is taken to go along a way that hardly falls, m/s. */
const SLOW = 0.05;

function timeAlong(way: GroundWay, levelAt: LevelAt): (flow: number) => number {
  if (way.kind === 'berm') return () => 0;
  const length = lengthOf(way);
  if (way.kind === 'culvert') {
    const slope = length > 0 ? (way.invertUp - way.invertDown) / length : 0;
    const { roughness } = MATERIAL_FACTS[way.material];
    return (flow) =>
      slope > 0
        ? length /
          Math.max(
            SLOW,
            normalDepth({ diameter: way.nominal, slope, roughness, flow: flow / (way.pipes ?? 1) }).velocity,
          )
        : length / SLOW;
  }
  const { head, foot } = floorOf(way, levelAt);
  const slope = length > 0 ? (head - foot) / length : 0;
  const { section, bottomWidth = 0, sideSlope, depth, lining } = way;
  return (flow) =>
    slope > 0
      ? length /
        Math.max(
          SLOW,
          swaleFlow({ section, bottomWidth, sideSlope, depth }, flow, slope, LINING_FACTS[lining].roughness).velocity,
        )
      : length / SLOW;
}

/** Over lawn from where a downspout lets out to what takes it: shallow flow, never taken flatter than this, m/m. */
const LEAST_SLOPE = 0.002;

const overLawn = ({ id, to, length, slope }: Splash): Way => {
  const time = shallowTime({ length, slope: Math.max(LEAST_SLOPE, slope), paved: false });
  return { id, to, time: () => time };
};

interface Read {
  ways: readonly GroundWay[];
  splashes: readonly Splash[];
  discharges: readonly Discharge[];
  ground: GroundSurface | null;
}

const openWays = step('open ways in order', ({ ways, splashes, discharges, ground }: Read): OpenWays => {
  const outlets = new Map<string, string>();
  const channels = new Set<string>();
  for (const discharge of discharges) {
    const into = letsInto(discharge);
    if (into === undefined) continue;
    outlets.set(discharge.id, into);
    if (isInChannel(discharge)) channels.add(into);
  }
  return {
    ways: orderedWays([
      ...splashes.map(overLawn),
      ...ways.map((way) => ({ id: way.id, to: way.to ?? null, time: timeAlong(way, levelsUnder(ground)) })),
    ]),
    outlets,
    channels,
  };
});

const isInChannel = ({ form }: Discharge): boolean => OUTFALLS[form].inChannel === true;

export function openWaysOf(job: Job): OpenWays {
  const ways = groundWaysIn(job);
  const splashes = splashesOf(job);
  if (ways.length + splashes.length === 0 && !ofKind(job, 'discharge').some(isInChannel)) return NO_WAYS;
  const ground = groundOf(job).surface;
  return keptOf(job).ask(openWays, { ways, splashes, discharges: ofKind(job, 'discharge'), ground });
}

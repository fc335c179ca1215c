/** Water that stands or runs in the open in a rain, and so may come to a door: at inlets, works, gutters that spill, and where pipes let out. */
import { JUNCTION_FACTS } from '../catalogue/fittings';
import { OUTFALLS, RECEIVING_FACTS, receivingOf } from '../catalogue/outfalls';
import type { InletPlan } from '../inlets';
import { keptOf, ofKind, type Job } from '../job/job';
import {
  landsOnGutter,
  type Basin,
  type Channel,
  type Discharge,
  type Downspout,
  type Element,
  type Junction,
} from '../job/kinds';
import { step } from '../numeric/kept';
import { LEVEL_TOLERANCE } from '../numeric/tolerance';
import { placesOf } from '../job/places';
import type { Settings } from '../job/settings';
import type { Place } from '../site/place';
import type { Stands } from '../works/work';
import { entryOf, WORK_KINDS, type WorkElementKind, type WorkPlan } from '../works';

export interface OpenWater extends Stands {
  /** Element that it stands at, or comes from. */
  id: string;
  /** Where that is on the plan, in turn; none where it is not on it. */
  places: readonly Place[];
  /** Sill that the element itself is judged by, m. */
  sillLevel: number | undefined;
}

interface LandingWater {
  groundLevel: number;
  /** Of its pipe, m; null with none. */
  crown: number | null;
  waterLevel: number | null;
  /** All that passes, m³/s. */
  passing: number;
}

/** What a rain makes of a job, as far as its water is in the open. */
export interface InRain {
  settings: Settings;
  inlets: Readonly<Record<string, InletPlan>>;
  works: Readonly<Record<string, WorkPlan>>;
  /** Crown of the pipe at a landing, m, null with no pipe; and all that passes it, m³/s. */
  landings: Readonly<Record<string, LandingWater>>;
  /** Water besides, where a case makes it come up. */
  more?: readonly OpenWater[];
}

/** Less than this runs past unseen, m³/s: a twentieth of a litre a second. */
export const TRICKLE = 5e-5;

/** What may let water stand or run in the open, the lists as the job keeps them. */
type Read = InRain & { [K in WorkElementKind]: readonly Element[] } & {
  basin: readonly Basin[];
  channel: readonly Channel[];
  downspout: readonly Downspout[];
  junction: readonly Junction[];
  discharge: readonly Discharge[];
};

function atInlets({ basin, channel, inlets }: Read): OpenWater[] {
  return [...basin, ...channel].flatMap((inlet) => {
    const plan = inlets[inlet.id];
    if (!plan || plan.kind === 'downspout') return [];
    const { stands } = plan;
    if (plan.offered <= 0 && stands.level <= inlet.groundLevel) return [];
    return [{ ...stands, id: inlet.id, places: placesOf(inlet), sillLevel: inlet.sillLevel }];
  });
}

/** What gutters spill that is not said to run anywhere, and what is let out at a downspout's foot where no pipe leads it off. */
function atDownspouts({ downspout, inlets, landings }: Read): OpenWater[] {
  return downspout.flatMap((spout) => {
    const plan = inlets[spout.id];
    const landing = landings[spout.id];
    if (plan?.kind !== 'downspout' || !landing) return [];
    const spilled = spout.spillsTo === undefined ? plan.overshoot : 0;
    const letOut = landing.crown === null && !landsOnGutter(spout) ? landing.passing : 0;
    const runs = spilled + letOut;
    if (runs <= TRICKLE) return [];
    return [{ id: spout.id, level: spout.groundLevel, runs, places: placesOf(spout), sillLevel: undefined }];
  });
}

/** Whether what a way out lets out runs over soil. */
export const runsOnSoil = (discharge: Discharge): boolean =>
  discharge.form === 'popup' || (OUTFALLS[discharge.form].opensOut && RECEIVING_FACTS[receivingOf(discharge)].soil);

/** What comes up under a cap at grade, or at a downspout's foot, where the line stands over the ground. */
function fromLines({ junction, downspout, landings }: Read): OpenWater[] {
  const open = junction.filter(({ form }) => JUNCTION_FACTS[form].access);
  return [...open, ...downspout].flatMap((element) => {
    const landing = landings[element.id];
    const level = landing?.waterLevel ?? null;
    if (!landing || level === null || level <= landing.groundLevel + LEVEL_TOLERANCE) return [];
    return [{ id: element.id, level, runs: landing.passing, places: placesOf(element), sillLevel: undefined }];
  });
}

function atWaysOut({ discharge: waysOut, landings, settings }: Read): OpenWater[] {
  return waysOut.flatMap((discharge) => {
    const runs = landings[discharge.id]?.passing ?? 0;
    if (runs <= TRICKLE || !runsOnSoil(discharge)) return [];
    const level = OUTFALLS[discharge.form].control(discharge, settings);
    return [{ id: discharge.id, level, runs, places: placesOf(discharge), sillLevel: undefined }];
  });
}

/** Before a culvert water stands at its head. */
const placesOfWork = (element: Element): readonly Place[] =>
  element.kind === 'culvert' ? placesOf(element).slice(0, 1) : placesOf(element);

function atWorks({ works, ...lists }: Read): OpenWater[] {
  const elements: Element[] = [...WORK_KINDS.flatMap((kind) => lists[kind]), ...lists.discharge];
  return elements.flatMap((element) => {
    const plan = works[element.id];
    const stands = plan && entryOf(element)?.inOpen?.(plan, element);
    if (!stands) return [];
    const sillLevel = element.kind === 'stoneDrain' ? element.sillLevel : undefined;
    return [{ ...stands, id: element.id, places: placesOfWork(element), sillLevel }];
  });
}

const NONE: readonly OpenWater[] = [];

const listed = step('open water', (read: Read): readonly OpenWater[] => [
  ...atInlets(read),
  ...atDownspouts(read),
  ...fromLines(read),
  ...(read.more ?? NONE),
  ...atWaysOut(read),
  ...atWorks(read),
]);

/** All of it, in no order that matters. */
export function openWaters(job: Job, rain: InRain): readonly OpenWater[] {
  const kinds = [...WORK_KINDS, 'basin', 'channel', 'downspout', 'junction', 'discharge'] as const;
  const lists = Object.fromEntries(kinds.map((kind) => [kind, ofKind(job, kind)])) as unknown as Omit<
    Read,
    keyof InRain
  >;
  const { settings, inlets, works, landings, more } = rain;
  return keptOf(job).ask(listed, { ...lists, settings, inlets, works, landings, more } as Read);
}

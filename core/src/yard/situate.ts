/**
 * A job with what its places say: lengths by the plan, levels by the ground, and ground that runs to inlets. A job without places is
 * itself. Nothing of it is stored: it is worked out before the plan and read by it.
 */
import { letsInto, OUTFALLS } from '../catalogue/outfalls';
import { USUAL_SOIL } from '../catalogue/soils';
import { placeOf } from '../ground/grid';
import { asGiven, elementOf, headOf, keptOf, ofKind, type Job, keeping } from '../job/job';
import {
  channelHead,
  ELEMENT_KINDS,
  LANDING_KINDS,
  type Basin,
  type Channel,
  type Discharge,
  type Element,
  type ElementKind,
  type Feed,
  type FixedFlow,
  type Landing,
  type PavedBed,
  type Run,
  type Surface,
} from '../job/kinds';
import { foundGrade, unknownFall } from '../job/oldPipe';
import { placeOfLanding, lengthOfRun } from '../job/places';
import { alikeLists, step, type Step } from '../numeric/kept';
import { areaOf, footOnWay, wayLength, type Place } from '../site/place';
import { levelsUnder, type LevelAt } from '../works/levelAt';
import { floorOf } from '../works/swale';
import { catchmentsOf, type Shed } from './catchments';
import { leadingIn } from './downhill';
import { groundOf } from './ground';
import { meetsFirst, yardWater } from './water';

/** Whether a surface's water goes where the ground leads it: drawn, and led nowhere by hand. */
export const followsGround = ({ outline, feeds }: Surface): boolean => outline !== undefined && feeds.length === 0;

/** Inlets whose ground is taken from the plan: placed, and fed by no typed ground. */
function gatheringInlets(job: Job): (Basin | Channel)[] {
  const typed = new Set(ofKind(job, 'surface').flatMap(({ feeds }) => feeds.map(({ to }) => to)));
  return [
    ...ofKind(job, 'basin').filter(({ id, place }) => place && !typed.has(id)),
    ...ofKind(job, 'channel').filter(({ id, way }) => way && !typed.has(id)),
  ];
}

const figuresFromPlan = step(
  'figures that hang on a place',
  ({ runs, surfaces, discharges }: Lists): boolean =>
    runs.some(({ lengthFrom, old }) => lengthFrom !== undefined || old?.fate === 'kept') ||
    surfaces.some(({ outline }) => outline !== undefined) ||
    discharges.some(
      (each) => letsInto(each) !== undefined && (OUTFALLS[each.form].inChannel || each.controlLevel === undefined),
    ),
);

interface Lists {
  runs: readonly Run[];
  surfaces: readonly Surface[];
  discharges: readonly Discharge[];
}

/** True of a job in which no figure hangs on a place. */
const isUnplaced = (job: Job): boolean =>
  ofKind(job, 'spotLevel').length === 0 &&
  ofKind(job, 'breakline').length === 0 &&
  !keptOf(job).ask(figuresFromPlan, {
    runs: ofKind(job, 'run'),
    surfaces: ofKind(job, 'surface'),
    discharges: ofKind(job, 'discharge'),
  });

/** What may hold a job as its places say: a plan of it. */
export interface Holder {
  readonly here?: Job;
}

/** The job as its places say: one in which no figure hangs on a place, or that was asked already, is itself. `holder`: a plan of it, which has it at hand. */
export function situated(job: Job, holder?: Holder): Job {
  if (job.given !== undefined) return job;
  const here = holder?.here;
  if (here && (here.given ?? here.elements) === job.elements) return here;
  if (isUnplaced(job)) return job;
  const asked: Job = { id: job.id, elements: job.elements, kept: keptOf(job) };
  return { ...asked, elements: placed(asked), given: job.elements };
}

const asMade = <T>({ made }: { made: readonly T[] }): readonly T[] => made;
const sameElements = alikeLists<unknown>(Object.is);

/** A list as places say, by what it lists. */
type ListStep = Step<{ made: readonly Element[] }, readonly Element[]>;
const LISTS = Object.fromEntries(
  [...ELEMENT_KINDS, 'landings'].map((of) => [of, step(`placed: ${of}`, asMade<Element>)]),
) as Record<ElementKind | 'landings', ListStep>;

function placed(job: Job): Job['elements'] {
  const { changed, gathered: more } = resolve(job);
  return job.elements.resolved(
    changed,
    more,
    <E extends Element>(of: ElementKind | 'landings', list: readonly E[]) =>
      keptOf(job).alike(LISTS[of], list, sameElements) as readonly E[],
  );
}

interface Resolved {
  /** In the place of those of their id. */
  changed: ReadonlyMap<string, Element>;
  gathered: readonly Element[];
}

/** An element with some figures of its own said otherwise: the same object for as long as it and they stay. */
const withFigures = step('an element as its place says', ({ element, ...figures }: { element: Element }): Element => ({
  ...element,
  ...figures,
}));

/** What the places of a job say, one element after another. */
class Asking {
  readonly changed = new Map<string, Element>();
  private readonly levelAt: LevelAt;

  constructor(private readonly job: Job) {
    this.levelAt = levelsUnder(groundOf(job).surface);
  }

  private say(element: Element, figures: object): void {
    const now = this.changed.get(element.id) ?? element;
    const about = `${element.id} ${Object.keys(figures).join()}`;
    this.changed.set(element.id, keptOf(this.job).ask(withFigures, { element: now, ...figures }, about));
  }

  /** A landing at the level of the ground there: of a channel, at the lower of its ends; of a drain, at both. */
  landing(landing: Landing): void {
    if (landing.levelFrom !== 'ground') return;
    const own = placeOfLanding(landing);
    const ends = landing.kind === 'channel' ? (landing.way ?? []) : own ? [own] : [];
    const levels = ends.flatMap((place) => this.levelAt(place) ?? []);
    if (levels.length === 0) return;
    const groundLevel = Math.min(...levels);
    const headLevel =
      landing.kind === 'drain' ? (landing.headLevel ?? this.levelAt(landing.way![0]!) ?? undefined) : undefined;
    this.say(landing, headLevel === undefined ? { groundLevel } : { groundLevel, headLevel });
  }

  run(run: Run): void {
    if (run.lengthFrom === 'plan') {
      const length = lengthOfRun(this.job, run);
      if (length !== run.length) this.say(run, { length });
    }
    const grade = foundGrade((this.changed.get(run.id) as Run | undefined) ?? run, 'least');
    if (grade) this.say(run, { grade: keptOf(this.job).ask(sameGrade, { ...NO_LEVELS, ...grade }, run.id) });
  }

  /** Where a way out lets out into a swale, its control level is the swale's floor there, unless its own is said; into a channel drain, the levels are the channel's. */
  discharge(discharge: Discharge): void {
    const channel = channelOf(this.job, discharge);
    if (channel) {
      const { grate, bed } = channelHead((this.changed.get(channel.id) as Channel | undefined) ?? channel);
      return this.say(discharge, { groundLevel: grate, controlLevel: bed });
    }
    const controlLevel = floorUnder(this.job, discharge, this.levelAt);
    if (controlLevel !== null) this.say(discharge, { controlLevel });
  }

  /** What always runs goes where the ground leads it, unless somebody has said where. */
  fixedFlow(flow: FixedFlow): void {
    if (!flow.place || flow.feeds.length > 0) return;
    const to = leadingIn(this.job)?.from(flow.place, flow.id)?.to;
    if (to !== undefined) this.say(flow, { feeds: keptOf(this.job).ask(allTo, { to }, to) });
  }

  surface(surface: Surface): void {
    if (surface.area !== undefined || surface.feeds.length === 0) return;
    this.say(surface, { area: areaOf(surface.outline!) });
  }
}

const NO_LEVELS = { up: undefined, down: undefined, pitch: undefined };

/** The same object for as long as it says the same. */
const sameGrade = step(
  'grade of an old pipe',
  ({ type, up, down, pitch }: { type: string } & Partial<Record<'up' | 'down' | 'pitch', number | undefined>>) =>
    (type === 'pitch' ? { type, pitch } : { type, up, down }) as Run['grade'],
);

const allTo = step('all to one', ({ to }: { to: string }): readonly Feed[] => [{ to, share: 1 }]);

function resolve(job: Job): Resolved {
  const asking = new Asking(job);
  for (const kind of LANDING_KINDS)
    for (const landing of ofKind(job, kind) as readonly Landing[]) asking.landing(landing);
  for (const run of ofKind(job, 'run')) asking.run(run);
  for (const discharge of ofKind(job, 'discharge')) asking.discharge(discharge);
  for (const flow of ofKind(job, 'fixedFlow')) asking.fixedFlow(flow);
  const drawn = ofKind(job, 'surface').filter(({ outline }) => outline !== undefined);
  for (const surface of drawn) asking.surface(surface);
  const { changed } = asking;
  const water = yardWater(job);
  if (!water) return { changed, gathered: [] };
  const kept = keptOf(job);
  const inlets = gatheringInlets(job).map((inlet) => (changed.get(inlet.id) ?? inlet) as Basin | Channel);
  return {
    changed,
    gathered: kept.ask(gathered, {
      water,
      inlets: kept.alike(inletList, inlets, sameElements),
      covers: kept.alike(coverList, drawn.filter(followsGround), sameElements),
      spokenFor: kept.alike(
        spokenForList,
        [...drawn.filter((each) => !followsGround(each)), ...ofKind(job, 'pavedBed').filter(({ outline }) => outline)],
        sameElements,
      ),
      soil: headOf(job).soil ?? USUAL_SOIL,
    }),
  };
}

const inletList = step<{ made: readonly (Basin | Channel)[] }, readonly (Basin | Channel)[]>(
  'gathering inlets',
  asMade,
);
const coverList = step<{ made: readonly Surface[] }, readonly Surface[]>('covers', asMade);
/** Ground whose rain is counted elsewhere: led by hand, or sunk into a bed. */
type SpokenFor = readonly (Surface | PavedBed)[];
const spokenForList = step<{ made: SpokenFor }, SpokenFor>('ground that is spoken for', asMade);

/** The channel drain that a way out's water runs on through. */
function channelOf(job: Job, discharge: Discharge): Channel | undefined {
  const into = OUTFALLS[discharge.form].inChannel ? letsInto(discharge) : undefined;
  return into === undefined ? undefined : elementOf(job, 'channel', into);
}

/** Floor of the swale that a way out lets out into, where it lies on it, m; null where its own level is said, or it has none. */
function floorUnder(job: Job, discharge: Discharge, levelAt: LevelAt): number | null {
  const { controlLevel, place } = discharge;
  const into = letsInto(discharge);
  const swale = into === undefined || controlLevel !== undefined ? undefined : elementOf(job, 'swale', into);
  if (!swale) return null;
  const { head, foot } = floorOf(swale, levelAt);
  const on = place && swale.way ? footOnWay(swale.way, place) : null;
  return on ? head + (foot - head) * (on.along / wayLength(swale.way!)) : foot;
}

const gathered = step('catchments', (shed: Shed): readonly Surface[] => catchmentsOf(shed));

/**
 * The same job with every old pipe that nobody knows the fall of reckoned at the steepest that it may fall; null where there is none. As it
 * is given, those fall the least.
 */
export function atSteepest(here: Job): Job | null {
  const unknown = ofKind(here, 'run').flatMap((run) => {
    const own = elementOf(asGiven(here), 'run', run.id);
    const grade = own && unknownFall(own) ? foundGrade({ ...own, length: run.length }, 'most') : null;
    return grade ? [[run.id, { ...run, grade }] as const] : [];
  });
  if (unknown.length === 0) return null;
  return { ...here, elements: here.elements.resolved(new Map(unknown), [], (_, list) => list) };
}

/** Ground that runs to an inlet, as cells' middles; null where it gathers by what was typed, or there is no ground. */
export function catchmentCells(given: Job, inlet: string): { cells: Place[]; cell: number } | null {
  const job = keeping(given);
  const water = yardWater(job);
  const inlets = gatheringInlets(job);
  const own = inlets.findIndex(({ id }) => id === inlet);
  if (!water || own === -1) return null;
  const cells: Place[] = [];
  meetsFirst(water, inlets).forEach((met, cell) => {
    if (met === own && water.flow.receiver[cell] !== -2) cells.push(placeOf(water.grid, cell));
  });
  return { cells, cell: water.grid.cell };
}

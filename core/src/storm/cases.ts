/** What a yard is tried with: rains, and what can fail in one. Each as the job that it makes. */
import { letsInto, OUTFALLS, receivingOf } from '../catalogue/outfalls';
import { SURFACE_FACTS, type SurfaceCover } from '../catalogue/surfaces';
import { changed, put } from '../job/change';
import { elementOf, groundInlets, headOf, keptOf, ofKind, rainOf, type Job } from '../job/job';
import type { Discharge, Element, RainElement, Surface } from '../job/kinds';
import { resolveSettings } from '../job/settings';
import { step } from '../numeric/kept';
import { rarerRain } from '../plan/openings';
import { shareOn } from '../plan/works';
import type { Solution } from '../plan/solution';
import { coefficientOf } from '../runoff/sources';
import { storeOf } from '../works/store';
import { waterAt } from '../works/swale';

export const CASES = ['ordinary', 'design', 'blocked', 'frozen', 'power', 'high', 'saturated', 'rarer'] as const;
export type CaseId = (typeof CASES)[number];

/** One case of a job: the rain that falls, the job as it then is, and what of it takes nothing. */
export interface StormCase {
  id: CaseId;
  job: Job;
  rain: RainElement | undefined;
  /** A grate that is blocked, by id. */
  blocked: string | null;
  /** Ways out that let nothing out, by id. */
  closed: ReadonlySet<string>;
}

const NONE: ReadonlySet<string> = new Set();
const isSoft = (cover: SurfaceCover): boolean => cover === 'mulch' || cover.startsWith('lawn');
/** Runoff of soft ground that is full of water or frozen, as a stress case. */
const SATURATED = SURFACE_FACTS.saturated.usual;

const ordinary = step('ordinary rain', ({ intensity }: { intensity: number }): RainElement => ({
  id: 'rain',
  kind: 'rain',
  intensity,
  source: { type: 'typed' },
}));

/** The ordinary rain of a job, as a rain of its own. */
const ordinaryRain = (job: Job): RainElement =>
  keptOf(job).ask(ordinary, { intensity: resolveSettings(headOf(job).settings).ordinaryRain });

/** Grates that water comes to, by id. */
export const loaded = (job: Job, { inlets }: Solution): string[] =>
  groundInlets(job).flatMap(({ id }) => ((inlets[id]?.offered ?? 0) > 0 ? [id] : []));

const freezes = ({ form }: Discharge): boolean => OUTFALLS[form].freezes;

/** Level of a way out's water when what takes it is brimful, m: to its bank; null where that never is. */
function brimful(job: Job, { works }: Solution, discharge: Discharge): number | null {
  const swale = elementOf(job, 'swale', letsInto(discharge) ?? '');
  const plan = swale && works[swale.id];
  if (swale && plan?.kind === 'swale') return waterAt({ ...plan, depth: swale.depth }, shareOn(swale, plan, discharge));
  if (!OUTFALLS[discharge.form].opensOut) return null;
  const into = receivingOf(discharge);
  const bank = discharge.bank?.topLevel ?? discharge.groundLevel;
  return discharge.form === 'pond' || into === 'swale' || into === 'ditch'
    ? Math.max(discharge.groundLevel, bank, discharge.standingLevel ?? Number.NEGATIVE_INFINITY)
    : null;
}

const withPuts = (job: Job, puts: Element[]): Job =>
  puts.length > 0 ? { ...changed(job, put('Try', ...puts)), kept: keptOf(job) } : job;

/** Ground and pits that take no more. */
function saturated(job: Job): Element[] {
  const ground = ofKind(job, 'surface')
    .filter((surface) => isSoft(surface.cover) && coefficientOf(surface) < SATURATED)
    .map((surface): Surface => ({ ...surface, coefficient: SATURATED }));
  const stores = ofKind(job, 'discharge').flatMap((discharge): Discharge[] => {
    const store = storeOf(discharge);
    return store ? [{ ...discharge, store: { ...store, conductivity: 0 } }] : [];
  });
  return [...ground, ...stores];
}

/** Every case that a job can meet: only those in which it has something to lose, but for that of a blocked grate, which is many. `job` as its places say. */
export function casesOf(job: Job, solution: Solution): StormCase[] {
  const rain = rainOf(job);
  if (!rain) return [];
  const plain = { job, rain, blocked: null, closed: NONE };
  const discharges = ofKind(job, 'discharge');
  const frozen = discharges.filter(freezes);
  const pumped = discharges.filter(({ form }) => OUTFALLS[form].pumps);
  const high = discharges.flatMap((discharge) => {
    const level = brimful(job, solution, discharge);
    return level === null ? [] : [{ ...discharge, standingLevel: level }];
  });
  const wet = saturated(job);
  const rarer = rarerRain(job);
  const closed = (some: readonly Discharge[]): ReadonlySet<string> => new Set(some.map(({ id }) => id));
  return [
    { ...plain, id: 'ordinary', rain: ordinaryRain(job) },
    { ...plain, id: 'design' },
    ...(frozen.length > 0 ? [{ ...plain, id: 'frozen' as const, closed: closed(frozen) }] : []),
    ...(pumped.length > 0 ? [{ ...plain, id: 'power' as const, closed: closed(pumped) }] : []),
    ...(high.length > 0 ? [{ ...plain, id: 'high' as const, job: withPuts(job, high) }] : []),
    ...(wet.length > 0 ? [{ ...plain, id: 'saturated' as const, job: withPuts(job, wet) }] : []),
    ...(rarer ? [{ ...plain, id: 'rarer' as const, rain: rarer }] : []),
  ];
}

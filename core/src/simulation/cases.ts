/** Storms and failures that a job is tried in, one by one. */
import { OUTFALLS } from '../catalogue/outfalls';
import { groundInlets, ofKind, rainOf, type Job } from '../job/job';
import { rarerRain } from '../plan/openings';
import { rainTable } from '../rain/intensityOfRain';
import { isLaid, type Discharge } from '../job/kinds';
import { storeOf } from '../works/store';
import type { Plan } from '../verdict/planJob';
import { swaleOf } from './ends/swaleOf';
import type { Failure } from './failing';
import { stormFrom, twice, type Rainfall, type RainShape } from './rain/rainfall';

export const STORM_RAINS = ['design', 'rarer'] as const;
export type StormRain = (typeof STORM_RAINS)[number];

export interface StormCase {
  /** `design`, `rarer`; with what fails after a space: `design blocked basin-1`. */
  id: string;
  rain: StormRain;
  failing: readonly Failure[];
}

/** How long it rains, s, and how, where nobody has said. */
export const USUAL_STORM: { length: number; shape: RainShape } = { length: 3600, shape: 'middle' };

/** Between two storms on one day, s. */
const PAUSE = 6 * 3600;

/** A storm of a job's own table, once or again after six hours; null where it has no such rain. */
export function rainfallOf(
  job: Job,
  rain: StormRain,
  { length, shape, again = false }: { length: number; shape: RainShape; again?: boolean } = USUAL_STORM,
): Rainfall | null {
  const element = rain === 'design' ? rainOf(job) : rarerRain(job);
  if (!element) return null;
  const once = stormFrom(rainTable(element), length, shape);
  return again ? twice(once, PAUSE) : once;
}

/** Of what it lifts a pump has lost when it is tried as worn. */
const WORN = 0.5;

const hasPipe = ({ landings }: Plan, id: string): boolean => (landings[id]?.invert ?? null) !== null;

/** Level of a way out's water when what takes it is brimful, m: to its bank. */
function brimful(job: Job, plan: Plan, discharge: Discharge): number {
  const { groundLevel, bank, standingLevel } = discharge;
  const found = swaleOf(job, plan, discharge);
  if (found) return found.levelAt(found.swale.depth);
  return Math.max(groundLevel, bank?.topLevel ?? groundLevel, standingLevel ?? -Infinity);
}

/** Ways out that water may stand over, each as it then is. */
export const runsHigh = (job: Job, plan: Plan): Failure[] =>
  ofKind(job, 'discharge')
    .filter(({ form, id }) => OUTFALLS[form].opensOut && !OUTFALLS[form].inChannel && hasPipe(plan, id))
    .map((discharge): Failure => ({ kind: 'high', id: discharge.id, level: brimful(job, plan, discharge) }));

/** What can fail in a job, each by itself. */
export function failuresOf(job: Job, plan: Plan): Failure[] {
  const outs = ofKind(job, 'discharge');
  return [
    ...groundInlets(job).map(({ id }): Failure => ({ kind: 'blocked', id })),
    ...ofKind(job, 'run')
      .filter(isLaid)
      .map(({ id }): Failure => ({ kind: 'stopped', id })),
    ...ofKind(job, 'culvert').map(({ id }): Failure => ({ kind: 'stopped', id })),
    ...outs.filter(({ form }) => OUTFALLS[form].freezes).map(({ id }): Failure => ({ kind: 'shut', id })),
    ...outs
      .filter(({ form }) => OUTFALLS[form].pumps)
      .flatMap(({ id }): Failure[] => [
        { kind: 'power', id },
        { kind: 'worn', id, share: WORN },
      ]),
    ...runsHigh(job, plan),
    ...outs.filter((discharge) => storeOf(discharge)).map(({ id }): Failure => ({ kind: 'full', id })),
    ...ofKind(job, 'downspout')
      .filter(({ id }) => hasPipe(plan, id))
      .map(({ id }): Failure => ({ kind: 'off', id })),
  ];
}

/** Every rain that the job has, with nothing failing and with each single failure. */
export function stormCases(job: Job, plan: Plan): StormCase[] {
  const failures = failuresOf(job, plan);
  return STORM_RAINS.filter((rain) => rainfallOf(job, rain) !== null).flatMap((rain) => [
    { id: rain, rain, failing: [] },
    ...failures.map((failure) => ({ id: `${rain} ${failure.kind} ${failure.id}`, rain, failing: [failure] })),
  ]);
}

/** Storms that every layer of defence is tried in: rains, and all that can fail of one kind at once. */
import { OUTFALLS } from '../../catalogue/outfalls';
import { groundInlets, headOf, ofKind, type Job } from '../../job/job';
import type { SurfaceCover } from '../../catalogue/surfaces';
import { resolveSettings } from '../../job/settings';
import type { Plan } from '../../verdict/planJob';
import { storeOf } from '../../works/store';
import { rainfallOf, runsHigh, USUAL_STORM } from '../cases';
import type { Failure } from '../failing';
import type { Wetness } from '../ground/soak';
import type { Rainfall } from '../rain/rainfall';

export const CASES = ['ordinary', 'design', 'blocked', 'frozen', 'power', 'high', 'saturated', 'rarer'] as const;
export type CaseId = (typeof CASES)[number];

/** A storm of a case. Of `blocked` there is one for every grate. */
export interface LayerCase {
  id: CaseId;
  rain: Rainfall;
  wetness: Wetness;
  failing: readonly Failure[];
}

/** The ordinary rain of a job for as long as a storm is tried. */
function ordinaryRain(job: Job): Rainfall {
  const { ordinaryRain: intensity } = resolveSettings(headOf(job).settings);
  return { step: USUAL_STORM.length, intensities: [intensity] };
}

/** Grates that water comes to, by id. */
const loaded = (job: Job, { inlets }: Plan): string[] =>
  groundInlets(job).flatMap(({ id }) => ((inlets[id]?.offered ?? 0) > 0 ? [id] : []));

const isSoft = (cover: SurfaceCover): boolean => cover === 'mulch' || cover.startsWith('lawn');

/** Every storm that a job's layers are tried in: only those in which it has something to lose. `job` as its places say. */
export function layerCases(job: Job, plan: Plan): LayerCase[] {
  const design = rainfallOf(job, 'design');
  if (!design) return [];
  const rarer = rainfallOf(job, 'rarer');
  const plain = { rain: design, wetness: 'ordinary', failing: [] } as const;
  const outs = ofKind(job, 'discharge');
  const failing = (id: CaseId, failures: readonly Failure[]): LayerCase[] =>
    failures.length > 0 ? [{ ...plain, id, failing: failures }] : [];
  const full = outs.filter((discharge) => storeOf(discharge)).map(({ id }): Failure => ({ kind: 'full', id }));
  const soft = ofKind(job, 'surface').some(({ cover }) => isSoft(cover));
  return [
    { ...plain, id: 'ordinary', rain: ordinaryRain(job) },
    { ...plain, id: 'design' },
    ...loaded(job, plan).map((id): LayerCase => ({ ...plain, id: 'blocked', failing: [{ kind: 'blocked', id }] })),
    ...failing(
      'frozen',
      outs.filter(({ form }) => OUTFALLS[form].freezes).map(({ id }): Failure => ({ kind: 'shut', id })),
    ),
    ...failing(
      'power',
      outs.filter(({ form }) => OUTFALLS[form].pumps).map(({ id }): Failure => ({ kind: 'power', id })),
    ),
    ...failing('high', runsHigh(job, plan)),
    ...(soft || full.length > 0 ? [{ ...plain, id: 'saturated', wetness: 'soaked', failing: full } as const] : []),
    ...(rarer ? [{ ...plain, id: 'rarer', rain: rarer } as const] : []),
  ];
}

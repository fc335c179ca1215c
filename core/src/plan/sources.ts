/** What of the rain comes to each landing. */
import { headOf, landingsOf, ofKind, type Job } from '../job/job';
import type { Downspout, FixedFlow, GroundWay, Landing, PavedBed, RainElement, RoofFace, Surface } from '../job/kinds';
import { resolveSettings } from '../job/settings';
import { followWater, type Sources } from '../runoff/sources';
import { stage } from '../numeric/stage';
import { areaCovered } from '../works/measures';
import { drainsOf, type Drains } from './drains';
import { groundWaysIn } from './groundWays';

const sources = stage(
  'sources',
  (
    faces: readonly RoofFace[],
    surfaces: readonly Surface[],
    fixedFlows: readonly FixedFlow[],
    downspouts: readonly Downspout[],
    landings: readonly Landing[],
    ways: readonly GroundWay[],
    drains: Drains,
    beds: readonly PavedBed[],
    rain: RainElement | undefined,
    gutterDepth: number,
  ): Sources =>
    followWater({
      faces,
      surfaces,
      fixedFlows,
      downspouts,
      landings,
      ways,
      seeping: [...drains].map(([id, { flow }]) => ({ id, flow })),
      sinking: beds.map((bed) => ({ id: bed.id, area: areaCovered(bed) })),
      rain,
      gutterDepth,
    }),
);

/** Sources of a job in a rain. */
export const sourcesOf = (job: Job, rain: RainElement | undefined): Sources =>
  sources(
    ofKind(job, 'roofFace'),
    ofKind(job, 'surface'),
    ofKind(job, 'fixedFlow'),
    ofKind(job, 'downspout'),
    landingsOf(job),
    groundWaysIn(job),
    drainsOf(job),
    ofKind(job, 'pavedBed'),
    rain,
    resolveSettings(headOf(job).settings).gutterDepth,
  );

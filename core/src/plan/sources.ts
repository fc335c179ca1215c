/** What of the rain comes to each landing. */
import { headOf, landingsOf, ofKind, type Job } from '../job/job';
import type { Downspout, FixedFlow, RainElement, RoofFace, Surface } from '../job/kinds';
import { resolveSettings } from '../job/settings';
import { followWater, type Sources } from '../runoff/sources';
import { alikeLists, stage, steady } from '../numeric/stage';
import { areaCovered } from '../works/measures';
import { groundWaysIn } from './groundWays';

const sources = stage(
  'sources',
  (
    faces: readonly RoofFace[],
    surfaces: readonly Surface[],
    fixedFlows: readonly FixedFlow[],
    downspouts: readonly Downspout[],
    landings: readonly { id: string }[],
    ways: readonly { id: string }[],
    sinking: readonly { id: string; area: number }[],
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
      sinking,
      rain,
      gutterDepth,
    }),
);

// Of a landing that is lowered or a swale that is dug deeper only that it is there counts here.
const sameId = alikeLists<{ id: string }>((a, b) => a.id === b.id);
const landingIds = steady<readonly { id: string }[]>(sameId);
const wayIds = steady<readonly { id: string }[]>(sameId);
const sinkings = steady(alikeLists<{ id: string; area: number }>((a, b) => a.id === b.id && a.area === b.area));

/** Sources of a job in a rain. */
export const sourcesOf = (job: Job, rain: RainElement | undefined): Sources =>
  sources(
    ofKind(job, 'roofFace'),
    ofKind(job, 'surface'),
    ofKind(job, 'fixedFlow'),
    ofKind(job, 'downspout'),
    landingIds(landingsOf(job)),
    wayIds(groundWaysIn(job)),
    sinkings(ofKind(job, 'pavedBed').map((bed) => ({ id: bed.id, area: areaCovered(bed) }))),
    rain,
    resolveSettings(headOf(job).settings).gutterDepth,
  );

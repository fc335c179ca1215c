/** What of the rain comes to each landing. */
import { headOf, landingsOf, ofKind, type Job } from '../job/job';
import type { Downspout, FixedFlow, Landing, RainElement, RoofFace, Surface } from '../job/kinds';
import { resolveSettings } from '../job/settings';
import { followWater, type Sources } from '../runoff/sources';
import { stage } from '../numeric/stage';

const sources = stage(
  'sources',
  (
    faces: readonly RoofFace[],
    surfaces: readonly Surface[],
    fixedFlows: readonly FixedFlow[],
    downspouts: readonly Downspout[],
    landings: readonly Landing[],
    rain: RainElement | undefined,
    gutterDepth: number,
  ): Sources => followWater({ faces, surfaces, fixedFlows, downspouts, landings, rain, gutterDepth }),
);

/** Sources of a job in a rain. */
export const sourcesOf = (job: Job, rain: RainElement | undefined): Sources =>
  sources(
    ofKind(job, 'roofFace'),
    ofKind(job, 'surface'),
    ofKind(job, 'fixedFlow'),
    ofKind(job, 'downspout'),
    landingsOf(job),
    rain,
    resolveSettings(headOf(job).settings).gutterDepth,
  );

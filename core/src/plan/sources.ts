/** What of the rain comes to each landing. */
import { headOf, keptOf, landingsOf, ofKind, type Job } from '../job/job';
import type { RainElement } from '../job/kinds';
import { resolveSettings } from '../job/settings';
import { alikeLists, step } from '../numeric/kept';
import { followWater, type Shedding, type Sources } from '../runoff/sources';
import { areaCovered } from '../works/measures';
import { groundWaysIn } from './groundWays';

const sources = step('sources', (shedding: Shedding, kept): Sources => followWater(shedding, kept));

// Of a landing that is lowered or a swale that is dug deeper only that it is there counts here.
type Ids = readonly { id: string }[];
const sameIds = alikeLists<{ id: string }>((a, b) => a.id === b.id);
const landingIds = step('ids of landings', ({ made }: { made: Ids }): Ids => made);
const wayIds = step('ids of ways', ({ made }: { made: Ids }): Ids => made);
type Areas = Shedding['sinking'];
const sinkingAreas = step('paving that rain sinks through', ({ made }: { made: Areas }): Areas => made);
const sameAreas = alikeLists<Areas[number]>((a, b) => a.id === b.id && a.area === b.area);

/** Sources of a job in a rain. */
export function sourcesOf(job: Job, rain: RainElement | undefined): Sources {
  const kept = keptOf(job);
  const sinking = ofKind(job, 'pavedBed').map((bed) => ({ id: bed.id, area: areaCovered(bed) }));
  return kept.ask(sources, {
    faces: ofKind(job, 'roofFace'),
    surfaces: ofKind(job, 'surface'),
    fixedFlows: ofKind(job, 'fixedFlow'),
    downspouts: ofKind(job, 'downspout'),
    landings: kept.alike(landingIds, landingsOf(job), sameIds),
    ways: kept.alike(wayIds, groundWaysIn(job), sameIds),
    sinking: kept.alike(sinkingAreas, sinking, sameAreas),
    rain,
    gutterDepth: resolveSettings(headOf(job).settings).gutterDepth,
  });
}

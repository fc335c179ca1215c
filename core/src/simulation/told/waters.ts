/** Water in the open near doors where no ground is measured between them: as high at the door as it stands where it is. */
import { OUTFALLS } from '../../catalogue/outfalls';
import { headOf, ofKind, type Job } from '../../job/job';
import { placesOf } from '../../job/places';
import { resolveSettings } from '../../job/settings';
import { away } from '../../openings/doors';
import { runsOnSoil, TRICKLE } from '../../openings/openWater';
import { NEAR } from '../../openings/reach';
import { footOnWay, wayLength, type Place } from '../../site/place';
import type { Plan } from '../../verdict/planJob';
import { waterAt } from '../../works/swale';
import type { Simulation } from '../simulation';

/** Shallower than so nothing stands, m. */
const WET = 0.002;

/** How high a water stands, or runs, now, m; null while there is none. Known of a place that it is near. */
type Level = () => number | null;

interface Water {
  places: readonly Place[];
  level: (side: Place) => Level;
}

/** All water in the open of a storm that does not lie on measured ground alone. */
function watersOf(job: Job, plan: Plan, simulation: Simulation): Water[] {
  const { mouths, shedding, ends, led, dt } = simulation;
  const settings = resolveSettings(headOf(job).settings);
  const atMouths = mouths.map((mouth): Water => {
    const { landing } = mouth;
    const { groundLevel } = landing;
    const spills = (): boolean =>
      landing.kind === 'downspout' && landing.spillsTo === undefined && shedding.spillsNow(landing.id) > TRICKLE * dt;
    const stands = (): number | null => (mouth.depth > WET ? groundLevel + mouth.depth : null);
    const level: Level = mouth.takes ? stands : () => (mouth.rises || spills() ? groundLevel : null);
    return { places: placesOf(landing), level: () => level };
  });
  const atWaysOut = ofKind(job, 'discharge')
    .filter(runsOnSoil)
    .map((discharge): Water => {
      const level = OUTFALLS[discharge.form].control(discharge, settings);
      return {
        places: placesOf(discharge),
        level: () => () => (ends.flowNow(discharge.id) > TRICKLE ? level : null),
      };
    });
  const inSwales = ofKind(job, 'swale').flatMap(({ id, way }): Water[] => {
    const planned = plan.works[id];
    if (!way || planned?.kind !== 'swale') return [];
    const level = (side: Place): Level => {
      const share = footOnWay(way, side)!.along / wayLength(way);
      return () => {
        const depth = led.depthNow(id);
        return depth !== null && depth > WET ? waterAt({ ...planned, depth }, share) : null;
      };
    };
    return [{ places: way, level }];
  });
  return [...atMouths, ...atWaysOut, ...inSwales];
}

/** What tells how high the water near a door stands, by door; null where none is near it. */
export function watersNear(job: Job, plan: Plan, simulation: Simulation): (door: readonly Place[]) => Level | null {
  const waters = watersOf(job, plan, simulation);
  return (door) => {
    const near = waters
      .filter(({ places }) => places.length > 0 && away(door, places) <= NEAR)
      .flatMap(({ level }) => door.map(level));
    if (near.length === 0) return null;
    return () => {
      let most: number | null = null;
      for (const level of near) {
        const here = level();
        if (here !== null) most = Math.max(most ?? -Infinity, here);
      }
      return most;
    };
  };
}

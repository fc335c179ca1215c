/** Doors, sills and low places watched while it rains: how near the water comes, and how long it stands. */
import { placeOf } from '../../ground/grid';
import { ofKind, type Job } from '../../job/job';
import { wayOfOpening } from '../../job/places';
import { footOnWay, type Place } from '../../site/place';
import type { JobGround } from '../ground/groundOfJob';
import type { Plan } from '../../verdict/planJob';
import type { Simulation } from '../simulation';
import { watersNear } from './waters';

/** Water this near before an opening comes to it, m; at least the cells beside it. */
const BEFORE = 0.75;
/** Over an inlet nothing stands that is shallower, m; before a door nothing but the film of a rain that runs off. */
const WET = 0.002;
const FILM = 0.005;

export interface DoorWatched {
  id: string;
  sill: number;
  /** Least from the water up to its sill so far, m, less than 0 over it; null while none has come; and when, s. */
  margin: number | null;
  at: number;
}

const NOTHING = (): null => null;

interface Door extends DoorWatched {
  level: () => number | null;
}

export class Watched {
  readonly doors: readonly Door[];

  /** `plan`: the job's own. Where no ground is measured before a door the water near it is watched, as high as it stands where it is. */
  constructor(job: Job, plan: Plan, simulation: Simulation) {
    const { ground, mouths } = simulation;
    const near = watersNear(job, plan, simulation);
    const atDoors = ofKind(job, 'opening').flatMap((opening): Door[] => {
      const { id, sillLevel: sill } = opening;
      const way = wayOfOpening(job, opening);
      if (sill === undefined || !way) return [];
      const cells = ground ? cellsBefore(ground, way) : [];
      const level = cells.length > 0 ? () => highest(ground!, cells) : near(way);
      return [{ id, sill, margin: null, at: 0, level: level ?? NOTHING }];
    });
    const atInlets = mouths.flatMap((mouth): Door[] => {
      const { landing } = mouth;
      const sill = 'sillLevel' in landing ? landing.sillLevel : undefined;
      if (sill === undefined) return [];
      const level = (): number | null => (mouth.depth > WET ? landing.groundLevel + mouth.depth : null);
      return [{ id: landing.id, sill, margin: null, at: 0, level }];
    });
    this.doors = [...atDoors, ...atInlets];
  }

  note(time: number): void {
    for (const door of this.doors) {
      const level = door.level();
      if (level === null) continue;
      const margin = door.sill - level;
      if (door.margin === null || margin < door.margin) [door.margin, door.at] = [margin, time];
    }
  }
}

function cellsBefore({ grid, flow }: JobGround, way: readonly Place[]): number[] {
  const near = Math.max(BEFORE, 1.2 * grid.cell);
  return [...flow.cells].filter((at) => footOnWay(way, placeOf(grid, at))!.distance <= near);
}

/** Highest water on some cells, m; null where none stands. */
function highest({ flow }: JobGround, cells: readonly number[]): number | null {
  let most: number | null = null;
  for (const at of cells)
    if (flow.depth[at]! > FILM) most = Math.max(most ?? -Infinity, flow.ground[at]! + flow.depth[at]!);
  return most;
}

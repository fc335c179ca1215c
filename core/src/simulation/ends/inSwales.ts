/** Water in a swale, as it stands against the pipes that let out into it. */
import { ofKind, type Job } from '../../job/job';
import type { Discharge } from '../../job/kinds';
import type { Plan } from '../../verdict/planJob';
import type { JobGround } from '../ground/groundOfJob';
import { cellsUnder } from '../ground/placing';
import type { Led } from './led';
import { swaleOf } from './swaleOf';

/** Less stands against nothing, m. */
const FILM = 0.002;

export class InSwales {
  /** By way out the level, m, of what stands in its swale now; −∞ of none. */
  private readonly levels = new Map<string, () => number>();

  constructor(job: Job, plan: Plan, { led, ground }: { led: Led; ground: JobGround | null }) {
    for (const discharge of ofKind(job, 'discharge')) {
      const found = swaleOf(job, plan, discharge);
      if (!found) continue;
      const { swale, levelAt } = found;
      const [cell] = cellsUnder(ground, discharge);
      if (ground && cell !== undefined) this.levels.set(discharge.id, () => overGround(ground, cell));
      else
        this.levels.set(discharge.id, () => {
          const depth = led.depthNow(swale.id) ?? 0;
          return depth > FILM ? levelAt(depth) : -Infinity;
        });
    }
  }

  readonly outside = ({ id }: Discharge): number => this.levels.get(id)?.() ?? -Infinity;
}

function overGround({ flow }: JobGround, cell: number): number {
  const depth = flow.depth[cell]!;
  return depth > FILM ? flow.ground[cell]! + depth : -Infinity;
}

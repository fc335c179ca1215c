/** Water in a swale, as it stands against the pipes that let out into it. */
import { letsInto } from '../../catalogue/outfalls';
import { elementOf, ofKind, type Job } from '../../job/job';
import type { Discharge } from '../../job/kinds';
import { shareOn } from '../../plan/works';
import type { Plan } from '../../verdict/planJob';
import { waterAt } from '../../works/swale';
import type { JobGround } from '../ground/groundOfJob';
import { cellsUnder } from '../ground/placing';
import type { Led } from './led';

/** Less stands against nothing, m. */
const FILM = 0.002;

export class InSwales {
  /** By way out the level, m, of what stands in its swale now; −∞ of none. */
  private readonly levels = new Map<string, () => number>();

  constructor(job: Job, plan: Plan, { led, ground }: { led: Led; ground: JobGround | null }) {
    for (const discharge of ofKind(job, 'discharge')) {
      const swale = elementOf(job, 'swale', letsInto(discharge) ?? '');
      const planned = swale && plan.works[swale.id];
      if (!swale || planned?.kind !== 'swale') continue;
      const [cell] = cellsUnder(ground, discharge);
      if (ground && cell !== undefined) this.levels.set(discharge.id, () => overGround(ground, cell));
      else {
        const share = shareOn(swale, planned, discharge);
        this.levels.set(discharge.id, () => {
          const depth = led.depthNow(swale.id) ?? 0;
          return depth > FILM ? waterAt({ ...planned, depth }, share) : -Infinity;
        });
      }
    }
  }

  readonly outside = ({ id }: Discharge): number => this.levels.get(id)?.() ?? -Infinity;
}

function overGround({ flow }: JobGround, cell: number): number {
  const depth = flow.depth[cell]!;
  return depth > FILM ? flow.ground[cell]! + depth : -Infinity;
}

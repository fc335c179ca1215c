/**
 * Where the steady plan and a storm over time say different things of one place: one that water stays clear of it, the other that it does not.
 * The steady verdict stays what is dug by; each says which is nearer the truth, and why.
 */
import { headOf, nameOf, type Job } from '../../job/job';
import { resolveSettings } from '../../job/settings';
import { showSmall, text } from '../../units';
import type { Plan } from '../../verdict/planJob';
import type { StormTold } from '../stormRun';

export interface Disagreement {
  /** Door or inlet, by id. */
  id: string;
  nearer: 'storm' | 'steady';
  sentence: string;
}

/** Snags that say that water stands where it should not. */
const DOORS = new Set(['openingFloods', 'nearOpening', 'doorFloods', 'doorNear']);
const INLETS = new Set(['waterOverGrate', 'grateSmall', 'channelOvertops', 'channelHolds']);
/** Water over an inlet that the steady plan sees and a storm does not, m. */
const DRY = 0.003;

/** `told`: the design storm with nothing failing, to its end. */
export function disagreements(
  job: Job,
  plan: Plan,
  { doors, landings, grid }: Pick<StormTold, 'doors' | 'landings' | 'grid'>,
): Disagreement[] {
  const { units, settings } = headOf(job);
  const { ponding } = resolveSettings(settings);
  const small = (metres: number): string => text(showSmall(metres, units));
  const said = (codes: ReadonlySet<string>, id: string): boolean =>
    plan.snags.some(({ code, at, other }) => codes.has(code) && (at === id || other === id));
  const atDoors = doors.flatMap(({ id, margin }): Disagreement[] => {
    if (margin === null || margin >= 0 || said(DOORS, id)) return [];
    const sentence = `The plan says nothing against ${nameOf(job, id)}, and in the storm water stands ${small(-margin)} over its sill. The storm is nearer the truth: it follows what runs on over the ground, which one steady moment does not.`;
    return [{ id, nearer: 'storm', sentence }];
  });
  const atInlets = landings.flatMap(({ id, peak, secondsOver }): Disagreement[] => {
    if (doors.some((door) => door.id === id)) return [];
    const isSaid = said(INLETS, id);
    if (!isSaid && secondsOver > 0 && peak > ponding && plan.inlets[id]) {
      const begins = `The plan lets ${small(ponding)} stand over ${nameOf(job, id)}, and in the storm it is ${small(peak)}.`;
      return grid
        ? [
            {
              id,
              nearer: 'storm',
              sentence: `${begins} The storm is nearer the truth: it follows what comes to it over the ground.`,
            },
          ]
        : [
            {
              id,
              nearer: 'steady',
              sentence: `${begins} The plan is nearer the truth: how wide water spreads there is not measured.`,
            },
          ];
    }
    if (isSaid && peak < DRY) {
      const sentence = `The plan sees water stand over ${nameOf(job, id)}, and in the storm none does. The storm is nearer what will be seen: the hardest minutes are over before the line is full. Dig by the plan: it is the one that keeps a reserve.`;
      return [{ id, nearer: 'storm', sentence }];
    }
    return [];
  });
  return [...atDoors, ...atInlets];
}

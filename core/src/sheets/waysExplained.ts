/** How a job is built and why, for its customer. */
import { changed } from '../job/change';
import { headOf, type Job } from '../job/job';
import { dearer } from '../price/words';
import { differenceOf, schoolById, sideLabel, standingOf, type School } from '../schools';
import { planJob, type Plan } from '../verdict/planJob';

export interface WayExplained {
  question: string;
  /** A sentence for the way that was chosen, then for each other. */
  said: readonly string[];
}

/** Questions of building that the offer explains: the way that was chosen with its reasons, then each other with its price. */
export function waysExplained(job: Job, plan: Plan): WayExplained[] {
  const { units, explains = [] } = headOf(job);
  const asked = explains.flatMap((id) => schoolById(id) ?? []);
  const now = asked.length > 0 ? standingOf(job, plan) : null;
  return asked.flatMap((school) => {
    const chosen = school.asks(job) ? school.chosen(job) : null;
    if (chosen === null || now === null) return [];
    const of = (id: string): School['sides'][number] => school.sides.find((side) => side.id === id)!;
    const others = school.sides
      .filter(({ id }) => id !== chosen)
      .map((side) => {
        const { id, reasons } = side;
        const then = changed(job, school.choose(job, id));
        const { asked: more, currency } = differenceOf(now, standingOf(then, planJob(then, plan)));
        const price = dearer(more, currency);
        return `Instead, ${price === '' ? 'for the same price' : price}: ${sideLabel(side, units)}. ${reasons}`;
      });
    return [
      {
        question: school.question,
        said: [`Chosen: ${sideLabel(of(chosen), units)}. ${of(chosen).reasons}`, ...others],
      },
    ];
  });
}

/** Speaks of one job in its own units. */
import { headOf, nameOf, type Job } from '../job/job';
import type { Solution } from '../solve';
import {
  decimals,
  showFlow,
  showLength,
  showLevel,
  showNominal,
  showPitch,
  showShear,
  showSmall,
  showVelocity,
  text,
  type Shown,
  type UnitSystem,
} from '../units';
import type { Measure, Teller } from './snag';

/** A snag's number in a unit system. */
export function showMeasure(measure: Measure, value: number, units: UnitSystem): Shown {
  switch (measure) {
    case 'flow':
      return showFlow(value, units);
    case 'small':
      return showSmall(value, units);
    case 'length':
      return showLength(value, units);
    case 'pitch':
      return showPitch(value);
    case 'level':
      return showLevel(value, units);
    case 'nominal':
      return showNominal(value, units);
    case 'shear':
      return showShear(value);
    case 'velocity':
      return showVelocity(value, units);
    case 'count':
      return { value: decimals(value, 0), unit: '' };
  }
}

export function tellerOf(job: Job, solution: Solution): Teller {
  const { units } = headOf(job);
  return {
    name: (id) => nameOf(job, id),
    line: (id) =>
      solution.runs[id]?.line ??
      Object.values(solution.runs).find((run) => run.from === id || run.to === id)?.line ??
      '',
    show: (measure, value) => text(showMeasure(measure, value, units)),
  };
}

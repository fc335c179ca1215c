/** Speaks of one job in its own units. */
import { headOf, nameOf, type Job } from '../job/job';
import type { Solution } from '../plan/solution';
import {
  decimals,
  showArea,
  showDuration,
  showFlow,
  showLength,
  showLevel,
  showNominal,
  showPitch,
  showShear,
  showSmall,
  showVelocity,
  showVolume,
  text,
  type Shown,
  type UnitSystem,
} from '../units';

/** What a snag's figure and limit are measured in. */
export type Measure =
  | 'flow'
  | 'small'
  | 'length'
  | 'pitch'
  | 'level'
  | 'nominal'
  | 'shear'
  | 'velocity'
  | 'time'
  | 'volume'
  | 'area'
  | 'count';

/** Names and numbers in the words of one job. */
export interface Teller {
  name(id: string): string;
  /** Letter of the line that a run or landing is on. */
  line(id: string): string;
  /** A number (SI) in the job's units. */
  show(measure: Measure, value: number): string;
}

const SHOW: Record<Measure, (value: number, units: UnitSystem) => Shown> = {
  flow: showFlow,
  small: showSmall,
  length: showLength,
  pitch: showPitch,
  level: showLevel,
  nominal: showNominal,
  shear: showShear,
  velocity: showVelocity,
  time: (value) => showDuration(value),
  volume: showVolume,
  area: showArea,
  count: (value) => ({ value: decimals(value, 0), unit: '' }),
};

/** A number (SI) in a unit system. */
export const showMeasure = (measure: Measure, value: number, units: UnitSystem): Shown => SHOW[measure](value, units);

export function tellerOf(job: Job, { runs }: Pick<Solution, 'runs'>): Teller {
  const { units } = headOf(job);
  return {
    name: (id) => nameOf(job, id),
    line: (id) => runs[id]?.line ?? Object.values(runs).find((run) => run.from === id || run.to === id)?.line ?? '',
    show: (measure, value) => text(showMeasure(measure, value, units)),
  };
}

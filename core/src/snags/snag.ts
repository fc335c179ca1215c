/** A snag is data; its sentence and its fix are made when somebody looks at it. */
import type { Change } from '../job/change';
import type { Job } from '../job/job';
import type { Solution } from '../solve';
import type { Shown, UnitSystem } from '../units';

export const SEVERITIES = ['stop', 'fix', 'mind'] as const;
export type Severity = (typeof SEVERITIES)[number];

/** What a snag's figure and limit are measured in. */
export type Measure = 'flow' | 'small' | 'length' | 'pitch' | 'level' | 'nominal' | 'shear' | 'velocity' | 'count';

export interface Snag {
  code: string;
  severity: Severity;
  /** Element that it stands at, by id. */
  at: string;
  measure: Measure;
  figure: number;
  limit: number;
  /** Another element that the sentence names, by id. */
  other?: string;
  /** Return period of the rain that it is judged by, where that is not the design rain. */
  years?: number;
  /** Median size of the stone that an outfall wants, m. */
  stone?: number;
}

/** Names and numbers in the words of one job. */
export interface Teller {
  name(id: string): string;
  /** Letter of the line that a run or landing is on. */
  line(id: string): string;
  show(measure: Measure, value: number): string;
}

export interface Told {
  /** One sentence a crew lead would say. */
  headline: string;
  /** Why it matters. */
  why: string;
  /** What to do where no single change mends it, when that is not a matter of the levels on site. */
  instead?: string;
}

export interface Fix {
  label: string;
  change: Change;
}

export interface Rule {
  code: string;
  find(job: Job, solution: Solution): Snag[];
  tell(snag: Snag, say: Teller): Told;
  /** The change that mends it, or null when only a person on site can. */
  fix(snag: Snag, job: Job, solution: Solution): Fix | null;
}

export interface ShownFigure {
  figure: Shown;
  limit: Shown;
}

export type { UnitSystem };

/** Rounding of levels in a job is far below this; nothing on site is set finer. */
export const LEVEL_TOLERANCE = 0.0005;

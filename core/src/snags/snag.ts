/** A snag is data; its sentence is made when somebody looks at it, and its mend when somebody asks for it (`design/fixes`). */
import type { Job } from '../job/job';
import type { Solution } from '../plan/solution';
import type { Measure, Teller } from '../words/teller';

export const SEVERITIES = ['stop', 'fix', 'mind'] as const;
export type Severity = (typeof SEVERITIES)[number];

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
  /** Over how much pipe it holds, m; how long it lasts, s, left out where it does not end; and whether something that always runs keeps it so. */
  length?: number;
  time?: number;
  fed?: boolean;
  /** How many others it holds for besides. */
  others?: number;
  /** Holds only if the old pipes whose fall nobody knows fall so little, or so much. */
  onlyAt?: 'flattest' | 'steepest';
  /** Why somebody accepted it, and on what day, 2026-11-30; of one to mend what the customer was warned of, who wants it otherwise. */
  accepted?: { reason: string; on: string };
}

/** What tells one snag from another: its rule, where it stands, and what it names besides. Two services across one run are two snags. */
export const snagKey = ({ code, at, other = '' }: Snag): string => `${code} ${at} ${other}`;

export interface SnagWords {
  /** One sentence a crew lead would say. */
  headline: string;
  /** Why it matters. */
  why: string;
  /** What to do where no single change mends it, when that is not a matter of the levels on site. */
  instead?: string;
}

export interface Rule {
  code: string;
  /** In two or three words, under a choice that would bring it: `too small`. Left out where a choice does not bring it. */
  short?: string;
  find(job: Job, solution: Solution): Snag[];
  tell(snag: Snag, say: Teller): SnagWords;
}

/** One kind of care: what it is, of what, and when it falls due. */

/** When it is due: in months of the year (1–12), every so many days from a day on, or once. */
export type CareWhen =
  | { type: 'months'; months: readonly number[] }
  | { type: 'every'; days: number; from: string }
  | { type: 'once'; on: string };

export interface CareTask {
  /** Its name in what was done. */
  key: string;
  title: string;
  /** The same for who lives there. */
  plain: string;
  why: string;
  /** Things that it is of, by id. */
  of: readonly string[];
  when: CareWhen;
  /** Whether who lives there can do it. */
  customer: boolean;
  /** Also after each large storm, whatever the date. */
  afterStorms: boolean;
}

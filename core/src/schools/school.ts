/** A question that builders answer in more than one way, each with its reasons; and what a job has chosen of it. */
import { waysOf, type BuildWays } from '../job/buildWays';
import { put, type Change } from '../job/change';
import { withSettings } from '../job/edits/pipes';
import { headOf, type Job } from '../job/job';
import { resolveSettings, type Settings } from '../job/settings';
import type { UnitSystem } from '../units';

export const SCHOOL_GROUPS = ['built', 'pipe', 'drain', 'ends', 'work'] as const;
export type SchoolGroup = (typeof SCHOOL_GROUPS)[number];

export interface Side {
  id: string;
  label: string;
  /** What it is called in a metric job, where it names a length. */
  metric?: string;
  /** Why one builds so: a sentence or two, without a length. */
  reasons: string;
}

export interface School {
  id: string;
  group: SchoolGroup;
  question: string;
  sides: readonly Side[];
  /** Whether the job has what the question is about. */
  asks: (job: Job) => boolean;
  /** The side that a job is on; null where it has more than one, or another. */
  chosen: (job: Job) => string | null;
  /** The change that puts a job on a side. */
  choose: (job: Job, side: string) => Change;
  /** The way of building that it is kept as, where it is one. */
  way?: keyof BuildWays;
}

/** A side as it is called in the job's units. */
export const sideLabel = ({ label, metric }: Side, units: UnitSystem): string =>
  units === 'metric' ? (metric ?? label) : label;

/** What a change to a side is called among what was done. */
export const changeLabel = (job: Job, { question, sides }: Pick<School, 'question' | 'sides'>, side: string): string =>
  `${question} ${sideLabel(
    sides.find(({ id }) => id === side)!,
    headOf(job).units,
  )}`;

/** Of a way that nobody has chosen, where it goes by the place. */
export const BY_PLACE = 'by';

interface WayQuestion extends Pick<School, 'id' | 'group' | 'question' | 'sides'> {
  way: keyof BuildWays;
  asks?: School['asks'];
  /** How a side is written down where its id is not it: a yes and a no. */
  values?: Record<string, boolean | number>;
}

/** A question whose answer is one of the job's ways of building. */
export function wayQuestion({ way, values, asks = () => true, ...question }: WayQuestion): School {
  const valueOf = (side: string): unknown => (values ? values[side] : side);
  return {
    ...question,
    way,
    asks,
    chosen: (job) => {
      const now = waysOf(headOf(job).ways)[way] ?? BY_PLACE;
      return question.sides.find(({ id }) => (id === BY_PLACE ? now === BY_PLACE : valueOf(id) === now))?.id ?? null;
    },
    choose: (job, side) => {
      const head = headOf(job);
      const { [way]: _was, ...others } = head.ways ?? {};
      const ways = side === BY_PLACE ? others : { ...others, [way]: valueOf(side) };
      return put(changeLabel(job, question, side), { ...head, ways } as typeof head);
    },
  };
}

/** A question about a field of some elements: all are set, and the side is what they have in common. */
export interface FieldQuestion<E> extends Pick<School, 'id' | 'group' | 'question' | 'sides'> {
  of: (job: Job) => readonly E[];
  /** The side that one is on; null on none. */
  sideOf: (element: E, job: Job) => string | null;
  set: (element: E, side: string, job: Job) => E;
}

export function fieldQuestion<E extends Change['puts'][number]>({
  of,
  sideOf,
  set,
  ...question
}: FieldQuestion<E>): School {
  return {
    ...question,
    asks: (job) => of(job).length > 0,
    chosen: (job) => {
      const [first, ...others] = of(job).map((element) => sideOf(element, job));
      // What is none of the sides, as pea stone, is none.
      const isOne = others.every((side) => side === first) && question.sides.some(({ id }) => id === first);
      return isOne ? first! : null;
    },
    choose: (job, side) =>
      put(
        changeLabel(job, question, side),
        ...of(job)
          .filter((element) => sideOf(element, job) !== side)
          .map((element) => set(element, side, job)),
      ),
  };
}

/** A question about rules of the job: the side is the one whose values all of them have. */
export interface SettingsQuestion extends Pick<School, 'id' | 'group' | 'question' | 'sides' | 'asks'> {
  values: Record<string, Partial<Settings>>;
}

export function settingsQuestion({ values, ...question }: SettingsQuestion): School {
  return {
    ...question,
    chosen: (job) => {
      const now = resolveSettings(headOf(job).settings);
      const isOn = (of: Partial<Settings>): boolean =>
        Object.entries(of).every(([rule, value]) => Math.abs(now[rule as keyof Settings] - value) < 1e-6);
      return question.sides.find(({ id }) => isOn(values[id]!))?.id ?? null;
    },
    choose: (job, side) => withSettings(job, changeLabel(job, question, side), values[side]!),
  };
}

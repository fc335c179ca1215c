/** What the rules of works have alike. */
import { keptOf, type Job } from '../../job/job';
import { step } from '../../numeric/kept';
import { LEVEL_TOLERANCE } from '../../numeric/tolerance';
import type { Rule, Severity, Snag } from '../snag';
import type { Solution } from '../../plan/solution';
import type { WorkKind, WorkOf, WorkPlan } from '../../works';
import type { Measure } from '../../words/teller';

export type At<K extends WorkKind> = WorkOf<K> & { id: string };

type Plans = Readonly<Record<string, WorkPlan>>;

const listed = step('works by their plans', ({ plans }: { plans: Plans }): readonly (WorkPlan & { id: string })[] =>
  Object.entries(plans).map(([id, plan]) => ({ ...plan, id })),
);

const among = <K extends WorkKind>(job: Job, plans: Plans, kinds: readonly K[]): At<K>[] =>
  keptOf(job)
    .ask(listed, { plans })
    .filter(({ kind }) => (kinds as readonly string[]).includes(kind)) as At<K>[];

/** Works of some kinds, in the design rain. */
export const worksIn = <K extends WorkKind>(job: Job, { works }: Pick<Solution, 'works'>, ...kinds: K[]): At<K>[] =>
  among(job, works, kinds);

/** The same in the rarer rain; none where none is said. */
export const rarerIn = <K extends WorkKind>(job: Job, { rarerWorks }: Solution, ...kinds: K[]): At<K>[] =>
  rarerWorks ? among(job, rarerWorks, kinds) : [];

/** Makes a snag of one rule, where and by how much. */
type Make = (at: string, figure: number, limit: number, more?: Partial<Snag>) => Snag;

/** A rule about works, as its own file writes it. */
interface WorkRule extends Omit<Rule, 'find'> {
  severity: Severity;
  measure: Measure;
  find(make: Make, ...given: Parameters<Rule['find']>): Snag[];
}

export function workRule({ severity, measure, find, ...rule }: WorkRule): Rule {
  const { code } = rule;
  const make: Make = (at, figure, limit, more = {}) => ({ code, severity, at, measure, figure, limit, ...more });
  return { ...rule, find: (job, solution) => find(make, job, solution) };
}

export const SMALL = LEVEL_TOLERANCE;
export const HOUR = 3600;
export const DAY = 24 * HOUR;

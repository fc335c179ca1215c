import type { Plan } from './planJob';

/** Whether a plan may be built as it is: it holds, with nothing to mend; what is only to be minded does not stop anybody. */
export const isFine = ({ verdict }: Pick<Plan, 'verdict'>): boolean =>
  verdict.state === 'holds' || verdict.state === 'mind';

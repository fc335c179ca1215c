/** What putting something in would give, in a line: what it does, and the worst that would be said of it. */
import { shortOf, tellSnag, text, workFacts, type Job, type Plan } from '@katabasis/core';
import type { MarkKind } from '../ui/Mark';

export interface Gives {
  mark: MarkKind;
  says: string;
}

/** A sentence as part of another. */
const within = (sentence: string): string => sentence.charAt(0).toLowerCase() + sentence.slice(1).replace(/\.$/, '');

/** `job` with it, and the plan of that. */
export function givesWords(job: Job, plan: Plan, id: string): Gives {
  const facts = workFacts(job, plan, id)
    .slice(0, 2)
    .map(({ label, shown }) => `${label.toLowerCase()} ${text(shown)}`);
  const led = plan.landings[id]?.outlet;
  const own = plan.snags.find(({ at }) => at === id || plan.runs[at]?.from === id);
  const worst = own ? (shortOf(own) ?? within(tellSnag(job, plan, own).headline)) : null;
  const parts = [...facts, ...(led ? ['led to a way out'] : []), ...(worst ? [worst] : [])];
  const says = parts.length > 0 ? parts.join('; ') : 'Does what it says';
  return {
    mark: own?.severity ?? 'holds',
    says: `${says.charAt(0).toUpperCase()}${says.slice(1)}.`.replace('..', '.'),
  };
}

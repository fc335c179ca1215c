import { LACKING, type DoorPlan, type Lacking } from '../../openings/doors';
import type { Solution } from '../../plan/solution';
import type { Rule } from '../snag';

/** Openings of which nobody can tell whether water comes to them, in the design rain or the rarer one; that nearest to it first. */
export function notJudged({ doors, openings }: Pick<Solution, 'doors' | 'openings'>): DoorPlan[] {
  const found = new Map<string, DoorPlan>();
  for (const door of [...doors, ...(openings?.doors ?? [])])
    if (door.lacking && !found.has(door.opening)) found.set(door.opening, door);
  const away = ({ lacking }: DoorPlan): number => lacking!.away ?? Infinity;
  return [...found.values()].sort((a, b) => away(a) - away(b) || 0);
}

const WORDS: Record<Lacking, (by: string) => { because: string; then: string }> = {
  sill: (by) => ({ because: `water at ${by} can come to it, and its sill is not measured`, then: 'Measure its sill.' }),
  place: (by) => ({
    because: `nobody can tell how far it is from ${by}`,
    then: 'Put both on the plan: the opening on its wall, and what the water comes from.',
  }),
  ground: (by) => ({
    because: `what runs on from ${by} may come to it, and the ground between is not measured`,
    then: 'Take levels there: before the opening, at what the water comes from, and between.',
  }),
};

/** What is not judged is said, and what to measure: told once, at the first. */
export const doorNotJudged: Rule = {
  code: 'doorNotJudged',
  find: (_, solution) => {
    const [first, ...others] = notJudged(solution);
    if (!first) return [];
    const { what, by } = first.lacking!;
    return [
      {
        code: 'doorNotJudged',
        severity: 'mind',
        at: first.opening,
        measure: 'count',
        figure: LACKING.indexOf(what),
        limit: 0,
        other: by,
        others: others.length,
      },
    ];
  },
  tell: (snag, say) => {
    const { because, then } = WORDS[LACKING[snag.figure]!](say.name(snag.other!));
    const more = snag.others
      ? ` ${snag.others === 1 ? 'One more opening is' : `${snag.others} more are`} not judged either.`
      : '';
    return {
      headline: `${say.name(snag.at)} is not judged: ${because}.`,
      why: `Whether it stays dry is not said until that is known.${more}`,
      instead: then,
    };
  },
};

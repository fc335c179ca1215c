import { ofKind } from '../../job/job';
import { isNew } from '../../job/kinds';
import { groundOver, hasGround } from '../../yard/profile';
import { PROTECT_FROM } from './deepTrench';
import type { Rule, Snag } from '../snag';

/** The ground between two landings rises, so that the trench is deep enough there to kill, and at its ends is not. */
export const deepBetween: Rule = {
  code: 'deepBetween',
  find: (job, { runs }) =>
    !hasGround(job)
      ? []
      : ofKind(job, 'run').flatMap((run): Snag[] => {
          const planned = runs[run.id];
          if (!planned || !isNew(run) || run.shored || planned.trenchDepth >= PROTECT_FROM) return [];
          let deepest = 0;
          let where = 0;
          for (const { along, level } of groundOver(job, run)) {
            const invert = planned.invertUp - planned.pitch * along;
            if (level - invert > deepest) [deepest, where] = [level - invert, along];
          }
          if (deepest < PROTECT_FROM) return [];
          return [
            {
              code: 'deepBetween',
              severity: 'stop',
              at: run.id,
              measure: 'small',
              figure: deepest,
              limit: PROTECT_FROM,
              length: where,
            },
          ];
        }),
  tell: (snag, say) => ({
    headline: `The trench of ${say.name(snag.at)} is ${say.show('small', snag.figure)} deep ${say.show('length', snag.length!)} down it, and unprotected.`,
    why: `The ground rises between its ends. From ${say.show('small', snag.limit)} a protective system and a competent person are required; from 4 ft a ladder. Trench walls kill.`,
  }),
};

import { ofKind } from '../../job/job';
import { groundOver, hasGround } from '../../yard/profile';
import { LEVEL_TOLERANCE } from '../../numeric/tolerance';
import type { Rule, Snag } from '../snag';

/** How much less cover than asked is no matter: a rod reads no better, m. */
const NO_MATTER = 0.02;

/** The ground between two landings dips, so that the pipe lies shallower there than at either end, or comes out of it. */
export const groundBetween: Rule = {
  code: 'groundBetween',
  find: (job, { runs }) =>
    !hasGround(job)
      ? []
      : ofKind(job, 'run').flatMap((run): Snag[] => {
          const planned = runs[run.id];
          if (!planned) return [];
          const covered = planned.length - planned.comesOutOver;
          let least = Infinity;
          let where = 0;
          for (const { along, level } of groundOver(job, run)) {
            if (along > covered) break;
            const crown = planned.crownUp + ((planned.crownDown - planned.crownUp) * along) / planned.length;
            if (level - crown < least) [least, where] = [level - crown, along];
          }
          // What is as shallow at its ends is told there.
          const atEnds = Math.min(planned.coverUp, planned.coverDown ?? Infinity);
          if (least >= planned.leastCover - NO_MATTER || least >= atEnds - LEVEL_TOLERANCE) return [];
          return [
            {
              code: 'groundBetween',
              severity: least < 0 ? 'stop' : 'fix',
              at: run.id,
              measure: 'small',
              figure: least,
              limit: planned.leastCover,
              length: where,
            },
          ];
        }),
  tell: (snag, say) => ({
    headline:
      snag.figure < 0
        ? `${say.name(snag.at)} comes ${say.show('small', -snag.figure)} out of the ground ${say.show('length', snag.length!)} down it.`
        : `Only ${say.show('small', snag.figure)} of cover lies over ${say.name(snag.at)} ${say.show('length', snag.length!)} down it; ${say.show('small', snag.limit)} is asked.`,
    why: 'The ground dips between its ends. A grade break there lets the pipe go down with it; from there on it may lie flatter.',
  }),
};

import { valuesOf } from './valuesOf';
import { ofKind } from '../job/job';
import { LEVEL_TOLERANCE, type Rule, type Snag } from './snag';

/** A pipe that lies level or climbs, or meets the next one below that one's invert. */
export const adversePitch: Rule = {
  code: 'adversePitch',
  short: 'uphill',
  find: (job, { runs }) => {
    const next = new Map(ofKind(job, 'run').map((run) => [run.from, run.id]));
    return valuesOf(runs).flatMap((run): Snag[] => {
      if (run.pitch <= 0)
        return [
          {
            code: 'adversePitch',
            severity: 'stop',
            at: run.id,
            measure: 'pitch',
            figure: run.pitch,
            limit: run.leastPitch,
          },
        ];
      const below = runs[next.get(run.to) ?? ''];
      // Level with the crown is how pipes meet; below it, water must climb to get on.
      const climb = below ? below.crownUp - run.crownDown : 0;
      if (climb <= LEVEL_TOLERANCE) return [];
      return [
        {
          code: 'adversePitch',
          severity: 'stop',
          at: run.id,
          other: run.to,
          measure: 'small',
          figure: -climb,
          limit: 0,
        },
      ];
    });
  },
  tell: (snag, say) =>
    snag.other
      ? {
          headline: `${say.name(snag.at)} arrives ${say.show('small', -snag.figure)} under the pipe it should flow into.`,
          why: 'Water stands in the pipe up to that step, and grit and ice stay with it.',
        }
      : {
          headline: snag.figure < 0 ? `${say.name(snag.at)} runs uphill.` : `${say.name(snag.at)} lies dead level.`,
          why: `It falls ${say.show('pitch', snag.figure)} and needs at least ${say.show('pitch', snag.limit)}: water would stand in it and drop its grit.`,
        },
};

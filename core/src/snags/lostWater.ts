import { put } from '../job/change';
import { isLanding, landsOnGutter } from '../job/elements';
import { nameOf, ofKind } from '../job/job';
import type { Rule } from './snag';

/** A face or surface, or an upper downspout, whose water is led nowhere. */
export const lostWater: Rule = {
  code: 'lostWater',
  find: (_, { sources, rain }) =>
    [...sources.lost].map(([id, area]) => ({
      code: 'lostWater',
      severity: 'fix',
      at: id,
      measure: 'flow',
      figure: area * rain,
      limit: 0,
    })),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} is not led anywhere.`,
    why: `${say.show('flow', snag.figure)} runs off it in the design rain. Say where it goes, so that it is counted once and in the right pipe.`,
  }),
  fix: (snag, job) => {
    const element = job.elements[snag.at];
    if (element?.kind !== 'roofFace' && element?.kind !== 'surface') return null;
    const target =
      element.kind === 'roofFace'
        ? ofKind(job, 'downspout').find((downspout) => !landsOnGutter(downspout))
        : ofKind(job, 'basin').find(isLanding);
    if (!target) return null;
    const label = `Lead it to ${nameOf(job, target.id)}`;
    return { label, change: put(label, { ...element, feeds: [{ to: target.id, share: 1 }] }) };
  },
};

import { DOWNSPOUT_LABELS, DOWNSPOUT_OPENINGS, DOWNSPOUT_SIZES } from '../catalogue/downspouts';
import { put } from '../job/change';
import { elementOf } from '../job/job';
import { downspoutPlan } from '../inlets';
import type { Rule } from './snag';

const other = (id: string | undefined): { other?: string } => (id === undefined ? {} : { other: id });

/** More roof water than the downspout or its outlet takes: the gutter spills it into the yard there. */
export const downspoutSmall: Rule = {
  code: 'downspoutSmall',
  find: (job, { inlets }) => Object.entries(inlets).flatMap(([id, inlet]) =>
    inlet.kind === 'downspout' && inlet.overshoot > 0 ? [{ code: 'downspoutSmall', severity: 'fix' as const, at: id, measure: 'flow' as const, figure: inlet.offered, limit: inlet.capacity, ...other(elementOf(job, 'downspout', id)!.spillsTo) }] : []),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} takes ${say.show('flow', snag.limit)} of ${say.show('flow', snag.figure)}; the gutter spills the rest.`,
    why: snag.other === undefined ? 'What spills lands beside the wall and becomes yard water. The line below is sized as if the downspout took all of it.' : `What spills lands beside the wall and runs to ${say.name(snag.other)}, where it is counted.`,
  }),
  fix: (snag, job, { inlets, settings }) => {
    const downspout = elementOf(job, 'downspout', snag.at)!;
    const { offered } = inlets[snag.at]!;
    const size = [...DOWNSPOUT_SIZES].sort((a, b) => DOWNSPOUT_OPENINGS[a] - DOWNSPOUT_OPENINGS[b]).find((each) => downspoutPlan({ ...downspout, size: each }, offered, settings).overshoot === 0);
    if (!size) return null;
    const label = `Hang a ${DOWNSPOUT_LABELS[size]} downspout`;
    return { label, change: put(label, { ...downspout, size }) };
  },
};

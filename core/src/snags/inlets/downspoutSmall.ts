import { elementOf } from '../../job/job';
import type { DownspoutPlan } from '../../inlets';
import type { Rule } from '../snag';
import { entriesOf } from '../valuesOf';
import { each } from '../each';

const other = (id: string | undefined): { other?: string } => (id === undefined ? {} : { other: id });

/** What comes to the downspout past a valley that already spills, m³/s. */
const reaches = ({ offered, valley }: DownspoutPlan): number =>
  offered - (valley ? Math.max(0, valley.offered - valley.capacity) : 0);

/** More roof water than the downspout or its outlet takes: the gutter spills it into the yard there. */
export const downspoutSmall: Rule = {
  code: 'downspoutSmall',
  find: (job, { inlets }) =>
    each(entriesOf(job, inlets), ([id, inlet]) =>
      inlet.kind === 'downspout' && reaches(inlet) > inlet.capacity
        ? {
            code: 'downspoutSmall',
            severity: 'fix',
            at: id,
            measure: 'flow',
            figure: reaches(inlet),
            limit: inlet.capacity,
            ...other(elementOf(job, 'downspout', id)!.spillsTo),
          }
        : null,
    ),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} takes ${say.show('flow', snag.limit)} of ${say.show('flow', snag.figure)}; the gutter spills the rest.`,
    why:
      snag.other === undefined
        ? 'What spills lands beside the wall and becomes yard water. The line below is sized as if the downspout took all of it.'
        : `What spills lands beside the wall and runs to ${say.name(snag.other)}, where it is counted.`,
  }),
};

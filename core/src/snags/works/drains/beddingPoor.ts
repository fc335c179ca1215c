import { FABRIC_FACTS, STONE_FACTS } from '../../../catalogue/stone';
import { ofKind } from '../../../job/job';
import { workRule } from '../work';

/** What chokes it, as the snag's figure. */
const [PEA, WOVEN, BOTH] = [1, 2, 3];

export const beddingPoor = workRule({
  code: 'beddingPoor',
  severity: 'fix',
  measure: 'count',
  find: (make, job) =>
    [...ofKind(job, 'drain'), ...ofKind(job, 'drainField'), ...ofKind(job, 'stoneDrain')]
      .filter(({ stone, fabric }) => stone === 'pea' || fabric === 'woven')
      .map(({ id, stone, fabric }) => make(id, stone !== 'pea' ? WOVEN : fabric === 'woven' ? BOTH : PEA, 0)),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} is bedded in what chokes it.`,
    why: [
      ...(snag.figure === WOVEN ? [] : [`${STONE_FACTS.pea.label}: ${STONE_FACTS.pea.note}.`]),
      ...(snag.figure === PEA ? [] : [`${FABRIC_FACTS.woven.label}: it ${FABRIC_FACTS.woven.note}.`]),
    ].join(' '),
  }),
});

import { FABRIC_FACTS, STONE_FACTS } from '../../../catalogue/stone';
import { ofKind } from '../../../job/job';
import { workRule } from '../work';

export const beddingPoor = workRule({
  code: 'beddingPoor',
  severity: 'fix',
  measure: 'count',
  find: (make, job) =>
    [...ofKind(job, 'drain'), ...ofKind(job, 'drainField'), ...ofKind(job, 'stoneDrain')]
      .filter(({ stone, fabric }) => stone === 'pea' || fabric === 'woven')
      .map(({ id }) => make(id, 1, 0)),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} is bedded in what chokes it.`,
    why: `${STONE_FACTS.pea.label}: ${STONE_FACTS.pea.note}. ${FABRIC_FACTS.woven.label}: it ${FABRIC_FACTS.woven.note}.`,
  }),
});

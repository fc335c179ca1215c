import { ofKind } from '../../../job/job';
import { placesOf } from '../../../job/places';
import { crosses } from './alike';
import { workRule } from '../work';

export const swaleToNeighbour = workRule({
  code: 'swaleToNeighbour',
  severity: 'stop',
  measure: 'count',
  find: (make, job) =>
    ofKind(job, 'swale')
      .filter(({ consent }) => consent !== 'given')
      .flatMap((swale) => {
        const line = ofKind(job, 'barrier').find(
          ({ form, way, consent }) =>
            form === 'propertyLine' && consent !== 'given' && way && crosses(placesOf(swale), way),
        );
        return swale.consent === 'needed' || line ? [make(swale.id, 1, 0, line ? { other: line.id } : {})] : [];
      }),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} leads water to a neighbour without consent.`,
    why: 'Gathered water let go over a boundary is the neighbour’s to refuse.',
    instead: 'Ask, and note the answer; or end it on this side.',
  }),
});

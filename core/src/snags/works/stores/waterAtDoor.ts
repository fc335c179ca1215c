import { SMALL, workRule } from '../work';
import { doors } from './alike';

export const waterAtDoor = workRule({
  code: 'waterAtDoor',
  severity: 'stop',
  measure: 'small',
  short: 'door wet',
  find: (make, job, solution) =>
    doors(job, solution)
      .filter(({ freeboard }) => freeboard! < -SMALL)
      .map(({ id, freeboard }) => make(id, -freeboard!, 0)),
  tell: (snag, say) => ({
    headline: `Water on the slab at ${say.name(snag.at)} stands ${say.show('small', snag.figure)} over the sill.`,
    why: 'The stone takes less than what the slab sheds, or lies too high.',
  }),
});

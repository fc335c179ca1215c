import { rainIn } from './alike';
import { workRule } from '../work';

export const rainInPerforated = workRule({
  code: 'rainInPerforated',
  severity: 'fix',
  measure: 'flow',
  short: 'rain in it',
  find: (make, job, solution) => {
    const flowOf = (id: string): number => solution.runs[id]?.flow ?? solution.landings[id]!.passing;
    return rainIn(job, solution).map(({ id }) => make(id, flowOf(id), 0));
  },
  tell: (snag, say) => ({
    headline: `${say.show('flow', snag.figure)} from roofs and grates runs in perforated pipe, ${say.name(snag.at)}.`,
    why: 'Grit and leaves block its holes from inside, and in a storm it wets the ground that it should dry.',
    instead: 'Lead basins and downspouts in a solid pipe; beside the drain they share the trench, not the pipe.',
  }),
});

import { rarerIn, SMALL, workRule } from '../work';

export const swaleOverRarer = workRule({
  code: 'swaleOverRarer',
  severity: 'mind',
  measure: 'small',
  find: (make, job, solution) =>
    rarerIn(job, solution, 'swale')
      .filter(({ pitch, freeboard }) => pitch > 0 && freeboard < -SMALL)
      .map(({ id, freeboard }) => make(id, -freeboard, 0)),
  tell: (snag, say) => ({
    headline: `In the rarer rain ${say.name(snag.at)} runs over its bank.`,
    why: 'See that what runs over goes away from doors: a low place in the bank on the far side says where.',
  }),
});

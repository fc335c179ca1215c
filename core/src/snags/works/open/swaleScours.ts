import { worksIn, workRule } from '../work';

export const swaleScours = workRule({
  code: 'swaleScours',
  severity: 'fix',
  measure: 'velocity',
  short: 'washes out',
  find: (make, job, solution) =>
    worksIn(job, solution, 'swale')
      .filter(({ velocity, mostVelocity, shear, mostShear }) => velocity > mostVelocity || shear > mostShear)
      .map(({ id, velocity, mostVelocity }) => make(id, velocity, mostVelocity)),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} washes out: its water runs at ${say.show('velocity', snag.figure)}.`,
    why: 'Its lining holds less, in speed or in drag. Stone, a blanket until the grass holds, or a wider floor hold more.',
  }),
});

import { applyChange } from '../job/change';
import { jobFaults } from '../job/faults';
import type { DownspoutPlan } from '../inlets';
import { planJob } from '../verdict/planJob';
import { fixOf } from '../design/fixes';
import { basin, codes, face, jobOf, out, pipe, spout } from '../testing/parts';

describe('a valley that comes down on a gutter', () => {
  const valley = { gutterRun: 6 };
  const job = (more: object = {}) =>
    jobOf(
      face(150, 'spout', { valley }),
      spout({ size: 'rect4x5', ...more }),
      basin(),
      out(),
      pipe('spout'),
      pipe('basin', { to: 'out' }),
    );

  it('shoots over what the gutter does not carry, and a larger gutter mends it', () => {
    const now = job();
    const plan = planJob(now);
    const inlet = plan.inlets.spout as DownspoutPlan;
    expect(inlet.valley).toMatchObject({ offered: expect.closeTo(0.006, 9), gutterRun: 6 });
    // Level and without friction 3.5 × 3 in carry b √g (d/√3)^1.5 = 0.0889 × 3.1316 × 0.04399^1.5 = 2.57 L/s; with friction less.
    expect(inlet.valley!.capacity).toBeLessThan(0.00257);
    expect(inlet.valley!.capacity).toBeGreaterThan(0.0017);
    expect(inlet.overshoot).toBeCloseTo(0.006 - inlet.valley!.capacity, 9);
    expect(codes(plan)).toContain('valleyOvershoots');
    const fix = fixOf(
      now,
      plan,
      plan.snags.find((snag) => snag.code === 'valleyOvershoots')!,
    )!;
    expect(codes(planJob(applyChange(now, fix.change).job))).not.toContain('valleyOvershoots');
  });

  it('gives the yard what it spills, where the user says that it runs', () => {
    const plan = planJob(job({ spillsTo: 'basin' }));
    const inlet = plan.inlets.spout as DownspoutPlan;
    expect(plan.inlets.basin!.offered).toBeCloseTo(inlet.overshoot, 9);
    expect(plan.runs['pipe-spout']!.flow).toBeCloseTo(inlet.valley!.capacity, 9);
    expect(plan.landings.out!.passing).toBeCloseTo(0.006, 12);
  });

  it('asks nothing of a face that sheds along its eave', () => {
    const plan = planJob(jobOf(face(40, 'spout'), spout(), out(), pipe('spout')));
    expect((plan.inlets.spout as DownspoutPlan).valley).toBeNull();
    expect(codes(plan)).not.toContain('valleyOvershoots');
  });
});

describe('an upper downspout that is too small', () => {
  const upper = (more: object = {}) =>
    spout({ id: 'upper', name: 'Upper', size: 'rect2x3', landsOn: [{ to: 'spout', share: 1 }], ...more });
  const rest = [spout({ size: 'rect4x5' }), basin(), out(), pipe('spout'), pipe('basin', { to: 'out' })];

  it('passes all of it down when nobody says where it spills', () => {
    const plan = planJob(jobOf(face(150, 'upper'), upper(), ...rest));
    expect((plan.inlets.upper as DownspoutPlan).overshoot).toBeGreaterThan(0);
    expect(plan.inlets.spout!.offered).toBeCloseTo(0.006, 9);
  });

  it('spills to the yard where it is said to, and only the rest lands on the lower gutter', () => {
    const now = jobOf(face(150, 'upper'), upper({ spillsTo: 'basin' }), ...rest);
    expect(jobFaults(now)).toEqual([]);
    const plan = planJob(now);
    const { capacity, overshoot } = plan.inlets.upper as DownspoutPlan;
    expect(plan.inlets.spout!.offered).toBeCloseTo(capacity, 9);
    expect(plan.inlets.basin!.offered).toBeCloseTo(overshoot, 9);
    expect(plan.landings.out!.passing).toBeCloseTo(0.006, 12);
  });
});

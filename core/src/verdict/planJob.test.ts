import fc from 'fast-check';
import { applyChange, put, type Change } from '../job/change';
import type { Element, Run } from '../job/kinds';
import { jobFaults } from '../job/faults';
import { jobFrom, type Job } from '../job/job';
import { inOrderOfIds } from '../testing/parts';
import { planJob, type Plan } from './planJob';
import { choicesOf } from '../network/choices';
import { quillfeather } from '../samples/index';
import { fixOf } from '../design/fixes';
import { tellSnag } from '../snags/tell';
import { randomJob } from '../testing/randomJob';
import { budgetWorking } from '../words/workings/budgetWorking';
import { contributingAreaWorking } from '../words/workings/contributingAreaWorking';
import { RUN_QUANTITIES, runWorking } from '../words/workings/runWorking';

const FOOT = 0.3048;
const GPM = 6.309019640344e-5;
const run = (job: Job, id: string): Run => job.elements.get(id) as Run;
const after = (job: Job, change: Change): { job: Job; plan: Plan } => {
  const next = applyChange(job, change).job;
  return { job: next, plan: planJob(next) };
};
/** But what is only to be minded: the gutters, in a rarer rain. */
const toMend = (plan: Plan): string[] =>
  plan.snags.filter(({ severity }) => severity !== 'mind').map(({ code }) => code);
const codes = (plan: Plan): string[] => plan.snags.map((snag) => snag.code);

describe('the sample by hand', () => {
  const plan = planJob(quillfeather());

  // Worked in docs/verification.md with the same numbers.
  it('Street downspout to Wye 2: 73.6 gpm', () => {
    const street = plan.runs.runStreet!;
    // 52 × 18 + half of 34 × 18 = 1,242 ft² at C 0.95 and 6 in/h: 1,242 × 0.95 × 6 × 0.0103896 gpm.
    expect(street.flow / GPM).toBeCloseTo(73.55, 1);
    // 4 in, n 0.010, S = 1.1 ft / 16 ft: 111.06 × √(6.875).
    expect(street.capacity / GPM).toBeCloseTo(291.2, 0);
  });

  it('Lawn basin to Wye 1: inverts, flow, capacity', () => {
    const basin = plan.runs.runBasin!;
    expect(basin.invertUp / FOOT).toBeCloseTo(-0.9 - 1 - 1 / 3, 3);
    expect(basin.invertDown / FOOT).toBeCloseTo(-2.2333 - 0.38, 3);
    // Kennel roofs 504 + 620 ft² at 0.95, lawn 1,900 ft² at 0.17.
    expect(basin.flow / GPM).toBeCloseTo((1124 * 0.95 + 1900 * 0.17) * 6 * 0.0103896, 1);
    expect(basin.capacity / GPM).toBeCloseTo(111.06, 1);
    expect(basin.depthRatio).toBeCloseTo(0.664, 2);
  });

  it('Wye 2 to the swale: too small, and 13.9 ft short', () => {
    const trunk = plan.runs.trunkLower!;
    expect(trunk.flow / GPM).toBeCloseTo(225.3, 0);
    // 6 in, n 0.012, ½ %: 192.9 gpm.
    expect(trunk.capacity / GPM).toBeCloseTo(192.9, 0);
    expect(plan.verdict.sentence).toBe(
      'Line A lacks 7/8\u00a0in of fall: it runs out 13′\u00a011″ before Roadside swale.',
    );
    expect(toMend(plan)).toEqual(['outOfFall', 'capacityExceeded']);
  });

  it('is solved by its own two fixes', () => {
    let job = quillfeather();
    for (const code of ['outOfFall', 'capacityExceeded']) {
      const now = planJob(job);
      expect(now.snags[0]!.code).toBe(code);
      job = applyChange(job, fixOf(job, now, now.snags[0]!)!.change).job;
    }
    expect(planJob(job).verdict).toMatchObject({ state: 'mind', stops: 0, fixes: 0 });
  });

  it('shows the working of every figure, with the figure as its result', () => {
    const job = quillfeather();
    for (const id of Object.keys(plan.runs)) {
      for (const quantity of RUN_QUANTITIES) {
        const working = runWorking(job, plan, id, quantity)!;
        expect(working.numbers.length).toBeGreaterThan(0);
        expect(JSON.stringify(working)).not.toMatch(/NaN|undefined|Infinity/);
      }
    }
    expect(runWorking(job, plan, 'trunkLower', 'capacity')!.result).toEqual({ value: '193', unit: 'gpm' });
    expect(contributingAreaWorking(job, plan, 'faceStreet')!.result.value).toBe('55.4');
    expect(budgetWorking(job, plan, 'swale')!.result).toEqual({ value: '−7/8', unit: 'in' });
  });
});

describe('water', () => {
  it('is followed down the tree and counted once', () => {
    fc.assert(
      fc.property(randomJob({ byHand: true }), (job) => {
        const { sources, landings, rain } = planJob(job);
        const shed = sources.contributingAreas.reduce((sum, each) => sum + each.effectiveArea, 0);
        expect(landings.n0!.passing).toBeCloseTo(shed * rain, 12);
        for (const each of Object.values(planJob(job).runs))
          expect(each.flow).toBeCloseTo(landings[each.from]!.passing, 15);
      }),
    );
  });

  it('of an upper downspout comes down the lower ones by their shares, and is lost in a loop of gutters', () => {
    const spout = (id: string, landsOn?: { to: string; share: number }[]): Element => ({
      id,
      kind: 'downspout',
      name: id,
      storey: 1,
      size: 'rect3x4',
      groundLevel: 0,
      ...(landsOn ? { landsOn } : {}),
    });
    const face: Element = {
      id: 'face',
      kind: 'roofFace',
      name: 'face',
      storey: 2,
      shape: { type: 'area', area: 100 },
      coefficient: 1,
      feeds: [{ to: 'up', share: 1 }],
    };
    const { sources } = planJob(
      jobFrom('job', [
        face,
        spout('up', [
          { to: 'a', share: 3 },
          { to: 'b', share: 1 },
        ]),
        spout('a'),
        spout('b'),
      ]),
    );
    expect(sources.atLanding.get('a')).toBeCloseTo(75, 12);
    expect(sources.atLanding.get('b')).toBeCloseTo(25, 12);
    const looped = planJob(
      jobFrom('job', [face, spout('up', [{ to: 'a', share: 1 }]), spout('a', [{ to: 'up', share: 1 }])]),
    );
    expect([...looped.sources.lost.values()].reduce((a, b) => a + b, 0)).toBeCloseTo(100, 12);
  });

  it('off a sloped face is that of its plan area', () => {
    const face = (alongSlope: boolean, windDriven: boolean): Element => ({
      id: 'face',
      kind: 'roofFace',
      name: 'face',
      storey: 1,
      shape: { type: 'sides', width: 10, run: 5, pitch: 0.75, alongSlope },
      windDriven,
      feeds: [],
    });
    const area = (element: Element): number => planJob(jobFrom('job', [element])).sources.contributingAreas[0]!.area;
    expect(area(face(false, false))).toBeCloseTo(50, 12);
    // A 3-4-5 roof: 5 m up the slope covers 4 m.
    expect(area(face(true, false))).toBeCloseTo(40, 12);
    expect(area(face(true, true))).toBeCloseTo(48, 12);
  });
});

describe('snags', () => {
  const sound = (): Job => {
    const job = quillfeather();
    return [0, 1].reduce((now) => applyChange(now, fixOf(now, planJob(now), planJob(now).snags[0]!)!.change).job, job);
  };
  const changed = (id: string, by: object): Job => {
    const job = sound();
    return applyChange(job, put('Test', { ...job.elements.get(id)!, ...by } as Element)).job;
  };
  const cases: [string, () => Job][] = [
    [
      'noDischarge',
      () => applyChange(sound(), { label: 'Test', puts: [], removes: ['swale', 'trunkLower', 'runDoorLower'] }).job,
    ],
    ['adversePitch', () => changed('trunkLower', { grade: { type: 'levels', up: -1.2, down: -1 } })],
    ['underLeastPitch', () => changed('runBasin', { grade: { type: 'levels', up: -0.7, down: -0.75 } })],
    ['coverShort', () => changed('runStreet', { grade: { type: 'levels', up: -0.3 } })],
    ['capacityExceeded', () => changed('trunkUpper', { nominal: 0.0762 })],
    ['willSilt', () => changed('runStreet', { nominal: 0.1524, grade: { type: 'pitch', pitch: 0.004 } })],
    ['largerIntoSmaller', () => changed('runBasin', { nominal: 0.2032 })],
    ['nearBuilding', () => changed('swale', { buildingDistance: 1.5 })],
    ['lidAboveInlet', () => changed('swale', { form: 'popup', groundLevel: 0 })],
    ['popupHolds', () => changed('swale', { form: 'popup', groundLevel: -0.6 })],
    ['lostWater', () => changed('faceYard', { feeds: [] })],
    ['noRain', () => applyChange(sound(), { label: 'Test', puts: [], removes: ['rain'] }).job],
    ['deepTrench', () => changed('runStreet', { grade: { type: 'levels', up: -2 } })],
    ['assumedFigure', () => changed('runStreet', { assumed: true })],
    ['outOfFall', () => changed('swale', { controlLevel: -0.93, groundLevel: -0.9 })],
  ];

  it('has none to start from', () => expect(toMend(planJob(sound()))).toEqual([]));

  it.each(cases)('%s is found, told with its figure, and mended by its fix', (code, make) => {
    const job = make();
    const plan = planJob(job);
    const snag = plan.snags.find((each) => each.code === code)!;
    expect(codes(plan)).toContain(code);
    const told = tellSnag(job, plan, snag);
    expect(told.headline).toMatch(/^[A-Z].*\.$/);
    expect(`${told.headline}${told.why}`).not.toMatch(/NaN|undefined/);
    const fix = fixOf(job, plan, snag)!;
    const mended = after(job, fix.change);
    expect(jobFaults(mended.job)).toEqual([]);
    expect(mended.plan.snags.filter((each) => each.code === code && each.at === snag.at)).toEqual([]);
  });

  it('says nothing of a fix where none would do', () => {
    // The swale's bottom stands above the basin's grate: no pipe and no cover mends that.
    const job = changed('swale', { controlLevel: 0, groundLevel: 0 });
    const plan = planJob(job);
    expect(
      fixOf(
        job,
        plan,
        plan.snags.find((snag) => snag.code === 'outOfFall')!,
      ),
    ).toBeNull();
  });
});

it('plans any job without failing, and finds no snag that it cannot tell', () => {
  const anything = fc.tuple(randomJob({ byHand: true }), fc.array(fc.nat(200), { maxLength: 6 })).map(([job, gone]) => {
    // Holes torn into a sound job: missing landings, runs, rain and head.
    const ids = job.elements.all.map(({ id }) => id);
    return applyChange(job, { label: 'Tear', puts: [], removes: gone.map((at) => ids[at % ids.length]!) }).job;
  });
  fc.assert(
    fc.property(anything, (job) => {
      const plan = planJob(job);
      for (const snag of plan.snags) {
        expect(Number.isFinite(snag.figure)).toBe(true);
        tellSnag(job, plan, snag);
        const fix = fixOf(job, plan, snag);
        if (fix) planJob(applyChange(job, fix.change).job);
      }
      expect(plan.verdict.sentence).not.toMatch(/NaN|undefined/);
    }),
  );
});

it('never carries less in a larger pipe, and never asks a smaller one for more water', () => {
  fc.assert(
    fc.property(randomJob({ byHand: false }), (job) => {
      const plan = planJob(job);
      for (const run of Object.values(plan.runs)) {
        const choices = choicesOf(plan, run);
        for (let k = 1; k < choices.length; k++) expect(choices[k]!.capacity).toBeGreaterThan(choices[k - 1]!.capacity);
        const small = choices.findIndex((choice) => choice.capacity >= run.flow);
        expect(choices.slice(0, Math.max(0, small)).every((choice) => choice.verdict === 'tooSmall')).toBe(true);
      }
    }),
  );
});

it('gives back the job it started from when a change is undone', () => {
  const job = quillfeather();
  const { job: changedJob, inverse } = applyChange(job, {
    label: 'Test',
    puts: [{ ...run(job, 'runBasin'), length: 99 }],
    removes: ['lawn'],
  });
  expect(inOrderOfIds(applyChange(changedJob, inverse).job)).toEqual(inOrderOfIds(job));
});

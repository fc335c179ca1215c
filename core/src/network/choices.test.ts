/** What each size would give, what a main holds, and what joins one pipe to the next. */
import { MATERIAL_FACTS, NOMINAL_SIZES } from '../catalogue/pipes';
import { fullFlow, normalDepth } from '../hydraulics/pipe';
import { DEFAULTS } from '../job/settings';
import { out, pipe } from '../testing/parts';
import { choicesOf, holdsAt, smallestThatWorks } from './choices';
import { jointOf } from './joints';
import { highestJoin, mainCapacityOf, mainOf, standingAt } from './receiving';

const IN = 0.0254;

describe('sizes on offer', () => {
  const asked = { material: 'smooth', pitch: 0.01, flow: 0.016, ordinaryFlow: 0.006, parallel: 2, widestAbove: 0.1016 };
  const offered = (more: Partial<typeof asked> = {}) =>
    choicesOf({ settings: DEFAULTS }, { ...asked, ...more, material: 'smooth' });

  it('each carries what its own section does with one pipe’s share', () => {
    for (const choice of offered()) {
      const section = { diameter: choice.nominal, slope: 0.01, roughness: 0.01 };
      const { depth, velocity } = normalDepth({ ...section, flow: 0.008 });
      expect(choice.capacity).toBeCloseTo(fullFlow(section).flow, 12);
      expect(choice.velocity).toBeCloseTo(velocity, 12);
      expect(choice.depthRatio).toBeCloseTo(depth / choice.nominal, 12);
    }
    expect(offered().map(({ nominal }) => nominal)).toEqual(NOMINAL_SIZES);
  });

  it('is too small, narrows, works or silts: 7.0 L/s full in 4 in at 1 %, 10.9 at 2.5 %', () => {
    const said = (more: Partial<typeof asked>, inches: number): string =>
      offered(more).find(({ nominal }) => Math.abs(nominal - inches * IN) < 1e-6)!.verdict;
    expect(said({}, 4)).toBe('tooSmall');
    expect(said({ flow: 0.012 }, 4)).toBe('works');
    expect(said({ flow: 0.012 }, 3)).toBe('tooSmall');
    expect(said({ pitch: 0.025 }, 4)).toBe('works');
    expect(said({ flow: 0.012, widestAbove: 0.1524 }, 4)).toBe('narrows');
    expect(said({ flow: 0.012, widestAbove: 0.1524 }, 6)).toBe('works');
    expect(said({ flow: 0.012, ordinaryFlow: 1e-5 }, 6)).toBe('silts');
  });

  it('the smallest that works comes before a smaller one that silts, and that before none', () => {
    const [four, six] = offered().filter(({ nominal }) => nominal > 0.09 && nominal < 0.16);
    expect(
      smallestThatWorks([
        { ...four!, verdict: 'silts' },
        { ...six!, verdict: 'works' },
      ]),
    ).toBe(six!.nominal);
    expect(
      smallestThatWorks([
        { ...four!, verdict: 'silts' },
        { ...six!, verdict: 'silts' },
      ]),
    ).toBe(four!.nominal);
    expect(
      smallestThatWorks([
        { ...four!, verdict: 'tooSmall' },
        { ...six!, verdict: 'narrows' },
      ]),
    ).toBeNull();
  });

  it('holds as much more as there are pipes side by side, and nothing uphill', () => {
    const full = fullFlow({ diameter: 0.1, slope: 0.02, roughness: MATERIAL_FACTS.singleWall.roughness }).flow;
    expect(holdsAt({ material: 'singleWall', nominal: 0.1 }, 0.02)).toBeCloseTo(full, 12);
    expect(holdsAt({ material: 'singleWall', nominal: 0.1, parallel: 3 }, 0.02)).toBeCloseTo(3 * full, 12);
    expect(holdsAt({ material: 'singleWall', nominal: 0.1 }, 0)).toBe(0);
    expect(holdsAt({ material: 'singleWall', nominal: 0.1 }, -0.01)).toBe(0);
  });
});

describe('an existing main', () => {
  const main = out({ form: 'main', groundLevel: 0, controlLevel: -1, mainDiameter: 0.2, mainPitch: 0.01 });
  const section = { diameter: 0.2, slope: 0.01, roughness: 0.015 };

  it('holds what its size and pitch give as old clay, or as its make, or what somebody has said', () => {
    expect(mainOf(main)).toEqual(section);
    expect(mainCapacityOf(main)).toBeCloseTo(fullFlow(section).flow, 12);
    expect(mainCapacityOf({ ...main, mainMaterial: 'smooth' })).toBeCloseTo(
      fullFlow({ ...section, roughness: 0.01 }).flow,
      12,
    );
    expect(mainCapacityOf({ ...main, mainCapacity: 0.005 })).toBe(0.005);
    expect(mainCapacityOf({ ...main, mainPitch: undefined })).toBeNull();
    expect(mainCapacityOf({ ...main, mainDiameter: undefined })).toBeNull();
    expect(mainCapacityOf({ ...main, form: 'daylight', mainCapacity: 0.005 })).toBeNull();
    expect(mainOf({ ...main, form: 'daylight' })).toBeNull();
  });

  it('stands as deep as all that runs in it, unless its level was read; and is joined up to its crown', () => {
    const stands = (used: number): number =>
      standingAt({ ...main, ...(used ? { mainUsed: used } : {}) }, 0.004, DEFAULTS);
    expect(stands(0)).toBeCloseTo(-1 + normalDepth({ ...section, flow: 0.004 }).depth, 9);
    expect(stands(0.006)).toBeCloseTo(-1 + normalDepth({ ...section, flow: 0.01 }).depth, 9);
    expect(stands(1)).toBeCloseTo(-0.8, 9);
    expect(standingAt({ ...main, standingLevel: -0.5 }, 0.004, DEFAULTS)).toBe(-0.5);
    expect(standingAt({ ...main, mainPitch: undefined }, 0.004, DEFAULTS)).toBe(Number.NEGATIVE_INFINITY);
    expect(highestJoin(main, DEFAULTS)).toBeCloseTo(-0.8, 12);
    expect(highestJoin({ ...main, mainDiameter: undefined }, DEFAULTS)).toBeCloseTo(-1, 12);
  });
});

describe('a joint', () => {
  const of = (above: object, below: object) => jointOf(pipe('a', above), pipe('b', below));
  it.each([
    ['smooth', 'smooth', null],
    ['smooth', 'doubleWall', 'adapter'],
    ['singleWall', 'smooth', 'adapter'],
    ['singleWall', 'doubleWall', 'coupler'],
    ['flexible', 'singleWall', 'coupler'],
    ['smooth', 'clay', 'boot'],
    ['clay', 'flexible', 'boot'],
  ] as const)('from %s to %s: %s', (above, below, makes) =>
    expect(of({ material: above }, { material: below }).makes).toBe(makes),
  );
  it('to a pipe that lay there already takes a boot, increases only to a larger one, and tells where the wall changes', () => {
    expect(of({ material: 'smooth', old: 'kept' }, { material: 'doubleWall' }).makes).toBe('boot');
    expect(of({ material: 'smooth' }, { material: 'doubleWall', old: 'kept' }).makes).toBe('boot');
    expect(of({ nominal: 0.1 }, { nominal: 0.15 }).increases).toBe(true);
    expect(of({ nominal: 0.15 }, { nominal: 0.15 }).increases).toBe(false);
    expect(of({ nominal: 0.15 }, { nominal: 0.1 }).increases).toBe(false);
    expect(of({ perforated: true }, {}).wall).toBe(true);
    expect(of({}, { perforated: true }).wall).toBe(true);
    expect(of({}, { perforated: false }).wall).toBe(false);
  });
});

import fc from 'fast-check';
import { DEFAULTS } from '../job/settings';
import type { Element } from '../job/kinds';
import { jobFrom, landingsOf, ofKind, type Job } from '../job/job';
import { solve } from '../plan/solve';
import { randomJob } from '../testing/randomJob';
import { endCrowns, fallBudget } from './budget';
import { highestCovered } from './crowns';
import { planLevels } from './levels';
import { findLines, letterOf } from './lines';
import { onePitch } from './onePitch';
import { buildTree, NONE, type Tree } from './tree';
import { withElements } from '../testing/parts';

const treeOf = (job: Job): Tree => buildTree(landingsOf(job), ofKind(job, 'run'));

const SLACK = 1e-9;

function levelled(job: Job, style: 'ground' | 'single' = 'ground') {
  const tree = treeOf(job);
  const lines = findLines(tree);
  return { tree, lines, levels: planLevels(tree, lines, DEFAULTS, style) };
}

/** A straight line of bends to a pop-up, 4 in inside taken as 0.1 m, cover 0.3 m. */
function line(stations: number[], ground: number[], leastPitch: number): Job {
  const last = stations.length - 1;
  const elements: Element[] = [
    {
      id: 'job',
      kind: 'job',
      name: 'Line',
      units: 'metric',
      pitchStyle: 'ground',
      settings: { cover: 0.3, leastPitch },
    },
  ];
  stations.forEach((station, k) => {
    elements.push(
      k < last
        ? { id: `n${k}`, kind: 'junction', form: 'bend', name: `n${k}`, groundLevel: ground[k]! }
        : { id: `n${k}`, kind: 'discharge', form: 'popup', receiving: 'lawn', name: `n${k}`, groundLevel: ground[k]! },
    );
    if (k < last)
      elements.push({
        id: `r${k}`,
        kind: 'run',
        from: `n${k}`,
        to: `n${k + 1}`,
        length: stations[k + 1]! - station,
        material: 'smooth',
        nominal: 0.1,
        grade: { type: 'auto' },
      });
  });
  return jobFrom('line', elements);
}

describe('follow the ground', () => {
  // By hand: z = min(ground − 0.3 − 0.1, z before − 1 % of the distance).
  it.each([
    ['flat', [0, 10, 20, 30], [5, 5, 5, 5], [4.6, 4.5, 4.4, 4.3]],
    ['a dip, then a rise', [0, 10, 25, 40], [5, 4.7, 4.9, 4], [4.6, 4.3, 4.15, 3.6]],
  ])('%s', (_, stations, ground, wanted) => {
    const { landings } = solve(line(stations, ground, 0.01));
    wanted.forEach((invert, k) => expect(landings[`n${k}`]!.invert).toBeCloseTo(invert, 9));
  });

  it('keeps cover and least pitch everywhere, and no landing could be higher', () => {
    fc.assert(
      fc.property(randomJob({ byHand: false }), (job) => {
        const { tree, levels } = levelled(job);
        for (let at = 0; at < tree.landings.length; at++) {
          const arrivals = tree.arriving[at]!.map(
            (run) => levels.crown[tree.upper[run]!]! - levels.leastPitch[run]! * tree.runs[run]!.length,
          );
          expect(levels.crown[at]!).toBeLessThanOrEqual(levels.allowed[at]! + SLACK);
          for (const arrival of arrivals) expect(levels.crown[at]!).toBeLessThanOrEqual(arrival + SLACK);
          // Tight against something: the greatest element.
          const leaving = tree.leaving[at]!;
          const covered = leaving < 0 ? [] : [highestCovered(tree, DEFAULTS, leaving, levels.leastPitch[leaving]!)];
          const highest = Math.min(levels.allowed[at]!, ...arrivals, ...covered);
          if (leaving >= 0) expect(highest - levels.crown[at]!).toBeLessThanOrEqual(SLACK);
        }
      }),
    );
  });

  it('lowers a run of set pitch at its head, so that its end has cover too', () => {
    const job = line([0, 20], [5, 4], 0.01);
    const run = job.elements.get('r0')!;
    const set = withElements(job, { ...run, grade: { type: 'pitch', pitch: 0.01 } } as Element);
    const { landings } = solve(set);
    expect(landings.n1!.crown).toBeCloseTo(3.7, 9);
    expect(landings.n0!.crown).toBeCloseTo(3.9, 9);
  });
});

describe('one pitch', () => {
  it('is one pitch along each line, and keeps every bound that following the ground keeps', () => {
    fc.assert(
      fc.property(randomJob({ byHand: false, style: 'single' }), (job) => {
        const { tree, lines, levels } = levelled(job, 'single');
        for (let at = 0; at < tree.landings.length; at++)
          expect(levels.crown[at]!).toBeLessThanOrEqual(levels.allowed[at]! + 1e-6);
        for (const each of lines) {
          const pitches = each.runs.map(
            (run) => (levels.crownUp[run]! - levels.crownDown[run]!) / tree.runs[run]!.length,
          );
          for (const [k, pitch] of pitches.entries()) {
            expect(pitch).toBeCloseTo(pitches[0]!, 6);
            expect(pitch).toBeGreaterThanOrEqual(levels.leastPitch[each.runs[k]!]! - 1e-6);
          }
        }
      }),
    );
  });

  it('digs no more than any other straight grade, by search', () => {
    const profile = fc.array(
      fc.record({
        step: fc.double({ min: 1, max: 30, noNaN: true }),
        ceiling: fc.double({ min: -1, max: 1, noNaN: true }),
      }),
      { minLength: 2, maxLength: 8 },
    );
    fc.assert(
      fc.property(profile, fc.double({ min: 0.002, max: 0.03, noNaN: true }), (points, least) => {
        const stations = points.reduce<number[]>((all, { step }, k) => [...all, k === 0 ? 0 : all[k - 1]! + step], []);
        const ceiling = points.map((point) => point.ceiling);
        const middle = stations[stations.length - 1]! / 2;
        const laid = onePitch({ stations, ceiling, least, floor: Number.NEGATIVE_INFINITY });
        stations.forEach((station, k) =>
          expect(laid.head - laid.pitch * station).toBeLessThanOrEqual(ceiling[k]! + SLACK),
        );
        for (let k = 0; k <= 400; k++) {
          const pitch = least + k * 0.005;
          const head = Math.min(...stations.map((station, j) => ceiling[j]! + pitch * station));
          expect(head - pitch * middle).toBeLessThanOrEqual(laid.head - laid.pitch * middle + SLACK);
        }
      }),
    );
  });

  it('flattens towards the least pitch to hold the floor', () => {
    const { head, pitch } = onePitch({ stations: [0, 10, 20], ceiling: [1, 0.5, 0], least: 0.01, floor: 0.5 });
    expect(pitch).toBeCloseTo(0.01, 12);
    expect(head).toBeCloseTo(0.2, 12);
  });
});

describe('fall budget', () => {
  it('adds up, whatever is set by hand', () => {
    fc.assert(
      fc.property(randomJob({ byHand: true }), (job) => {
        const { tree, levels } = levelled(job);
        const end = endCrowns(tree, levels);
        tree.landings.forEach((_, head) => {
          const budget = fallBudget(tree, levels, DEFAULTS, head);
          if (!budget) return;
          const spent = budget.spent.reduce((sum, each) => sum + each.fall, 0);
          expect(budget.setDeeper + budget.growth + spent + budget.left).toBeCloseTo(budget.available, 9);
          // The composed maps find the same end as walking the route.
          const last = tree.runs.find((run) => run.id === budget.spent[budget.spent.length - 1]!.run)!;
          const control = job.elements.get(budget.discharge) as { form: string; groundLevel: number };
          expect(
            end[head]! - last.nominal - control.groundLevel - (control.form === 'popup' ? DEFAULTS.popupLift : 0),
          ).toBeCloseTo(budget.left, 9);
        });
      }),
    );
  });

  it('says how far short the line comes down to the control level', () => {
    const job = line([0, 50], [0, 0], 0.01);
    const daylight = { ...job.elements.get('n1')!, form: 'daylight', groundLevel: -0.7 } as Element;
    const [budget] = solve(withElements(job, daylight)).budgets;
    // Head invert −0.4, 0.5 m of fall to −0.9: 0.2 m under −0.7, reached 20 m before the end at 1 %.
    expect(budget!.left).toBeCloseTo(-0.2, 9);
    expect(budget!.shortBy).toBeCloseTo(20, 9);
  });
});

describe('the tree', () => {
  it('orders upstream before downstream and sends every landing to the one discharge', () => {
    fc.assert(
      fc.property(randomJob({ byHand: true }), (job) => {
        const tree = treeOf(job);
        tree.runs.forEach((_, run) => expect(tree.upper[run]!).toBeLessThan(tree.lower[run]!));
        expect([...tree.outlet].every((at) => tree.landings[at]?.id === 'n0')).toBe(true);
        expect(
          findLines(tree)
            .flatMap((each) => each.runs)
            .sort((a, b) => a - b),
        ).toEqual(tree.runs.map((_, run) => run));
      }),
    );
  });

  it('leaves a loop out and goes on', () => {
    const wye = (id: string): Element => ({ id, kind: 'junction', form: 'wye', name: id, groundLevel: 0 });
    const run = (id: string, from: string, to: string): Element => ({
      id,
      kind: 'run',
      from,
      to,
      length: 5,
      material: 'smooth',
      nominal: 0.1,
      grade: { type: 'auto' },
    });
    const tree = treeOf(
      jobFrom('loop', [wye('a'), wye('b'), wye('c'), run('ab', 'a', 'b'), run('ba', 'b', 'a'), run('cb', 'c', 'b')]),
    );
    expect(tree.stray.map((each) => each.id).sort()).toEqual(['ab', 'ba']);
    expect(tree.leaving[tree.indexOf.get('a')!]).toBe(NONE);
  });

  it('letters lines past Z', () => expect([0, 25, 26, 27, 52].map(letterOf)).toEqual(['A', 'Z', 'AA', 'AB', 'BA']));
});

/** Lines, levels and budgets against what they must be, said once more over trees of every grade, make, size and way out. */
import fc from 'fast-check';
import { MATERIAL_FACTS, MATERIALS, NOMINAL_SIZES } from '../catalogue/pipes';
import { DEFAULTS } from '../job/settings';
import { jobFrom, landingsOf, ofKind, type Job } from '../job/job';
import { diameterOf, type Discharge, type Element, type Landing, type Run } from '../job/kinds';
import { basin, channel, node, out, pipe } from '../testing/parts';
import { endCrowns, fallBudget, tightestBudgets } from './budget';
import { comesOut, coveredTo } from './covered';
import { highestCovered, highestEnd, lowestEnd } from './crowns';
import { leastCoverOf, leastPitchOf, plannedCover } from './leastOf';
import { planLevels, type Levels } from './levels';
import { findLines, letterOf } from './lines';
import { accumulate, buildTree, NONE, routeFrom, type Tree } from './tree';

const IN = 0.0254;
const share = fc.integer({ min: 0, max: 10_000 }).map((whole) => whole / 10_000);
const oneOf = <T>(list: readonly T[], at: number): T => list[Math.floor(at * list.length * 0.9999)]!;

/** A tree of up to twelve landings toward one or two ways out, everything about its runs drawn. */
const jobs = fc
  .record({
    style: fc.constantFrom('ground' as const, 'single' as const),
    byHand: fc.boolean(),
    outs: fc.array(fc.record({ form: share, level: share, bank: share }), { minLength: 1, maxLength: 2 }),
    nodes: fc.array(fc.array(share, { minLength: 10, maxLength: 10 }), { minLength: 1, maxLength: 10 }),
  })
  .map(({ style, byHand, outs, nodes }) => {
    const elements: Element[] = [];
    const ids = outs.map(({ form, level, bank }, k) => {
      const ground = -3 * level;
      elements.push(
        out({
          id: `out${k}`,
          form: oneOf(['daylight', 'popup', 'main'] as const, form),
          groundLevel: ground,
          ...(bank < 0.5 ? { bank: undefined } : { bank: { length: 8 * bank, topLevel: ground + bank } }),
          ...(form > 0.67 ? { controlLevel: ground - 1.2 } : {}),
        }),
      );
      return `out${k}`;
    });
    nodes.forEach(([to, kind, level, long, size, make, cars, hand, set, deep], k) => {
      const id = `n${k}`;
      const groundLevel = 2 * level! - 1;
      elements.push(
        kind! < 0.4
          ? node('wye', { id, groundLevel })
          : kind! < 0.8
            ? basin({ id, groundLevel })
            : channel({ id, groundLevel, depth: 0.45, hole: kind! < 0.9 ? 'end' : 'floor' }),
      );
      const grade: Run['grade'] =
        !byHand || hand! < 0.5
          ? { type: 'auto' }
          : hand! < 0.75
            ? { type: 'pitch', pitch: 0.002 + 0.05 * set! }
            : hand! < 0.9
              ? { type: 'levels', up: groundLevel - 0.4 - deep! }
              : { type: 'levels', down: groundLevel - 1 - deep! };
      elements.push(
        pipe(id, {
          id: `r${k}`,
          to: oneOf(ids, to!),
          length: 0.5 + 50 * long!,
          nominal: oneOf(NOMINAL_SIZES, size!),
          material: oneOf(MATERIALS, make!),
          under: cars! < 0.4 ? 'cars' : 'turf',
          grade,
        }),
      );
      ids.push(id);
    });
    return { style, elements };
  });

interface Laid {
  tree: Tree;
  levels: Levels;
  style: 'ground' | 'single';
}

function laid(job: Job, style: 'ground' | 'single'): Laid {
  const tree = buildTree(landingsOf(job), ofKind(job, 'run'));
  return { tree, style, levels: planLevels(tree, findLines(tree), DEFAULTS, style) };
}

const NEAR = 1e-6;
const law = (check: (laid: Laid, job: Job) => void): void =>
  fc.assert(
    fc.property(jobs, ({ elements, style }) => {
      const job = jobFrom('tree', elements);
      check(laid(job, style), job);
    }),
    { numRuns: 150, seed: 4, endOnFailure: true },
  );

/** Cover asked over a run: 12 in, under cars as much as its make wants. */
const coverAsked = ({ under, material }: Run): number =>
  under === 'cars' && !['smooth', 'doubleWall'].includes(material) ? 24 * IN : 12 * IN;

const isOut = (landing: Landing): landing is Discharge => landing.kind === 'discharge';

it('lets no crown stand above what cover and the floor it comes from allow, unless somebody set it', () =>
  law(({ tree, levels }) => {
    tree.landings.forEach((landing, at) => {
      if (isOut(landing)) {
        const ends = tree.arriving[at]!.map((run) => highestEnd(tree.runs[run]!, landing, DEFAULTS));
        const lowest = tree.arriving[at]!.map((run) => levels.crownDown[run]!);
        expect(levels.allowed[at]).toBe(ends.length > 0 ? Math.min(...ends) : landing.groundLevel);
        if (ends.length > 0) expect(levels.crown[at]).toBe(Math.min(levels.bound[at]!, ...lowest));
        return;
      }
      const leaving = tree.runs[tree.leaving[at]!]!;
      const touching = [leaving, ...tree.arriving[at]!.map((run) => tree.runs[run]!)];
      const floor =
        landing.kind === 'channel'
          ? landing.groundLevel - 0.45 + (landing.hole === 'end' ? leaving.nominal : 0)
          : Number.POSITIVE_INFINITY;
      const allowed = Math.min(landing.groundLevel - Math.max(...touching.map(coverAsked)), floor);
      expect(levels.allowed[at]).toBeCloseTo(allowed, 9);
      const { grade } = leaving;
      if (grade.type === 'levels' && grade.up !== undefined) {
        expect(levels.crown[at]).toBeCloseTo(grade.up + leaving.nominal, 9);
        expect(levels.setCrown[at]).toBe(levels.bound[at]);
      } else {
        expect(levels.setCrown[at]).toBeNaN();
        expect(levels.crown[at]!).toBeLessThanOrEqual(allowed + NEAR);
        expect(levels.crown[at]!).toBeLessThanOrEqual(levels.bound[at]! + NEAR);
      }
    });
  }));

it('lays each run as its grade says: by its pitch, to its level, or at least at its least pitch', () =>
  law(({ tree, levels, style }) => {
    tree.runs.forEach((run, index) => {
      const [up, down] = [levels.crownUp[index]!, levels.crownDown[index]!];
      const below = tree.lower[index]!;
      expect(up).toBe(levels.crown[tree.upper[index]!]);
      const large = ['smooth', 'doubleWall'].includes(run.material) && run.nominal >= 6 * IN - 1e-9;
      expect(levels.leastPitch[index]).toBe(large ? 0.005 : 0.01);
      if (style === 'ground') expect(levels.laidPitch[index]).toBe(levels.leastPitch[index]);
      else expect(levels.laidPitch[index]!).toBeGreaterThanOrEqual(levels.leastPitch[index]!);
      if (run.grade.type === 'pitch') expect((up - down) / run.length).toBeCloseTo(run.grade.pitch, 9);
      else if (run.grade.type === 'levels' && run.grade.down !== undefined)
        expect(down).toBeCloseTo(run.grade.down + run.nominal, 9);
      else if (Number.isNaN(levels.setCrown[below]!) && !(run.grade.type === 'levels'))
        expect(up - down).toBeGreaterThanOrEqual(levels.laidPitch[index]! * run.length - NEAR);
      if (!isOut(tree.landings[below]!) && run.grade.type === 'auto') expect(down).toBe(levels.crown[below]);
    });
  }));

it('following the ground, lies against something everywhere: no crown could be higher by itself', () =>
  law(({ tree, levels, style }) => {
    if (style === 'single') return;
    tree.landings.forEach((landing, at) => {
      if (isOut(landing) || !Number.isNaN(levels.setCrown[at]!)) return;
      const leaving = tree.leaving[at]!;
      const arrivals = tree.arriving[at]!.map((run) => {
        const { grade, length, nominal } = tree.runs[run]!;
        if (grade.type === 'levels' && grade.down !== undefined) return grade.down + nominal;
        return levels.crownUp[run]! - (grade.type === 'pitch' ? grade.pitch : levels.leastPitch[run]!) * length;
      });
      const { grade, length } = tree.runs[leaving]!;
      const below = tree.lower[leaving]!;
      const after = tree.landings[below]!;
      // A run of set pitch hangs from its head: what is allowed at its foot bounds that.
      const room = isOut(after)
        ? highestEnd(tree.runs[leaving]!, after, DEFAULTS)
        : Number.isNaN(levels.setCrown[below]!)
          ? levels.bound[below]!
          : levels.allowed[below]!;
      const hung = grade.type === 'pitch' ? room + grade.pitch * length : Number.POSITIVE_INFINITY;
      const covered = highestCovered(tree, DEFAULTS, leaving, levels.leastPitch[leaving]!);
      expect(levels.crown[at]!).toBeCloseTo(Math.min(levels.allowed[at]!, hung, covered, ...arrivals), 9);
    });
  }));

it('on one pitch, no straight line that is free could dig less under its own ceilings', () => {
  let met = 0;
  law(({ tree, levels, style }) => {
    if (style === 'ground') return;
    const lines = findLines(tree);
    const byHand = (runs: readonly number[]): boolean =>
      runs.some(
        (run) =>
          tree.runs[run]!.grade.type !== 'auto' ||
          !Number.isNaN(levels.setCrown[tree.upper[run]!]!) ||
          !Number.isNaN(levels.setCrown[tree.lower[run]!]!),
      );
    const nodesOf = (runs: readonly number[]): number[] => [
      tree.upper[runs[0]!]!,
      ...runs.map((run) => tree.lower[run]!),
    ];
    const stationsOf = (runs: readonly number[]): number[] =>
      runs.reduce<number[]>((all, run) => [...all, all.at(-1)! + tree.runs[run]!.length], [0]);
    /** Highest crown at a node of a line that every branch into it can still reach. */
    const ceiling = (at: number, own: readonly number[]): number =>
      lines
        .filter(({ runs }) => runs !== own && tree.lower[runs.at(-1)!] === at && tree.leaving[at] !== NONE)
        .reduce((least, { runs }) => {
          const stations = stationsOf(runs);
          const pitch = levels.laidPitch[runs.at(-1)!]!;
          return Math.min(
            least,
            ...nodesOf(runs)
              .slice(0, -1)
              .map((node, k) => ceiling(node, runs) - pitch * (stations.at(-1)! - stations[k]!)),
          );
        }, levels.bound[at]!);
    for (const { runs } of lines) {
      const most = Math.max(...runs.map((run) => levels.leastPitch[run]!));
      for (const run of runs) expect(levels.laidPitch[run]).toBe(byHand(runs) ? levels.leastPitch[run] : most);
    }
    if (lines.some(({ runs }) => byHand(runs))) return;
    for (const { runs } of lines) {
      const last = runs.at(-1)!;
      const foot = tree.landings[tree.lower[last]!]!;
      const stations = stationsOf(runs);
      const far = stations.at(-1)!;
      const [head, end] = [levels.crownUp[runs[0]!]!, levels.crownDown[last]!];
      const pitch = (head - end) / far;
      expect(pitch).toBeGreaterThanOrEqual(most(runs, levels) - 1e-9);
      const ceilings = nodesOf(runs).map((at) => ceiling(at, runs));
      if (isOut(foot)) ceilings[ceilings.length - 1] = highestEnd(tree.runs[last]!, foot, DEFAULTS);
      const over = ceilings.slice(0, isOut(foot) ? undefined : -1);
      over.forEach((top, k) => expect(head - pitch * stations[k]!).toBeLessThanOrEqual(top + NEAR));
      // Any other line: through the crown that it joins, or as high as it may lie at that pitch, kept off the floor where it can be.
      const floor = isOut(foot) && foot.form !== 'popup' ? lowestEnd(tree.runs[last]!, foot, DEFAULTS) : -1e9;
      for (let k = 0; k <= 200; k++) {
        const other = most(runs, levels) + k * 0.004;
        const highest = Math.min(...over.map((top, j) => top + other * stations[j]!));
        const high = isOut(foot) ? highest : end + other * far;
        if (high > highest + NEAR || high - other * far < Math.min(floor, end) - NEAR) continue;
        expect(high - (other * far) / 2).toBeLessThanOrEqual(head - (pitch * far) / 2 + NEAR);
        met++;
      }
    }
  });
  expect(met).toBeGreaterThan(1000);
});

const most = (runs: readonly number[], { leastPitch }: Levels): number =>
  Math.max(...runs.map((run) => leastPitch[run]!));

it('runs out of fall where it says: so far before the end the line has come down to its control level', () => {
  const met = { short: 0, whole: 0 };
  law(({ tree, levels }, job) => {
    const end = endCrowns(tree, levels);
    const lefts = new Map<string, number>();
    tree.landings.forEach((landing, head) => {
      const budget = fallBudget(tree, levels, DEFAULTS, head);
      if (isOut(landing)) return void expect(budget).toBeNull();
      const route = routeFrom(tree, head).map((run) => tree.runs[run]!);
      const foot = job.elements.get(budget!.discharge) as Discharge;
      const [first, last] = [route[0]!, route.at(-1)!];
      expect(last.to).toBe(foot.id);
      expect(budget!.source).toBe(landing.id);
      expect(budget!.spent.map(({ run }) => run)).toEqual(route.map(({ id }) => id));
      const control = foot.controlLevel ?? foot.groundLevel + (foot.form === 'popup' ? IN : 0);
      expect(budget!.available).toBeCloseTo(levels.allowed[head]! - first.nominal - control, 9);
      expect(budget!.growth).toBeCloseTo(last.nominal - first.nominal, 12);
      expect(end[head]! - last.nominal - control).toBeCloseTo(budget!.left, 9);
      // Walked down once more from the head's own bound.
      let crown = levels.bound[head]!;
      route.forEach((run, k) => {
        const { grade, length, nominal } = run;
        const index = tree.runs.indexOf(run);
        const to = tree.lower[index]!;
        const falls = grade.type === 'pitch' ? grade.pitch : levels.laidPitch[index]!;
        const arrival =
          grade.type === 'levels' && grade.down !== undefined ? grade.down + nominal : crown - falls * length;
        const set = levels.setCrown[to]!;
        const next = run === last ? arrival : Number.isNaN(set) ? Math.min(arrival, levels.bound[to]!) : set;
        expect(budget!.spent[k]!.fall).toBeCloseTo(crown - next, 9);
        crown = next;
      });
      expect(budget!.left).toBeCloseTo(crown - last.nominal - control, 9);
      if (tree.arriving[head]!.length === 0)
        lefts.set(foot.id, Math.min(lefts.get(foot.id) ?? Number.POSITIVE_INFINITY, budget!.left));
      if (budget!.left >= 0) return void expect(budget!.shortBy).toBe(0);
      met.short++;
      // Back up from the foot by so much, the fall behind makes good what is missing.
      let way = budget!.shortBy;
      let regained = 0;
      for (let k = route.length - 1; k >= 0 && way > 1e-9; k--) {
        const part = Math.min(1, way / route[k]!.length);
        regained += part * Math.max(0, budget!.spent[k]!.fall);
        way -= part * route[k]!.length;
      }
      const all = budget!.spent.reduce((sum, { fall }) => sum + Math.max(0, fall), 0);
      expect(regained).toBeCloseTo(Math.min(all, -budget!.left), 6);
      met.whole++;
    });
    const tightest = tightestBudgets(tree, levels, DEFAULTS);
    expect(tightest.map(({ left }) => left)).toEqual([...tightest.map(({ left }) => left)].sort((a, b) => a - b));
    expect(Object.fromEntries(tightest.map(({ discharge, left }) => [discharge, left.toFixed(9)]))).toEqual(
      Object.fromEntries([...lefts].map(([id, left]) => [id, left.toFixed(9)])),
    );
  });
  expect(met.short).toBeGreaterThan(50);
});

it('covers a run as far as that is asked, where that needs no deep start', () => {
  let met = 0;
  law(({ tree, levels, style }) => {
    tree.runs.forEach((run, index) => {
      const lower = tree.landings[tree.lower[index]!]!;
      const upper = tree.landings[tree.upper[index]!]!;
      const asked = coveredTo(run, upper, lower, DEFAULTS);
      expect(comesOut(lower)).toBe(isOut(lower) && lower.form === 'daylight');
      if (!comesOut(lower))
        return void expect(asked).toEqual({ station: run.length, ground: lower.groundLevel, assumed: false });
      const open = lower.bank?.length ?? (run.under === 'cars' ? 36 * IN : 120 * IN);
      expect(asked.station).toBeCloseTo(Math.max(0, run.length - open), 9);
      expect(asked.assumed).toBe(!lower.bank && asked.station > 0);
      const rises = (upper.groundLevel - lower.groundLevel) * (1 - asked.station / run.length);
      // Assumed: a step over the straight slope that covers what comes out of it, under the head; over a swale as steep as earth stands.
      const covers =
        Math.max(rises, leastPitchOf(run, DEFAULTS) * open) + diameterOf(run) + leastCoverOf(run, DEFAULTS);
      const banked = ['swale', 'ditch'].includes(lower.receiving) ? Math.max(covers, open / 2) : covers;
      const top = Math.max(lower.groundLevel + rises, Math.min(upper.groundLevel, lower.groundLevel + banked));
      const ground = asked.station > 0 ? (lower.bank?.topLevel ?? top) : upper.groundLevel;
      expect(asked.ground).toBeCloseTo(ground, 9);
      if (run.grade.type !== 'auto' || style === 'single' || asked.station <= 0) return;
      const [up, down] = [levels.crownUp[index]!, levels.crownDown[index]!];
      const at = up + ((down - up) * asked.station) / run.length;
      const covered = ground - at >= leastCoverOf(run, DEFAULTS) - NEAR;
      const lowest = lowestEnd(run, lower, DEFAULTS);
      // Not covered there only where its end lies as low as it may.
      if (!covered) expect(down).toBeLessThanOrEqual(lowest + NEAR);
      else if (down < highestEnd(run, lower, DEFAULTS) - NEAR) met++;
    });
  });
  expect(met).toBeGreaterThan(5);
});

it('letters each way out’s longest way first, then every branch after the line that it joins', () =>
  law(({ tree }) => {
    const lines = findLines(tree);
    const length = (runs: readonly number[]): number => runs.reduce((sum, run) => sum + tree.runs[run]!.length, 0);
    const lineOf = new Map(lines.flatMap(({ runs }, k) => runs.map((run) => [run, k] as const)));
    expect(lineOf.size).toBe(tree.runs.length);
    expect(lines.map(({ letter }) => letter)).toEqual(lines.map((_, k) => letterOf(k)));
    /** Longest way that comes to a landing. */
    const reach = (at: number): number =>
      Math.max(0, ...tree.arriving[at]!.map((run) => reach(tree.upper[run]!) + tree.runs[run]!.length));
    const feet = new Set<number>();
    lines.forEach(({ runs }, k) => {
      runs.slice(1).forEach((run, j) => expect(tree.lower[runs[j]!]).toBe(tree.upper[run]));
      const foot = tree.lower[runs.at(-1)!]!;
      expect(length(runs)).toBeCloseTo(reach(tree.upper[runs.at(-1)!]!) + tree.runs[runs.at(-1)!]!.length, 9);
      if (isOut(tree.landings[foot]!)) {
        if (!feet.has(foot)) expect(length(runs)).toBeCloseTo(reach(foot), 9);
        feet.add(foot);
      } else expect(lineOf.get(tree.leaving[foot]!)!).toBeLessThan(k);
    });
  }));

it('adds what enters down the tree', () =>
  law(({ tree }) => {
    const entering = Float64Array.from(tree.landings, (_, at) => at + 1);
    const total = accumulate(tree, entering);
    const above = (at: number): number =>
      entering[at]! + tree.arriving[at]!.reduce((sum, run) => sum + above(tree.upper[run]!), 0);
    tree.landings.forEach((_, at) => expect(total[at]).toBeCloseTo(above(at), 9));
    expect(entering[0]).toBe(1);
  }));

describe('cover and pitch of one pipe', () => {
  const r = (more: Partial<Run>): Run => pipe('a', more);
  it.each([
    [{ under: 'turf' }, 12, 6],
    [{ under: 'slab' }, 1, 1],
    [{ under: 'cars' }, 12, 12],
    [{ under: 'cars', material: 'singleWall' }, 24, 24],
    [{ under: 'cars', material: 'doubleWall' }, 12, 12],
    [{ under: 'turf', material: 'singleWall' }, 12, 6],
  ] as const)('%j: %d in planned, %d in accepted', (more, planned, accepted) => {
    expect(plannedCover(r(more), DEFAULTS) / IN).toBeCloseTo(planned, 9);
    expect(leastCoverOf(r(more), DEFAULTS) / IN).toBeCloseTo(accepted, 9);
  });
  it.each([
    ['smooth', 6, 0.005],
    ['smooth', 4, 0.01],
    ['doubleWall', 8, 0.005],
    ['singleWall', 8, 0.01],
    ['clay', 6, MATERIAL_FACTS.clay.smoothBore ? 0.005 : 0.01],
  ] as const)('%s of %d in falls at least %d', (material, inches, least) =>
    expect(leastPitchOf({ material, nominal: inches * IN }, DEFAULTS)).toBe(least),
  );
  it('keeps its own pitch where the least of large pipe is set above that of all', () =>
    expect(
      leastPitchOf({ material: 'smooth', nominal: 6 * IN }, { ...DEFAULTS, leastPitch: 0.004, leastPitchLarge: 0.005 }),
    ).toBe(0.004));
  it('ends on the ground at daylight, under cover at a lid, and at a main between its cover and the main', () => {
    const at = (form: Discharge['form'], more: Partial<Discharge> = {}): number =>
      highestEnd(r({ nominal: 0.1 }), out({ form, groundLevel: 0, controlLevel: undefined, ...more }), DEFAULTS);
    expect(at('daylight')).toBeCloseTo(0.1, 9);
    expect(at('popup')).toBeCloseTo(-12 * IN, 9);
    // A main 0.8 down: planned cover leads over it. One 0.3 down: the pipe comes up to it, to 6 in of cover at most.
    expect(at('main', { controlLevel: -0.8 })).toBeCloseTo(-12 * IN, 9);
    expect(at('main', { controlLevel: -0.3 })).toBeCloseTo(-0.2, 9);
    expect(at('main', { controlLevel: -0.2 })).toBeCloseTo(-6 * IN, 9);
    expect(highestEnd(r({}), basin({ groundLevel: 2 }), DEFAULTS)).toBeCloseTo(2 - 12 * IN, 9);
  });
});

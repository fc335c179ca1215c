/** Where a pipe ends, and how high it may begin for that, by hand; and what a tree keeps of what joins what. */
import { DEFAULTS } from '../job/settings';
import { jobFrom, landingsOf, ofKind } from '../job/job';
import type { Discharge, Element, Run } from '../job/kinds';
import { Kept } from '../numeric/kept';
import { basin, node, out, pipe } from '../testing/parts';
import { endOf, highestCovered } from './crowns';
import { buildTree, NONE, type Tree } from './tree';

const treeOf = (...elements: Element[]): Tree => treeAfter(null, ...elements).tree;

/** A tree, after another of which it may keep what joins alike. */
function treeAfter(before: { kept: Kept } | null, ...elements: Element[]): { tree: Tree; kept: Kept } {
  const job = jobFrom('crowns', elements);
  const kept = new Kept(before?.kept);
  return { tree: buildTree(landingsOf(job), ofKind(job, 'run'), kept), kept };
}
/** 20 m of a pipe 0.1 m inside from a basin at `ground` to a way out 1.5 m down, over a bank of 3 m. */
const one = (top: number, more: { ground?: number; out?: Partial<Discharge>; run?: Partial<Run> } = {}): Tree =>
  treeOf(
    basin({ groundLevel: more.ground ?? 0 }),
    out({ bank: { length: 3, topLevel: top }, ...more.out }),
    pipe('basin', { length: 20, nominal: 0.1, ...more.run }),
  );

describe('the highest crown with which a pipe is covered until it comes out', () => {
  const covered = (tree: Tree, least = 0.01): number => highestCovered(tree, DEFAULTS, 0, least);

  it('is on the line from the least cover at the top of the bank to the lowest end', () => {
    // 6 in under −1.2, at 17 m; from there over 3 m down to the crown of a pipe on the ground at −1.5: 0.0476 of fall, 1.59 %.
    expect(covered(one(-1.2))).toBeCloseTo(-1.3524 + (0.0476 / 3) * 17, 6);
    expect(covered(one(-1.2, { out: { controlLevel: -1.6 } }))).toBeCloseTo(-1.3524 + (0.1476 / 3) * 17, 6);
  });

  it('is not sought where that falls too little, or starts 1.2 m deep, or nothing is asked or left open', () => {
    expect(covered(one(-1.2), 0.0158)).toBeLessThan(0);
    expect(covered(one(-1.2), 0.0159)).toBe(Infinity);
    // Its invert −1.1827: from ground at 0.017 that is 1.1997 deep.
    expect(covered(one(-1.2, { ground: 0.017 }))).toBeLessThan(0);
    expect(covered(one(-1.2, { ground: 0.018 }))).toBe(Infinity);
    expect(covered(one(-1.2, { run: { grade: { type: 'levels', up: -1 } } }))).toBe(Infinity);
    expect(covered(one(-1.2, { run: { grade: { type: 'pitch', pitch: 0.02 } } }))).toBeLessThan(0);
    expect(covered(one(-1.2, { out: { form: 'popup' } }))).toBe(Infinity);
    expect(covered(one(-1.2, { out: { bank: { length: 20, topLevel: -1.2 } } }))).toBe(Infinity);
    const tree = one(0, { out: { bank: undefined, controlLevel: -1.75 } });
    expect(highestCovered(tree, { ...DEFAULTS, outcrop: 0 }, 0, 0.01)).toBe(Infinity);
    // Levelled 3.048 m before the end at −1.2714, as on ground that falls evenly to −1.5.
    const slope = (-1.2714 - 0.1524 + 1.65) / 3.048;
    const seen = new Map([['pipe-basin', -1.2714]]);
    expect(covered({ ...tree, seen })).toBeCloseTo(-1.2714 - 0.1524 + slope * 16.952, 3);
    // Assumed: over a swale even until there, no steeper than 1 in 2 (1.524 m over −1.5), and never over the head, at 0.
    expect(covered(tree)).toBeCloseTo(-0.1524 + ((-0.1524 + 1.65) / 3.048) * 16.952, 3);
    // On a slope: −1.2714, and over that the pipe with its least cover, 0.1 + 0.1524.
    const onSlope = one(0, { out: { bank: undefined, controlLevel: -1.75, receiving: 'slope' } });
    expect(covered({ ...onSlope, seen: new Map([['pipe-basin', -1.019]]) })).toBeCloseTo(covered(onSlope), 6);
  });
});

describe('the crown at an end', () => {
  const end = (tree: Tree, above: number, least = 0.01): number => endOf(tree, DEFAULTS, 0, above, least);

  it('arrives at its pitch, on the ground at the highest, and lower where that keeps it covered', () => {
    expect(end(one(-0.3), -1.3)).toBeCloseTo(-1.5, 9);
    expect(end(one(-0.3), -0.4)).toBeCloseTo(-1.4, 9);
    // Covered 6 in under −1.45 at 17 m, on a straight crown from −0.4.
    const low = { out: { controlLevel: -2 } };
    expect(end(one(-1.45, low), -0.4)).toBeCloseTo(-0.4 + ((-1.6024 + 0.4) * 20) / 17, 6);
    // Not lower than the way out lets it.
    expect(end(one(-1.6, low), -0.4)).toBeCloseTo(-1.9, 9);
    expect(end(one(-1.6), -0.4)).toBeCloseTo(-1.4, 9);
  });

  it('is left where it was set, and under cover where it does not come out', () => {
    expect(end(one(-1.6, { run: { grade: { type: 'pitch', pitch: 0.03 } } }), -0.4)).toBeCloseTo(-1, 9);
    expect(end(one(-1.6, { run: { grade: { type: 'levels', down: -0.9 } } }), -0.4)).toBeCloseTo(-0.8, 9);
    expect(end(one(-1.6, { run: { grade: { type: 'levels', up: -0.5 } } }), -0.4)).toBeCloseTo(-1.4, 9);
    expect(end(one(-1.6, { out: { form: 'popup', groundLevel: -0.1 } }), -0.4)).toBeCloseTo(-0.6, 9);
    expect(end(one(-1.6, { out: { form: 'popup', groundLevel: -0.5 } }), -0.4)).toBeCloseTo(-0.8048, 9);
    expect(end(one(-1.6, { out: { bank: { length: 30, topLevel: -1.6 } } }), -0.4)).toBeCloseTo(-1.4, 9);
  });
});

describe('what joins what', () => {
  const a = basin({ id: 'a' });
  const b = basin({ id: 'b' });
  const joined = (tree: Tree): string[] =>
    tree.runs.map((run, k) => {
      expect(tree.landings[tree.upper[k]!]!.id).toBe(run.from);
      expect(tree.landings[tree.lower[k]!]!.id).toBe(run.to);
      expect(tree.leaving[tree.upper[k]!]).toBe(k);
      expect(tree.arriving[tree.lower[k]!]).toContain(k);
      return `${run.from}-${run.to}`;
    });
  const outlet = (tree: Tree, id: string): string | undefined => tree.landings[tree.outlet[tree.indexOf.get(id)!]!]?.id;

  it('is kept while nothing joins otherwise, and read anew as soon as anything does', () => {
    let last: { tree: Tree; kept: Kept } | null = null;
    const treeOf = (...elements: Element[]): Tree => (last = treeAfter(last, ...elements)).tree;
    const first = treeOf(a, b, out(), pipe('a', { to: 'b' }), pipe('b'));
    expect(joined(first).sort()).toEqual(['a-b', 'b-out']);
    const longer = treeOf(a, { ...b, groundLevel: -1 }, out(), pipe('a', { to: 'b', length: 33 }), pipe('b'));
    expect(longer.upper).toBe(first.upper);
    expect(longer.runs.map(({ length }) => length)).toContain(33);
    const led = treeOf(a, b, out(), pipe('a'), pipe('b'));
    expect(joined(led).sort()).toEqual(['a-out', 'b-out']);
    const round = treeOf(a, b, out(), pipe('b', { to: 'a' }), pipe('a'));
    expect(joined(round).sort()).toEqual(['a-out', 'b-a']);
    // The same joins, but what stood at b is a way out now.
    const before = treeOf(a, node('wye', { id: 'b' }), out(), pipe('a', { to: 'b' }));
    expect(outlet(before, 'a')).toBeUndefined();
    const now = treeOf(a, out({ id: 'b' }), out(), pipe('a', { to: 'b' }));
    expect(outlet(now, 'a')).toBe('b');
    const renamed = treeOf(basin({ id: 'c' }), b, out(), pipe('c', { to: 'b' }), pipe('b'));
    expect(joined(renamed).sort()).toEqual(['b-out', 'c-b']);
    const fewer = treeOf(a, out(), pipe('a'));
    expect(joined(fewer)).toEqual(['a-out']);
  });

  it('leaves out a second way out of a landing, one from where water has left already, and one that lacks an end', () => {
    const tree = treeOf(
      a,
      out(),
      pipe('a'),
      pipe('a', { id: 'second' }),
      pipe('out', { id: 'back', to: 'a' }),
      pipe('nowhere', { id: 'from' }),
      pipe('a', { id: 'to', to: 'nowhere' }),
    );
    expect(tree.stray.map(({ id }) => id).sort()).toEqual(['back', 'from', 'second', 'to']);
    expect(joined(tree)).toEqual(['a-out']);
    expect(tree.leaving[tree.indexOf.get('out')!]).toBe(NONE);
  });
});

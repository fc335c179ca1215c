import fc from 'fast-check';
import { backwater, freeDepth, type Reach } from '../hydraulics/backwater';
import { criticalDepth } from '../hydraulics/criticalDepth';
import { normalDepth } from '../hydraulics/pipe';
import { solveWaterLine, type WaterNetwork } from './waterLine';

/** A fine-step reference: up the pipe in thousands of small steps of x, by the midpoint rule, with pressure above the crown. */
function fineStep({ length, diameter, roughness, slope, flow }: Reach, foot: number): number {
  const critical = criticalDepth({ diameter, flow });
  const steps = 20_000;
  const dx = length / steps;
  const rate = (depth: number): number => {
    if (depth >= diameter) {
      const area = (Math.PI * diameter ** 2) / 4;
      return (flow * roughness) ** 2 / (area ** 2 * (diameter / 4) ** (4 / 3)) - slope;
    }
    const angle = 2 * Math.acos(1 - (2 * depth) / diameter);
    const area = (diameter ** 2 / 8) * (angle - Math.sin(angle));
    const radius = area / ((diameter * angle) / 2);
    const friction = (flow * roughness) ** 2 / (area ** 2 * radius ** (4 / 3));
    const froude2 = (flow ** 2 * diameter * Math.sin(angle / 2)) / (9.80665 * area ** 3);
    return (friction - slope) / (1 - froude2);
  };
  let depth = Math.max(foot, critical * 1.0005);
  for (let k = 0; k < steps; k++) {
    depth = Math.max(critical * 1.0005, depth + dx * rate(Math.max(critical * 1.0005, depth + (dx / 2) * rate(depth))));
  }
  return depth;
}

const reach = fc.record({
  length: fc.double({ min: 1, max: 80, noNaN: true }),
  diameter: fc.constantFrom(0.1, 0.15, 0.25),
  roughness: fc.constantFrom(0.01, 0.012, 0.016),
  slope: fc.double({ min: -0.003, max: 0.012, noNaN: true }),
  flow: fc.double({ min: 0.0005, max: 0.03, noNaN: true }),
});

it('follows the fine-step reference within 2 mm, part full, under pressure and between', () => {
  fc.assert(
    fc.property(reach, fc.double({ min: 0, max: 2.5, noNaN: true }), (given, share) => {
      const foot = Math.max(share * given.diameter, freeDepth(given));
      const { depthUp, regime } = backwater(given, foot);
      if (regime === 'steep' || regime === 'drowned') return;
      const wanted = fineStep(given, foot);
      // Under pressure the level runs off at a few metres a metre of error in where it began; 2 mm of depth, or as much of the rise.
      expect(Math.abs(depthUp - wanted)).toBeLessThan(Math.max(0.002, 0.002 * Math.abs(depthUp - foot)));
    }),
    { numRuns: 120 },
  );
});

it('on a steep pipe stands at critical depth at the head, unless its foot is drowned to there', () => {
  const steep: Reach = { length: 20, diameter: 0.15, roughness: 0.01, slope: 0.03, flow: 0.008 };
  const critical = criticalDepth(steep);
  expect(normalDepth(steep).depth).toBeLessThan(critical);
  expect(backwater(steep, 0)).toMatchObject({ depthUp: critical, regime: 'steep' });
  expect(backwater(steep, 0.14)).toMatchObject({ depthUp: critical, regime: 'drowned' });
  const deep = backwater(steep, 20 * 0.03 + 0.3);
  expect(deep.regime).toBe('full');
  expect(deep.depthUp).toBeGreaterThan(0.3);
});

/** A trunk with a branch at every node. */
function comb(count: number, flow: number): WaterNetwork {
  const inverts: number[] = [];
  const runs: WaterNetwork['runs'][number][] = [];
  for (let k = 0; k < count; k++) {
    inverts.push(0.08 * (count - k) + 0.1, 0.08 * (count - k) + 0.4);
    runs.push({ from: 2 * k + 1, to: 2 * k, length: 5, diameter: 0.1, roughness: 0.01 });
    runs.push({ from: 2 * k, to: k + 1 < count ? 2 * k + 2 : 2 * count, length: 8, diameter: 0.3, roughness: 0.012 });
  }
  inverts.push(0.1);
  return {
    inverts,
    inflows: inverts.map((_, k) => (k % 2 === 1 ? flow : 0)),
    // A wye at every node of the trunk, an entry at every head.
    losses: inverts.map((_, k) => (k % 2 === 0 ? 0.5 : 1.5)),
    runs,
    order: runs.map((_, k) => k),
  };
}

describe('a network', () => {
  it('keeps its mass at every node, and no level falls going up', () => {
    const { flows, levels } = solveWaterLine(comb(40, 0.002), () => 0);
    expect(flows[79]).toBeCloseTo(40 * 0.002, 12);
    for (let k = 0; k + 1 < 40; k++) expect(levels[2 * k]!).toBeGreaterThan(levels[2 * k + 2]!);
  });

  it('never lowers a water line for more rain, or for a higher outlet', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1e-5, max: 0.004, noNaN: true }),
        fc.double({ min: 1, max: 3, noNaN: true }),
        fc.double({ min: 0, max: 2, noNaN: true }),
        (flow, more, outlet) => {
          const base = solveWaterLine(comb(12, flow), () => outlet).levels;
          const wetter = solveWaterLine(comb(12, flow * more), () => outlet).levels;
          const higher = solveWaterLine(comb(12, flow), () => outlet + 0.3).levels;
          base.forEach((level, k) => {
            expect(wetter[k]!).toBeGreaterThanOrEqual(level - 1e-9);
            expect(higher[k]!).toBeGreaterThanOrEqual(level - 1e-9);
          });
        },
      ),
      { numRuns: 400 },
    );
  });
});

describe('level by level', () => {
  const G = 9.80665;
  const run = (from: number, to: number, more: object = {}): WaterNetwork['runs'][number] => ({
    from,
    to,
    length: 20,
    diameter: 0.15,
    roughness: 0.01,
    ...more,
  });
  /** Two heads into a node, and one run from it to the outlet. */
  const three = (more: Partial<WaterNetwork> = {}): WaterNetwork => ({
    inverts: [0.6, 0.7, 0.3, 0],
    inflows: [0.004, 0.003, 0.001, 0],
    losses: [1.5, 1.5, 0.5, 0],
    runs: [run(0, 2), run(2, 3, { diameter: 0.2 }), run(1, 2)],
    order: [0, 2, 1],
    ...more,
  });
  const area = (depth: number, diameter: number): number => {
    if (depth >= diameter) return (Math.PI * diameter ** 2) / 4;
    const angle = 2 * Math.acos(1 - (2 * depth) / diameter);
    return (diameter ** 2 / 8) * (angle - Math.sin(angle));
  };
  const reach = (flow: number, slope: number, diameter = 0.15): Reach => ({
    length: 20,
    diameter,
    roughness: 0.01,
    slope,
    flow,
  });
  /** What stands before a pipe that takes its water in with a loss of K: on its own depth, or at least as on its critical one. */
  const head = (depth: number, given: Reach, k: number): number => {
    const at = (y: number): number => y + (k * (given.flow / area(y, given.diameter)) ** 2) / (2 * G);
    return Math.max(at(depth), at(Math.min(depth, criticalDepth(given))));
  };

  it('carries the level from the outlet up: each run’s own backwater, and at its head the loss on its velocity', () => {
    for (const control of [-1, 0.1, 0.5, 1.4]) {
      const { flows, levels, reaches } = solveWaterLine(three(), () => control);
      expect([...flows].map((flow) => Number(flow.toFixed(9)))).toEqual([0.004, 0.008, 0.003]);
      const trunk = reach(0.008, 0.015, 0.2);
      const foot = control > 0 ? Math.max(freeDepth(trunk), control) : freeDepth(trunk);
      expect(levels[3]).toBeCloseTo(foot, 9);
      const up = backwater(trunk, foot);
      expect(reaches[1]).toEqual(up);
      const middle = 0.3 + head(up.depthUp, trunk, 0.5);
      expect(levels[2]).toBeCloseTo(middle, 9);
      for (const [node, invert, flow] of [
        [0, 0.6, 0.004],
        [1, 0.7, 0.003],
      ] as const) {
        const branch = reach(flow, (invert - 0.3) / 20);
        expect(levels[node]).toBeCloseTo(invert + head(backwater(branch, middle - 0.3).depthUp, branch, 1.5), 9);
      }
    }
  });

  it('takes a run’s own inverts before its nodes’, and a throat’s head besides', () => {
    const hung = three({
      runs: [run(0, 2, { invertUp: 0.65, invertDown: 0.4 }), run(2, 3, { diameter: 0.2 }), run(1, 2)],
      throatLoss: (index) => (index === 0 ? 0.07 : 0),
    });
    const { levels } = solveWaterLine(hung, () => -1);
    const plain = solveWaterLine(three(), () => -1).levels;
    expect(levels[1]).toBe(plain[1]);
    const branch = reach(0.004, 0.25 / 20);
    expect(levels[0]).toBeCloseTo(0.65 + head(backwater(branch, levels[2]! - 0.4).depthUp, branch, 1.5) + 0.07, 9);
  });

  it('ends each pipe at its own depth where several come out, and loses at a drowned end as far as that is covered', () => {
    const two: WaterNetwork = {
      inverts: [0.04, 0.34, 0],
      inflows: [0.008, 0.002, 0],
      losses: [0, 0, 0],
      exitLosses: [1, 0],
      runs: [run(0, 2), run(1, 2, { invertDown: 0.3 })],
      order: [0, 1],
    };
    const first = reach(0.008, 0.002);
    const second = reach(0.002, 0.002);
    const free = solveWaterLine(two, () => Number.NEGATIVE_INFINITY).levels;
    expect(free[2]).toBeCloseTo(0.3 + freeDepth(second), 9);
    expect(free[0]).toBeCloseTo(0.04 + backwater(first, freeDepth(first)).depthUp, 9);
    const speed = (0.008 / area(1, 0.15)) ** 2 / (2 * G);
    for (const [stands, covered] of [
      [0.4, 1],
      [0.12, 0.8],
    ] as const) {
      const { levels } = solveWaterLine(two, () => stands);
      const foot = Math.max(freeDepth(first), stands + covered * speed);
      expect(levels[0]).toBeCloseTo(0.04 + backwater(first, foot).depthUp, 9);
      expect(levels[2]).toBeCloseTo(Math.max(foot, 0.3 + Math.max(freeDepth(second), stands - 0.3)), 9);
    }
  });

  it('a dry run stands at its invert, and asks nothing at its head', () => {
    const dry = solveWaterLine(three({ inflows: [0, 0.003, 0, 0] }), () => -1);
    expect(dry.flows[0]).toBe(0);
    expect(dry.levels[0]).toBeCloseTo(0.6, 9);
  });
});

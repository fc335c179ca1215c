import fc from 'fast-check';
import { distance, type Place } from '../site/place';
import { contoursOf, guessedFrom, isGuessed } from './contours';
import { flood, gather, metFirst } from './flood';
import { block, cellAt, cellsAlong, cellsWithin, rasterise } from './grid';
import { BLOCKED } from './padded';
import { findPonds } from './ponds';
import { Surface, type GroundPoint } from './surface';

/** Levels on a square lattice of a shape of ground. */
const lattice = (level: (east: number, north: number) => number, side = 20, step = 1): GroundPoint[] => {
  const points: GroundPoint[] = [];
  for (let east = 0; east <= side; east += step)
    for (let north = 0; north <= side; north += step) points.push({ east, north, level: level(east, north) });
  return points;
};

const flooded = (levels: Float64Array, cols: number, kinds?: Uint8Array) =>
  flood(levels, cols, levels.length / cols, kinds);

/** The flood again by its definition: a cell fills to the least, over all ways out, of the highest level on the way. */
function filledByDefinition(levels: Float64Array, cols: number): Float64Array {
  const rows = levels.length / cols;
  const filled = levels.map((level, at) => {
    const [row, col] = [Math.floor(at / cols), at % cols];
    return row === 0 || col === 0 || row === rows - 1 || col === cols - 1 ? level : Infinity;
  });
  for (let changed = true; changed;) {
    changed = false;
    for (let at = 0; at < levels.length; at++) {
      const [row, col] = [Math.floor(at / cols), at % cols];
      if (row === 0 || col === 0 || row === rows - 1 || col === cols - 1) continue;
      const round = [-cols - 1, -cols, -cols + 1, -1, 1, cols - 1, cols, cols + 1];
      const next = Math.max(levels[at]!, Math.min(...round.map((by) => filled[at + by]!)));
      if (next >= filled[at]!) continue;
      filled[at] = next;
      changed = true;
    }
  }
  return filled;
}

const terrain = fc.integer({ min: 4, max: 14 }).chain((cols) =>
  fc.array(fc.integer({ min: 0, max: 40 }), { minLength: cols * 4, maxLength: cols * 14 }).map((heights) => ({
    cols,
    levels: Float64Array.from(heights.slice(0, Math.floor(heights.length / cols) * cols), (h) => h / 8),
  })),
);

describe('the surface of levels', () => {
  it('is exact on a plane, on its hull too, and tells nothing outside', () => {
    const plane = (east: number, north: number): number => 7 + 0.021 * east - 0.013 * north;
    // No two places so near that they count as one.
    const tenth = fc.integer({ min: -500, max: 500 }).map((count) => count / 10);
    fc.assert(
      fc.property(
        fc.array(fc.record({ east: tenth, north: tenth }), { minLength: 4, maxLength: 60 }),
        fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 3, maxLength: 3 }),
        (places, [u, v, w]) => {
          const surface = Surface.of(places.map((place) => ({ ...place, level: plane(place.east, place.north) })));
          if (!surface) return;
          const sum = u! + v! + w! || 1;
          const [a, b, c] = surface.corners(surface.size - 1);
          const at = {
            east: (u! * a.east + v! * b.east + w! * c.east) / sum,
            north: (u! * a.north + v! * b.north + w! * c.north) / sum,
          };
          const level = u! + v! + w! === 0 ? null : surface.levelAt(at);
          if (level !== null) expect(level).toBeCloseTo(plane(at.east, at.north), 6);
          for (const point of surface.points.slice(0, 5)) expect(surface.levelAt(point)).toBeCloseTo(point.level, 6);
          expect(surface.levelAt({ east: 1000, north: 0 })).toBeNull();
        },
      ),
    );
  });

  it('is none of points in a line, or of two', () => {
    expect(Surface.of([0, 1, 2, 3].map((k) => ({ east: k, north: 2 * k, level: k })))).toBeNull();
    expect(Surface.of([0, 1].map((k) => ({ east: k, north: 0, level: k })))).toBeNull();
  });

  it('does not change where a level is added that lies on it', () => {
    const bumpy = lattice((east, north) => Math.sin(east) + Math.cos(north / 2), 8, 2);
    const surface = Surface.of(bumpy)!;
    // In the middle of an edge or a triangle the triangles within change no more than their own corners.
    fc.assert(
      fc.property(fc.integer({ min: 0, max: surface.size - 1 }), (triangle) => {
        const [a, b, c] = surface.corners(triangle);
        const middle = { east: (a.east + b.east + c.east) / 3, north: (a.north + b.north + c.north) / 3 };
        const more = Surface.of([...bumpy, { ...middle, level: surface.levelAt(middle)! }])!;
        expect(more.levelAt(middle)).toBeCloseTo(surface.levelAt(middle)!, 9);
      }),
    );
  });

  it('keeps a kerb: the ground is level along it and steps off beside it, however the levels lie', () => {
    const around = [
      { east: 0, north: 0, level: 10 },
      { east: 10, north: 0, level: 10 },
      { east: 0, north: 10, level: 10 },
      { east: 10, north: 10, level: 10 },
    ];
    const ridge = [
      { east: 1, north: 5, level: 11 },
      { east: 9, north: 5, level: 11 },
    ];
    const near = [4.6, 5.4].map((north) => ({ east: 5, north, level: 10 }));
    const free = Surface.of([...around, ...ridge, ...near])!;
    const kept = Surface.of([...around, ...near], [ridge])!;
    // Without the breakline the two low levels are joined across the ridge.
    expect(free.levelAt({ east: 5, north: 5 })).toBeCloseTo(10, 6);
    expect(kept.levelAt({ east: 5, north: 5 })).toBeCloseTo(11, 6);
    expect(kept.levelAt({ east: 3.3, north: 5 })).toBeCloseTo(11, 6);
    expect(kept.levelAt({ east: 5, north: 4.8 })).toBeCloseTo(10.5, 6);
  });

  it('takes breaklines that cross, lie on one another, pass through levels, or go nowhere', () => {
    const square = lattice(() => 1, 4, 2);
    const line = (...at: [number, number, number][]): GroundPoint[] =>
      at.map(([east, north, level]) => ({ east, north, level }));
    const surface = Surface.of(square, [
      line([0, 0, 1], [4, 4, 1]),
      line([0, 4, 2], [4, 0, 2]),
      line([1, 1, 1], [3, 3, 1]),
      line([1, 3, 5], [1, 3, 5]),
      line([0, 2, 1], [4, 2, 1]),
    ])!;
    expect(surface.size).toBeGreaterThan(0);
    for (const triangle of Array.from({ length: surface.size }, (_, k) => k))
      for (const point of surface.corners(triangle)) expect(Number.isFinite(point.level)).toBe(true);
  });

  it('finds 10,000 places among 2,000 levels where a search through all triangles finds them', () => {
    let seed = 7;
    const dice = (): number => (seed = (seed * 16807) % 2147483647) / 2147483647;
    const surface = Surface.of(
      Array.from({ length: 2000 }, () => ({ east: 100 * dice(), north: 100 * dice(), level: dice() })),
    )!;
    for (let k = 0; k < 200; k++) {
      const at = { east: 120 * dice() - 10, north: 120 * dice() - 10 };
      const found = surface.triangleAt(at);
      const inside = Array.from({ length: surface.size }, (_, t) => t).filter((t) => {
        const [a, b, c] = surface.corners(t);
        const turn = (p: Place, q: Place): number =>
          (q.east - p.east) * (at.north - p.north) - (q.north - p.north) * (at.east - p.east);
        const turns = [turn(a, b), turn(b, c), turn(c, a)];
        return turns.every((t) => t >= 0) || turns.every((t) => t <= 0);
      });
      expect(found === -1 ? [] : [found]).toEqual(inside.slice(0, 1));
    }
  });
});

describe('contours', () => {
  it('lie on their level, close round a cone, and are as long as its circles', () => {
    const cone = lattice((east, north) => Math.hypot(east - 10, north - 10) / 10, 20, 0.5);
    const contours = contoursOf(Surface.of(cone)!, 0.25);
    expect(contours.map(({ level }) => level)).toEqual([0.25, 0.5, 0.75, 1, 1.25]);
    for (const { level, ways } of contours.slice(0, 3)) {
      expect(ways).toHaveLength(1);
      const [way] = ways;
      expect(distance(way![0]!, way!.at(-1)!)).toBeLessThan(1e-9);
      const length = way!.slice(1).reduce((sum, place, k) => sum + distance(way![k]!, place), 0);
      expect(length / (2 * Math.PI * 10 * level)).toBeCloseTo(1, 1);
      for (const place of way!) expect(Math.hypot(place.east - 10, place.north - 10) / 10).toBeCloseTo(level, 1);
    }
  });

  it('are straight and parallel over a plane, and as many as its rise holds', () => {
    const contours = contoursOf(Surface.of(lattice((east) => 1 + east / 20, 20, 4))!, 0.1);
    expect(contours).toHaveLength(10);
    for (const { level, ways } of contours)
      for (const place of ways.flat()) expect(1 + place.east / 20).toBeCloseTo(level, 9);
  });
});

describe('contours that are guessed', () => {
  it('are those between levels far apart, and with the measured ones make the whole of a contour', () => {
    // A lattice of 1 m with one level 30 m beyond its east side: the ground out to that is a guess.
    const near = lattice((east) => east / 10, 10);
    const surface = Surface.of([...near, { east: 40, north: 5, level: 4 }])!;
    for (const { level, ways, guessed } of contoursOf(surface, 0.35)) {
      const easts = (all: readonly (readonly { east: number }[])[]): number[] => all.flat().map(({ east }) => east);
      expect(easts(ways).every((east) => east <= 10 + 1e-9)).toBe(true);
      expect(easts(guessed).every((east) => east >= 10 - 1e-9)).toBe(true);
      for (const east of [...easts(ways), ...easts(guessed)]) expect(east / 10).toBeCloseTo(level, 6);
    }
    expect(guessedFrom(surface)).toBe(6);
    expect(isGuessed(surface)).toBe(true);
  });

  it('are none where levels stand as far apart everywhere, however far that is', () => {
    const wide = Surface.of(lattice((east, north) => (east + 2 * north) / 50, 60, 12))!;
    expect(isGuessed(wide)).toBe(false);
    expect(contoursOf(wide, 0.1).every(({ guessed }) => guessed.length === 0)).toBe(true);
  });
});

describe('water over a grid', () => {
  it('fills every cell to the least rise of any way out, as by the definition', () => {
    fc.assert(
      fc.property(terrain, ({ cols, levels }) => {
        expect([...flooded(levels, cols).filled]).toEqual([...filledByDefinition(levels, cols)]);
      }),
    );
  });

  it('goes down without end or circle, and all that falls leaves', () => {
    fc.assert(
      fc.property(terrain, ({ cols, levels }) => {
        const flow = flooded(levels, cols);
        expect(flow.order).toHaveLength(levels.length);
        const place = new Map([...flow.order].map((cell, k) => [cell, k]));
        for (const cell of flow.order) {
          const to = flow.receiver[cell]!;
          if (to < 0) continue;
          expect(flow.filled[to]!).toBeLessThanOrEqual(flow.filled[cell]!);
          expect(place.get(to)!).toBeLessThan(place.get(cell)!);
        }
        const carried = gather(flow, () => 1);
        const left = [...flow.order]
          .filter((cell) => flow.receiver[cell] === -1)
          .reduce((sum, cell) => sum + carried[cell]!, 0);
        expect(left).toBe(levels.length);
      }),
    );
  });

  it('raising all levels alike moves no pond, and makes none', () => {
    fc.assert(
      fc.property(terrain, fc.integer({ min: -64, max: 64 }), ({ cols, levels }, eighths) => {
        const up = eighths / 8;
        const raised = levels.map((level) => level + up);
        const figures = (grid: Float64Array) =>
          findPonds(grid, flooded(grid, cols), 0.5).map(({ area, depth, volume, cells }) => ({
            area,
            depth,
            volume,
            cells: [...cells].sort(),
          }));
        expect(figures(raised)).toEqual(figures(levels));
      }),
    );
  });

  it('shares a site among marks without loss: every cell meets one first or leaves', () => {
    fc.assert(
      fc.property(terrain, fc.array(fc.nat(), { minLength: 1, maxLength: 4 }), ({ cols, levels }, spots) => {
        const flow = flooded(levels, cols);
        const marks = new Int32Array(levels.length).fill(-1);
        spots.forEach((spot, k) => (marks[spot % levels.length] = k));
        const met = metFirst(flow, marks);
        for (const cell of flow.order) {
          let at = cell;
          while (at >= 0 && marks[at] === -1) at = flow.receiver[at]!;
          expect(met[cell]).toBe(at >= 0 ? marks[at] : -1);
        }
      }),
    );
  });

  it('holds a bowl of known volume: a paraboloid, πr²h/2', () => {
    const side = 201;
    const cell = 0.1;
    const levels = new Float64Array(side * side);
    for (let row = 0; row < side; row++)
      for (let col = 0; col < side; col++)
        levels[row * side + col] = Math.min(1, ((col - 100) ** 2 + (row - 100) ** 2) / 80 ** 2);
    const [pond, ...others] = findPonds(levels, flooded(levels, side), cell);
    expect(others).toHaveLength(0);
    expect(pond!.depth).toBeCloseTo(1, 9);
    expect(pond!.volume / ((Math.PI * 8 ** 2) / 2)).toBeCloseTo(1, 2);
    expect(pond!.area / (Math.PI * 8 ** 2)).toBeCloseTo(1, 2);
  });

  it('spills over a saddle into the lower hollow, and joins nested pits under one level', () => {
    // Two hollows, 1 and 2, with a ridge of 3 between, in a rim of 5 with a gap of 4: both drown to one pond at 4.
    const levels = Float64Array.from(
      [
        [5, 5, 5, 5, 5, 5, 5],
        [5, 1, 1, 3, 2, 2, 4],
        [5, 5, 5, 5, 5, 5, 5],
      ].flat(),
    );
    const [pond, ...none] = findPonds(levels, flooded(levels, 7), 1);
    expect(none).toHaveLength(0);
    expect(pond).toMatchObject({ area: 5, depth: 3, volume: 3 + 3 + 1 + 2 + 2, spillLevel: 4 });
    // With the gap below the ridge they are two, and the upper one spills at the ridge.
    levels[13] = 2.5;
    expect(findPonds(levels, flooded(levels, 7), 1).map(({ spillLevel, volume }) => [spillLevel, volume])).toEqual([
      [3, 4],
      [2.5, 1],
    ]);
  });

  it('takes a building for no way out, and a wall for no way through, cornerwise either', () => {
    const side = 15;
    const levels = Float64Array.from({ length: side * side }, (_, at) => (at % side) / 100);
    const kinds = new Uint8Array(side * side);
    // Ground falls west; a wall slants across it from north to south.
    const grid = { cols: side, rows: side, cell: 1, east: 0, north: 0, levels, kinds, ridges: [] };
    block(
      grid,
      cellsAlong(grid, [
        { east: 3, north: -1 },
        { east: 8, north: side },
      ]),
    );
    const flow = flood(levels, side, side, kinds);
    for (const cell of flow.order) {
      for (let at: number = cell; at >= 0; at = flow.receiver[at]!) expect(kinds[at]).not.toBe(BLOCKED);
    }
    const [start, west] = [cellAt(grid, { east: 12, north: 7 }), cellAt(grid, { east: 1, north: 7 })];
    const path: number[] = [];
    for (let at = start; at >= 0; at = flow.receiver[at]!) path.push(at);
    expect(path).not.toContain(west);
    expect(path.at(-1)! % side === 0).toBe(false);
  });
});

describe('a surface as a grid', () => {
  it('has at every middle the level of the surface, and nothing beyond it', () => {
    const surface = Surface.of(
      lattice((east, north) => Math.sin(east / 3) * north, 12, 3).filter(({ east, north }) => east + north < 20),
    )!;
    const grid = rasterise(surface, 0.7);
    let inside = 0;
    grid.levels.forEach((level, at) => {
      const middle = {
        east: grid.east + (at % grid.cols) * grid.cell,
        north: grid.north + Math.floor(at / grid.cols) * grid.cell,
      };
      const wanted = surface.levelAt(middle);
      if (wanted === null) expect(level).toBeNaN();
      else {
        inside++;
        expect(level).toBeCloseTo(wanted, 9);
      }
    });
    expect(inside).toBeGreaterThan(100);
  });

  it('counts an outline’s cells once, whatever its shape', () => {
    const surface = Surface.of(lattice(() => 0, 20, 20))!;
    const grid = rasterise(surface, 0.1);
    const ell: Place[] = [
      { east: 2, north: 2 },
      { east: 12, north: 2 },
      { east: 12, north: 7 },
      { east: 6, north: 7 },
      { east: 6, north: 15 },
      { east: 2, north: 15 },
    ];
    const cells = cellsWithin(grid, ell);
    expect(new Set(cells).size).toBe(cells.length);
    expect((cells.length * 0.01) / 82).toBeCloseTo(1, 2);
  });
});

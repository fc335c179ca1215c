import { bandPaths, BANDS } from './bands';

const grid = { cols: 12, rows: 10, cell: 0.5, east: 10, north: 20 };
const picture = { x: (east: number) => 10 * east, y: (north: number) => 1000 - 10 * north };
/** Least and greatest x and y that a path comes to. */
const extentOf = (path: string): number[] => {
  const points = [...path.matchAll(/(-?[\d.]+) (-?[\d.]+)/g)].map(([, x, y]) => [Number(x), Number(y)] as const);
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
  return [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
};
const wet = (depths: Record<number, number>): Uint8Array => {
  const ground = new Uint8Array(grid.cols * grid.rows);
  for (const [at, depth] of Object.entries(depths)) ground[Number(at)] = depth;
  return ground;
};

it('water is drawn where it stands: no further than its cell and half the next, north up', () => {
  const [col, row] = [4, 3];
  const paths = bandPaths(wet({ [row * grid.cols + col]: 30 }), grid, picture);
  expect(paths).toHaveLength(BANDS.length);
  const [x, y] = [picture.x(10 + col * 0.5), picture.y(20 + row * 0.5)];
  const [west, east, top, foot] = extentOf(paths[0]!);
  expect([west! < x, east! > x, top! < y, foot! > y]).toEqual([true, true, true, true]);
  for (const by of [x - west!, east! - x, y - top!, foot! - y]) expect(by).toBeLessThanOrEqual(2 * 5);
  // Each step lies within the one before it; 30 mm is no three inches.
  expect(extentOf(paths[2]!)[0]).toBeGreaterThan(west!);
  expect(paths[3]).toBe('');
});

it('what is dry has none, and a lake none within', () => {
  expect(bandPaths(wet({}), grid, picture)).toEqual(BANDS.map(() => ''));
  const lake = new Uint8Array(grid.cols * grid.rows).fill(200);
  expect(bandPaths(lake, grid, picture).every((path) => path.split('M').length === 2)).toBe(true);
});

it('a wide yard is drawn from fewer cells, with its water where it stands', () => {
  const wide = { cols: 240, rows: 200, cell: 1, east: 0, north: 0 };
  const ground = new Uint8Array(wide.cols * wide.rows);
  for (let row = 50; row < 80; row++) ground.fill(60, row * wide.cols + 30, row * wide.cols + 90);
  const [west, east, top, foot] = extentOf(bandPaths(ground, wide, { x: (m) => m, y: (m) => 500 - m })[2]!);
  // Cells' middles are at whole metres: the pond lies from 29.5 to 89.5, and 49.5 to 79.5.
  for (const [is, was] of [
    [west!, 29.5],
    [east!, 89.5],
    [500 - foot!, 49.5],
    [500 - top!, 79.5],
  ])
    // No further than one of the cells that are drawn.
    expect(Math.abs(is! - was!)).toBeLessThanOrEqual(3);
});

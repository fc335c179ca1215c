import { bandOf, bandPaths, BANDS, clock } from './bands';

it('a depth is in the step that it has come to', () => {
  expect([0, 2, 3, 11, 12, 24, 25, 74, 75, 255].map(bandOf)).toEqual([-1, -1, 0, 0, 1, 1, 2, 2, 3, 3]);
});

it('cells beside one another are one rectangle, rows go up, and what is dry has none', () => {
  const grid = { cols: 4, rows: 2, cell: 1, east: 0.5, north: 0.5 };
  const paths = bandPaths(Uint8Array.from([0, 5, 5, 80, 0, 0, 0, 30]), grid, { x: (e) => e, y: (n) => 10 - n });
  expect(paths).toHaveLength(BANDS.length);
  expect(paths[0]).toBe('M1.0 9.0H3.0V10.0H1.0Z');
  expect(paths[1]).toBe('');
  expect(paths[2]).toBe('M3.0 8.0H4.0V9.0H3.0Z');
  expect(paths[3]).toBe('M3.0 9.0H4.0V10.0H3.0Z');
});

it('a time is told in hours and minutes', () => {
  expect([0, 89, 2460, 3600].map(clock)).toEqual(['0:00', '0:01', '0:41', '1:00']);
});

import { designRain, openingRain, rarerThan } from './design';

const rows = {
  returnPeriods: [2, 10, 50, 100, 500],
  durations: [300, 900],
  intensities: [
    [2e-5, 1e-5],
    [4e-5, 2e-5],
    [5e-5, 2.6e-5],
    [6e-5, 3e-5],
    [8e-5, 4e-5],
  ],
};

it('takes the row asked for, and the 100-year one for openings', () => {
  expect(designRain(rows, 10)).toEqual({
    intensity: 4e-5,
    table: { durations: [300, 900], intensities: [4e-5, 2e-5] },
    openings: { returnPeriod: 100, intensity: 6e-5, table: { durations: [300, 900], intensities: [6e-5, 3e-5] } },
  });
});

it('takes the rarest there is where the table ends before 100 years, or begins after the design rain', () => {
  const short = { ...rows, returnPeriods: [2, 10, 25], intensities: rows.intensities.slice(0, 3) };
  expect(designRain(short, 10).openings!.returnPeriod).toBe(25);
  expect(designRain(rows, 100).openings!.returnPeriod).toBe(500);
});

it('has none for openings when the design rain is the rarest itself', () => {
  expect(designRain(rows, 500).openings).toBeUndefined();
  expect(rarerThan(rows, 500)).toEqual([]);
});

it('reads the 5-minute rain log–log out of a table whose shortest is less', () => {
  const early = { returnPeriods: [10], durations: [150, 600], intensities: [[8e-5, 2e-5]] };
  // 300 s is half way from 150 to 600 in logs, and so is the intensity: √(8 × 2).
  expect(designRain(early, 10).intensity).toBeCloseTo(4e-5, 12);
  expect(openingRain(early, 10).intensity).toBeCloseTo(4e-5, 12);
});

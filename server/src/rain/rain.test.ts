import { fitRain, METRES_PER_SECOND_PER_INCH_PER_HOUR, stationListSchema } from '@katabasis/core';
import { STATIONS } from '../stand-ins/rainOffice';

it('answers with tables that its own schema accepts', () =>
  expect(stationListSchema.safeParse({ stations: STATIONS }).success).toBe(true));

it.each(STATIONS.map((station) => [station.place, station] as const))(
  '%s: rarer rains are stronger, longer ones weaker, and the 10-year 5-minute lies between 3 and 9 in/h',
  (_, station) => {
    const { durations, returnPeriods, intensities } = station;
    intensities.forEach((row, k) => {
      expect(row).toHaveLength(durations.length);
      row.forEach((value, d) => {
        if (k > 0) expect(value).toBeGreaterThan(intensities[k - 1]![d]!);
        if (d > 0) expect(value).toBeLessThan(row[d - 1]!);
        // More water falls in a longer time, though less at once.
        if (d > 0) expect(value * durations[d]!).toBeGreaterThan(row[d - 1]! * durations[d - 1]!);
      });
    });
    const tenYear =
      intensities[returnPeriods.indexOf(10)]![durations.indexOf(300)]! / METRES_PER_SECOND_PER_INCH_PER_HOUR;
    expect(tenYear).toBeGreaterThanOrEqual(3);
    expect(tenYear).toBeLessThanOrEqual(9);
    expect(fitRain({ durations, intensities: intensities[3]! }).worst).toBeLessThan(0.01);
  },
);

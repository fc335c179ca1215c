import { quillfeather } from '../samples';
import { depthOfRain } from '../simulation/rain/rainfall';
import { FOLLOWED, rainfallsOf } from './rainVisit';

it('a rain that is followed whole brings what the gauge held, however it fell', () => {
  for (const hours of [0.5, 2, FOLLOWED])
    for (const rain of rainfallsOf(quillfeather(), { depth: 0.04, hours }))
      expect(depthOfRain(rain)).toBeCloseTo(0.04, 4);
});

it('of a longer rain the hours that are followed bring its mean, and at most all of it', () => {
  const depths = rainfallsOf(quillfeather(), { depth: 0.06, hours: 24 }).map(depthOfRain);
  // A quarter of a day of an even rain of 60 mm is 15 mm; a burst may bring all 60.
  expect(Math.min(...depths)).toBeCloseTo(0.015, 4);
  expect(Math.max(...depths)).toBeCloseTo(0.06, 4);
});

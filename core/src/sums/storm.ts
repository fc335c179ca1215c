/** Formulas of a storm over time: what soft ground takes in, and what runs off a plane. */
import { greenAmpt, type Soak } from '../runoff/greenAmpt';
import { equilibriumTime, flowAtFoot, type WettedPlane } from '../runoff/kinematicPlane';
import { z } from 'zod';
import { field, notNegative, positive, share, sum, type Sum } from './sum';

export const stormSums: readonly Sum[] = [
  sum(
    'soil.greenAmpt',
    'Green and Ampt with ponding under steady rain (Mein & Larson 1973; Chow, Maidment & Mays 1988, eq. 4.4.2 and 4.4.5).',
    {
      conductivity: field(positive, 'm/s'),
      suction: field(notNegative, 'm'),
      deficit: field(share),
      intensity: field(notNegative, 'm/s'),
      duration: field(positive, 's'),
    },
    { pondingTime: 's; null where none stands', infiltrated: 'm', runoff: 'm' },
    (given: Soak) => greenAmpt(given),
  ),
  sum(
    'storm.plane',
    'Kinematic wave on a plane under steady rain, exact at its foot (Henderson & Wooding 1964; Eagleson 1970).',
    {
      length: field(positive, 'm'),
      slope: field(positive, 'm/m'),
      roughness: field(positive),
      intensity: field(positive, 'm/s'),
      duration: field(positive, 's'),
      times: field(z.array(notNegative).min(1).max(100_000), 's'),
    },
    { equilibriumTime: 's', flows: 'm²/s' },
    ({ times, ...plane }: WettedPlane & { times: readonly number[] }) => ({
      equilibriumTime: equilibriumTime(plane),
      flows: times.map((time) => flowAtFoot(plane, time)),
    }),
  ),
];

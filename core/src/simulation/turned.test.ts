/** What a storm tells may not hang on how the yard lies on its grid, nor much on step and cell. */
import type { Element } from '../job/kinds';
import type { Job } from '../job/job';
import type { Place } from '../site/place';
import { basin, jobOf, out, pipe, rain } from '../testing/parts';
import { planJob } from '../verdict/planJob';
import { runStorm, type StormIn, type StormTold } from './index';

/** A lawn of clay that falls to a hollow with a basin in it, turned and moved. */
function yard(turn: number, by: Place): Job {
  const at = (x: number, y: number): Place => ({
    east: by.east + x * Math.cos(turn) - y * Math.sin(turn),
    north: by.north + x * Math.sin(turn) + y * Math.cos(turn),
  });
  const level = (x: number, y: number): number => 0.012 * Math.hypot(x, y) ** 1.3 - 0.01 * x;
  const levels: Element[] = [];
  // Three by three have one way only to lie in triangles.
  for (let row = -4; row <= 4; row++)
    for (let k = -4; k <= 4; k++) {
      const [x, y] = [2 * k + (row % 2 === 0 ? 0 : 1), row * Math.sqrt(3)];
      const name = `level${row}x${k}`.replaceAll('-', 'm');
      levels.push({ id: name, kind: 'spotLevel', name, place: at(x, y), level: level(x, y) });
    }
  const inlet = basin({ grate: 'round6', place: at(0, 0), groundLevel: level(0, 0) });
  const soil: Element = { id: 'test', kind: 'soilTest', name: 'Clay', test: { type: 'ribbon', length: 0.06 } };
  return jobOf(rain(), ...levels, soil, inlet, pipe('basin', { length: 15, nominal: 0.0762 }), out());
}

const storm = (job: Job, more: Partial<StormIn> = {}): StormTold =>
  runStorm(job, planJob(job), {
    rain: { step: 60, intensities: new Array<number>(12).fill(5e-5) },
    wetness: 'soaked',
    failing: [{ kind: 'blocked', id: 'basin', share: 0.7 }],
    cells: 700,
    length: 900,
    ...more,
  });
const peakOf = ({ landings }: StormTold): number => landings.find(({ id }) => id === 'basin')!.peak;

it('turned and moved, water over a basin stands within 5 mm of where it did', () => {
  const plain = peakOf(storm(yard(0, { east: 0, north: 0 })));
  expect(plain).toBeGreaterThan(0.05);
  for (const [turn, east, north] of [
    [Math.PI / 2, 0, 0],
    [Math.PI / 6, 3.3, -7.1],
    [2.2, -5, 50.31],
  ] as const)
    expect(Math.abs(peakOf(storm(yard(turn, { east, north }))) - plain)).toBeLessThan(0.005);
});

it('with half the step, and with half the cell, it stands within 5 mm of where it did', () => {
  const job = yard(0.3, { east: 1, north: 2 });
  const plain = peakOf(storm(job));
  for (const more of [{ step: 1 }, { step: 4 }, { cells: 350 }, { cells: 1400 }])
    expect(Math.abs(peakOf(storm(job, more)) - plain)).toBeLessThan(0.005);
});

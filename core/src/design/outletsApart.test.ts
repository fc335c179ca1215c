import fc from 'fast-check';
import { changed } from '../job/change';
import { jobFaults } from '../job/faults';
import { ofKind } from '../job/job';
import { channelHead, type Channel } from '../job/kinds';
import { netOf, takeOff } from '../quantities/takeOff';
import { channel, ground, jobOf, out, pipe } from '../testing/parts';
import { planJob } from '../verdict/planJob';
import { outletsApart } from './outletsApart';

const cored = (more: Partial<Channel> = {}) =>
  jobOf(
    ground(90, 'channel'),
    channel({ length: 9, depth: 0.25, outlet: [1, 5, 8], ...more }),
    pipe('channel', { length: 7 }),
    out(),
  );
const own = (job: ReturnType<typeof jobOf>): Channel => ofKind(job, 'channel')[0]!;

it('a channel against a wall cored three times has three pipes, each with the water that runs to it', () => {
  const job = cored();
  const then = changed(job, outletsApart(job, own(job))!);
  expect(jobFaults(then)).toEqual([]);
  const parts = ofKind(then, 'channel');
  // Divided halfway: at 3 and 6.5 m.
  expect(parts.map(({ length, outlet }) => [length, outlet]).sort()).toEqual([
    [2.5, [1.5]],
    [3, [1]],
    [3.5, [2]],
  ]);
  const before = planJob(job);
  const after = planJob(then);
  const whole = before.runs['pipe-channel']!.flow;
  const each = ofKind(then, 'run').map(
    ({ id, from }) => [after.runs[id]!.flow / whole, then.elements.get(from)] as const,
  );
  for (const [share, from] of each) expect(share).toBeCloseTo((from as Channel).length / 9, 6);
  const net = (of: typeof job, type: 'pipe' | 'channelOutlet'): number => netOf(takeOff(of, planJob(of)).parts, type);
  expect(net(then, 'channelOutlet')).toBe(3);
  expect(net(then, 'pipe')).toBeCloseTo(21, 6);
});

it('grate and bed lie where they lay, on the plan as well, however the channel falls', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 0.02, noNaN: true }),
      fc.double({ min: 0, max: 0.03, noNaN: true }),
      fc.array(fc.integer({ min: 0, max: 90 }), { minLength: 2, maxLength: 6 }),
      (slope, topSlope, at) => {
        const outlet = [...new Set(at)].sort((a, b) => a - b).map((tenth) => tenth / 10);
        const way = [
          { east: 0, north: 0 },
          { east: 4, north: 0 },
          { east: 4, north: 5 },
        ];
        const job = cored({ slope, topSlope, outlet, way, depth: 0.3 });
        const change = outletsApart(job, own(job));
        if (outlet.length < 2) return expect(change).toBeNull();
        const parts = ofKind(changed(job, change!), 'channel');
        const inTurn = change!.puts.flatMap((put) => (put.kind === 'channel' ? [put] : []));
        expect(parts).toHaveLength(outlet.length);
        expect(inTurn.reduce((sum, { length }) => sum + length, 0)).toBeCloseTo(9, 9);
        expect(inTurn[0]!.way![0]).toEqual(way[0]);
        for (const [k, part] of inTurn.slice(1).entries()) {
          const above = inTurn[k]!;
          expect(part.way![0]).toEqual(above.way!.at(-1));
          expect(channelHead(part).grate).toBeCloseTo(above.groundLevel, 9);
          expect(channelHead(part).bed).toBeCloseTo(above.groundLevel - above.depth, 9);
        }
        expect(inTurn.at(-1)!.id).toBe('channel');
      },
    ),
    { numRuns: 200 },
  );
});

it('is not offered of one outlet, or of a channel that leads nowhere', () => {
  expect(outletsApart(cored({ outlet: 'end' }), own(cored({ outlet: 'end' })))).toBeNull();
  const dry = jobOf(channel({ outlet: [0, 9] }), out());
  expect(outletsApart(dry, own(dry))).toBeNull();
});

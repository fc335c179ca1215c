/** Other drawings of one job, reckoned by hand. */
import { changed } from '../../job/change';
import { jobFaults } from '../../job/faults';
import { headOf, ofKind, type Job } from '../../job/job';
import type { Element } from '../../job/kinds';
import { netOf, takeOff } from '../../quantities/takeOff';
import { wayLength } from '../../site/place';
import { basin, channel, face, ground, jobOf, node, out, pipe, spout } from '../../testing/parts';
import { METRES_PER_FOOT } from '../../units/constants';
import { planJob } from '../../verdict/planJob';
import { yardWater } from '../../yard/water';
import { schoolById } from '../schools';

const on = (job: Job, id: string, side: string): Job => {
  const school = schoolById(id)!;
  const then = changed(job, school.choose(job, side));
  expect(school.chosen(then)).toBe(side);
  expect(jobFaults(then)).toEqual([]);
  return then;
};
const sorts = (job: Job, ...kinds: Element['kind'][]): string[] =>
  kinds.map((kind) => `${ofKind(job, kind).length} ${kind}`);
const parts = (job: Job): ReturnType<typeof takeOff>['parts'] => takeOff(job, planJob(job)).parts;
const perforated = (job: Job): number =>
  parts(job)
    .filter(({ item }) => item.type === 'pipe' && item.perforated)
    .reduce((sum, { net }) => sum + net, 0);

describe('a wet lawn of 144 m² that sheds to a basin 20 m from its way out', () => {
  const lawn = (): Job =>
    jobOf(ground(144, 'basin', { cover: 'lawnClay', coefficient: 0.2 }), basin(), pipe('basin'), out());

  it('has a drain of 10 ft beside its basin, or one as long as the ground is wide', () => {
    const short = on(lawn(), 'wetGround', 'short');
    expect(sorts(short, 'basin', 'drain', 'run')).toEqual(['1 basin', '1 drain', '2 run']);
    expect(perforated(short)).toBeCloseTo(10 * METRES_PER_FOOT, 6);
    const both = on(short, 'wetGround', 'both');
    // √144
    expect(perforated(both)).toBeCloseTo(12, 6);
    expect(ofKind(both, 'drain')[0]!.id).toBe(ofKind(short, 'drain')[0]!.id);
    expect(on(both, 'wetGround', 'basin').elements.all).toEqual(lawn().elements.all);
  });

  it('has a drain alone on the basin’s own line, and what runs over it is led nowhere', () => {
    const alone = on(lawn(), 'wetGround', 'drain');
    expect(sorts(alone, 'basin', 'drain', 'run')).toEqual(['0 basin', '1 drain', '1 run']);
    expect(ofKind(alone, 'run')[0]).toMatchObject({
      id: 'pipe-basin',
      from: ofKind(alone, 'drain')[0]!.id,
      length: 20,
    });
    expect(ofKind(alone, 'surface')[0]!.feeds).toEqual([]);
    const back = on(alone, 'wetGround', 'basin');
    expect(sorts(back, 'basin', 'drain', 'run')).toEqual(['1 basin', '0 drain', '1 run']);
  });

  it('lies up the way from its line on the plan, and asks nothing of a basin in paving', () => {
    const placed = jobOf(
      basin({ place: { east: 0, north: 0 } }),
      pipe('basin', { lengthFrom: 'plan' }),
      out({ place: { east: 20, north: 0 } }),
    );
    const { way } = ofKind(on(placed, 'wetGround', 'short'), 'drain')[0]!;
    expect(way!.every(({ east, north }) => east < 0 && Math.abs(north) < 1e-9)).toBe(true);
    expect(wayLength(way!)).toBeCloseTo(10 * METRES_PER_FOOT, 6);
    expect(schoolById('wetGround')!.asks(jobOf(ground(80, 'basin'), basin(), pipe('basin'), out()))).toBe(false);
  });
});

describe('a roof and a yard that join 30 m before their way out', () => {
  const joined = (): Job =>
    jobOf(
      face(60, 'spout'),
      spout(),
      pipe('spout', { to: 'wye', length: 6, nominal: 0.1016 }),
      ground(60, 'basin'),
      basin(),
      pipe('basin', { to: 'wye', length: 8, nominal: 0.1016 }),
      node('wye', { id: 'wye' }),
      pipe('wye', { length: 30 }),
      out(),
    );

  it('have each a line of their own in one trench, and come together again', () => {
    const apart = on(joined(), 'waters', 'each');
    const net = (job: Job): number => netOf(parts(job), 'pipe');
    expect(net(apart) - net(joined())).toBeCloseTo(30, 6);
    const second = ofKind(apart, 'run').find(({ beside }) => beside === 'pipe-wye')!;
    // As wide as what comes into it, beside the trunk that is as wide as it was.
    expect(second).toMatchObject({ to: 'out', length: 30, nominal: 0.1016 });
    expect(takeOff(apart, planJob(apart)).trenches.find(({ id }) => id === second.id)!.own).toBe(0);
    const { runs } = planJob(apart);
    const flows = Object.fromEntries(Object.entries(runs).map(([id, run]) => [id, run.flow]));
    expect(flows[second.id]! + flows['pipe-wye']!).toBeCloseTo(planJob(joined()).runs['pipe-wye']!.flow, 4);
    const again = on(apart, 'waters', 'one');
    expect(planJob(again).runs['pipe-wye']!.flow).toBeCloseTo(planJob(joined()).runs['pipe-wye']!.flow, 4);
  });

  it('are not parted below a basin through which the roof’s line runs, but beside it', () => {
    const through = jobOf(
      face(60, 'spout'),
      spout(),
      pipe('spout', { to: 'basin', length: 6 }),
      ground(60, 'basin'),
      basin(),
      pipe('basin'),
      out(),
    );
    const apart = on(through, 'waters', 'each');
    const roof = ofKind(apart, 'run').find(({ id }) => id === 'pipe-spout')!;
    expect(apart.elements.get(roof.to)).toMatchObject({ kind: 'junction', form: 'bend' });
    expect(planJob(apart).runs['pipe-basin']!.flow).toBeLessThan(planJob(through).runs['pipe-basin']!.flow * 0.6);
  });

  it('are one water from a pump on', () => {
    const pumped = jobOf(
      face(60, 'spout'),
      spout(),
      pipe('spout', { to: 'out' }),
      basin(),
      ground(60, 'basin'),
      pipe('basin', { to: 'out' }),
      out({ form: 'pump' }),
    );
    // Two lines into one pump are two lines already.
    expect(schoolById('waters')!.chosen(pumped)).toBe('each');
  });
});

it('a patio of 48 m² on open stone has no channel, and the stone that it takes', () => {
  const dense = jobOf(
    ground(48, 'channel'),
    channel({ length: 6 }),
    pipe('channel', { length: 12, nominal: 0.1016 }),
    out(),
  );
  const open = on(dense, 'base', 'open');
  expect(sorts(open, 'channel', 'surface', 'pavedBed')).toEqual(['0 channel', '0 surface', '1 pavedBed']);
  // 48 m² a foot deep, less the pipe along its low edge: √48 m of 4 in.
  const stone = 48 * 12 * 0.0254 - (Math.sqrt(48) * Math.PI * 0.1016 ** 2) / 4;
  expect(
    netOf(
      parts(open).filter(({ item }) => 'stone' in item && item.stone === 'openGraded'),
      'stone',
    ),
  ).toBeCloseTo(stone, 3);
  const again = on(open, 'base', 'dense');
  expect(ofKind(again, 'surface')[0]).toMatchObject({ area: 48, cover: 'pavers' });
  expect(ofKind(again, 'run')[0]).toMatchObject({ id: 'pipe-channel', from: ofKind(again, 'channel')[0]!.id });
  // What a lawn sheds to as well stays as it is.
  const shared = jobOf(...dense.elements.all, ground(50, 'channel', { id: 'lawn', cover: 'lawnLoam' }));
  expect(schoolById('base')!.asks(shared)).toBe(false);
});

describe('a bowl of 10 by 10 m, a cone 0.3 m deep in its middle', () => {
  const level = (east: number, north: number): Element => ({
    id: `level-${east}-${north}`,
    kind: 'spotLevel',
    name: `${east} ${north}`,
    place: { east, north },
    level: -0.3 * (1 - Math.min(1, Math.hypot(east - 10, north - 10) / 5)),
  });
  const grid = Array.from({ length: 11 }, (_, k) => 2 * k);
  const bowl = (): Job =>
    jobOf(
      ...grid.flatMap((east) => grid.map((north) => level(east, north))),
      basin({ place: { east: 10, north: 10 }, levelFrom: 'ground' }),
      pipe('basin', { length: 14, lengthFrom: 'plan' }),
      out({ place: { east: 24, north: 10 } }),
    );

  it('is raised to where it spills, with as much as stood in it, and nothing stands there any more', () => {
    const before = yardWater(bowl())!.ponds[0]!;
    expect(before.depth).toBeCloseTo(0.3, 1);
    const raised = on(bowl(), 'lowSpot', 'raise');
    expect(sorts(raised, 'basin', 'run')).toEqual(['0 basin', '0 run']);
    expect(yardWater(raised)!.ponds).toEqual([]);
    const [fill] = headOf(raised).ways!.raised!;
    expect(fill!.area * fill!.depth).toBeCloseTo(before.volume, 6);
    expect(netOf(parts(raised), 'fill')).toBeCloseTo(before.volume, 6);
    // The readings themselves are as they were taken.
    expect(ofKind(raised, 'spotLevel')).toEqual(ofKind(bowl(), 'spotLevel'));
    const again = on(raised, 'lowSpot', 'drain');
    const [there] = ofKind(again, 'basin');
    expect(Math.hypot(there!.place!.east - 10, there!.place!.north - 10)).toBeLessThan(0.5);
    expect(ofKind(again, 'run')[0]).toMatchObject({ from: there!.id, to: 'out' });
  });
});

describe('a channel across paving of 8 by 5 m', () => {
  const crossing = (north: number): Job =>
    jobOf(
      ground(40, 'channel', {
        area: undefined,
        outline: [
          { east: 0, north: 0 },
          { east: 8, north: 0 },
          { east: 8, north: 5 },
          { east: 0, north: 5 },
        ],
      }),
      channel({
        way: [
          { east: 1, north },
          { east: 5, north },
        ],
        length: 4,
      }),
      pipe('channel'),
      out(),
    );
  const wayOf = (job: Job): unknown =>
    ofKind(job, 'channel')[0]!.way!.map(({ east, north }) => [east, north].map((at) => Math.round(at * 1e6) / 1e6));

  it('goes over the whole of it, or three fifths', () => {
    const whole = on(crossing(2.5), 'channelWidth', 'whole');
    expect(wayOf(whole)).toEqual([
      [0, 2.5],
      [8, 2.5],
    ]);
    expect(ofKind(on(whole, 'channelWidth', 'part'), 'channel')[0]!.length).toBeCloseTo(0.6 * 8, 6);
  });

  it('lies half a foot within the edge that it is nearer to, or in the middle', () => {
    expect(wayOf(on(crossing(3.5), 'channelEdge', 'edge'))).toEqual([
      [1, 4.8476],
      [5, 4.8476],
    ]);
    expect(wayOf(on(crossing(0.5), 'channelEdge', 'middle'))).toEqual([
      [1, 2.5],
      [5, 2.5],
    ]);
  });
});

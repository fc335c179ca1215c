import { changed, jobFrom, levelsOf, planJob, type Element, type Job, type Place, type Run } from '@katabasis/core';
import fc from 'fast-check';
import { sceneOf } from '../../drawing/yard/scene';
import { snapTo } from '../../drawing/yard/snap';
import { simulatedRod } from '../../files/rod';
import { drawLine, lineStart, type Drawn } from './drawLine';
import { booked, bookingOf, sightAt } from './sheets/levelling';
import { homeward, paced, type Wall } from './sheets/pacing';
import { toolOf } from './tools/tool';

const at = (east: number, north: number): Place => ({ east, north });
const head: Element = { id: 'job', kind: 'job', name: 'Yard', units: 'metric', pitchStyle: 'ground' };
const R = Math.PI / 2;

describe('pacing a house out', () => {
  const walls = (...lengths: number[]): Wall[] => lengths.map((length, k) => ({ length, turn: k === 0 ? 0 : R }));

  it('closes on its start, from whatever corner and whichever way it began', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 2, max: 40, noNaN: true }),
        fc.double({ min: 2, max: 40, noNaN: true }),
        fc.double({ min: -3, max: 3, noNaN: true }),
        (long, wide, first) => {
          const walk = paced(at(7, -3), first, walls(long, wide, long, wide));
          expect(walk.closes).toBe(true);
          expect(walk.misclosure).toBeLessThan(1e-9);
          expect(walk.corners[0]).toEqual(at(7, -3));
          expect(walk.corners).toHaveLength(4);
        },
      ),
    );
  });

  it('says how long the last wall home is, where it is straight on', () => {
    expect(homeward(at(0, 0), 0, walls(12, 8, 12), R)).toBeCloseTo(8, 9);
    expect(homeward(at(0, 0), 0, walls(12, 8, 9), R)).toBeNull();
    expect(homeward(at(0, 0), 0, walls(12), R)).toBeNull();
  });

  it('refuses a walk that is out by too much, and names the walls that would explain it', () => {
    const walk = paced(at(0, 0), 0, walls(12, 8, 13.5, 8));
    expect(walk.closes).toBe(false);
    expect(walk.suspects.map(({ side }) => side).sort()).toEqual([0, 2]);
    expect(walk.suspects.every(({ by }) => Math.abs(Math.abs(by) - 1.5) < 1e-9)).toBe(true);
    // Small errors of a tape are shared out.
    expect(paced(at(0, 0), 0, walls(12, 8, 12.1, 8))).toMatchObject({ closes: true, suspects: [] });
  });
});

describe('booking levels', () => {
  const ground = (place: Place): number => 0.03 * place.east - 0.02 * place.north;
  const rod = simulatedRod(ground);

  /** Books a reading as the sheet does. */
  async function take(
    job: Job,
    place: Place,
    wanted: 'between' | 'fore' = 'between',
    id: string | null = null,
  ): Promise<Job> {
    const booking = bookingOf(job);
    const element = id === null ? null : job.elements.get(id);
    const spot = element?.kind === 'spotLevel' ? element : null;
    const sight = sightAt(job, booking, spot, wanted);
    if ('wrong' in sight) throw new Error(sight.wrong);
    const reading = await rod.read(place, booking.back);
    return changed(job, booked(job, booking, { place, spot, sight: sight.sight, rod: reading }));
  }

  it('from nothing: the first point is the zero, each after it is as the ground lies, a few millimetres off', async () => {
    let job = jobFrom('j', [head]);
    const places = [at(0, 0), at(5, 0), at(0, 5), at(-4, 3)];
    for (const place of places) job = await take(job, place);
    const levels = [...levelsOf(job).byId.values()];
    places.forEach((place, k) => expect(Math.abs(levels[k]! - ground(place))).toBeLessThan(0.005));
    expect(job.elements.ofKind('levelBook')).toHaveLength(1);
    expect(bookingOf(job).back).not.toBeNull();
  });

  it('the instrument moves over a turning point, and a round closes within what is permitted', async () => {
    let job = jobFrom('j', [head]);
    job = await take(job, at(0, 0));
    const start = job.elements.ofKind('spotLevel')[0]!.id;
    job = await take(job, at(10, 0), 'fore');
    const turn = bookingOf(job).turn!;
    expect(bookingOf(job).back).toBeNull();
    // Whatever is tapped, the next reading is of that point.
    job = await take(job, at(10, 0), 'between', turn);
    job = await take(job, at(20, 4));
    job = await take(job, at(0, 0), 'fore', start);
    const [book] = [...levelsOf(job).books.values()];
    expect(Math.abs(book!.misclosure!)).toBeLessThan(0.01);
    expect(book!.faults).toEqual([]);
    expect(book!.heights).toHaveLength(2);
  });

  it('without a set-up only a known point will do, and it says so', () => {
    const job = jobFrom('j', [head, { id: 'a', kind: 'spotLevel', name: 'a', place: at(0, 0), level: 3 }]);
    const booking = bookingOf(job);
    expect(sightAt(job, booking, null, 'between')).toEqual({
      wrong: 'Begin on a known point: tap a level that is there already.',
    });
    const [known] = job.elements.ofKind('spotLevel');
    expect(sightAt(job, booking, known!, 'between')).toMatchObject({ sight: 'back' });
  });

  it('a rod out of sight is said, and reads nothing', async () => {
    await expect(rod.read(at(400, 0), { place: at(0, 0), rod: 1.5 })).rejects.toThrow('out of sight');
  });
});

describe('drawing a line', () => {
  const spout = (id: string, place: Place): Element => ({
    id,
    kind: 'downspout',
    name: id,
    storey: 1,
    size: 'rect2x3',
    groundLevel: 0,
    place,
  });
  const yard = jobFrom('j', [
    head,
    spout('a', at(0, 0)),
    spout('b', at(0, -6)),
    {
      id: 'out',
      kind: 'discharge',
      name: 'out',
      form: 'daylight',
      receiving: 'swale',
      groundLevel: -2,
      place: at(20, 0),
    },
  ]);
  /** Taps in turn, from the first; what the last one did. */
  function taps(job: Job, ...places: Place[]): Drawn {
    const things = sceneOf(job);
    let drawn: Drawn = { type: 'wrong', sentence: '' };
    let [so, from]: [Place[], string | null] = [[], null];
    for (const place of places) {
      const snapped = snapTo(place, { things, reach: 0.5 });
      drawn = drawLine(job, so, from, snapped);
      if (drawn.type === 'on') [so, from] = [[...so, snapped.place], drawn.from];
    }
    return drawn;
  }
  const after = (job: Job, drawn: Drawn): Job => {
    if (drawn.type !== 'done') throw new Error(JSON.stringify(drawn));
    return changed(job, drawn.change);
  };

  it('goes from landing to landing by its bends, as long as its way', () => {
    const job = after(yard, taps(yard, at(0, 0), at(10, 5), at(20, 0)));
    const [run] = job.elements.ofKind('run');
    expect(run).toMatchObject({ from: 'a', to: 'out', bends: [at(10, 5)], lengthFrom: 'plan' });
    expect(planJob(job).runs[run!.id]!.length).toBeCloseTo(2 * Math.hypot(10, 5), 6);
  });

  it('onto another line makes a wye there: both parts keep their bends, and all lengths add up', () => {
    const first = after(yard, taps(yard, at(0, 0), at(10, 4), at(20, 0)));
    const job = after(first, taps(first, at(0, -6), at(5, 2)));
    const runs = job.elements.ofKind('run');
    expect(runs).toHaveLength(3);
    const [wye] = job.elements.ofKind('junction');
    expect(wye).toMatchObject({ form: 'wye', levelFrom: 'ground' });
    expect(wye!.place!.east).toBeCloseTo(5, 1);
    const plan = planJob(job);
    const trunk = runs
      .filter((run: Run) => run.from === 'a' || run.from === wye!.id)
      .reduce((sum, run) => sum + plan.runs[run.id]!.length, 0);
    expect(trunk).toBeCloseTo(2 * Math.hypot(10, 4), 6);
    expect(runs.flatMap(({ bends = [] }) => bends)).toEqual([at(10, 4)]);
  });

  it('says why it cannot: no start, a second way out of one landing, round in a circle, onto its own end', () => {
    const wrong = (job: Job, ...places: Place[]): string => {
      const drawn = taps(job, ...places);
      return drawn.type === 'wrong' ? drawn.sentence : drawn.type;
    };
    expect(wrong(yard, at(7, 7))).toMatch(/^A line starts on/);
    expect(wrong(yard, at(20, 0))).toBe('A way out is where a line ends.');
    const led = after(yard, taps(yard, at(0, 0), at(20, 0)));
    expect(wrong(led, at(0, 0))).toMatch(/^A pipe leaves a already/);
    expect(wrong(yard, at(0, 0), at(0, 0))).toBe('It starts there.');
    const chained = after(led, taps(led, at(0, -6), at(0, 0)));
    expect(wrong(chained, at(20, 0))).toBe('A way out is where a line ends.');
    expect(lineStart(yard)).toMatch(/^Tap where the water is/);
    expect(lineStart(jobFrom('j', [head]))).toMatch(/^Put down a downspout/);
  });
});

it('what a finger does is in the address, and what the address does not know is a thing to look at', () => {
  const job = jobFrom('j', [head, { id: 'tree', kind: 'tree', name: 'Tree' }]);
  expect(toolOf(job, null)).toEqual({ type: 'look', chosen: null });
  expect(toolOf(job, '~levels')).toEqual({ type: 'levels' });
  expect(toolOf(job, 'new~Tree')).toMatchObject({ type: 'putNew', shape: 'place' });
  expect(toolOf(job, 'new~Nothing')).toEqual({ type: 'look', chosen: 'new~Nothing' });
  expect(toolOf(job, 'put~tree')).toMatchObject({ type: 'putOld', shape: 'place' });
  expect(toolOf(job, 'roof~house')).toEqual({ type: 'roof', building: 'house' });
});

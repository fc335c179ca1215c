import type { Element, Opening } from '../job/kinds';
import type { Job } from '../job/job';
import { doorWords } from '../words/doors';
import { basin, codes, ground, house, jobOf, out, pipe, rain, spout, withElements, withFields } from '../testing/parts';
import { told } from '../testing/told';
import { planJob, type Plan } from '../verdict/planJob';

const hundred = { returnPeriod: 100, intensity: 8e-5 };
/** In the middle of a wall: the front is the south one, the back the north one. */
const door = (name: 'Front door' | 'Back door', more: Partial<Opening> = {}): Opening => ({
  id: name === 'Front door' ? 'front' : 'back',
  kind: 'opening',
  name,
  form: 'door',
  building: 'house',
  wall: name === 'Front door' ? 0 : 2,
  sillLevel: 0.05,
  ...more,
});
const level = (id: string, east: number, north: number, at: number): Element => ({
  id,
  kind: 'spotLevel',
  name: id,
  place: { east, north },
  level: at,
});

describe('a door that no inlet names', () => {
  /** A basin so far before the back door, whose line stands full in the rarer rain. */
  const job = (away: number, more: Partial<Opening> = {}): Job =>
    jobOf(
      rain({ openings: hundred }),
      house,
      door('Front door'),
      door('Back door', more),
      ground(90, 'a'),
      ground(150, 'b'),
      basin({ id: 'a', name: 'A', place: { east: 5, north: -0.8 }, groundLevel: -0.1, sillLevel: 0.05 }),
      basin({ id: 'b', name: 'B', place: { east: 5, north: 8 + away }, groundLevel: -0.055, grate: 'flat24' }),
      out({ groundLevel: -0.62, bank: { length: 3, topLevel: -0.3 } }),
      pipe('a', { length: 12, nominal: 0.1524 }),
      pipe('b', { length: 30, nominal: 0.1016 }),
    );

  it('is judged by the water that stands near it', () => {
    const plan = planJob(job(0.8));
    const stands = plan.openings!.doors.find(({ opening }) => opening === 'back')!;
    expect(stands).toMatchObject({ by: 'b', lacking: null });
    expect(stands.left).toBeLessThan(0);
    expect(codes(plan)).toContain('doorFloods');
    expect(told(job(0.8), 'doorFloods')).toMatch(
      /^In the 100-year rain water from B stands .* over the sill of Back door\.$/,
    );
    expect(plan.verdict.sentence).not.toContain('stay dry');
    expect(doorWords(job(0.8), plan, 'back').map(({ when, tone }) => [when, tone])).toEqual([
      ['Design rain', undefined],
      ['100-year rain', 'stop'],
    ]);
    // The front door's own basin names its sill: told there, and not twice.
    expect(plan.openings!.doors.find(({ opening }) => opening === 'front')!.left).toBeNull();
  });

  it('further off, with nothing measured between, it is said that nobody can tell', () => {
    const plan = planJob(job(8));
    expect(codes(plan)).toContain('doorNotJudged');
    expect(told(job(8), 'doorNotJudged')).toBe(
      'Back door is not judged: what runs on from B may come to it, and the ground between is not measured.',
    );
    expect(plan.verdict.sentence).not.toContain('stay dry');
    // Over all water there is nothing can come in, however far that is.
    const high = planJob(withFields(job(8, { sillLevel: 3 }), 'front', { sillLevel: 3 }));
    expect(codes(high)).not.toContain('doorNotJudged');
  });

  it('without a sill, or off the plan, says what to measure', () => {
    const bare = job(0.8, { sillLevel: undefined } as Partial<Opening>);
    expect(told(bare, 'doorNotJudged')).toBe(
      'Back door is not judged: water at B can come to it, and its sill is not measured.',
    );
    const nowhere = withFields(job(0.8), 'b', { place: undefined });
    expect(told(nowhere, 'doorNotJudged')).toBe('Front door is not judged: nobody can tell how far it is from B.');
  });

  /** The yard behind the house by levels: at the wall, and so high 4 m and 12 m from it. */
  const levelled = (away: number, { wall, mid, far }: { wall: number; mid: number; far: number }): Job =>
    withElements(
      job(away),
      ...[-2, 5, 12].flatMap((east, k) => [
        level(`w${k}`, east, 8, wall),
        level(`m${k}`, east, 12, mid),
        level(`f${k}`, east, 20, far),
      ]),
    );
  const back = (plan: Plan) => plan.openings!.doors.find(({ opening }) => opening === 'back')!;

  it('what runs over comes to it where the ground falls to it, and not where it falls away', () => {
    // The lawn falls 1 in 20 to the wall: what the line gives up at the basin 6 m away runs down to the door.
    const down = planJob(levelled(6, { wall: 0, mid: 0.2, far: 0.6 }));
    const lower = withFields(levelled(6, { wall: 0, mid: 0.2, far: 0.6 }), 'b', { groundLevel: 0.3 });
    expect(back(down).lacking).toBeNull();
    const fed = planJob(withFields(lower, 'pipe-b', { nominal: 0.0762, grade: { type: 'levels', up: -0.4 } }));
    expect(back(fed)).toMatchObject({ by: 'b', lacking: null });
    expect(back(fed).left).toBeLessThan(0.05);
    // It falls away from the wall: the same water runs off from the house.
    const away = planJob(levelled(6, { wall: 0.02, mid: -0.1, far: -0.3 }));
    expect(back(away)).toMatchObject({ left: null, lacking: null });
    expect(codes(away)).not.toContain('doorNotJudged');
    expect(codes(away)).not.toContain('doorFloods');
  });
});

it('a downspout that is let out beside a door is water that can come to it', () => {
  const job = jobOf(
    rain({ openings: hundred }),
    house,
    door('Back door', { sillLevel: 0.02 }),
    ground(60, 'spout'),
    spout({ place: { east: 6, north: 8 }, groundLevel: 0 }),
    basin(),
    out(),
    pipe('basin'),
  );
  expect(codes(planJob(job))).toContain('doorNear');
  expect(told(job, 'doorNear')).toBe('Water from Downspout comes within 20 mm of the sill of Back door.');
  expect(codes(planJob(withFields(job, 'back', { sillLevel: 0.15 })))).not.toContain('doorNear');
});

it('a hollow before a door that nothing drains fills to its rim', () => {
  const bowl = (rim: number): Job =>
    jobOf(
      rain({ openings: hundred }),
      house,
      door('Back door', { sillLevel: 0.05 }),
      ...[-6, -0.5, 5, 10.5, 16].flatMap((east, k) => [
        level(`w${k}`, east, 7, k === 2 ? -0.2 : rim),
        level(`m${k}`, east, 10, k === 2 ? -0.2 : rim),
        level(`f${k}`, east, 16, rim),
      ]),
    );
  const back = (job: Job) => planJob(job).doors[0]!;
  expect(back(bowl(0.15))).toMatchObject({ by: null });
  expect(back(bowl(0.15)).left).toBeLessThan(0);
  expect(back(bowl(-0.1)).left).toBeGreaterThan(0.1);
  expect(told(bowl(0.15), 'doorNear')).toMatch(
    /^Water in the hollow before it stands .* over the sill of Back door\.$/,
  );
});

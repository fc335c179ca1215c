import fc from 'fast-check';
import { changed } from '../job/change';
import { jobFaults } from '../job/faults';
import { ofKind } from '../job/job';
import type { Element } from '../job/kinds';
import { planJob } from '../verdict/planJob';
import { brackenfold, quillfeather } from '../samples';
import { distance, type Place } from '../site/place';
import { basin, jobOf, out, pipe, spout } from '../testing/parts';
import { seenWords, waysOutWords, whyWords } from '../words/yard';
import { at, bowl, levelled, spot } from '../testing/levelledYard';
import { diagnose } from './diagnosis';
import { groundOf } from './ground';
import { nextLevels } from './nextLevel';
import { seenOf } from './seen';
import { waysOut } from './waysOut';

describe('why it is wet', () => {
  const wet = (form: 'standing' | 'soft', place: Place, more: object = {}): Element => ({
    id: 'wet',
    kind: 'wetSpot',
    name: 'Wet',
    form,
    place,
    ...more,
  });

  it('in a hollow: surface water, and a basin at its lowest', () => {
    const job = jobOf(...levelled(bowl), wet('standing', at(12.5, 11)));
    const found = diagnose(job, ofKind(job, 'wetSpot')[0]!)!;
    expect(found.causes[0]).toMatchObject({ cause: 'surface', likely: true });
    const [basinThere] = found.suggestions.filter(({ type }) => type === 'basin');
    expect(basinThere && 'place' in basinThere && distance(basinThere.place, at(12, 12.3))).toBeLessThan(0.8);
    expect(seenWords(job, seenOf(job)[0]!)).toMatch(/the levels hold/);
  });

  it('on a slope: the levels say it runs off, and what to check is named', () => {
    const job = jobOf(...levelled((place) => 1 - 0.02 * place.north), wet('standing', at(11, 13)));
    expect(seenWords(job, seenOf(job)[0]!)).toMatch(
      /^You saw water at Wet; the levels say it runs off: check level\d+, or it is a spring\.$/,
    );
    const { causes, doubts } = diagnose(job, ofKind(job, 'wetSpot')[0]!)!;
    expect(causes.some(({ likely }) => likely)).toBe(false);
    expect(doubts).toContain('inDry');
    expect(nextLevels(job)[0]).toMatchObject({ on: 'wetSpot', id: 'wet' });
  });

  it('under a downspout that lets its roof out above: roof water, and it is led off', () => {
    const job = jobOf(
      ...levelled((place) => 1 - 0.02 * place.north),
      wet('standing', at(12, 16)),
      spout({ place: at(12, 6) }),
    );
    const found = diagnose(job, ofKind(job, 'wetSpot')[0]!)!;
    expect(found.causes[0]).toMatchObject({ cause: 'roof', likely: true });
    expect(found.suggestions[0]).toEqual({ type: 'leadOff', downspout: 'spout' });
  });

  it('soft for days in clay: water in the ground', () => {
    const clay: Element = {
      id: 'soil',
      kind: 'soilTest',
      name: 'Ribbon',
      place: at(10, 10),
      test: { type: 'ribbon', length: 0.06 },
    };
    const job = jobOf(...levelled((place) => 1 - 0.02 * place.north), wet('soft', at(12, 12), { hours: 48 }), clay);
    const found = diagnose(job, ofKind(job, 'wetSpot')[0]!)!;
    expect(found.causes[0]).toMatchObject({ cause: 'subsurface', likely: true });
    expect(whyWords(job, found).causes[0]!.because.join(' ')).toContain('Clay takes water slowly.');
    expect(found.doubts).not.toContain('soilTest');
  });

  it('at the clinic: a hollow of surface water in clay that holds it', () => {
    const job = quillfeather();
    const found = diagnose(job, ofKind(job, 'wetSpot')[0]!)!;
    expect(found.causes.map(({ cause, likely }) => [cause, likely])).toEqual([
      ['surface', true],
      ['subsurface', true],
    ]);
    expect(ofKind(job, 'spotLevel').length).toBe(90);
    expect(jobFaults(job)).toEqual([]);
  });
});

it('ways out: the one with the most fall and the least in its way is first; none says by how much', () => {
  const job = jobOf(
    ...levelled((place) => 1 - 0.03 * place.north),
    basin({ place: at(12, 4), levelFrom: 'ground' }),
    out({ place: at(12, 26), groundLevel: -0.4, bank: undefined, buildingDistance: undefined }),
    out({ id: 'high', name: 'High', place: at(22, 4), groundLevel: 0.9, bank: undefined }),
  );
  const found = waysOut(job)!;
  expect(found.ways.map(({ id }) => id)).toEqual(['out', 'high']);
  expect(found.ways[0]!.spare).toBeGreaterThan(0);
  // By hand: basin at 0.88, less 0.3048 of cover and 0.1 of pipe, is 0.475; to −0.4 that is 0.875 over 22 m, of which 1 % needs 0.22.
  expect(found.ways[0]!.fall).toBeCloseTo(0.88 - 0.3048 - 0.1 + 0.4, 3);
  expect(found.ways[0]!.needed).toBeCloseTo(0.22, 3);
  expect(waysOutWords(job, found.ways)).toMatch(/^Swale is best/);
  const none = waysOut(changed(job, { puts: [], removes: ['out'] }))!;
  expect(waysOutWords(job, none.ways)).toMatch(
    /^None reaches by gravity: .* short at best\. Regrade, swale or pump\.$/,
  );
});

it('at the terrace gravity reaches the lane from the end house alone; the others are told by how much it does not', () => {
  const job = brackenfold();
  const plan = planJob(job);
  const reach = (house: string): number => {
    const element = job.elements.get(`basin-${house}`);
    const place = element?.kind === 'basin' ? element.place! : at(0, 0);
    const [way] = waysOut(job, {
      place,
      level: plan.landings[`basin-${house}`]!.groundLevel,
      id: `basin-${house}`,
    })!.ways;
    return Math.max(way!.spare, way!.spareLarge);
  };
  expect(reach('three')).toBeGreaterThan(0);
  expect(reach('two')).toBeLessThan(0);
  expect(reach('one')).toBeLessThan(reach('two'));
  expect(waysOutWords(job, waysOut(job)!.ways)).toMatch(/^None reaches by gravity: \d+\smm short at best/);
  // Its own line holds but for silt, which a narrower pipe mends; the other houses have nowhere to send their water.
  expect(
    plan.snags.filter(({ severity }) => severity === 'stop').map(({ code, at: where }) => `${code} ${where}`),
  ).toEqual(['noDischarge spout-one', 'noDischarge basin-one', 'noDischarge spout-two', 'noDischarge basin-two']);
  for (const wet of ofKind(job, 'wetSpot'))
    expect(diagnose(job, wet)!.causes[0]).toMatchObject({ cause: 'surface', likely: true });
});

it('what is told to be covered is covered all along, by a walk of its own over random ground', () => {
  let [held, told] = [0, 0];
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: -0.35, max: 0.35, noNaN: true }), { minLength: 77, maxLength: 77 }),
      fc.array(fc.double({ min: -3, max: 3, noNaN: true }), { minLength: 3, maxLength: 3 }),
      (bumps, offs) => {
        // 40 m by 24 m, falling 1.5 % to the east, rough by up to 35 cm.
        const levels = bumps.map((bump, k) => {
          const place = at(4 * (k % 11), 4 * Math.floor(k / 11) - 12);
          return spot(`l${k}`, place, -0.015 * place.east + bump);
        });
        const node = (id: string, east: number, north: number): Element => ({
          id,
          kind: 'junction',
          form: 'bend',
          name: id,
          groundLevel: 0,
          levelFrom: 'ground',
          place: at(east, north),
        });
        const job = jobOf(
          ...levels,
          basin({ place: at(2, offs[0]!), levelFrom: 'ground' }),
          node('m', 14, offs[1]!),
          node('n', 26, offs[2]!),
          out({ place: at(38, 0), groundLevel: -2.4, bank: undefined, stone: true }),
          pipe('basin', { id: 'one', to: 'm', lengthFrom: 'plan', nominal: 0.1016 }),
          pipe('m', { id: 'two', to: 'n', lengthFrom: 'plan', nominal: 0.1016 }),
          pipe('n', { id: 'three', lengthFrom: 'plan', nominal: 0.1016 }),
        );
        const plan = planJob(job);
        const surface = groundOf(job).surface!;
        for (const id of ['one', 'two']) {
          const run = plan.runs[id]!;
          const [from, to] = [run.from, run.to].map((end) => {
            const element = job.elements.get(end) as { place: Place };
            return element.place;
          }) as [Place, Place];
          let least = Infinity;
          for (let k = 0; k <= 200; k++) {
            const share = k / 200;
            const here = at(from.east + (to.east - from.east) * share, from.north + (to.north - from.north) * share);
            least = Math.min(least, surface.levelAt(here)! - (run.crownUp + (run.crownDown - run.crownUp) * share));
          }
          const codes = plan.snags.filter((snag) => snag.at === id).map(({ code }) => code);
          const warned = codes.some((code) => code === 'groundBetween' || code === 'coverShort' || code === 'hangsOut');
          if (warned) told++;
          else {
            held++;
            // Half a metre between stations of the check, 2 cm that no rod reads.
            expect(least).toBeGreaterThan(run.leastCover - 0.045);
          }
        }
      },
    ),
    { numRuns: 150 },
  );
  expect(held).toBeGreaterThan(5);
  expect(told).toBeGreaterThan(5);
});

/** What gives way first, by storms: each figure from the areas, the rain or a weir, worked out beside it. */
import fc from 'fast-check';
import type { Job } from '../../job/job';
import type { Element } from '../../job/kinds';
import type { Place } from '../../site/place';
import { wrenmoor } from '../../samples';
import { at, bowl, levelled } from '../../testing/levelledYard';
import { basin, channel, face, ground, jobOf, out, pipe, rain, spout } from '../../testing/parts';
import { stoneOf, swaleOf } from '../../testing/someWorks';
import { walkGivesWay } from '../../trial/walk/walkGivesWay';
import { planJob } from '../../verdict/planJob';
import type { Failure } from '../failing';
import { runStorm } from '../stormRun';
import { whatGivesWay, type GivesWay } from './givesWay';
import { isMuch, type LayerCell, type LayerId, type LayerPart } from './layer';
import { layerCases, type CaseId } from './layerCases';
import { layersTold, leadsTo } from './layersTold';
import { givesWaySaid } from './words';

/** m³ that an hour of 4e-5 m/s brings to a square metre. */
const HOUR = 3600 * 4e-5;
/** Head of a flow (m³/s) over 10 ft of ground, m. */
const head = (flow: number): number => (flow / (1.7 * 3.048)) ** (2 / 3);
const tried = (job: Job): GivesWay => whatGivesWay(job, planJob(job));
const cellOf = (told: GivesWay, layer: LayerId, at: CaseId): LayerCell =>
  told.layers.find(({ id }) => id === layer)!.cells[told.cases.indexOf(at)]!;
const partOf = (told: GivesWay, layer: LayerId, at: CaseId, id: string): LayerPart =>
  cellOf(told, layer, at).parts.find((each) => each.id === id)!;
const leftAt = (told: GivesWay, at: CaseId, id: string): number | null => partOf(told, 'doors', at, id).left;
const saidOf = (job: Job, told: GivesWay, layer: LayerId, at: CaseId) => {
  const said = givesWaySaid(job, told);
  const cell = said.layers.find(({ id }) => id === layer)!.cells[told.cases.indexOf(at)]!;
  return { ...cell, words: cell.words.replace(/\s/g, ' ') };
};

it('every grate is tried full of leaves, and the one told is that which harms most', () => {
  // The lawn's basin takes six times the water; the channel stands before the door.
  const job = jobOf(
    ground(120, 'lawn'),
    ground(20, 'channel'),
    basin({ id: 'lawn', name: 'Lawn basin', groundLevel: -0.4 }),
    channel({ sillLevel: 0.1, spillLevel: 0.04 }),
    out({ stone: true }),
    pipe('lawn', { nominal: 0.2032 }),
    pipe('channel', { length: 30, nominal: 0.1016 }),
  );
  const told = tried(job);
  expect(told.blocked).toBe('channel');
  // The rain is even, so that the weir comes to what 20 m² shed.
  expect(leftAt(told, 'blocked', 'channel')).toBeCloseTo(0.1 - 0.04 - head(20 * 4e-5), 3);
  expect(partOf(told, 'grates', 'blocked', 'channel')).toMatchObject({ to: null });
  expect(saidOf(job, told, 'grates', 'blocked').words).toMatch(/^passes \d.* over the ground$/);
});

it('where it fills to the sill and no way off is known the door is wet', () => {
  const job = jobOf(ground(60, 'basin'), basin({ sillLevel: 0.3 }), out({ stone: true }), pipe('basin'));
  const told = tried(job);
  expect(cellOf(told, 'doors', 'blocked').state).toBe('wet');
  expect(saidOf(job, told, 'doors', 'blocked').words).toMatch(/^wet/);
  expect(cellOf(told, 'doors', 'design').state).toBe('takes');
});

it('ways out under water: what they keep out of the pipe stands higher at its inlet', () => {
  const job = (topLevel: number): Job =>
    jobOf(
      ground(60, 'basin'),
      basin({ groundLevel: 0, sillLevel: 0.2, spillLevel: 0.02 }),
      out({ groundLevel: -1, bank: { length: 3, topLevel }, stone: true }),
      pipe('basin', { nominal: 0.1524 }),
    );
  expect(cellOf(tried(job(-0.6)), 'pipes', 'high').state).toBe('takes');
  const high = tried(job(-0.001));
  expect(partOf(high, 'pipes', 'high', 'out').passed).toBeGreaterThan(1);
  expect(leftAt(high, 'high', 'basin')).toBeLessThan(leftAt(high, 'design', 'basin') ?? Infinity);
});

describe('what runs past is led on', () => {
  it('to the channel that is said to take it, whose door has it then', () => {
    const job = (passesTo?: string): Job =>
      jobOf(
        ground(380, 'grate'),
        ground(40, 'channel'),
        basin({ id: 'grate', grate: 'round6', groundLevel: 0.5, ...(passesTo ? { passesTo } : {}) }),
        channel({ sillLevel: 0.3, spillLevel: 0.1, depth: 0.15, width: 0.15 }),
        out({ stone: true, groundLevel: -2 }),
        pipe('grate', { nominal: 0.2032 }),
        pipe('channel', { nominal: 0.1016, length: 30 }),
      );
    const [alone, led] = [tried(job()), tried(job('channel'))];
    const grate = partOf(led, 'grates', 'design', 'grate');
    expect(grate).toMatchObject({ to: 'channel' });
    expect(grate.passed).toBeGreaterThan(10);
    // All that comes at the channel: what its own paving sheds, and what the grate let past.
    const at = (told: GivesWay): number =>
      partOf(told, 'grates', 'design', 'channel').came + partOf(told, 'pipes', 'design', 'out').passed;
    expect(at(led) - at(alone)).toBeGreaterThan(0.97 * grate.passed);
    expect(leftAt(led, 'design', 'channel')).toBeLessThan(leftAt(alone, 'design', 'channel') ?? Infinity);
  });

  it('with the power cut all of a line backs up at its lowest grate', () => {
    const pumped = (spill?: number): Job =>
      jobOf(
        ground(450, 'yard'),
        ground(30, 'door'),
        basin({ id: 'yard', name: 'Yard basin', groundLevel: 0.6, grate: 'flat24', count: 4 }),
        basin({
          id: 'door',
          name: 'Door basin',
          groundLevel: 0,
          sillLevel: 0.1,
          grate: 'flat24',
          ...(spill === undefined ? {} : { spillLevel: spill }),
        }),
        out({ id: 'pump', form: 'pump', groundLevel: 0.4, bank: undefined }),
        pipe('yard', { to: 'door', nominal: 0.3048 }),
        pipe('door', { to: 'pump', nominal: 0.3048 }),
      );
    const cut = tried(pumped(0.05));
    // 480 m² at 4e-5 m/s: 19.2 L/s over 10 ft of ground at 0.05 m.
    expect(leftAt(cut, 'power', 'door')).toBeCloseTo(0.1 - 0.05 - head(480 * 4e-5), 2);
    expect(cellOf(cut, 'pipes', 'power').passed).toBeGreaterThan(0.8 * 480 * HOUR);
    expect(cellOf(tried(pumped()), 'doors', 'power').state).toBe('wet');
    expect(isMuch(partOf(cut, 'grates', 'power', 'yard').passed, 1)).toBe(false);
  });

  it('behind a frozen pop-up it comes up through the stone of a drain', () => {
    const job = jobOf(
      ground(90, 'stone'),
      stoneOf({ id: 'stone', length: 10, groundLevel: -0.05, slabLevel: 0, sillLevel: 0.1, width: 0.3, depth: 0.45 }),
      out({ form: 'popup', groundLevel: -0.6, bank: undefined }),
      pipe('stone', { nominal: 0.1524 }),
    );
    const frozen = tried(job);
    expect(partOf(frozen, 'pipes', 'frozen', 'out')).toMatchObject({ to: 'stone' });
    expect(cellOf(frozen, 'pipes', 'frozen').passed).toBeGreaterThan(0.7 * 90 * HOUR);
    expect(leftAt(frozen, 'frozen', 'stone')).toBeLessThan((leftAt(frozen, 'design', 'stone') ?? Infinity) - 0.02);
  });

  /** A tap at the foot of a wall that runs 3 L/s for 20 minutes, 3 m up the slope from a grate, on ground that was levelled; it does not rain. */
  const onGround = (level: (place: Place) => number, place: Place) => {
    const tap: Element = { id: 'tap', kind: 'fixedFlow', name: 'Tap', flow: 3e-3, feeds: [{ to: 'foot', share: 1 }] };
    const up = at(place.east, place.north - 3);
    const lower = at(place.east, place.north + 4);
    const job = jobOf(
      ...levelled(level),
      tap,
      spout({ id: 'foot', place: up, groundLevel: level(up) }),
      basin({ id: 'grate', place, groundLevel: level(place) }),
      basin({ id: 'lower', place: lower, groundLevel: level(lower) }),
      out({ groundLevel: -3, stone: true }),
      pipe('grate', { nominal: 0.1524 }),
      pipe('lower', { nominal: 0.1524 }),
    );
    const plan = planJob(job);
    const dry = { rain: { step: 60, intensities: [0] }, wetness: 'soaked' as const, length: 1200 };
    const told = (failing: readonly Failure[]) =>
      layersTold(job, plan, runStorm(job, plan, { ...dry, failing }), leadsTo(plan.here!));
    const of = (layers: ReturnType<typeof told>, id: string) => layers.grates.parts.find((each) => each.id === id);
    return { of, open: told([]), blocked: told([{ kind: 'blocked', id: 'grate' }]) };
  };
  const TAP = 3e-3 * 1200;

  it('over measured ground from a blocked grate to the next one down the slope', () => {
    const { of, open, blocked } = onGround(
      ({ east, north }) => 1 - 0.04 * north + 0.06 * Math.abs(east - 12),
      at(12, 8),
    );
    // A narrow grate on a slope catches most of it.
    expect(of(open, 'grate')!.passed).toBeLessThan(0.25 * TAP);
    const past = of(blocked, 'grate')!;
    expect(past).toMatchObject({ to: 'lower' });
    expect(past.passed).toBeGreaterThan(0.85 * TAP);
    expect(past.passed).toBeLessThan(TAP);
    expect(of(blocked, 'lower')!.came).toBeGreaterThan(0.5 * past.passed);
  });

  it('and in a hollow stands first, and passes what runs over its rim', () => {
    const { of, open, blocked } = onGround(bowl, at(12, 12));
    expect(of(open, 'grate')!.passed).toBe(0);
    // π · 9 · 0.3 m³ and less, as the bowl is cut by the slope: more than the tap brings.
    expect(of(blocked, 'grate')).toMatchObject({ passed: 0 });
    expect(of(blocked, 'grate')!.deep).toBeGreaterThan(0.1);
    const shallow = onGround(
      (place) => 1 - (1 - bowl(place) - 0.01 * place.north) / 6 - 0.01 * place.north,
      at(12, 12),
    );
    expect(shallow.of(shallow.blocked, 'grate')!.passed).toBeGreaterThan(0.2 * TAP);
  });
});

it('a drawn door has its row, also where no water comes near it', () => {
  const job = (place: { east: number; north: number }, groundLevel: number): Job =>
    jobOf(
      {
        id: 'house',
        kind: 'building',
        name: 'House',
        outline: [0, 1, 2, 3].map((k) => ({ east: k === 1 || k === 2 ? 9 : 0, north: k > 1 ? 8 : 0 })),
      },
      { id: 'front', kind: 'opening', name: 'Front door', form: 'door', building: 'house', wall: 0, sillLevel: 0.02 },
      ground(60, 'basin'),
      basin({ place, groundLevel }),
      out({ stone: true }),
      pipe('basin'),
    );
  const near = tried(job({ east: 5, north: -1 }, 0));
  expect(leftAt(near, 'blocked', 'front')).toBeLessThanOrEqual(0);
  const far = tried(job({ east: 5, north: -9 }, -1));
  expect(leftAt(far, 'design', 'front')).toBeNull();
  expect(saidOf(job({ east: 5, north: -9 }, -1), far, 'doors', 'design').parts).toEqual([
    { id: 'front', words: 'Front door: no water comes near it.' },
  ]);
});

it('of the green: the pit is the first to give way where the ground is soaked', () => {
  const job = wrenmoor();
  const told = tried(job);
  expect(told.cases).toEqual(['ordinary', 'design', 'high', 'saturated', 'rarer']);
  expect(givesWaySaid(job, told).sentence).toBe('First to give way: Leaching pit, with ground soaked.');
});

it('a line that floods backs up, with roof and yard water in it, and says so', () => {
  const job = jobOf(
    ground(700, 'basin'),
    basin({ grate: 'flat24', count: 4 }),
    face(60, 'spout'),
    spout(),
    pipe('spout', { to: 'basin', length: 5 }),
    out({ form: 'popup', groundLevel: -0.6, bank: undefined }),
    pipe('basin', { nominal: 0.1016 }),
  );
  const told = tried(job);
  const { came, passed } = cellOf(told, 'pipes', 'design');
  expect(passed).toBeGreaterThan(0.3 * came);
  expect(passed).toBeLessThan(came);
  expect(
    givesWaySaid(job, told)
      .drowning.map(({ words }) => words)
      .join(),
  ).toContain('carries roof and yard water together');
  expect(givesWaySaid(job, told).mark).toBe('fix');
});

it('a swale that runs over its bank is told by how much came and how much ran over', () => {
  const job = jobOf(ground(3000, 'swale'), swaleOf({ id: 'swale', headLevel: 0, footLevel: -0.1, depth: 0.1 }), out());
  const swale = partOf(tried(job), 'swales', 'design', 'swale');
  expect(swale.came).toBeGreaterThan(0.9 * 3000 * HOUR);
  expect(swale.passed).toBeGreaterThan(0);
  expect(swale.left).toBeLessThanOrEqual(1e-9);
});

it('nothing that is told is more than came, in any case of any such yard', () => {
  /** Two storeys of roof and a yard of three inlets in a row. */
  const areas = fc.record({
    upper: fc.double({ min: 5, max: 200, noNaN: true }),
    lower: fc.double({ min: 5, max: 200, noNaN: true }),
    yard: fc.double({ min: 5, max: 600, noNaN: true }),
    drive: fc.double({ min: 5, max: 300, noNaN: true }),
    spillsTo: fc.constantFrom('a', undefined),
    aTo: fc.constantFrom('b', 'channel', undefined),
    bTo: fc.constantFrom('channel', 'a', undefined),
    nominal: fc.constantFrom(0.0762, 0.1016, 0.1524),
    form: fc.constantFrom('daylight' as const, 'popup' as const),
  });
  fc.assert(
    fc.property(areas, ({ upper, lower, yard, drive, spillsTo, aTo, bTo, nominal, form }) => {
      const job = jobOf(
        rain({ openings: { returnPeriod: 100, intensity: 9e-5 } }),
        face(upper, 'up'),
        face(lower, 'low', { id: 'lowFace' }),
        spout({ id: 'up', storey: 2, landsOn: [{ to: 'low', share: 1 }], ...(spillsTo ? { spillsTo } : {}) }),
        spout({ id: 'low', groundLevel: 0.3 }),
        ground(yard, 'a'),
        ground(drive, 'b'),
        basin({ id: 'a', grate: 'round6', groundLevel: 0.2, ...(aTo ? { passesTo: aTo } : {}) }),
        basin({ id: 'b', groundLevel: 0.1, ...(bTo ? { passesTo: bTo } : {}) }),
        channel({ groundLevel: 0, sillLevel: 0.2, spillLevel: 0.05 }),
        out({ form, groundLevel: -1, ...(form === 'popup' ? { bank: undefined } : {}) }),
        out({ id: 'other', groundLevel: -1.2 }),
        pipe('low', { to: 'a', length: 8, nominal }),
        pipe('a', { length: 25, nominal }),
        pipe('b', { to: 'other', length: 20, nominal }),
        pipe('channel', { to: 'other', length: 20, nominal }),
      );
      const plan = planJob(job);
      for (const storm of layerCases(plan.here!, plan))
        expect([storm.id, walkGivesWay(job, plan, runStorm(job, plan, storm))]).toEqual([storm.id, []]);
    }),
    { numRuns: 12 },
  );
}, 120_000);

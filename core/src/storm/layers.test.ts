import fc from 'fast-check';
import type { Element, FixedFlow } from '../job/kinds';
import type { Job } from '../job/job';
import { basin, channel, face, ground, jobOf, out, pipe, rain, spout } from '../testing/parts';
import { planJob } from '../verdict/planJob';
import type { CaseId } from './cases';
import type { LayerCell, LayerId } from './layer';
import { layersOf, type Layers } from './layers';
import { cellWords, partWords } from './words';

const EDGE = 1.7 * 3.048;
/** Head of a flow (m³/s) over 10 ft of ground, m. */
const head = (flow: number): number => (flow / EDGE) ** (2 / 3);
const layers = (job: Job): Layers => layersOf(job, planJob(job));
const cellOf = (told: Layers, layer: LayerId, at: CaseId): LayerCell =>
  told.layers.find(({ id }) => id === layer)!.cells[told.cases.indexOf(at)]!;
const leftAt = (told: Layers, at: CaseId, id: string): number =>
  cellOf(told, 'doors', at).parts.find((each) => each.id === id)!.left!;

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
  const told = layers(job);
  expect(told.blocked).toBe('channel');
  expect(leftAt(told, 'blocked', 'channel')).toBeCloseTo(0.1 - 0.04 - head(20 * 4e-5), 9);
  expect(cellOf(told, 'grates', 'blocked').passed).toBeCloseTo(20 * 4e-5, 12);
});

it('where it fills to the sill and no way off is known the door is wet', () => {
  const job = jobOf(ground(60, 'basin'), basin({ sillLevel: 0.3 }), out({ stone: true }), pipe('basin'));
  const door = cellOf(layers(job), 'doors', 'blocked');
  expect(door).toMatchObject({ state: 'wet', left: 0 });
  expect(cellWords(job, door)).toBe('wet to the sill');
});

it('a swale that is brimful stands at its bank: what it keeps out of the pipe comes up at the lowest inlet', () => {
  const job = (topLevel: number): Job =>
    jobOf(
      ground(60, 'basin'),
      basin({ groundLevel: 0, sillLevel: 0.2, spillLevel: 0.02 }),
      out({ groundLevel: -1, bank: { length: 3, topLevel }, stone: true }),
      pipe('basin', { nominal: 0.1524 }),
    );
  expect(cellOf(layers(job(-0.6)), 'pipes', 'high').passed).toBe(0);
  const high = layers(job(-0.001));
  expect(cellOf(high, 'pipes', 'high').passed).toBeGreaterThan(0);
  expect(leftAt(high, 'high', 'basin')).toBeLessThan(leftAt(high, 'design', 'basin'));
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
        pipe('channel', { nominal: 0.2032, length: 30 }),
      );
    const [alone, led] = [layers(job()), layers(job('channel'))];
    const grate = cellOf(led, 'grates', 'design').parts.find(({ id }) => id === 'grate')!;
    expect(grate.passed).toBeGreaterThan(0.005);
    expect(grate.to).toBe('channel');
    const offered = (told: Layers): number =>
      cellOf(told, 'grates', 'design').parts.find(({ id }) => id === 'channel')!.offered;
    expect(offered(led)).toBeCloseTo(offered(alone) + grate.passed, 6);
    expect(leftAt(led, 'design', 'channel')).toBeLessThan(leftAt(alone, 'design', 'channel'));
  });

  /** Two basins on one line to a pump, the lower before a door. */
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
      out({ id: 'pump', form: 'pump', groundLevel: -0.2, bank: undefined }),
      pipe('yard', { to: 'door', nominal: 0.3048 }),
      pipe('door', { to: 'pump', nominal: 0.3048 }),
    );

  it('with the power cut all of the line comes up at its lowest grate', () => {
    const cut = layers(pumped(0.05));
    // 480 m² at 4e-5 m/s: 19.2 L/s over 10 ft of ground at 0.05 m.
    expect(leftAt(cut, 'power', 'door')).toBeCloseTo(0.1 - 0.05 - head(480 * 4e-5), 6);
    expect(cellOf(cut, 'pipes', 'power').passed).toBeCloseTo(480 * 4e-5, 9);
    expect(cellOf(layers(pumped()), 'doors', 'power').state).toBe('wet');
    // One that stands over that water takes as before.
    expect(cellOf(cut, 'grates', 'power').parts.find(({ id }) => id === 'yard')!.passed).toBe(0);
  });

  it('behind a frozen pop-up it comes up through the stone of a drain', () => {
    const stone: Element = {
      id: 'stone',
      kind: 'stoneDrain',
      name: 'Stone drain',
      length: 10,
      groundLevel: -0.05,
      slabLevel: 0,
      sillLevel: 0.1,
      width: 0.3,
      depth: 0.45,
    };
    const job = jobOf(
      ground(90, 'stone'),
      stone,
      out({ form: 'popup', groundLevel: -0.6, bank: undefined }),
      pipe('stone', { nominal: 0.1524 }),
    );
    const frozen = layers(job);
    expect(cellOf(frozen, 'pipes', 'frozen').passed).toBeCloseTo(90 * 4e-5, 9);
    const level = -0.05 + ((90 * 4e-5) / (1.7 * 10)) ** (2 / 3);
    expect(leftAt(frozen, 'frozen', 'stone')).toBeCloseTo(0.1 - level, 6);
  });
});

it('a drawn door has its row, also where no water comes near it', () => {
  const job = jobOf(
    {
      id: 'house',
      kind: 'building',
      name: 'House',
      outline: [0, 1, 2, 3].map((k) => ({ east: k === 1 || k === 2 ? 9 : 0, north: k > 1 ? 8 : 0 })),
    },
    { id: 'front', kind: 'opening', name: 'Front door', form: 'door', building: 'house', wall: 0, sillLevel: 0.02 },
    ground(60, 'basin'),
    basin({ place: { east: 5, north: -1 } }),
    out({ stone: true }),
    pipe('basin'),
  );
  expect(leftAt(layers(job), 'blocked', 'front')).toBeLessThan(0);
  const far = layers(
    jobOf(
      ...[...job.elements].map((each) =>
        each.id === 'basin' ? basin({ place: { east: 5, north: -9 }, groundLevel: -1 }) : each,
      ),
    ),
  );
  const part = cellOf(far, 'doors', 'design').parts[0]!;
  expect(part).toMatchObject({ id: 'front', left: null });
  expect(partWords(job, part)).toBe('Front door: no water comes near it.');
});

describe('the balance', () => {
  /** Two storeys of roof and a yard of three inlets in a row, all of one intensity: flows add up to the last drop. */
  const areas = fc.record({
    upper: fc.double({ min: 5, max: 200, noNaN: true }),
    lower: fc.double({ min: 5, max: 200, noNaN: true }),
    yard: fc.double({ min: 5, max: 600, noNaN: true }),
    drive: fc.double({ min: 5, max: 300, noNaN: true }),
    spring: fc.double({ min: 0, max: 1e-3, noNaN: true }),
    spillsTo: fc.constantFrom('a', undefined),
    aTo: fc.constantFrom('b', 'channel', undefined),
    bTo: fc.constantFrom('channel', 'a', undefined),
    nominal: fc.constantFrom(0.0762, 0.1016, 0.1524),
    form: fc.constantFrom('daylight' as const, 'popup' as const),
  });

  it('what comes is what is carried and what runs off unled, in every case', () => {
    fc.assert(
      fc.property(areas, ({ upper, lower, yard, drive, spring, spillsTo, aTo, bTo, nominal, form }) => {
        const always: FixedFlow = {
          id: 'spring',
          kind: 'fixedFlow',
          name: 'Spring',
          flow: Math.max(1e-9, spring),
          feeds: [{ to: 'b', share: 1 }],
        };
        const job = jobOf(
          rain({ openings: { returnPeriod: 100, intensity: 9e-5 } }),
          face(upper, 'up'),
          face(lower, 'low', { id: 'lowFace' }),
          spout({ id: 'up', storey: 2, landsOn: [{ to: 'low', share: 1 }], ...(spillsTo ? { spillsTo } : {}) }),
          spout({ id: 'low', groundLevel: 0.3 }),
          ground(yard, 'a'),
          ground(drive, 'b'),
          always,
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
        const told = layers(job);
        told.cases.forEach((id, k) => {
          const intensity = id === 'rarer' ? 9e-5 : id === 'ordinary' ? planJob(job).settings.ordinaryRain : 4e-5;
          const fallen = (upper + lower + yard + drive) * intensity + always.flow;
          const row = (layer: LayerId): LayerCell => told.layers.find((each) => each.id === layer)!.cells[k]!;
          const pipes = row('pipes').parts;
          const carried = pipes.reduce((sum, { offered, passed }) => sum + offered - passed, 0);
          const unled = [...row('gutters').parts, ...row('grates').parts, ...pipes].reduce(
            (sum, { passed, to }) => sum + (to === null ? passed : 0),
            0,
          );
          expect([id, carried + unled]).toEqual([id, expect.closeTo(fallen, 4)]);
          expect(row('gutters').offered).toBeCloseTo((upper + lower) * intensity, 4);
        });
      }),
      { numRuns: 150 },
    );
  });
});

/** Jobs of the trade counted by hand, line by line: docs/verification.md shows how each figure came. */
import type { Job } from '../job/job';
import { priceOf } from '../price/price';
import { basin, channel, face, ground, jobOf, out, pipe, spout } from '../testing/parts';
import { bermOf, culvertOf, stoneOf, swaleOf } from '../testing/someWorks';
import { METRES_PER_INCH } from '../units/constants';
import { planJob } from '../verdict/planJob';
import { partLabel } from './partLabel';
import { takeOff } from './takeOff';

const inches = (count: number): number => count * METRES_PER_INCH;
const fourInch = { nominal: inches(4) };

/** Everything that is counted but glue, tape and screws, by name; amounts to three figures behind the point. */
function listOf(job: Job): Record<string, number> {
  const small = new Set([
    'cement',
    'primer',
    'cleaner',
    'lubricant',
    'sealant',
    'tape',
    'markingTape',
    'screws',
    'sodCut',
  ]);
  return Object.fromEntries(
    takeOff(job, planJob(job)).parts.flatMap(({ item, net }) =>
      small.has(item.type) ? [] : [[partLabel(item, 'metric').replace(/\s/g, ' '), Math.round(net * 1000) / 1000]],
    ),
  );
}

it('a culvert of 15 in under a paved drive', () =>
  expect(
    listOf(
      jobOf(
        culvertOf({
          length: 6.1,
          nominal: inches(15),
          inlet: 'mitred',
          invertUp: -0.9,
          invertDown: -0.98,
          roadLevel: 0,
          paved: true,
        }),
      ),
    ),
  ).toEqual({
    '375 mm double-wall pipe': 6.1,
    '375 mm culvert end section': 2,
    'Plate for wheels over the open trench': 1,
    // Outside 0.4496 m, trench 1.0496 m wide; soil over it 0.4904 m high over 6.1 − 0.7356 m.
    'Dug out': 6.29,
    'Bedding stone, ¾ in clear': 0.65,
    'Left over of what is dug': 1.619,
    'Backfilled and rammed': 4.671,
    'Saw cut': 9.257,
    'Slab to restore': 4.858,
    'Stone for aprons': 0.523,
  }));

it('a dry well of which nothing was said, under one downspout', () =>
  expect(
    listOf(
      jobOf(
        face(60, 'spout'),
        spout(),
        pipe('spout', { ...fourInch, length: 6 }),
        out({ form: 'dryWell', groundLevel: -0.1, bank: undefined }),
      ),
    ),
  ).toMatchObject({
    '100 mm 90° bend, PVC': 1,
    '3 × 4 in downspout to 100 mm adapter, PVC': 1,
    '100 mm inlet with its seal, PVC': 1,
    // 1.5 m² and 1.2 m deep of chambers of 0.2 m³, wrapped: 4 √1.5 · 1.2 + 2 · 1.5.
    'Chamber of a dry well, 200 L': 9,
    'Non-woven fabric, 4 oz': 8.879,
    // Its hole, 1.5 · 1.5, and 6 m of trench 0.3104 m wide and 0.4064 m deep.
    'Dug out': 3.007,
  }));

it('a pump basin of which nothing was said: pump, basin and line, each in its hole', () => {
  const job = jobOf(
    ground(40, 'basin'),
    basin(),
    pipe('basin', { ...fourInch, length: 5 }),
    out({ form: 'pump', groundLevel: 0, bank: undefined }),
  );
  expect(listOf(job)).toMatchObject({
    Pump: 1,
    'Pump basin with its cover': 1,
    '40 mm pump line': 10,
    '100 mm inlet with its seal, PVC': 1,
    // Trench 5 · 0.3104 · 0.4314, box 0.258 · 0.4064 with 5 in of stone under it, basin 1.5 · 0.3 · 1.2048, line 10 · 0.3048 · 0.4572.
    'Dug out': 2.743,
    'Stone, ¾ in clear': 0.033,
  });
  const taken = takeOff(job, planJob(job));
  expect(taken.missing).toEqual([]);
  const { lines, length } = priceOf(job, taken);
  expect(lines.map(({ key }) => key)).toEqual(expect.arrayContaining(['pump', 'pumpBasin']));
  // 5 m of line and 10 m of the pump's.
  expect(length).toBeCloseTo(15, 9);
});

it('open stone along a slab', () =>
  expect(
    listOf(
      jobOf(
        ground(40, 'stone'),
        stoneOf({ length: 5 }),
        pipe('stone', { ...fourInch, length: 8 }),
        out({ groundLevel: -1 }),
      ),
    ),
  ).toMatchObject({
    '100 mm single-wall pipe, perforated': 5,
    '100 mm end cap, single-wall': 1,
    '100 mm adapter, single-wall to PVC': 1,
    // 0.3 · 0.45 · 5 less its pipe; round it and lapped a foot over its top.
    'Stone, 1½ in round': 0.634,
    'Non-woven fabric, 4 oz': 9.024,
  }));

it('a channel across a paved drive', () =>
  expect(
    listOf(
      jobOf(
        ground(40, 'channel', { cover: 'paving' }),
        channel({ length: 4, width: inches(4), depth: inches(6) }),
        pipe('channel', { ...fourInch, length: 8 }),
        out({ groundLevel: -1 }),
      ),
    ),
  ).toMatchObject({
    '100 mm channel drain with its grate, lengths of 1.00 m': 4,
    '100 mm channel end': 2,
    '100 mm channel outlet to 100 mm pipe, PVC': 1,
    '100 mm 90° bend, PVC': 1,
    // 4 in beside and under it: (0.3048 · 0.254 − 0.1016 · 0.1524) · 4; sawn along both sides.
    'Concrete round channels': 0.248,
    'Saw cut': 8,
  }));

it('a channel with three outlets into one line beneath it', () => {
  const withOutlets = (outlet: number[]) =>
    listOf(
      jobOf(
        ground(40, 'channel', { cover: 'paving' }),
        channel({ length: 6, width: inches(4), depth: inches(6), outlet }),
        pipe('channel', { ...fourInch, length: 8 }),
        out({ groundLevel: -1 }),
      ),
    );
  const [one, three] = [withOutlets([5]), withOutlets([1, 3, 5])];
  expect(three).toMatchObject({ '100 mm channel outlet to 100 mm pipe, PVC': 3, '100 mm × 100 mm wye, PVC': 2 });
  // 4 m of pipe from the first outlet to the last, besides the 8 m of its line.
  expect([one['100 mm PVC pipe'], three['100 mm PVC pipe']]).toEqual([8, 12]);
});

it('three lines in one trench', () => {
  const laid = { ...fourInch, length: 12, grade: { type: 'levels', up: -0.5, down: -0.8 } } as const;
  const job = jobOf(
    face(60, 'spout'),
    spout(),
    ground(40, 'b'),
    ground(40, 'c'),
    basin({ id: 'b' }),
    basin({ id: 'c' }),
    pipe('spout', laid),
    pipe('b', { ...laid, beside: 'pipe-spout' }),
    pipe('c', { ...laid, beside: 'pipe-spout' }),
    out({ groundLevel: -0.8, bank: { length: 3, topLevel: 0 } }),
  );
  const { trenches } = takeOff(job, planJob(job));
  // 4.22 in outside and 8 in of room; each other 4 in beside the last. From 0.5 m down to 0.725 at the bank, and out: 0.55 m in the mean.
  const widths = [0.1072 + 0.2032, 0.1072 + 0.1016, 0.1072 + 0.1016];
  trenches.forEach(({ width, volume }, k) => {
    expect(width).toBeCloseTo(widths[k]!, 3);
    expect(volume).toBeCloseTo(widths[k]! * 12 * 0.55, 2);
  });
  expect(priceOf(job, takeOff(job, planJob(job))).length).toBeCloseTo(12, 9);
});

it('a swale with a berm beside it', () => {
  const job = jobOf(
    ground(60, 'swale'),
    swaleOf({ length: 20, headLevel: -0.3, footLevel: -0.7, section: 'v', sideSlope: 4, depth: 0.3 }),
    bermOf({ length: 10, height: 0.3, topWidth: 0.5, sideSlope: 3 }),
  );
  // A V of 2.4 m by 0.3 m: 0.36 m² over 20 m. Berm: (0.5 + 2.3)/2 · 0.3 over 10 m, out of it; the other 3 m³ are hauled, a quarter looser.
  expect(listOf(job)).toEqual({ 'Dug out': 7.2, 'Left over of what is dug': 7.2, 'Fill placed': 4.2 });
  const left = takeOff(job, planJob(job)).parts.find(({ item }) => item.type === 'spoil')!;
  expect([left.used, left.loose, left.loads]).toEqual([expect.closeTo(4.2, 9), expect.closeTo(3.75, 9), 1]);
});

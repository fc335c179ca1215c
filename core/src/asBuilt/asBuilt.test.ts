/** What lies where: by hand, and found again from what is told. */
import fc from 'fast-check';
import { applyChange } from '../job/change';
import { elementOf, type Job } from '../job/job';
import { plannedThen } from '../ledger';
import { priceOf } from '../price/price';
import { takeOff } from '../quantities/takeOff';
import { quoteOf } from '../sheets/quote';
import { keepAside } from '../variants/variants';
import { quillfeather } from '../samples';
import { tie } from '../site/tie';
import { basin, ground, house, jobOf, out, pipe } from '../testing/parts';
import { planJob } from '../verdict/planJob';
import {
  asBuiltTable,
  builtOnPlan,
  builtPoints,
  cornersOf,
  keepPlanned,
  laidLines,
  movedRuns,
  movedWords,
  photosAlong,
  pipesNear,
  plannedBefore,
} from '.';
import { tiesOf } from './ties';

/** A basin 3 m north and 4 m east of a house's north-east corner, and 20 m of pipe eastward from it. */
const yard = (laid: object = {}) =>
  jobOf(
    house,
    ground(50, 'basin'),
    basin({ place: { east: 14, north: 11 } }),
    out({ place: { east: 34, north: 11 }, groundLevel: -1.2 }),
    pipe('basin', { grade: { type: 'levels', up: -0.5, down: -1 }, ...laid }),
  );

it('a basin lies five metres from the corner that it is three north and four east of', () => {
  const job = yard();
  const [point] = builtPoints(job, planJob(job));
  expect(point).toMatchObject({ name: 'Basin', depth: 0.5, laid: null });
  const [near, far] = point!.ties!.tapes;
  expect(near).toEqual({ corner: 'House, north-east corner', length: 5 });
  // The nearest other corner with which the tapes cut well: 14 east and 3 north of the north-west one is too flat, 4 east and 11 north is not.
  expect(far.length).toBeCloseTo(Math.hypot(4, 11), 9);
  expect(asBuiltTable(job, planJob(job)).rows[0]).toEqual([
    'Basin',
    expect.stringMatching(/^5\.00\sm from House, north-east corner; 11\.70\sm from House, south-east corner$/),
    expect.stringMatching(/^500\smm$/),
    expect.stringMatching(/0\.500\sm$/),
    'not read: as planned',
  ]);
});

it('what was read as laid stands in the place of its plan, and is told beside it', () => {
  const job = yard({
    laid: [
      { along: 0, level: -0.53 },
      { along: 10, level: -0.75 },
    ],
  });
  const plan = planJob(job);
  expect(builtPoints(job, plan)[0]).toMatchObject({ laid: expect.closeTo(-0.53, 9), depth: expect.closeTo(0.53, 9) });
  expect(asBuiltTable(job, plan).rows[0]![4]).toMatch(/^30\smm low$/);
  expect(laidLines(job, plan)).toEqual([{ letter: 'A', read: 2, off: [{ up: 20, off: expect.closeTo(-0.03, 9) }] }]);
});

it('from any place two tapes to its corners lead back to it', () => {
  const corners = cornersOf(quillfeather());
  fc.assert(
    fc.property(
      fc.double({ min: -15, max: 30, noNaN: true }),
      fc.double({ min: -30, max: 15, noNaN: true }),
      (east, north) => {
        const ties = tiesOf(corners, { east, north });
        if (!ties) return;
        const [one, other] = ties.tapes.map(({ corner, length }) => ({
          place: corners.find(({ name }) => name === corner)!.place,
          length,
        })) as [
          { place: { east: number; north: number }; length: number },
          { place: { east: number; north: number }; length: number },
        ];
        const found = (['left', 'right'] as const).map((side) =>
          tie({ a: one.place, b: other.place, fromA: one.length, fromB: other.length, side }),
        );
        const off = found.map((each) =>
          each.ok ? Math.hypot(each.place.east - east, each.place.north - north) : Infinity,
        );
        expect(Math.min(...off)).toBeLessThan(1e-3);
      },
    ),
  );
  // No two corners are called alike.
  expect(new Set(corners.map(({ name }) => name)).size).toBe(corners.length);
});

it('tells whoever stands there which pipe is near, how far off and how deep', () => {
  const job = yard();
  const [below] = pipesNear(job, planJob(job), { east: 24, north: 12 }, 3);
  expect(below).toMatchObject({ run: 'pipe-basin', away: expect.closeTo(1, 9) });
  // Half way down: invert −0.75, ground half way between basin and way out.
  expect(below!.depth).toBeCloseTo(-0.6 + 0.75, 6);
  expect(pipesNear(job, planJob(job), { east: 24, north: 30 }, 3)).toEqual([]);
});

it('readings stand on the plan where they were taken, and those that are off are numbered from the head down', () => {
  const job = yard({
    laid: [
      { along: 0, level: -0.53 },
      { along: 5, level: -0.625 },
      { along: 10, level: -0.72 },
    ],
  });
  const { sketch, marks } = builtOnPlan(job, planJob(job))!;
  expect(marks.map(({ number, off }) => [number, Math.round(off * 1000)])).toEqual([
    [1, -30],
    [null, 0],
    [2, 30],
  ]);
  // The pipe runs 20 m east: its middle is half way between its ends on paper, all of them on one line.
  const [head, , middle] = marks;
  const scale = sketch.width / (34 - Math.min(0, 14));
  expect(middle!.x - head!.x).toBeCloseTo(10 * scale, 6);
  expect(middle!.y).toBeCloseTo(head!.y, 9);
  expect(builtOnPlan(yard(), planJob(yard()))).toBeNull();
});

it('photos stand by their place along the pipe that they are nearest to, and none that shows another thing', () => {
  const photo = (id: string, east: number, north: number) => ({
    id,
    kind: 'photo' as const,
    name: id,
    file: 'a'.repeat(64),
    place: { east, north },
  });
  const job = jobOf(...yard().elements.all, photo('lower', 30, 11.5), photo('far', 14, 30), photo('upper', 20, 10));
  expect(photosAlong(job).map(({ photo: { id }, run, along }) => [id, run, along])).toEqual([
    ['upper', 'pipe-basin', expect.closeTo(6, 9)],
    ['lower', 'pipe-basin', expect.closeTo(16, 9)],
  ]);
});

it('what was moved aside, laid deeper, added or left out is told beside the plan that was kept', () => {
  const planned = jobOf(
    ...yard().elements.all,
    basin({ id: 'second', name: 'Second', place: { east: 14, north: 20 } }),
    pipe('second', { to: 'out', length: 21.9 }),
  );
  const building = applyChange(planned, keepPlanned(planned)).job;
  expect(movedRuns(building, planJob(building), plannedBefore(building)!)).toEqual([]);
  // The first line goes round something 2 m to the south and ends 80 mm deeper; the second is not laid.
  const trunk = { ...elementOf(building, 'run', 'pipe-basin')!, bends: [{ east: 24, north: 9 }] };
  const laid = applyChange(building, {
    label: 'As it came',
    puts: [{ ...trunk, grade: { type: 'levels', up: -0.5, down: -1.08 } }],
    removes: ['pipe-second'],
  }).job;
  const before = plannedBefore(laid)!;
  const moved = movedRuns(laid, planJob(laid), before);
  expect(moved).toEqual([
    {
      run: 'pipe-basin',
      is: 'moved',
      aside: expect.closeTo(2, 6),
      deeper: { head: 0, foot: expect.closeTo(0.08, 6) },
    },
    { run: 'pipe-second', is: 'leftOut', aside: 0, deeper: { head: 0, foot: 0 } },
  ]);
  expect(movedWords(laid, before, moved[0]!)).toMatch(
    /lies up to 2\.00\sm off its planned way, 80\smm deeper at its foot\.$/,
  );
  expect(builtOnPlan(laid, planJob(laid), before)!.planned).not.toBe('');
  expect(plannedBefore(planned)).toBeNull();
  // Its price stays what it was, and nobody is offered it beside what lies there.
  const then = priceOf(planned, takeOff(planned, planJob(planned)));
  expect(plannedThen(laid)).toEqual({ cost: then.cost, price: then.price });
  expect(plannedThen(planned)).toBeNull();
  const offered = (job: Job) => quoteOf(job, planJob(job), takeOff(job, planJob(job)), {}).options;
  expect(offered(laid)).toEqual([]);
  expect(offered(applyChange(planned, keepAside(planned, 'Another way')).job)).toHaveLength(2);
});

/** Words on the plan, judged by plane geometry that shares nothing with the placing: none over another, a mark, a pipe or across a wall. */
import { groundPicture, markWords, planJob, type Job } from '@katabasis/core';
import { samples, situations } from '@katabasis/core/samples';
import fc from 'fast-check';
import { groundOnPlan } from '../../stations/yard/ground';
import { along, clipped, InkMap, on, placeWords, round, within, type Stand } from '@katabasis/core/lettering';
import { letteringOf, READ_FIRST, type PlanLettering, type WrittenWords } from './planWords';
import { sceneOf, type Thing } from './scene';
import { fitted, spotOf, zoomed, type Spot, type Viewport } from './viewport';

const LETTERING = { size: 14, lineHeight: 17 };

/** Corners of words as they stand. */
function cornersOf({ stand, width, lines }: WrittenWords): Spot[] {
  const [w, h] = [width / 2, (LETTERING.lineHeight * lines.length) / 2];
  const [cos, sin] = [Math.cos(stand.turn), Math.sin(stand.turn)];
  return [
    [-w, -h],
    [w, -h],
    [w, h],
    [-w, h],
  ].map(([x, y]) => ({ x: stand.x + x! * cos - y! * sin, y: stand.y + x! * sin + y! * cos }));
}

/** Whether two convex outlines have any spot in common: where none of their sides parts them. */
function touch(one: readonly Spot[], other: readonly Spot[]): boolean {
  for (const outline of [one, other])
    for (const [k, a] of outline.entries()) {
      const b = outline[(k + 1) % outline.length]!;
      const [nx, ny] = [b.y - a.y, a.x - b.x];
      if (nx === 0 && ny === 0) continue;
      const reach = (spots: readonly Spot[]): [number, number] => {
        const all = spots.map(({ x, y }) => x * nx + y * ny);
        return [Math.min(...all), Math.max(...all)];
      };
      const [[least, most], [low, high]] = [reach(one), reach(other)];
      if (most < low + 1e-9 || high < least + 1e-9) return false;
    }
  return true;
}

const square = ({ x, y }: Spot, half: number): Spot[] => [
  { x: x - half, y: y - half },
  { x: x + half, y: y - half },
  { x: x + half, y: y + half },
  { x: x - half, y: y + half },
];

/** What nothing is written across: marks as squares, pipes and walls as stretches. */
function inkIn(things: readonly Thing[], view: Viewport): { id: string; outline: Spot[] }[] {
  return things.flatMap(({ id, kind, shape, places }) => {
    const spots = places.map((place) => spotOf(view, place));
    if (shape === 'place') return kind === 'spotLevel' ? [] : [{ id, outline: square(spots[0]!, 5) }];
    if (!['run', 'channel', 'building', 'opening'].includes(kind)) return [];
    const round = shape === 'outline' ? [...spots, spots[0]!] : spots;
    return round.slice(1).map((b, k) => ({ id, outline: [round[k]!, b] }));
  });
}

/** A job's plan in a view, lettered. */
function lettered(job: Job, width: number, height: number, zoom: number) {
  const plan = planJob(job);
  const things = sceneOf(job);
  const picture = groundPicture(job, null);
  const whole = fitted(
    things.flatMap(({ places }) => places),
    width,
    height,
  );
  const view = zoomed(whole, zoom, { x: width / 2, y: height / 2 });
  const ground = picture && groundOnPlan(job, picture);
  const drawn = {
    view,
    things,
    ground,
    wordsOf: (thing: Thing) => markWords(job, plan, thing.element),
    draw: () => null,
    chosen: null,
    us: true,
  };
  return { view, things, lettering: letteringOf(drawn, LETTERING) };
}

const jobs = (): [string, Job][] => [
  ...samples().map((job): [string, Job] => [job.id, job]),
  ...Object.entries(situations()).map(([name, { job }]): [string, Job] => [name, job]),
];
const SCREENS = [
  [390, 560],
  [730, 640],
  [1240, 920],
] as const;
const ZOOMS = [1, 2, 4];

/** What is written where it may not be. */
function faultsOf({ view, things, lettering }: ReturnType<typeof lettered>): string[] {
  const ink = inkIn(things, view);
  const all = lettering.written.map((each) => ({ ...each, outline: cornersOf(each) }));
  return all.flatMap((one, k) => {
    const over = [...ink, ...all.slice(k + 1)].filter(({ outline }) => touch(one.outline, outline));
    const isOut = one.outline.some(({ x, y }) => x < 0 || y < 0 || x > view.width || y > view.height);
    return [
      ...over.map(({ id }) => `${one.lines[0]!.words} over ${id}`),
      ...(isOut ? [`${one.lines[0]!.words} outside`] : []),
    ];
  });
}

it('on the samples and situations at three widths and zooms nothing is written over words, marks, pipes or walls', () => {
  let [words, asked, first, firstAsked] = [0, 0, 0, 0];
  const views = jobs().flatMap(([name, job]) =>
    SCREENS.flatMap((screen) => ZOOMS.map((zoom) => ({ name, job, screen, zoom }))),
  );
  const wrong = views.flatMap(({ name, job, screen: [width, height], zoom }) => {
    const seen = lettered(job, width, height, zoom);
    const { lettering } = seen;
    words += lettering.written.length;
    asked += lettering.asked.first + lettering.asked.others;
    first += firstOf(lettering);
    firstAsked += lettering.asked.first;
    return faultsOf(seen).map((fault) => `${name} ${width} ×${zoom}: ${fault}`);
  });
  console.log(`${words} of ${asked} words are placed; of those read first ${first} of ${firstAsked}`);
  expect(wrong).toEqual([]);
  // What is to be read first is there for the most part; from afar on a phone not all of it has room.
  expect(first / firstAsked).toBeGreaterThan(0.65);
});

/** How many of the words that a plan is read by have room. */
const firstOf = ({ written }: PlanLettering): number => written.filter(({ rank }) => rank >= READ_FIRST - 0.5).length;

it('a plan that is moved keeps its words where they stand on the ground', () => {
  const [, job] = jobs()[0]!;
  const plan = planJob(job);
  const things = sceneOf(job).filter(({ kind }) => kind !== 'spotLevel');
  const at = (dx: number): ReadonlyMap<string, Stand> => {
    const whole = fitted(
      things.flatMap(({ places }) => places),
      1600,
      1400,
    );
    const view = {
      ...whole,
      scale: whole.scale * 0.6,
      centre: { ...whole.centre, east: whole.centre.east - dx / (whole.scale * 0.6) },
    };
    const wordsOf = (thing: Thing) => markWords(job, plan, thing.element);
    const drawn = { view, things, ground: null, wordsOf, draw: () => null, chosen: null, us: true };
    return new Map(letteringOf(drawn, LETTERING).written.map(({ id, stand }) => [id, stand]));
  };
  const [still, moved] = [at(0), at(37.4)];
  expect([...moved.keys()]).toEqual([...still.keys()]);
  for (const [id, { x, y }] of still)
    expect([id, moved.get(id)!.x - x, moved.get(id)!.y - y]).toEqual([
      id,
      expect.closeTo(37.4, 6),
      expect.closeTo(0, 6),
    ]);
});

const frame = { left: 0, top: 0, right: 400, bottom: 400 };
const maps = () => {
  const [firm, solid, faint] = [0, 1, 2].map(() => new InkMap(frame, { x: 0, y: 0 }));
  return { firm: firm!, solid: solid!, faint: faint! };
};

it('counts the ink under a box as walking its cells does, however it is turned', () => {
  const spot = fc.record({ x: fc.integer({ min: -40, max: 440 }), y: fc.integer({ min: -40, max: 440 }) });
  fc.assert(
    fc.property(
      fc.array(fc.tuple(spot, spot), { maxLength: 6 }),
      spot,
      fc.integer({ min: 4, max: 90 }),
      (lines, at, half) => {
        const ink = new InkMap(frame, { x: 1.5, y: 2.25 });
        for (const [a, b] of lines) ink.line(a, b);
        const box = { left: at.x - half, right: at.x + half, top: at.y - 9, bottom: at.y + 9 };
        const some = ink.under(box) > 0;
        // What the box surely meets it has, and what it surely has it meets: a cell is 3 px.
        const meets = (by: number): boolean => lines.some(([a, b]) => touch([a, b], square2(box, by)) && inside(a, b));
        if (meets(-5)) expect(some).toBe(true);
        if (some) expect(lines.some(([a, b]) => touch([a, b], square2(box, 6)))).toBe(true);
        if (ink.underTurned({ ...at, turn: 0 }, 2 * half, 18) > 0) expect(some).toBe(true);
      },
    ),
    { numRuns: 300 },
  );
});
const square2 = (box: typeof frame, by: number): Spot[] => [
  { x: box.left - by, y: box.top - by },
  { x: box.right + by, y: box.top - by },
  { x: box.right + by, y: box.bottom + by },
  { x: box.left - by, y: box.bottom + by },
];
/** Whether a stretch lies in the frame, where its ink is kept. */
const inside = (a: Spot, b: Spot): boolean => [a, b].every(({ x, y }) => x > 0 && y > 0 && x < 400 && y < 400);

it('the weightier has the better place, what is brief stands only where the whole has no room, and the chosen is always there', () => {
  const size = { width: 80, height: 17 };
  const stands = round({ x: 200, y: 200 }, 10, size);
  const one = { id: 'a', ...size, rank: 9, stands };
  const ground = maps();
  const both = placeWords([{ ...one, id: 'b', rank: 5 }, one], frame, [], ground).stands;
  expect(both.get('a')).toEqual(stands[0]);
  expect(both.get('b')).not.toEqual(stands[0]);
  const brief = { ...one, id: 'a brief', unless: 'a', rank: 8.5 };
  expect([...placeWords([one, brief], frame, [], ground).stands.keys()]).toEqual(['a']);
  ground.firm.box(frame);
  expect(placeWords([one, brief], frame, [], ground).stands.size).toBe(0);
  expect([...placeWords([{ ...one, always: true }], frame, [], ground).stands.keys()]).toEqual(['a']);
});

it('words along a way run with it and keep off it; within an outline they lie in it; on a contour they follow it', () => {
  const size = { width: 60, height: 17 };
  const way = [
    { x: 300, y: 300 },
    { x: 100, y: 100 },
  ];
  for (const stand of along(way, 3, size)) {
    expect(stand.turn).toBeCloseTo(Math.PI / 4, 9);
    // Off the line through both ends by more than half of its height.
    expect(Math.abs(stand.x - stand.y) / Math.SQRT2).toBeGreaterThan(3 + 17 / 2);
  }
  expect(
    along(
      [
        { x: 0, y: 0 },
        { x: 50, y: 0 },
      ],
      3,
      size,
    ),
  ).toEqual([]);
  const house = square({ x: 200, y: 200 }, 60);
  for (const { x, y } of within(house, size))
    expect(Math.abs(x - 200) <= 30 && Math.abs(y - 200) <= 60 - 8.5).toBe(true);
  expect(within(square({ x: 0, y: 0 }, 20), size)).toEqual([]);
  const contour = Array.from({ length: 40 }, (_, k) => ({ x: 5 * k, y: 0.5 * k }));
  for (const { turn } of on(contour, size)) expect(turn).toBeCloseTo(Math.atan2(0.5, 5), 6);
});

it('of a stretch the part in a box is what a walk along it finds there', () => {
  const spot = fc.record({ x: fc.integer({ min: -90, max: 190 }), y: fc.integer({ min: -90, max: 190 }) });
  const box = { left: 0, top: 0, right: 100, bottom: 100 };
  fc.assert(
    fc.property(spot, spot, (a, b) => {
      const seen = clipped(a, b, box);
      for (let k = 0; k <= 200; k++) {
        const [x, y] = [a.x + ((b.x - a.x) * k) / 200, a.y + ((b.y - a.y) * k) / 200];
        const [from, to] = seen ?? [2, -1];
        const told = k / 200 >= from && k / 200 <= to;
        // On the box's very edge either may be told.
        const off = Math.min(x, y, 100 - x, 100 - y);
        if (Math.abs(off) > 1e-6) expect(told).toBe(off > 0);
      }
    }),
  );
});

it('near by, where lines are a hundred thousand px long, what is seen is written as clear as from afar', () => {
  const [, job] = jobs()[0]!;
  const seen = lettered(job, 390, 560, 400);
  expect(seen.view.scale).toBeGreaterThan(500);
  expect(faultsOf(seen)).toEqual([]);
});

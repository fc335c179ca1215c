import fc from 'fast-check';
import { changed } from '../job/change';
import { jobFaults } from '../job/faults';
import { headOf, ofKind, type Job } from '../job/job';
import type { Element } from '../job/kinds';
import { quickElements } from '../job/edits/quickJob';
import { jobFrom } from '../job/job';
import { partRate } from '../price/book';
import { netOf, takeOff } from '../quantities/takeOff';
import { cautionsOf } from '../sheets/cautions';
import { brackenfold, quillfeather, wrenmoor } from '../samples';
import { everyKindYard } from '../testing/everyKind';
import { channel, out, pipe, rain, spout, face, jobOf, node } from '../testing/parts';
import { drainOf } from '../testing/someWorks';
import { randomJob } from '../testing/randomJob';
import { seededWhole } from '../trial/seededWhole';
import { planJob } from '../verdict/planJob';
import { differenceOf, standingOf, type Difference } from './difference';
import { byCompany, sideOfCompany, withSide } from './company';
import { schoolById, SCHOOLS, schoolsIn } from './schools';
import type { School } from './school';
import { differenceWords } from './words';

const standing = (job: Job): ReturnType<typeof standingOf> => standingOf(job, planJob(job));
const on = (job: Job, school: School, side: string): Job => changed(job, school.choose(job, side));
const school = (id: string): School => schoolById(id)!;

/** Two lines side by side, a foot and a half apart, the first through the roots of a tree. */
const drawn = (): Job =>
  jobOf(
    rain(),
    { id: 'oak', kind: 'tree', name: 'Oak', place: { east: 15, north: 0 }, crown: 8, vigour: 'aggressive' },
    ...[0, 0.45].flatMap((north, k) => [
      face(80, `d${k}`, { id: `f${k}` }),
      spout({ id: `d${k}`, place: { east: 0, north } }),
      pipe(`d${k}`, { to: `o${k}`, length: 30, material: 'smooth', nominal: 0.1016 }),
      out({ id: `o${k}`, place: { east: 30, north }, groundLevel: -2 }),
    ]),
  );

/** One downspout into smooth pipe with a bend, out at a pop-up on a lawn; another beside it in corrugated. */
const plain = (): Job =>
  jobOf(
    rain(),
    face(100, 'ds'),
    spout({ id: 'ds' }),
    pipe('ds', { to: 'bend', length: 20, material: 'smooth', nominal: 0.1016 }),
    node('bend', { id: 'bend' }),
    pipe('bend', { to: 'out', length: 40, material: 'smooth', nominal: 0.1016 }),
    out({ id: 'out', form: 'popup', receiving: 'lawn', groundLevel: -2 }),
    face(60, 'ds2'),
    spout({ id: 'ds2' }),
    pipe('ds2', { to: 'out2', length: 30, material: 'singleWall', nominal: 0.1016, under: 'slab' }),
    out({ id: 'out2', groundLevel: -2 }),
  );

/** A channel across drawn paving of 8 by 5 m, a foot and a half from its edge. */
const paved = (): Job =>
  jobOf(
    rain(),
    {
      id: 'patio',
      kind: 'surface',
      name: 'Patio',
      cover: 'paving',
      outline: [
        { east: 0, north: 0 },
        { east: 8, north: 0 },
        { east: 8, north: 5 },
        { east: 0, north: 5 },
      ],
      feeds: [{ to: 'channel', share: 1 }],
    },
    channel({
      id: 'channel',
      way: [
        { east: 1, north: 0.5 },
        { east: 6, north: 0.5 },
      ],
      length: 5,
    }),
    pipe('channel', { to: 'out', length: 12, lengthFrom: 'plan', material: 'singleWall' }),
    out({ id: 'out', place: { east: 18, north: 0.5 }, groundLevel: -2 }),
  );

const JOBS: readonly (readonly [string, Job])[] = [
  ['clinic', quillfeather()],
  ['terrace', brackenfold()],
  ['green', wrenmoor()],
  ['plain', plain()],
  ['drawn', drawn()],
  ['paved', paved()],
  ['every kind', everyKindYard()],
];

it.each(JOBS)('%s: whatever is chosen is what the job is then on, and the job stays whole', (_, job) => {
  for (const asked of schoolsIn(job))
    for (const { id } of asked.sides) {
      const then = on(job, asked, id);
      expect([asked.id, asked.chosen(then)]).toEqual([asked.id, id]);
      expect(jobFaults(then)).toEqual([]);
      // What is chosen once is not changed by choosing it again.
      expect(on(then, asked, id).elements.all).toEqual(then.elements.all);
    }
});

it('a job by hand or by chance comes to the side that is chosen, and back to what it cost', () => {
  fc.assert(
    fc.property(randomJob({ byHand: true }), fc.nat(), fc.nat(), (job, which, side) => {
      const asked = schoolsIn(job).filter(
        (each) => each.chosen(job) !== null && each.id !== 'laser' && each.group !== 'built',
      );
      if (asked.length === 0) return;
      const one = asked[which % asked.length]!;
      const before = one.chosen(job)!;
      const to = one.sides[side % one.sides.length]!.id;
      const there = on(job, one, to);
      const back = on(there, one, before);
      const [from, then] = [standing(job), standing(there)];
      const [way, home] = [differenceOf(from, then), differenceOf(then, standing(back))];
      expect(way.asked + home.asked).toBe(0);
      expect(way.hours + home.hours).toBeCloseTo(0, 9);
      expect(home.gone.map(({ said }) => said).sort()).toEqual(way.come.map(({ said }) => said).sort());
      if (to === before) expect(differenceWords(way, 'us')).toEqual({ short: '', lines: [] });
    }),
    { numRuns: 60 },
  );
});

it('what is built otherwise is a whole job that can be planned, on the side that was chosen', () => {
  let drawn = 0;
  for (let seed = 1; seed <= 60; seed++) {
    const job = seededWhole(seed);
    const known = new Set(jobFaults(job).map(({ path }) => path));
    for (const asked of schoolsIn(job).filter(({ group }) => group === 'built'))
      for (const { id } of asked.sides) {
        const then = on(job, asked, id);
        expect([seed, asked.id, asked.chosen(then)]).toEqual([seed, asked.id, id]);
        expect(jobFaults(then).filter(({ path }) => !known.has(path))).toEqual([]);
        expect(planJob(then).verdict).toBeDefined();
        drawn++;
      }
  }
  expect(drawn).toBeGreaterThan(60);
});

it('what is none of the sides is on none of them: old clay, pea stone, woven sheet', () => {
  const job = jobOf(
    drainOf({ stone: 'pea', fabric: 'woven' }),
    spout(),
    pipe('spout', { length: 9, material: 'clay' }),
    out({ groundLevel: -2 }),
  );
  for (const id of ['make', 'stone', 'fabric']) expect([id, school(id).chosen(job)]).toEqual([id, null]);
});

it('no question is idle: every side of each changes something in one job or another', () => {
  const changes = (id: string, side: string): boolean =>
    JOBS.some(([, job]) => {
      const asked = school(id);
      if (!asked.asks(job)) return false;
      const from = asked.sides.find((each) => each.id !== side)!.id;
      const difference = differenceOf(standing(on(job, asked, from)), standing(on(job, asked, side)));
      const { short, lines } = differenceWords(difference, 'us');
      return short !== '' || lines.length > 0;
    });
  const idle = SCHOOLS.flatMap(({ id, sides }) => sides.map((side) => [id, side.id] as const)).filter(
    ([id, side]) => !changes(id, side),
  );
  expect(idle).toEqual([]);
});

describe('by hand', () => {
  const of = (id: string, side: string): Difference => {
    const job = plain();
    return differenceOf(standing(job), standing(on(job, school(id), side)));
  };

  it('8 in of cover digs 4 in less, and is told so', () => {
    // On level ground, to a main deep enough: the trench is cover, pipe and fall.
    const job = jobOf(
      face(100, 'ds'),
      spout({ id: 'ds' }),
      pipe('ds', { to: 'main', length: 20 }),
      out({ id: 'main', form: 'main', groundLevel: 0, controlLevel: -4 }),
    );
    const { deepest } = differenceOf(standing(job), standing(on(job, school('cover'), 'shallow')));
    expect(deepest![0] - deepest![1]).toBeCloseTo(4 * 0.0254, 6);
  });

  it('¼ in a foot is what no pipe then falls less than', () => {
    const { leastPitch } = of('pitch', 'quarter');
    expect(leastPitch![1]).toBeCloseTo(1 / 48, 6);
  });

  it('pipe pushed together dry takes no cement, and among roots it is minded', () => {
    const job = on(plain(), school('glue'), 'pushed');
    const { parts } = takeOff(job, planJob(job));
    expect(netOf(parts, 'cement', 'primer', 'cleaner')).toBe(0);
    expect(netOf(parts, 'tape')).toBeGreaterThan(0);
    const yard = quillfeather();
    const rooted = (each: Job): number => planJob(each).snags.filter(({ code }) => code === 'rootsCrossed').length;
    const smooth = on(yard, school('make'), 'smooth');
    expect(rooted(on(smooth, school('glue'), 'pushed'))).toBeGreaterThanOrEqual(rooted(smooth));
  });

  it('pipe butted in the stone takes no fitting there, and fabric round the gap', () => {
    const job = jobOf(
      drainOf(),
      pipe('drain', { length: 9, nominal: 0.1016, material: 'singleWall' }),
      out({ groundLevel: -2 }),
    );
    const butted = on(job, school('stoneJoint'), 'butted');
    const set = (of: Job): number => netOf(takeOff(of, planJob(of)).parts, 'coupler', 'adapter', 'reducer', 'boot');
    expect(set(job) - set(butted)).toBe(1);
    const fabricOf = (of: Job): number => netOf(takeOff(of, planJob(of)).parts, 'fabric');
    // Twice round 4 in, a foot either way.
    expect(fabricOf(butted) - fabricOf(job)).toBeCloseTo(1.2 * Math.PI * 0.1016, 6);
  });

  it('corrugated pipe of recycled plastic costs 0.85 of virgin, and is minded in frost; smooth pipe is not made of it', () => {
    const job = on(plain(), school('plastic'), 'recycled');
    const pipes = takeOff(job, planJob(job)).parts.flatMap(({ item }) => (item.type === 'pipe' ? [item] : []));
    expect(pipes.filter(({ recycled }) => recycled).map(({ material }) => material)).toEqual(['singleWall']);
    const made = { type: 'pipe', material: 'singleWall', nominal: 0.1016 } as const;
    expect(partRate({ ...made, recycled: true }) / partRate(made)).toBeCloseTo(0.85, 9);
    expect(cautionsOf(job, planJob(job), takeOff(job, planJob(job))).join(' ')).toMatch(/recycled plastic cracks/);
  });

  it('joints that are not taped take no tape', () => {
    const job = on(plain(), school('jointTape'), 'bare');
    expect(netOf(takeOff(job, planJob(job)).parts, 'tape')).toBe(0);
  });

  it('what comes up, what goes and what gets worse is named in words', () => {
    const job = quillfeather();
    const difference = differenceOf(standing(job), standing(on(job, school('pitch'), 'quarter')));
    const { short, lines } = differenceWords(difference, 'us');
    // It lacks fall as it is, and lacks more of it twice as steep.
    expect(short).toMatch(/1 worse$/);
    expect(lines.join(' ')).toMatch(/Worse: Line A lacks/);
    expect(lines.filter((line) => /^0(\.0+)?\D/.test(line))).toEqual([]);
  });
});

it('a company’s sides stand in its new jobs: the ways in the head, the others on what the job has', () => {
  const job = plain();
  const chosen: [string, string][] = [
    ['make', 'doubleWall'],
    ['pitch', 'quarter'],
    ['cover', 'shallow'],
    ['digger', 'hand'],
    ['marked', 'none'],
    ['popup', 'weep'],
  ];
  let company = {};
  for (const [id, side] of chosen) {
    const asked = school(id);
    expect(sideOfCompany(company, asked)).not.toBe(side);
    company = withSide(company, asked, on(job, asked, side), side);
    expect(sideOfCompany(company, asked)).toBe(side);
  }
  const typed = quickElements({
    name: 'New',
    units: 'us',
    rain: null,
    inlets: [{ kind: 'downspout', area: 100, groundLevel: 0, toNext: 20 }],
    wayOut: { form: 'popup', receiving: 'lawn', groundLevel: -2 },
  });
  const begun = jobFrom('new', byCompany(typed, company));
  for (const [id, side] of chosen) expect([id, school(id).chosen(begun)]).toEqual([id, side]);
  expect(begun.elements.all.map(({ id }: Element) => id)).toEqual(typed.map(({ id }) => id));
  // A side that a later version of the product no longer knows is passed over.
  expect(byCompany(typed, { schools: { make: 'lead', nothing: 'at all' } })).toEqual(typed);
  expect(headOf(begun).ways).toMatchObject({ digger: 'hand', markingTape: false, make: 'doubleWall' });
  expect(ofKind(begun, 'run').every(({ material }) => material === 'doubleWall')).toBe(true);
});

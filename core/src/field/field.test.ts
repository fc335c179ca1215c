import fc from 'fast-check';
import { changed, put } from '../job/change';
import { elementOf, type Job } from '../job/job';
import { splitRun } from '../job/edits/insert';
import type { Element, Junction } from '../job/kinds';
import { straightOn } from '../numeric/straight';
import { planJob, type Plan } from '../verdict/planJob';
import { quillfeather } from '../samples';
import { basin, ground, jobOf, out, pipe } from '../testing/parts';
import { METRES_PER_INCH } from '../units/constants';
import { judgedWords } from './words';
import { judgeLaid, laidOn, readElsewhere, type Laid } from './asLaid';
import { digSheet, targetRod, type DigLine, type DigStation } from './digSheet';
import { rePitch } from './rePitch';

/** 20 m from a basin at 0 to a swale, inverts −0.6 and −1: 2 %. */
const yard = (more: object = {}): Job =>
  jobOf(
    ground(50, 'basin'),
    basin(),
    out({ groundLevel: -1, bank: undefined }),
    pipe('basin', { grade: { type: 'levels', up: -0.6, down: -1 }, ...more }),
  );
const inch = METRES_PER_INCH;
const sheet = (job: Job, every = 3): { plan: Plan; line: DigLine } => {
  const plan = planJob(job);
  return { plan, line: digSheet(job, plan, every)[0]! };
};
const at = ({ stations }: DigLine, up: number): DigStation => stations.find((each) => Math.abs(each.up - up) < 1e-6)!;

describe('a dig sheet', () => {
  it('begins at the way out and goes up: a station every so many metres and one at each landing', () => {
    const { line } = sheet(yard());
    expect(line.stations.map(({ up }) => up)).toEqual([0, 3, 6, 9, 12, 15, 18, 20]);
    expect(line.stations.map(({ landing }) => landing)).toEqual(['out', null, null, null, null, null, null, 'basin']);
    // By hand: invert −1 + 0.02 × 9 = −0.82; a line of sight at 1.2 reads 2.02 there.
    expect(at(line, 9).invert).toBeCloseTo(-0.82, 9);
    expect(targetRod(1.2, at(line, 9))).toBeCloseTo(2.02, 9);
    expect(at(line, 20).cut).toBeCloseTo(0.6, 9);
  });

  it('of the clinic: every line has its runs once, its cut is ground less invert, its levels rise all the way up', () => {
    const job = quillfeather();
    const plan = planJob(job);
    const lines = digSheet(job, plan, 3.048);
    expect(lines.flatMap(({ runs }) => runs).sort()).toEqual(Object.keys(plan.runs).sort());
    for (const { stations, length, runs } of lines) {
      expect(length).toBeCloseTo(
        runs.reduce((sum, id) => sum + plan.runs[id]!.length, 0),
        9,
      );
      stations.forEach(({ up, invert, ground: level, cut, bedding }, k) => {
        expect(cut).toBeCloseTo(Math.max(0, level - invert) + bedding, 9);
        if (k > 0) {
          // A pipe that comes in higher than the next one leaves is told at both inverts.
          if (stations[k - 1]!.landing === null || invert < stations[k - 1]!.invert + 0.001)
            expect(up).toBeGreaterThan(stations[k - 1]!.up);
          // Crowns, not inverts, meet where a smaller pipe comes into a larger one: it may step up, never down.
          expect(invert).toBeGreaterThanOrEqual(stations[k - 1]!.invert - 1e-9);
        }
      });
    }
    expect(lines.flatMap(({ meets }) => meets.map(({ id }) => id))).toContain('gas');
    // The 4 in that comes into the 6 in at the first wye, crown to crown, lies as much higher.
    const atWye = lines[0]!.stations.filter(({ landing }) => landing === 'wye1');
    expect(atWye.map(({ run }) => run)).toEqual(['trunkUpper', expect.any(String)]);
    expect(atWye[1]!.invert - atWye[0]!.invert).toBeCloseTo(2 * 0.0254, 3);
  });
});

it('what was read has its station whatever the spacing is, and after the line was measured anew', () => {
  const read = yard({ laid: [{ along: 11, level: -0.82 }] });
  // 9 m up: on a station every 3 m, and on none every 2.
  for (const every of [3, 2]) {
    const { line } = sheet(read, every);
    expect(line.stations.filter(({ up }) => Math.abs(up - 9) < 1e-9)).toHaveLength(1);
    expect(line.stations.map(({ up }) => up)).toEqual([...line.stations.map(({ up }) => up)].sort((a, b) => a - b));
  }
  const longer = sheet(yard({ length: 20.4, laid: [{ along: 11, level: -0.82 }] }));
  const [at94] = laidOn(yard({ length: 20.4, laid: [{ along: 11, level: -0.82 }] }), longer.line);
  expect(longer.line.stations.map(({ up }) => up)).toContainEqual(expect.closeTo(at94!.up, 9));
});

describe('a reading in the trench', () => {
  const { plan, line } = sheet(yard());
  const run = plan.runs['pipe-basin']!;
  const judge = (up: number, off: number, others: Laid[] = []) => {
    const station = at(line, up);
    return judgeLaid(station, station.invert + off, others, run);
  };

  it.each([
    [0, 'right'],
    [0.24 * inch, 'right'],
    [-0.24 * inch, 'right'],
    [0.26 * inch, 'high'],
    [-0.26 * inch, 'low'],
  ] as const)('%f m off is %s', (off, state) => expect(judge(9, off).state).toBe(state));

  it('that is another station’s is said to be, with the nearest such station; one that is right, or nobody’s, is not', () => {
    const [here, there] = [at(line, 9), at(line, 12)];
    expect(readElsewhere(line, here, there.invert)?.up).toBeCloseTo(there.up, 9);
    expect(readElsewhere(line, here, here.invert + 0.2 * inch)).toBeNull();
    expect(readElsewhere(line, here, here.invert + 3)).toBeNull();
  });

  it('lower than what was laid below it is a back fall, however near to the plan', () => {
    const below: Laid = { run: 'lower', up: 6, level: at(line, 6).invert + 0.065 };
    const back = judge(9, 0, [below]);
    expect(back).toMatchObject({ state: 'backFall', back: expect.closeTo(0.005, 9) });
    expect(judge(9, 0.006, [below]).state).toBe('right');
  });

  it('low, with what is below it too flat, says so though the rest still drains', () => {
    // 9 m from a foot at −0.98 to −0.8 planned, 2 %; 13 cm lower it falls 5 cm over them, where ½ % asks 4.5 cm, and 15 cm lower 3.
    expect(judge(9, -0.12).flat).toBeNull();
    const low = judge(9, -0.15);
    expect(low.flat).toMatchObject({ length: 9, least: 0.005 });
    expect(low.flat!.pitch).toBeCloseTo((run.invertUp - 0.22 - 0.15 - run.invertDown) / 9, 9);
    expect(judgedWords(yard(), low).rest).toMatch(
      /^The 9\.00\sm below it fall only 0\.\d+\s?%, where 0\.50\s?% is the least/,
    );
    // What was read below it counts, not what was planned there.
    const below: Laid = { run: run.id, up: 6, level: at(line, 6).invert - 0.15 };
    expect(judge(9, -0.15, [below]).flat).toBeNull();
  });

  it('half an inch high still drains where the rest has fall to spare, and says at what pitch', () => {
    const { rest } = judge(9, 0.5 * inch);
    // 11 m left to a head at −0.6, from −0.8073.
    expect(rest).toMatchObject({ length: 11, raise: 0, drains: true });
    expect(rest!.pitch).toBeCloseTo((0.22 - 0.5 * inch) / 11, 9);
    expect(judgedWords(yard(), judge(9, 0.5 * inch)).rest).toMatch(
      /^Still drains: the 11\.00\sm up to Basin lie at 1\.88\s?%\.$/,
    );
  });

  it('too high for its least pitch raises the head, and drains no more where no cover is left for that', () => {
    const high = judge(18, 0.1);
    // 2 m at the ½ % of large smooth pipe from −0.54 come to −0.53: 7 cm over the head as planned.
    expect(high.rest!.raise).toBeCloseTo(0.07, 9);
    expect(high.rest!.cover).toBeCloseTo(run.coverUp - 0.07, 9);
    expect(high.rest!.drains).toBe(true);
    const lost = judge(18, run.coverUp - run.leastCover + 0.05);
    expect(lost.rest!.drains).toBe(false);
    expect(judgedWords(yard(), lost).rest).toContain('Does not drain any more');
  });

  it('whatever is said to drain, does: re-pitched so, its rest falls at its least pitch or more and is covered', () => {
    fc.assert(
      fc.property(fc.constantFrom(3, 6, 9, 12, 15, 18), fc.double({ min: -0.05, max: 0.3, noNaN: true }), (up, off) => {
        const station = at(line, up);
        const level = station.invert + off;
        const { rest } = judgeLaid(station, level, [], run);
        const change = rePitch(yard(), run, station, level, rest!.raise)!;
        const again = changed(yard(), change);
        const runs = Object.values(planJob(again).runs);
        const upper = runs.find(({ from }) => from === 'basin')!;
        const lower = runs.find(({ to }) => to === 'out')!;
        // What is laid lies where it was read.
        expect(lower.invertUp).toBeCloseTo(level, 6);
        expect(lower.invertDown).toBeCloseTo(-1, 6);
        expect(upper.invertDown).toBeCloseTo(level, 6);
        if (!rest!.drains) return;
        expect(upper.pitch).toBeGreaterThanOrEqual(run.leastPitch - 1e-6);
        expect(upper.coverUp).toBeGreaterThanOrEqual(run.leastCover - 2e-3);
      }),
      { numRuns: 40 },
    );
  });

  it('of a line lie as far up it as they were read, also on the second pipe', () => {
    const job = quillfeather();
    const lines = digSheet(job, planJob(job), 3.048);
    const { stations, runs } = lines.find((each) => each.runs.length > 1)!;
    const [low, high] = runs.map((id) => stations.filter((each) => each.run === id).at(-1)!);
    const read = (station: DigStation): Element => ({
      ...elementOf(job, 'run', station.run)!,
      laid: [{ along: station.along, level: station.invert }],
    });
    const laid = changed(job, put('Read', read(low!), read(high!)));
    expect(
      laidOn(
        laid,
        digSheet(laid, planJob(laid), 3.048).find(({ runs: [first] }) => first === runs[0])!,
      ),
    ).toEqual([
      { run: low!.run, up: expect.closeTo(low!.up, 9), level: low!.invert },
      { run: high!.run, up: expect.closeTo(high!.up, 9), level: high!.invert },
    ]);
  });

  it('is planned straight between stations', () => {
    const planned = straightOn(
      line.stations.map(({ up }) => up),
      line.stations.map(({ invert }) => invert),
      10,
    );
    expect(planned.value).toBeCloseTo(-0.8, 9);
  });
});

it('readings stay with the pipe that they were read on when a run is split', () => {
  const laid = [
    { along: 2, level: -0.64 },
    { along: 15, level: -0.9 },
  ];
  const job = yard({ laid });
  const mid: Junction = { id: 'mid', kind: 'junction', form: 'bend', name: 'Mid', groundLevel: -0.4 };
  const parted = changed(job, splitRun(elementOf(job, 'run', 'pipe-basin')!, mid, 'lower', 10));
  expect(elementOf(parted, 'run', 'pipe-basin')!.laid).toEqual([laid[0]]);
  expect(elementOf(parted, 'run', 'lower')!.laid).toEqual([{ along: 5, level: -0.9 }]);
  expect(changed(job, put('Same', elementOf(job, 'run', 'pipe-basin')!)).elements.all).toEqual(job.elements.all);
});

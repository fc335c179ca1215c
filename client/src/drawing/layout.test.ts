import {
  applyChange,
  planJob,
  put,
  removal,
  routeOf,
  sectionAt,
  sectionOf,
  type Element,
  type Job,
} from '@katabasis/core';
import { quillfeather } from '@katabasis/core/samples';
import { LAST_ROW, layOutDescent, ROW } from './descentLayout';
import { ticksOf } from './axis';

const sample = quillfeather();
const changed = (job: Job, id: string, by: object): Job =>
  applyChange(job, put('Test', { ...job.elements.get(id)!, ...by } as Element)).job;

describe('the descent', () => {
  const steep = changed(sample, 'swale', { groundLevel: -12, controlLevel: -12.2 });

  it.each([
    ['the sample', sample],
    ['a deep one', steep],
    ['one without its trunk', applyChange(sample, removal(sample, 'wye1')).job],
  ])('of %s reads downward by level, with room for its words, and never closer than true', (_, job) => {
    const { rows, scale } = layOutDescent(planJob(job));
    rows.slice(1).forEach((row, index) => {
      const above = rows[index]!;
      expect(row.level).toBeLessThanOrEqual(above.level);
      expect(row.y - above.y).toBeGreaterThanOrEqual(above.run ? ROW : LAST_ROW);
      // True to scale unless the words needed more, and it says so.
      if (!row.stretched) expect(row.y - rows[0]!.y).toBeCloseTo((rows[0]!.level - row.level) * scale, 6);
    });
    expect(new Set(rows.map((row) => row.id)).size).toBe(rows.length);
  });

  it('gives lines that stand beside each other lanes of their own', () => {
    const plan = planJob(sample);
    const { rows, rowOf, lanes } = layOutDescent(plan);
    expect(lanes).toBeGreaterThanOrEqual(3);
    const spans = plan.lines.map((line) => {
      const ids = line.runs.map((run) => plan.runs[run]!.from);
      const foot = rows[rowOf.get(plan.runs[line.runs.at(-1)!]!.to)!]!;
      return { lane: rows[rowOf.get(ids[0]!)!]!.lane, from: rows[rowOf.get(ids[0]!)!]!.y, to: foot.y };
    });
    for (const a of spans)
      for (const b of spans) if (a !== b && a.lane === b.lane) expect(a.to <= b.from || b.to <= a.from).toBe(true);
  });

  it('of a job with no pipe yet stands its landings by their ground', () => {
    const bare = applyChange(sample, {
      label: 'Test',
      puts: [],
      removes: sample.elements.all.map(({ id }) => id).filter((id) => sample.elements.get(id)!.kind === 'run'),
    }).job;
    const { rows } = layOutDescent(planJob(bare));
    expect(rows.map((row) => row.run)).toEqual(rows.map(() => null));
    expect(rows[0]!.id).toBe('ds2');
  });
});

describe('the long section', () => {
  const plan = planJob(sample);
  const section = sectionOf(plan, routeOf(plan, 'ds3'));

  it('follows the route to its way out, station by station', () => {
    expect(section.landings.map((landing) => landing.id)).toEqual(['ds3', 'basin', 'wye1', 'wye2', 'swale']);
    expect(section.length).toBeCloseTo(168 * 0.3048, 3);
    for (const point of section.points) {
      expect(point.invert).toBeLessThan(point.crown);
      expect(point.wet).toBeLessThanOrEqual(point.crown + 1e-9);
      expect(point.wet).toBeLessThanOrEqual(point.water + 1e-9);
      expect(section.top).toBeGreaterThanOrEqual(point.ground);
      expect(section.bottom).toBeLessThanOrEqual(point.invert);
    }
  });

  it('reads levels between its points, and nothing beyond its ends', () => {
    const [a, b] = section.points;
    const middle = sectionAt(section, (a!.station + b!.station) / 2)!;
    expect(middle.ground).toBeCloseTo((a!.ground + b!.ground) / 2, 9);
    expect(middle.invert).toBeCloseTo((a!.invert + b!.invert) / 2, 9);
    expect(sectionAt(section, -1)).toBeNull();
    expect(sectionAt(section, section.length + 1)).toBeNull();
  });

  it('an axis is parted at round figures of the unit that is read, none outside it', () => {
    const feet = ticksOf({ low: -1.1, high: 0.4, per: 0.3048, count: 4, leastStep: 0.5 });
    expect(feet.map(({ said }) => said)).toEqual(['−3', '−2', '−1', '0', '1']);
    expect(feet[0]!.at).toBeCloseTo(-3 * 0.3048, 12);
    expect(ticksOf({ low: 0, high: 0.7, per: 1, count: 4 }).map(({ said }) => said)).toEqual([
      '0.0',
      '0.2',
      '0.4',
      '0.6',
    ]);
    expect(ticksOf({ low: 0, high: 47, per: 1, count: 4 }).map(({ at }) => at)).toEqual([0, 10, 20, 30, 40]);
  });
});

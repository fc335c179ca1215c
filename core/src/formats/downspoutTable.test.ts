import fc from 'fast-check';
import { changed } from '../job/change';
import { jobFaults } from '../job/faults';
import { ofKind, type Job } from '../job/job';
import { DOWNSPOUT_LABELS, DOWNSPOUT_SIZES } from '../catalogue/downspouts';
import { jobOf, out } from '../testing/parts';
import { planJob } from '../verdict/planJob';
import { downspoutElements, parseDownspoutSize, readDownspouts } from './downspoutTable';

const yard = (units: 'us' | 'metric' = 'us'): Job =>
  jobOf({ id: 'job', kind: 'job', name: 'Yard', units, pitchStyle: 'ground' }, out({ name: 'Swale', groundLevel: -2 }));
const cells = (text: string): string[][] => text.split('\n').map((line) => line.split('\t'));
const put = (job: Job, text: string): Job => {
  const { rows } = readDownspouts(job, cells(text));
  return changed(job, { puts: downspoutElements(job, rows), removes: [] });
};

it('a table with its headings in any order becomes roofs, downspouts and pipe that carries', () => {
  const job = put(
    yard(),
    'Size\tRoof ft²\tDownspout\tGround\tLeads to\tPipe\n3x4\t450\tFront left\t0\tFront right\t30\n4 in round\t600\tFront right\t-6"\tswale\t42\'6"',
  );
  expect(jobFaults(job)).toEqual([]);
  expect(ofKind(job, 'downspout').map(({ name, size, groundLevel }) => [name, size, groundLevel])).toEqual([
    ['Front left', 'rect3x4', 0],
    ['Front right', 'round4', expect.closeTo(-0.1524, 9)],
  ]);
  const { runs } = planJob(job);
  const [left, right] = ofKind(job, 'run');
  expect(right!.length).toBeCloseTo(42.5 * 0.3048, 9);
  // 1,050 ft² at the rain of the test, all through the last pipe.
  expect(runs[right!.id]!.flow / runs[left!.id]!.flow).toBeCloseTo(1050 / 450, 6);
});

it('without headings columns stand in their usual order; what is left out is usual, and told to be assumed', () => {
  const job = put(yard('metric'), 'Back\t40\t100 mm\t0.2\tSwale\n\t25');
  expect(ofKind(job, 'downspout').map(({ name, size }) => [name, size])).toEqual([
    ['Back', 'round4'],
    ['Downspout 1', ofKind(put(yard(), 'x\t1'), 'downspout')[0]!.size],
  ]);
  expect(ofKind(job, 'run').map(({ assumed }) => assumed)).toEqual([true]);
  expect(ofKind(job, 'roofFace').map(({ shape }) => shape)).toEqual([
    { type: 'area', area: 40 },
    { type: 'area', area: 25 },
  ]);
});

it('a row that cannot be read says why by its number, and the others stand', () => {
  const { rows, refused } = readDownspouts(
    yard(),
    cells('A\t400\nB\t\nC\tbig\nD\t300\t7x9\nE\t300\t\tdeep\nF\t300\t\t\tNowhere\n\nG\t300\t\t\tSwale\t-3\nA\t250'),
  );
  expect(rows.map(({ spout }) => spout.name)).toEqual(['A', 'A 2']);
  expect(refused.map(({ row }) => row)).toEqual([2, 3, 4, 5, 6, 8]);
  for (const { why } of refused) expect(why).toMatch(/^[“A-Z].*\.$/);
});

it('a row goes with the one that it leads to, none leads to itself, and a heading may name its unit', () => {
  const said = (text: string): [number[], number[]] => {
    const { rows, refused } = readDownspouts(yard(), cells(text));
    return [rows.map(({ row }) => row), refused.map(({ row }) => row)];
  };
  expect(said('A\t400\t\t\tB\nB\t300\t\t\tC\nC\t300\t\t\tNowhere\nD\t200\t\t\tSwale')).toEqual([[4], [1, 2, 3]]);
  expect(said('A\t400\t\t\ta')).toEqual([[], [1]]);
  expect(said('Roof ft2\tName\n450\tBack')).toEqual([[2], []]);
  expect(said(`${'x'.repeat(101)}\t400`)).toEqual([[], [1]]);
  expect(readDownspouts(yard(), cells(`${'x'.repeat(100)}\t400`)).rows[0]!.spout.name).toHaveLength(100);
});

it('every size is read as it is written on its chip', () => {
  for (const size of DOWNSPOUT_SIZES) expect(parseDownspoutSize(DOWNSPOUT_LABELS[size])).toBe(size);
  expect(['4x3', '75 x 100', '2×3"', '150', 'wide', '9'].map(parseDownspoutSize)).toEqual([
    'rect3x4',
    'rect3x4',
    'rect2x3',
    'round6',
    null,
    null,
  ]);
});

it('whatever is pasted, no row is lost without a word, and the job stays whole', () => {
  const cell = fc.oneof(
    fc.string({ maxLength: 8 }),
    fc.constantFrom('400', '3x4', '12\'6"', '', 'Swale', 'Roof', 'Size', '-1e9', '0'),
  );
  fc.assert(
    fc.property(fc.array(fc.array(cell, { maxLength: 7 }), { maxLength: 12 }), (table) => {
      const job = yard();
      const { rows, refused } = readDownspouts(job, table);
      const written = table.filter((line) => line.some((each) => each.trim() !== '')).length;
      expect(written - rows.length - refused.length).toBeLessThanOrEqual(1);
      const puts = downspoutElements(job, rows);
      const after = changed(job, { puts, removes: [] });
      expect(jobFaults(after)).toEqual([]);
      // Whatever was read as leading somewhere does.
      expect(ofKind(after, 'run')).toHaveLength(rows.filter(({ leads }) => leads !== null).length);
    }),
  );
});

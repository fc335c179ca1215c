import { inOrderOfIds } from '../testing/parts';
import { quillfeather } from '../samples';
import { put } from './change';
import type { Element, Run } from './kinds';
import { jobFaults } from './faults';
import { FILE_VERSION, readFile, readFileText, toFile } from './file';
import { invertSetAt, setInvert, freeInvert } from './edits/setInvert';
import { freeName, splitRun, waysOn } from './edits/insert';
import { jobFrom, type Job } from './job';
import { applyChange } from './change';
import { removal } from './edits/remove';

const faultsOf = (raw: unknown): string[] => {
  const read = typeof raw === 'string' ? readFileText(raw) : readFile(raw);
  return read.ok ? [] : read.faults.map((fault) => `${fault.path}: ${fault.sentence}`);
};

/** The sample's file with one element replaced or added. */
const fileWith = (...elements: object[]): object => {
  const file = toFile(quillfeather());
  const ids = new Set(elements.map((element) => (element as Element).id));
  return { ...file, elements: [...file.elements.filter((element) => !ids.has(element.id)), ...elements] };
};
const basin = quillfeather().elements.get('runBasin')!;

describe('reading a job file', () => {
  it('gives back the job that was written', () => {
    const read = readFileText(JSON.stringify(toFile(quillfeather())));
    expect(read.ok && read.job).toEqual(quillfeather());
  });

  it.each<[string, unknown, RegExp[]]>([
    ['not JSON', '{"a":', [/^file: is not a job file/]],
    ['NaN in it', '{"length": NaN}', [/NaN or Infinity/]],
    ['a list', [], [/one object/]],
    ['another format', { format: 'drawing' }, [/^format: should be "katabasis-job"/]],
    [
      'a later version',
      { ...toFile(quillfeather()), version: FILE_VERSION + 1 },
      [/^version: is 2, from a later version/],
    ],
    [
      'a negative length',
      fileWith({ ...basin, length: -3 }),
      [/elements\[\d+\] \(runBasin\)\.length: must be more than 0/],
    ],
    [
      'a length that is null, as NaN is written',
      fileWith({ ...basin, length: null }),
      [/\(runBasin\)\.length: must be a finite number/],
    ],
    [
      'a run to nowhere',
      fileWith({ ...basin, to: 'gone' }),
      [/^elements\.runBasin\.to: points to "gone", which is not in the job/],
    ],
    [
      'a run from where the water has left',
      fileWith({ ...basin, id: 'back', from: 'swale', to: 'wye1' }),
      [/starts at "swale"/, /loop of pipes/],
    ],
    ['a loop', fileWith({ ...quillfeather().elements.get('trunkLower')!, to: 'basin' }), [/on a loop of pipes: .*→/]],
    ['a second way out', fileWith({ ...basin, id: 'second' }), [/a second way out of "basin"/]],
    [
      'an unknown kind and an unknown field',
      fileWith({ id: 'x', kind: 'moat' }, { ...basin, colour: 'red' }),
      [/of no kind that this version knows/, /does not know: colour/],
    ],
    ['no head', { ...toFile(quillfeather()), elements: [] }, [/elements\.job: is missing/]],
    [
      'an id twice',
      { ...toFile(quillfeather()), elements: [...toFile(quillfeather()).elements, basin] },
      [/has an id that another element has/],
    ],
  ])('refuses %s, saying where', (_, raw, wanted) => {
    const faults = faultsOf(raw);
    expect(faults).toHaveLength(wanted.length);
    wanted.forEach((pattern, k) => expect(faults[k]).toMatch(pattern));
  });

  it('names every fault, not the first', () => {
    expect(faultsOf(fileWith({ ...basin, length: -1, nominal: 'wide' }, { id: '9', kind: 'job' }))).toHaveLength(6);
  });

  it('refuses a hundred thousand elements at once', () => {
    // Told by their number alone: not one of them is looked at.
    const elements = new Proxy(new Array<object>(100_000), {
      get: (list, key) => (key === 'length' ? list.length : expect(key).toBe('length')),
    });
    expect(faultsOf({ ...toFile(quillfeather()), elements })).toEqual([
      'elements: holds 100000 elements; the most is 20000',
    ]);
  });

  it('finds a loop ten thousand runs long without running out of stack', () => {
    const elements: Element[] = [{ id: 'job', kind: 'job', name: 'Ring', units: 'us', pitchStyle: 'ground' }];
    for (let k = 0; k < 9000; k++) {
      elements.push({ id: `n${k}`, kind: 'junction', form: 'wye', name: 'n', groundLevel: 0 });
      elements.push({
        id: `r${k}`,
        kind: 'run',
        from: `n${k}`,
        to: `n${(k + 1) % 9000}`,
        length: 1,
        material: 'smooth',
        nominal: 0.1,
        grade: { type: 'auto' },
      });
    }
    expect(jobFaults(jobFrom('ring', elements))).toHaveLength(1);
  });
});

describe('edits', () => {
  const edited = (job: Job, change: Parameters<typeof applyChange>[1]): Job => applyChange(job, change).job;

  it('takes out a wye and carries its lines on', () => {
    const job = edited(quillfeather(), removal(quillfeather(), 'wye1'));
    expect(jobFaults(job)).toEqual([]);
    const lengthOf = (id: string): number => (quillfeather().elements.get(id) as Run).length;
    expect(job.elements.get('runBasin')).toMatchObject({
      to: 'wye2',
      length: lengthOf('runBasin') + lengthOf('trunkUpper'),
      nominal: 0.1524,
    });
    expect(job.elements.get('trunkUpper')).toBeUndefined();
  });

  it.each(
    quillfeather()
      .elements.all.map(({ id }) => id)
      .filter((id) => id !== 'job'),
  )('taking out %s leaves a sound job, and undo brings it back', (id) => {
    const { job, inverse } = applyChange(quillfeather(), removal(quillfeather(), id));
    expect(jobFaults(job)).toEqual([]);
    // Undone, all is there again; what was taken out stands at the end.
    expect(inOrderOfIds(edited(job, inverse))).toEqual(inOrderOfIds(quillfeather()));
  });

  it('splits a run and keeps its length', () => {
    const job = quillfeather();
    const run = job.elements.get('trunkLower') as Extract<Element, { kind: 'run' }>;
    const split = edited(
      job,
      splitRun(
        run,
        { id: 'c1', kind: 'junction', form: 'cleanout', name: freeName(job, 'Cleanout'), groundLevel: 0 },
        'rest',
        5,
      ),
    );
    expect(jobFaults(split)).toEqual([]);
    expect(split.elements.get('trunkLower')).toMatchObject({ from: 'wye2', to: 'c1', length: 5 });
    expect(split.elements.get('rest')).toMatchObject({ from: 'c1', to: 'swale', length: run.length - 5 });
    expect(freeName(job, 'Wye')).toBe('Wye 3');
  });

  it('offers no way on that would go round', () => {
    expect(
      waysOn(quillfeather(), 'wye1')
        .map((landing) => landing.id)
        .sort(),
    ).toEqual(['cleanout1', 'ds1', 'kennelDrain', 'swale', 'wye2']);
  });

  it('holds a level and lets it go again', () => {
    const set = edited(quillfeather(), setInvert(quillfeather(), 'wye1', -0.9)!);
    expect(invertSetAt(set, 'wye1')).toBe(-0.9);
    expect(edited(set, freeInvert(set, 'wye1')!).elements).toEqual(quillfeather().elements);
    expect(setInvert(jobFrom('x', [put('x', quillfeather().elements.get('wye1')!).puts[0]!]), 'wye1', 0)).toBeNull();
  });
});

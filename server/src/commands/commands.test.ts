import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { toFile, type Element } from '@katabasis/core';
import { quillfeather } from '@katabasis/core/samples';
import { ROOT } from '../paths';

const folder = mkdtempSync(join(tmpdir(), 'katabasis-commands-'));

function command(name: string, ...args: string[]): { code: number; out: string; said: string } {
  const { status, stdout, stderr } = spawnSync(
    process.execPath,
    [join(ROOT, 'server', 'dist', `${name}.mjs`), ...args],
    { encoding: 'utf8' },
  );
  return { code: status ?? -1, out: stdout, said: stderr };
}

function file(content: unknown): string {
  const path = join(folder, `f${Math.random().toString(36).slice(2)}.json`);
  writeFileSync(path, typeof content === 'string' ? content : JSON.stringify(content));
  return path;
}

const sample = () => toFile(quillfeather());
const changed = (id: string, by: object) => ({
  ...sample(),
  elements: sample().elements.map((element) => (element.id === id ? { ...element, ...by } : element)),
});

jest.setTimeout(30_000);

it('takeoff prints what a plan takes, each part with where it goes, and refuses what is no job', () => {
  const { code, out } = command('takeoff', file(sample()));
  expect(code).toBe(0);
  const taken = JSON.parse(out) as {
    parts: { label: string; net: number; buy: number; packs?: { sticks: number }; uses: { name: string }[] }[];
    trenches: unknown[];
    missing: unknown[];
  };
  const pipe = taken.parts.find(({ label }) => label.includes('double-wall pipe'))!;
  expect(pipe.packs!.sticks).toBe(6);
  expect(pipe.uses.map(({ name }) => name)).toEqual(['Wye 1 to Wye 2', 'Wye 2 to Roadside swale']);
  expect([taken.trenches.length, taken.missing.length]).toEqual([8, 0]);
  expect(command('takeoff', file('{"format":'))).toMatchObject({ code: 2, said: expect.stringContaining('damaged') });
});

describe('plan', () => {
  it('prints the whole plan of a job in SI', () => {
    const { code, out } = command('plan', file(sample()));
    expect(code).toBe(0);
    const plan = JSON.parse(out) as {
      runs: Record<string, { flow: number; smallest: number; choices: unknown[] }>;
      snags: { code: string; headline: string; fix: unknown }[];
      inlets: Record<string, { ponding: number }>;
    };
    // 225 gpm.
    expect(plan.runs.trunkLower!.flow).toBeCloseTo(0.01421, 4);
    expect(plan.runs.runStreet!.choices).toHaveLength(9);
    expect(plan.runs.runStreet!.smallest).toBeCloseTo(0.0762, 6);
    expect(plan.snags.map((snag) => snag.code)).toEqual(['outOfFall', 'capacityExceeded', 'gutterSpills']);
    expect(plan.snags[0]!.fix).toMatchObject({ label: expect.stringContaining('cover') });
    expect(plan.inlets.basin!.ponding).toBeGreaterThan(0);
  });

  const bad: [string, () => unknown, RegExp][] = [
    ['no job file', () => 'hello', /^file: is not a job file/],
    ['another format', () => ({ ...sample(), format: 'other' }), /^format: should be "katabasis-job"/],
    ['a later version', () => ({ ...sample(), version: 99 }), /^version: is 99, from a later version/],
    [
      'a negative length',
      () => changed('runBasin', { length: -3 }),
      /^elements\[\d+\] \(runBasin\)\.length: must be more than 0$/m,
    ],
    [
      'NaN',
      () => JSON.stringify(sample()).replace('"share":1', '"share":NaN'),
      /NaN or Infinity, which are not numbers/,
    ],
    [
      'a run to nowhere',
      () => changed('trunkLower', { to: 'nowhere' }),
      /^elements\.trunkLower\.to: points to "nowhere", which is not in the job$/m,
    ],
    [
      'a cycle of pipes',
      () => ({
        ...sample(),
        elements: [
          ...sample().elements.filter((element) => element.id !== 'trunkLower'),
          { ...sample().elements.find((element) => element.id === 'trunkLower')!, to: 'basin' } as Element,
        ],
      }),
      /is on a loop of pipes/,
    ],
    [
      'too many elements',
      () => ({
        ...sample(),
        elements: Array.from({ length: 100_000 }, (_, k) => ({
          id: `a${k}`,
          kind: 'junction',
          form: 'wye',
          name: 'x',
          groundLevel: 0,
        })),
      }),
      /^elements: holds 100000 elements; the most is 20000/,
    ],
  ];
  it.each(bad)('refuses %s with a line that says where, and exit 2', (_, content, says) => {
    const { code, out, said } = command('plan', file(content()));
    expect(code).toBe(2);
    expect(out).toBe('');
    expect(said).toMatch(says);
  });

  it('says so when there is no such file, and when none was named', () => {
    expect(command('plan', '/no/such.json')).toMatchObject({
      code: 2,
      said: expect.stringContaining('cannot be read (ENOENT)'),
    });
    expect(command('plan')).toMatchObject({ code: 2, said: expect.stringContaining('say which job file') });
  });
});

describe('sum', () => {
  it('prints one object', () => {
    const { code, out } = command('sum', 'pipe.full', '{"diameter": 0.1016, "slope": 0.01, "roughness": 0.01}');
    expect(code).toBe(0);
    // 111 gpm.
    expect((JSON.parse(out) as { flow: number }).flow).toBeCloseTo(0.007006, 5);
  });

  it('names the field of what cannot be, with exit 2', () => {
    const { code, out, said } = command('sum', 'pipe.full', '{"diameter": 0.1, "slope": NaN, "roughness": 0.01}');
    expect(code).toBe(2);
    expect(JSON.parse(out)).toMatchObject({ error: { field: 'slope' } });
    expect(said).toMatch(/^slope: must be a finite number/);
    expect(command('sum', 'pipe.full', 'not json')).toMatchObject({ code: 2 });
  });

  it('works out a batch a line each, in order, faults among them', () => {
    const lines = [
      '{"sum": "pipe.criticalDepth", "in": {"diameter": 1, "flow": 0}}',
      '{"sum": "none", "in": {}}',
      'noise',
      '{"sum": "leader.capacity", "in": {"diameter": 0.1016, "filled": 1}}',
    ];
    const { code, out } = command('sum', '--batch', file(`${lines.join('\n')}\n`));
    expect(code).toBe(0);
    const told = out
      .trimEnd()
      .split('\n')
      .map((line) => JSON.parse(line) as { depth?: number; flow?: number; error?: { field: string } });
    expect(told).toHaveLength(4);
    expect(told[0]).toEqual({ depth: 0 });
    expect([told[1]!.error!.field, told[2]!.error!.field]).toEqual(['sum', 'line']);
    expect(told[3]!.flow).toBeGreaterThan(0);
  });

  it('lists every name with its fields, units and source', () => {
    const { out } = command('sum', '--list');
    for (const name of ['pipe.full', 'waterline.solve', 'channel.profile', 'fall.shallowest'])
      expect(out).toContain(`${name}\n  in: `);
    expect(out.match(/source: /g)).toHaveLength(35);
  });
});

it('storm rains on a job, closes its balance, and names its cases where asked for one that is none', () => {
  const path = file(sample());
  const { code, out } = command('storm', path, '--case', 'design blocked basin', '--csv', join(folder, 'csv'));
  expect(code).toBe(0);
  const [tried] = (JSON.parse(out) as { cases: { id: string; balance: { error: number }; openings: unknown[] }[] })
    .cases;
  expect(tried!.balance.error).toBeLessThan(1e-6);
  expect(tried!.openings.length).toBeGreaterThan(0);
  const rows = readFileSync(join(folder, 'csv', 'design-blocked-basin.csv'), 'utf8')
    .trim()
    .split('\n');
  expect(rows[0]).toMatch(/^time,rain,level ds1,.*flow trunkLower$/);
  expect(rows.length).toBeGreaterThan(60);
  const refused = command('storm', path, '--case', 'drizzle');
  expect([refused.code, refused.said]).toEqual([
    2,
    expect.stringMatching(/^There is no such case\. There are: design, /),
  ]);
});

it('schema prints a JSON Schema that names every kind', () => {
  const text = command('schema').out;
  for (const kind of ['roofFace', 'basin', 'channel', 'fixedFlow', 'run']) expect(text).toContain(`"const": "${kind}"`);
});

it('the page about the job file names every kind and field as the schemas have them', () => {
  expect(command('jobFormat', '--check')).toMatchObject({ code: 0, out: '40 kinds\n' });
});

describe('the sample that ships as a file', () => {
  const shipped = join(ROOT, 'samples', 'quillfeather.katabasis.json');

  it('is the core’s own, and is planned', () => {
    expect(JSON.parse(readFileSync(shipped, 'utf8'))).toEqual(sample());
    expect(command('plan', shipped).code).toBe(0);
  });
});

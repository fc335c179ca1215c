import fc from 'fast-check';
import { changed } from '../job/change';
import { jobFaults } from '../job/faults';
import { jobFrom } from '../job/job';
import { quillfeather } from '../samples';
import { readGeoJson, toGeoJson } from './geoJson';
import { decodeText, guessMapping, levelsTable, mappingFault, readLevels } from './levelsCsv';

const rowsOf = (text: string): string[][] =>
  text
    .trim()
    .split('\n')
    .map((line) => line.trim().split(','));
const read = (text: string) => {
  const rows = rowsOf(text);
  return readLevels(rows, guessMapping(rows, 'm'));
};

describe('levels from a table', () => {
  it('in the order that instruments write, or by its headings in any', () => {
    expect(read('1,10,5,100.2,kerb\n2,12,5,100.1,').levels).toMatchObject([
      { name: '1', place: { north: 10, east: 5 }, level: 100.2, code: 'kerb' },
      { name: '2', place: { north: 12, east: 5 }, level: 100.1 },
    ]);
    expect(read('Easting,Northing,Elev,Desc,Point\n5,10,100.2,kerb,A7').levels).toMatchObject([
      { name: 'A7', place: { north: 10, east: 5 }, level: 100.2, code: 'kerb' },
    ]);
    expect(read('N,E,Z ft\n10,5,100').levels[0]!.level).toBeCloseTo(30.48, 9);
    expect(read('10,5,1\n11,5,1').levels).toHaveLength(2);
    expect(mappingFault(guessMapping(rowsOf('a,b'), 'm'))).toMatch(/^Say which column holds/);
  });

  it('every row that is none is named with why, and the rest is read', () => {
    const { levels, refused } = read(
      [
        '1,0,0,1',
        '2,0,5,=2+2',
        '3,x,0,1',
        '4,5,0,',
        '5,0,9,1',
        '6,0,0,1.5',
        '7,0,0,1.001',
        '8,5,5,99',
        '9,NaN,0,1',
        '',
        '10,999999,0,1',
        '11,@SUM(A1),0,1',
      ].join('\n'),
    );
    expect(levels.map(({ name }) => name)).toEqual(['1', '5']);
    expect(refused.map(({ row, why }) => `${row} ${why}`)).toEqual([
      '2 holds a formula, which is not a level',
      '3 has “x” for its north, which is no number',
      '4 has no level',
      '6 stands where row 1 does, at another level',
      '7 is row 1 again',
      '8 lies more than 50 ft above or below all others',
      '9 has “NaN” for its north, which is no number',
      '11 has its north 999999 further off than any yard reaches',
      '12 holds a formula, which is not a level',
    ]);
  });

  it('come back from their own table to the millimetre', () => {
    const given = fc.record({
      name: fc.stringMatching(/^[A-Za-z][A-Za-z0-9 ]{0,20}[A-Za-z0-9]$/),
      east: fc.integer({ min: -90_000, max: 90_000 }).map((mm) => mm / 1000),
      north: fc.integer({ min: -90_000, max: 90_000 }).map((mm) => mm / 1000),
      level: fc.integer({ min: -3000, max: 3000 }).map((mm) => mm / 1000),
    });
    fc.assert(
      fc.property(
        fc.uniqueArray(given, {
          minLength: 1,
          maxLength: 30,
          selector: ({ east, north }) => `${Math.round(east)} ${Math.round(north)}`,
        }),
        (levels) => {
          const far = levels.every((a, k) =>
            levels.every((b, j) => j <= k || Math.hypot(a.east - b.east, a.north - b.north) > 0.02),
          );
          fc.pre(far);
          const rows = levelsTable(levels);
          const back = readLevels(rows, guessMapping(rows, 'ft'));
          expect(back.refused).toEqual([]);
          expect(back.levels.map(({ name, place, level }) => ({ name, ...place, level }))).toEqual(levels);
        },
      ),
    );
  });

  it('a hundred thousand rows are read up to what a job takes, in good time, the rest named', () => {
    const rows = Array.from({ length: 100_000 }, (_, k) => [
      String(k),
      String(k % 317),
      String(Math.floor(k / 317)),
      '1',
    ]);
    const { levels, refused } = readLevels(rows, guessMapping(rows, 'm'));
    expect(levels).toHaveLength(10_000);
    expect(refused).toHaveLength(90_000);
  });

  it('is text in UTF-8 and in UTF-16, with a mark or without', () => {
    const text = '1,10,5,100.2,Käntle';
    const wide = (little: boolean): number[] =>
      [...text].flatMap((sign) =>
        little
          ? [sign.charCodeAt(0) & 255, sign.charCodeAt(0) >> 8]
          : [sign.charCodeAt(0) >> 8, sign.charCodeAt(0) & 255],
      );
    expect(decodeText(new TextEncoder().encode(text))).toBe(text);
    expect(decodeText(Uint8Array.from([0xff, 0xfe, ...wide(true)]))).toBe(text);
    expect(decodeText(Uint8Array.from([0xfe, 0xff, ...wide(false)]))).toBe(text);
    expect(decodeText(Uint8Array.from(wide(true)))).toBe(text);
    expect(decodeText(Uint8Array.from(wide(false)))).toBe(text);
  });
});

describe('GeoJSON', () => {
  it('goes out and comes back without loss, into the job or an empty one', () => {
    const job = quillfeather();
    const text = JSON.stringify(toGeoJson(job));
    const again = readGeoJson(job, JSON.parse(text));
    expect(again).toMatchObject({ ok: true, put: 0, refused: [] });
    expect(again.ok && [...changed(job, again.change).elements]).toEqual([...job.elements]);
    const empty = jobFrom(
      'empty',
      job.elements.all.filter(({ kind }) => kind === 'job' || kind === 'rain'),
    );
    const filled = readGeoJson(empty, JSON.parse(text));
    expect(filled.ok && jobFaults(changed(empty, filled.change))).toEqual([]);
    expect(filled.ok && changed(empty, filled.change).elements.size).toBe(job.elements.size);
  });

  it('never throws, whatever it is given; what is too much or too deep is told in a sentence', () => {
    const job = jobFrom('test', []);
    const collection = (...features: unknown[]) => ({ type: 'FeatureCollection', features });
    const feature = (geometry: unknown, properties: unknown = null) => ({ type: 'Feature', geometry, properties });
    const saidOf = (raw: unknown): string[] => {
      const read = readGeoJson(job, raw);
      return read.ok ? read.refused.map(({ sentence }) => sentence) : [read.sentence];
    };
    const way = (count: number) => Array.from({ length: count }, (_, k) => [k, k % 7]);
    expect(saidOf(collection(feature({ type: 'LineString', coordinates: way(130_000) })))).toEqual([
      'has 130,000 corners; at most 2,000 are read',
    ]);
    let deep: unknown = [1, 2];
    for (let k = 0; k < 20_000; k++) deep = [deep];
    expect(saidOf(collection(feature({ type: 'Polygon', coordinates: deep })))).toEqual([
      'has a geometry that is no point, line or polygon',
    ]);
    // A name or a level that is no word is none, even one that says how it is to be written.
    for (const odd of [{ toString: 1 }, { valueOf: null, toString: null }, [], true])
      expect(
        readGeoJson(job, collection(feature({ type: 'Point', coordinates: [1, 2] }, { name: odd, level: odd }))),
      ).toMatchObject({ ok: true, put: 1, change: { puts: [{ name: 'Level' }] } });
    const json = fc.letrec<{ any: unknown }>((tie) => ({
      any: fc.oneof(
        { depthSize: 'small' },
        fc.constantFrom('Feature', 'FeatureCollection', 'Point', 'LineString', 'Polygon', null, 1, 1e9, 'x'),
        fc.array(tie('any'), { maxLength: 4 }),
        fc.dictionary(
          fc.constantFrom(
            'type',
            'features',
            'geometry',
            'coordinates',
            'properties',
            'element',
            'name',
            'level',
            'id',
          ),
          tie('any'),
          { maxKeys: 5 },
        ),
      ),
    })).any;
    fc.assert(
      fc.property(
        fc.oneof(
          json,
          fc.array(json, { maxLength: 3 }).map((features) => collection(...features)),
        ),
        (raw) => {
          readGeoJson(job, raw);
        },
      ),
      { numRuns: 500 },
    );
  });

  it('takes what is foreign by its shape, and says what it cannot take', () => {
    const point = {
      type: 'Feature',
      geometry: { type: 'Point', coordinates: [12, 5] },
      properties: { name: 'Peg', level: 1.25 },
    };
    const house = {
      type: 'Feature',
      geometry: {
        type: 'Polygon',
        coordinates: [
          [
            [0, 0],
            [9, 0],
            [9, 7],
            [0, 7],
            [0, 0],
          ],
        ],
      },
      properties: null,
    };
    const odd = { type: 'Feature', geometry: { type: 'GeometryCollection' }, properties: {} };
    const found = readGeoJson(quillfeather(), { type: 'FeatureCollection', features: [point, house, odd, 5] });
    expect(found).toMatchObject({ ok: true, put: 2, replaced: 0 });
    expect(found.ok && found.change.puts).toMatchObject([
      { kind: 'spotLevel', name: 'Peg', level: 1.25 },
      {
        kind: 'building',
        outline: [
          { east: 0, north: 0 },
          { east: 9, north: 0 },
          { east: 9, north: 7 },
          { east: 0, north: 7 },
        ],
      },
    ]);
    expect(found.ok && found.refused.map(({ path }) => path)).toEqual(['feature 3', 'feature 4']);
  });

  it('refuses degrees, other files and other things in a sentence', () => {
    const globe = {
      type: 'FeatureCollection',
      features: [
        {
          type: 'Feature',
          geometry: {
            type: 'LineString',
            coordinates: [
              [-77.0364, 38.8951],
              [-77.0361, 38.8953],
            ],
          },
          properties: {},
        },
      ],
    };
    expect(readGeoJson(quillfeather(), globe)).toMatchObject({
      ok: false,
      sentence: expect.stringMatching(/degrees/) as string,
    });
    for (const raw of [null, 5, 'x', [], {}, { type: 'FeatureCollection' }, { type: 'Feature' }])
      expect(readGeoJson(quillfeather(), raw).ok).toBe(false);
  });

  it('never throws, whatever it is given', () => {
    fc.assert(
      fc.property(fc.jsonValue({ maxDepth: 6 }), (raw) => {
        readGeoJson(quillfeather(), {
          type: 'FeatureCollection',
          features: [raw, { type: 'Feature', geometry: raw, properties: { element: raw } }],
        });
      }),
      { numRuns: 300 },
    );
  });
});

import { readFrequencyTable } from '@katabasis/core';
import { readTable, tableOf } from './tables';

const ATLAS = [
  ['Point precipitation, of an invented place'],
  ['by duration for ARI (years):', '1', '2', '5', '10'],
  ['5-min:', '0.35', '0.42', '0.53', '0.62'],
  ['10-min:', '0.56', '0.67', '0.85', '0.99'],
  ['60-min:', '1.2', '1.5', '1.9', '2.3'],
];
const written = (between: string, end: string): string => ATLAS.map((row) => row.join(between)).join(end);

it.each([
  ['commas', ',', '\n'],
  ['semicolons, as where a comma is a decimal point', ';', '\r\n'],
  ['tabs, as pasted from a sheet', '\t', '\n'],
])('a rain table is the same parted by %s', (_, between, end) => {
  const read = readFrequencyTable(tableOf(`\uFEFF${written(between, end)}${end}`));
  expect(read.ok && read.table).toMatchObject({ returnPeriods: [1, 2, 5, 10], durations: [300, 600, 3600] });
});

it('a comma within quotes parts nothing, and rows that hold nothing are no rows', async () => {
  const file = new Blob(['point,level\r\n"Corner, north",1.5\r\n , \r\n\r\n']);
  // The document of these tests gives no bytes of a file.
  file.arrayBuffer = () =>
    Promise.resolve(
      new TextEncoder().encode('point,level\r\n"Corner, north",1.5\r\n , \r\n\r\n').buffer as ArrayBuffer,
    );
  expect(await readTable(file)).toEqual([
    ['point', 'level'],
    ['Corner, north', '1.5'],
  ]);
});

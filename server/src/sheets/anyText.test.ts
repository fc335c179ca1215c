/** Any text that a job can hold is written to every format and read back by a parser of another hand. */
import { planJob, put, changed, jobFrom, type Element, type Job } from '@katabasis/core';
import { quillfeather } from '@katabasis/core/samples';
import { DOMParser } from '@xmldom/xmldom';
import DxfParser from 'dxf-parser';
import fc from 'fast-check';
import { dxfOf } from './dxf';
import { filesOf } from './files';
import { landXmlOf } from './landXml';
import { oneLine } from './plainText';
import { pdfOf } from './set';
import { pagesOf } from '../testing/readPdf';

const MADE = '2026-03-25T10:00:00.000Z';
/** Every unit of sixteen bits: line breaks, control signs, halves of letters and all. */
const anyText = fc
  .oneof(fc.string({ unit: fc.integer({ min: 1, max: 0xffff }).map((code) => String.fromCharCode(code)) }), fc.string())
  .map((text) => `${text}x`.slice(0, 120));
const HOSTILE = [
  'a\r\nATTACH:http://evil',
  'b\nBEGIN:VEVENT',
  'c\u2028d',
  '\u0000\u0008',
  '\ud800',
  '=1+1',
  ']]>&<"\'',
  '\\,;:',
  '\t@x',
  '\rx',
  '=1\n+1',
];

const called = (name: string): Job => {
  const clinic = quillfeather();
  const with_ = (id: string, fields: object): Element => ({ ...clinic.elements.get(id)!, ...fields }) as Element;
  return changed(
    jobFrom('j', [...clinic.elements]),
    put('Call it', with_('job', { name, site: name }), with_('basin', { name })),
  );
};

/** Lines of a calendar as RFC 5545 has them: unfolded, each a name, what qualifies it, and a value. */
const lines = (file: string): [name: string, value: string][] =>
  file
    .replace(/\r\n[ \t]/g, '')
    .split('\r\n')
    .filter((line) => line !== '')
    .map((line) => {
      const match = /^([A-Z-]+)(?:;[^:]*)?:(.*)$/s.exec(line);
      if (!match) throw new Error(`No line of a calendar: ${JSON.stringify(line)}`);
      return [match[1]!, match[2]!];
    });
const unescaped = (value: string): string =>
  value.replace(/\\([\\;,nN])/g, (_, sign: string) => (/n/i.test(sign) ? '\n' : sign));

/** Cells of a table as RFC 4180 has them. */
function cells(text: string): string[][] {
  const rows: string[][] = [[]];
  for (const [, quoted, bare, end] of text.matchAll(/(?:"((?:[^"]|"")*)"|([^",\r\n]*))(,|\r\n|$)/g)) {
    rows.at(-1)!.push(quoted?.replaceAll('""', '"') ?? bare!);
    if (end === '\r\n') rows.push([]);
    if (end === '') break;
  }
  return rows;
}

const check = (law: (name: string) => void, runs = 60): void => {
  HOSTILE.forEach(law);
  fc.assert(fc.property(anyText, law), { numRuns: runs });
};

it('no name puts a line into a calendar, and each is there as it is called', async () => {
  const names = new Set(
    lines((await filesOf(called('Plain'))['days.ics']!({ size: 'a4', made: MADE })).toString()).map(([name]) => name),
  );
  const read = fc.asyncProperty(anyText, async (name) => {
    const all = lines((await filesOf(called(name))['days.ics']!({ size: 'a4', made: MADE })).toString());
    expect(all.filter(([each]) => !names.has(each))).toEqual([]);
    const summaries = all.filter(([each]) => each === 'SUMMARY').map(([, value]) => unescaped(value));
    expect(summaries.every((each) => each.endsWith(`: ${oneLine(name)}`))).toBe(true);
  });
  await fc.assert(read, { numRuns: 40, examples: HOSTILE.map((name): [string] => [name]) });
});

it('every name is read back from LandXML', () =>
  check((name) => {
    const job = called(name);
    const wrong: string[] = [];
    const parser = new DOMParser({
      errorHandler: (level: string, message: string) => void wrong.push(`${level}: ${message}`),
    });
    const xml = parser.parseFromString(landXmlOf(job, planJob(job), MADE), 'text/xml');
    expect(wrong).toEqual([]);
    expect(xml.getElementsByTagName('Project')[0]!.getAttribute('name')).toBe(oneLine(name));
  }, 30));

it('every name is read back from the drawing', () =>
  check((name) => {
    const job = called(name);
    const read = new DxfParser().parseSync(dxfOf(job, planJob(job)))!;
    expect(read.entities.length).toBeGreaterThan(10);
  }, 20));

it('no cell of a table is a formula, and each is there as it is', async () => {
  const read = fc.asyncProperty(anyText, async (name) => {
    const files = filesOf(called(name));
    for (const [file, make] of Object.entries(files).filter(([each]) => each.endsWith('.csv'))) {
      const rows = cells((await make({ size: 'a4', made: MADE })).toString());
      expect([file, rows.flat().filter((cell) => /^[=+@\t\r]/.test(cell))]).toEqual([file, []]);
      expect(new Set(rows.map(({ length }) => length)).size).toBe(1);
    }
  });
  await fc.assert(read, { numRuns: 15, examples: HOSTILE.map((name): [string] => [name]) });
});

it('a paper is made of any name, and each letter that its faces have is read back from it', async () => {
  // Right to left, above the first plane, half a letter, one that turns the line round, and as long as a name may be.
  const name = `بيت בית 👷🏽 \ud800 \u202e水 ${'W'.repeat(90)}`.slice(0, 120);
  const pages = await pagesOf(await pdfOf(called(name), 'quote', { size: 'letter', made: '2026-11-26' }));
  const words = pages.map((each) => each.words).join(' ');
  for (const letter of [...'بيتביתW']) expect(words).toContain(letter);
  pages.forEach((each, k) => expect(each.words).toContain(`Page ${k + 1} of ${pages.length}`));
});

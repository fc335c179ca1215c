/** Every sheet and file of a job, by its file's name, each made when it is asked for. */
import { FORMULA_START, planJob, tablesOf, toGeoJson, type Company, type Job, type Table } from '@katabasis/core';
import { asBuiltTable } from '@katabasis/core/as-built';
import Papa from 'papaparse';
import { calendarFile } from './calendar';
import { careCalendar } from './careCalendar';
import { dxfOf } from './dxf';
import { landXmlOf } from './landXml';
import type { PaperSize } from './paper';
import type { PictureOf } from './photosOnPaper';
import { pdfOf, PDFS } from './set';

export interface FileOptions {
  size: PaperSize;
  /** ISO instant. */
  made: string;
  /** Whose papers they are; nobody’s in particular when left out. */
  company?: Company;
  /** Photos that are here; none when left out. */
  pictureOf?: PictureOf;
  /** Told after each page's worth of work. */
  onStep?: (done: number, of: number) => void;
}

export const csvOf = ({ columns, rows }: Table): Buffer => {
  const written = [columns.map(({ title }) => title), ...rows.map((row) => [...row])];
  return Buffer.from(Papa.unparse(written, { escapeFormulae: FORMULA_START }));
};

type Make = (options: FileOptions) => Promise<Buffer> | Buffer;

export function filesOf(job: Job): Record<string, Make> {
  const plan = planJob(job);
  const pdfs = PDFS.map((name): [string, Make] => [
    `${name}.pdf`,
    (options) => pdfOf(job, name, { ...options, made: options.made.slice(0, 10) }),
  ]);
  const tables = Object.entries(tablesOf(job, plan)).map(([name, table]): [string, Make] => [
    `${name}.csv`,
    () => csvOf(table()),
  ]);
  return {
    ...Object.fromEntries([...pdfs, ...tables]),
    'site.geojson': () => Buffer.from(JSON.stringify(toGeoJson(job))),
    'plan.dxf': () => Buffer.from(dxfOf(job, plan)),
    'days.ics': ({ made }) => Buffer.from(calendarFile(job, made)),
    'care.ics': ({ made }) => Buffer.from(careCalendar(job, made, 'contractor')),
    'care-customer.ics': ({ made }) => Buffer.from(careCalendar(job, made, 'customer')),
    'as-built.csv': () => csvOf(asBuiltTable(job, plan)),
    'network.xml': ({ made }) => Buffer.from(landXmlOf(job, plan, made)),
  };
}

/** Papers and files, each opened again by a reader that shares nothing with what wrote it, and compared with the plan. */
import {
  applyChange,
  put,
  jobFrom,
  networkOf,
  planJob,
  priceOf,
  surfaceOf,
  takeOff,
  text,
  showLevel,
  money,
  headOf,
  type Element,
  type Job,
} from '@katabasis/core';
import { brackenfold, quillfeather, quillfeatherLaid, wrenmoor } from '@katabasis/core/samples';
import { DOMParser } from '@xmldom/xmldom';
import DxfParser from 'dxf-parser';
import ICAL from 'ical.js';
import { serve } from '../testing/serve';
import { dxfOf } from './dxf';
import { filesOf } from './files';
import { landXmlOf } from './landXml';
import { placedOn, ratioText } from './planOnPaper';
import { pdfOf, type PdfName } from './set';
import { pagesOf } from '../testing/readPdf';

const MADE = '2026-11-26T08:00:00Z';
const pages = async (job: Job, name: PdfName, size: 'a4' | 'letter' = 'letter') =>
  pagesOf(await pdfOf(job, name, { size, made: '2026-11-26' }));
type Read = ReturnType<DOMParser['parseFromString']>;
const tagged = (xml: Read, tag: string) => Array.from(xml.getElementsByTagName(tag));
/** As a reader of the paper has it. */
const printed = (said: string): string => said.replaceAll('′', "'").replaceAll('″', '"').replace(/\s+/g, ' ');
const SAMPLES: [string, Job][] = [
  ['Quillfeather', quillfeather()],
  ['Brackenfold', brackenfold()],
  ['Wrenmoor', wrenmoor()],
];

describe('PDF', () => {
  it.each(SAMPLES)(
    '%s: every line has its section and its dig sheet with each invert, and every page its number',
    async (_, job) => {
      const plan = planJob(job);
      const set = await pages(job, 'set');
      const { units } = headOf(job);
      set.forEach((page, k) => expect(page.words).toContain(`Page ${k + 1} of ${set.length}`));
      for (const { letter, runs } of plan.lines) {
        expect(set.some(({ words }) => words.includes(`Long section of line ${letter}`))).toBe(true);
        const dug = set
          .filter(({ words }) => words.includes(`Dig sheet of line ${letter}`))
          .map(({ words }) => words)
          .join(' ');
        for (const id of runs) expect(dug).toContain(printed(text(showLevel(plan.runs[id]!.invertDown, units))));
      }
    },
  );

  it('draws a plan at the largest scale of a rule that goes on its page, its legend beside it where that gives room', () => {
    const room = { width: 700, height: 480 };
    const paper = {
      drawingRoom: (layout: 'portrait' | 'landscape') =>
        layout === 'landscape' ? room : { width: room.height, height: room.width },
    };
    // 46.7 by 36.5 m: 552 by 431 pt at 1:240, more than the 410 that a legend under it leaves.
    expect(placedOn(paper, 46.7, 36.5, 'us')).toEqual({ layout: 'landscape', legend: 'beside', ratio: 240 });
    // Long and low: the legend costs nothing under it.
    expect(placedOn(paper, 58, 20, 'metric')).toEqual({ layout: 'landscape', legend: 'under', ratio: 250 });
    expect(placedOn(paper, 20, 54, 'metric')).toEqual({ layout: 'portrait', legend: 'under', ratio: 250 });
    expect(ratioText(96, 'us')).toBe('1/8 in = 1 ft (1:96)');
    expect(ratioText(240, 'us')).toBe('1 in = 20 ft (1:240)');
  });

  it('is of the paper asked for', async () => {
    const [[a4], [letter]] = [await pages(quillfeather(), 'parts', 'a4'), await pages(quillfeather(), 'parts')];
    expect([a4!.width, a4!.height].map(Math.round)).toEqual([595, 842]);
    expect([letter!.width, letter!.height]).toEqual([612, 792]);
  });

  it('offers a customer the price, and nothing of cost or margin', async () => {
    const job = quillfeather();
    const price = priceOf(job, takeOff(job, planJob(job)));
    const words = (await pages(job, 'quote')).map((page) => page.words).join(' ');
    expect(words).toContain(money(price.price, price.currency));
    for (const own of [price.cost, price.profit, price.overhead, price.contingency])
      expect(words).not.toContain(money(own, price.currency));
    expect(words).not.toMatch(/margin|mark-?up|overhead/i);
  });

  it('shows a customer the design storm in its telling moments, where the ground is measured', async () => {
    const page = (await pages(quillfeather(), 'quote')).find((each) =>
      each.words.includes('What you will see in the rain'),
    );
    expect(page!.words).toMatch(/In the 10-year storm water stays .+ below the sill at Kennel door drain/);
    for (const moment of ['Hardest rain, 0:', 'Most water, 0:', 'Rain over, 1:00', 'At the end, 2:00'])
      expect(page!.words).toContain(moment);
    const flat = jobFrom('flat', quillfeather().elements.all.filter(({ kind }) => kind !== 'spotLevel') as Element[]);
    const without = (await pages(flat, 'quote')).map((each) => each.words).join(' ');
    expect(without).not.toContain('What you will see');
  });

  it('writes names of any alphabet, of 60 letters, with signs that a file must not take for its own', async () => {
    const name = 'Ωμέγα Żółw → канава (%) <b>"=1+1" ' + 'm'.repeat(25);
    const job = jobFrom(
      'x',
      quillfeather().elements.all.map(
        (element) => (element.id === 'swale' ? { ...element, name } : element) as Element,
      ),
    );
    const runs = (await pages(job, 'runs')).map((page) => page.words).join(' ');
    expect(runs.replace(/\s/g, '')).toContain(name.replace(/\s/g, ''));
    const xml = new DOMParser().parseFromString(landXmlOf(job, planJob(job), MADE), 'text/xml');
    expect(tagged(xml, 'Struct').some((each) => each.getAttribute('desc')!.startsWith(name))).toBe(true);
    const csv = (await filesOf(job)['inlets.csv']!({ size: 'a4', made: MADE })).toString();
    expect(csv).toContain(name.replaceAll('"', '""'));
  });

  it('says so where nothing is laid', async () => {
    const bare = jobFrom('bare', [headOf(quillfeather())]);
    for (const name of ['set', 'quote', 'sections'] as const)
      expect((await pages(bare, name)).length).toBeGreaterThan(0);
    expect((await pages(bare, 'sections'))[0]!.words).toContain('Nothing is laid yet');
  });
});

it.each(SAMPLES)('DXF of %s has every pipe as a polyline in space at its inverts, on its layer', (_, job) => {
  const plan = planJob(job);
  const read = new DxfParser().parseSync(dxfOf(job, plan))!;
  const lines = read.entities.filter(({ layer }) => layer === 'INVERTS') as unknown as {
    vertices: { x: number; y: number; z: number }[];
  }[];
  const { pipes } = networkOf(job, plan);
  expect(lines.map(({ vertices }) => vertices.map(({ x, y, z }) => [x, y, z].map((v) => v.toFixed(4))))).toEqual(
    pipes.map(({ inverts }) => inverts.map(({ east, north, level }) => [east, north, level].map((v) => v.toFixed(4)))),
  );
  for (const pipe of pipes) {
    expect(pipe.inverts[0]!.level).toBeCloseTo(plan.runs[pipe.id]!.invertUp, 9);
    expect(pipe.inverts.at(-1)!.level).toBeCloseTo(plan.runs[pipe.id]!.invertDown, 9);
  }
  const layers = read.tables.layer.layers;
  expect(Object.keys(layers)).toEqual(expect.arrayContaining(['BUILDINGS', 'PIPES', 'INVERTS', 'SERVICES']));
});

it.each(SAMPLES)('LandXML of %s gives back every pipe between its landings, and the ground', (_, job) => {
  const plan = planJob(job);
  const xml = new DOMParser().parseFromString(landXmlOf(job, plan, MADE), 'text/xml');
  const all = (tag: string) => tagged(xml, tag);
  const structs = new Set(all('Struct').map((each) => each.getAttribute('name')));
  const { pipes } = networkOf(job, plan);
  expect(all('Pipe').map((each) => each.getAttribute('name'))).toEqual(pipes.map(({ id }) => id));
  for (const each of all('Pipe')) {
    const run = plan.runs[each.getAttribute('name')!]!;
    expect([structs.has(each.getAttribute('refStart')), structs.has(each.getAttribute('refEnd'))]).toEqual([
      true,
      true,
    ]);
    expect(Number(each.getAttribute('slope'))).toBeCloseTo(run.pitch * 100, 3);
    expect(Number(each.getElementsByTagName('CircPipe')[0]!.getAttribute('diameter'))).toBeCloseTo(run.diameter, 3);
  }
  const surface = surfaceOf(job);
  expect([all('P').length, all('F').length]).toEqual([surface?.points.length ?? 0, surface?.faces.length ?? 0]);
});

it('the days come as events that follow one another, in the crew’s own time, round the marks', async () => {
  const job = quillfeather();
  const told = applyChange(
    job,
    put('x', {
      id: 'c1',
      kind: 'clearance',
      of: 'locate',
      state: 'granted',
      readyOn: '2026-12-01',
      expiresOn: '2026-12-31',
    }),
  ).job;
  const file = (await filesOf(told)['days.ics']!({ size: 'a4', made: MADE })).toString();
  const events = new ICAL.Component(ICAL.parse(file)).getAllSubcomponents('vevent').map((each) => new ICAL.Event(each));
  expect(events[0]!.summary).toBe('Come, look for the marks, set out: Quillfeather Animal Clinic');
  expect(events[0]!.startDate.toString() >= '2026-12-01T07:00:00').toBe(true);
  expect(events[0]!.startDate.zone).toBe(ICAL.Timezone.localTimezone);
  const spans = events.map(({ startDate, endDate }) => [startDate.toString(), endDate.toString()]).sort();
  spans.slice(1).forEach(([from], k) => expect(from! >= spans[k]![1]!).toBe(true));
  expect(new Set(events.map(({ uid }) => uid)).size).toBe(events.length);
});

it('care comes as days of their own with alarms, all of it for us and what is theirs for who lives there', async () => {
  const job = quillfeatherLaid();
  const read = async (file: string) => {
    const made = (await filesOf(job)[file]!({ size: 'a4', made: MADE })).toString();
    return new ICAL.Component(ICAL.parse(made)).getAllSubcomponents('vevent').map((each) => ({
      event: new ICAL.Event(each),
      alarms: each.getAllSubcomponents('valarm').map((alarm) => String(alarm.getFirstPropertyValue('trigger'))),
    }));
  };
  const [ours, theirs] = [await read('care.ics'), await read('care-customer.ics')];
  const days = ours.map(({ event }) => event.startDate.toString());
  expect(days).toEqual(days.toSorted());
  expect(days[0]! >= MADE.slice(0, 10)).toBe(true);
  for (const { event, alarms } of [...ours, ...theirs]) {
    expect(event.startDate.isDate).toBe(true);
    // Eight in the morning of that day, and a week before.
    expect(alarms).toEqual(['PT8H', '-P7D']);
  }
  expect(new Set(ours.map(({ event }) => event.uid)).size).toBe(ours.length);
  expect(ours.map(({ event }) => event.summary)).toContain('Last look before the warranty ends: The clinic, a year on');
  expect(theirs.map(({ event }) => event.summary)).toContain('Rake leaves off the grates');
  expect(theirs.some(({ event }) => /warranty|Empty the sumps/.test(event.summary))).toBe(false);
});

it('the customer’s sheet of care is one page, and what was built is told by two tapes', async () => {
  const files = filesOf(quillfeatherLaid());
  const care = pagesOf(await files['care.pdf']!({ size: 'letter', made: MADE }));
  expect(care).toHaveLength(1);
  expect(care[0]!.words).toMatch(/Rake leaves off the grates/);
  expect(care[0]!.words).toMatch(/We stand for what we laid until 20 November 2027/);
  const built = pagesOf(await files['as-built.pdf']!({ size: 'letter', made: MADE }));
  expect(built.map(({ words }) => words).join(' ')).toMatch(
    /Lawn basin.*from Clinic and kennel wing, north-east corner/,
  );
  expect((await files['as-built.csv']!({ size: 'a4', made: MADE })).toString()).toMatch(/^What,"?Where, by two tapes/);
});

describe('asked of the server', () => {
  const body = (job: Job, paper = 'letter') => ({ job: job.id, elements: job.elements.all, paper });
  const lines = (said: string) =>
    said
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as { done?: number; of?: number; bytes?: string });

  it('tells how far it has come, and gives the file at the end', async () => {
    const { server } = serve();
    const reply = await server
      .post('/api/sheets/set.pdf')
      .send(body(quillfeather()))
      .expect(200)
      .buffer(true)
      .parse((res, done) => {
        let said = '';
        res.on('data', (chunk: Buffer) => (said += chunk.toString()));
        res.on('end', () => done(null, said));
      });
    const told = lines(reply.body as string);
    expect(told.at(-2)).toEqual({ done: told.length - 1, of: told.length - 1 });
    expect(pagesOf(Buffer.from(told.at(-1)!.bytes!, 'base64')).length).toBeGreaterThan(5);
  });

  it('refuses what is no job, no paper and no sheet, in words', async () => {
    const { server } = serve();
    await server.post('/api/sheets/set.pdf').send(body(quillfeather(), 'A0')).expect(422);
    await server
      .post('/api/sheets/set.pdf')
      .send({ job: 'x', elements: [{ id: 'run', kind: 'run' }], paper: 'a4' })
      .expect(422);
    for (const file of ['cost.pdf', 'constructor', '..%2F..%2Fmain.ts'])
      await server.post(`/api/sheets/${file}`).send(body(quillfeather())).expect(404);
  });
});

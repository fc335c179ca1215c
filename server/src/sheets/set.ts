/** The papers of a job: which sheets there are, and a PDF of any of them. */
import {
  cautionsOf,
  crewNotes,
  digLines,
  digTable,
  drawingOf,
  headOf,
  inletsTable,
  partsSheet,
  planJob,
  quoteOf,
  runsTable,
  takeOff,
  type Company,
  type Job,
  type LayerName,
  type Plan,
  type Quote,
  type TakeOff,
} from '@katabasis/core';
import { asBuiltTable, builtOnPlan, movedRuns, movedWords, plannedBefore } from '@katabasis/core/as-built';
import { careSheet } from '@katabasis/core/care';
import { filmstripOf } from '@katabasis/core/simulation';
import { setImmediate as breath } from 'node:timers/promises';
import { Paper, type PaperSize } from './paper';
import { putPlan } from './planOnPaper';
import { putBuilt } from './builtOnPaper';
import { putStills } from './stillsOnPaper';
import { putPhotos, type PictureOf } from './photosOnPaper';
import { putSection } from './sectionOnPaper';
import { heightOfTable, putTable } from './tableOnPaper';

/** In the order of a set. The customer's quote is a paper of its own: it never lies among a crew's sheets. */
export const SHEETS = ['plan', 'sections', 'runs', 'dig', 'parts'] as const;
export type Sheet = (typeof SHEETS)[number];
/** Papers by themselves: the quote, care in the customer's words, and what was built. */
export const PDFS = [...SHEETS, 'set', 'quote', 'care', 'as-built'] as const;
export type PdfName = (typeof PDFS)[number];

interface Printed {
  job: Job;
  plan: Plan;
  taken: TakeOff;
}

/** One piece of work: about a page's worth, so that how far it has come can be told. */
type Step = (paper: Paper) => void;

const DIG = 'Dig sheets';
/** So many places of a part are named on paper; its other places are told in the application, and beside the trench. */
const PLACES = 3;

const STEPS: Record<Sheet, (printed: Printed) => Step[]> = {
  plan: ({ job, plan }) => [(paper) => putPlan(paper, drawingOf(job, plan), headOf(job).units)],
  sections: ({ job, plan }) => plan.lines.map((line) => (paper) => putSection(paper, job, plan, line)),
  runs: ({ job, plan, taken }) => [
    (paper) => {
      paper.page('Schedule of runs', 'landscape');
      paper.paragraph(plan.verdict.sentence, { weight: 'strong' });
      putTable(paper, runsTable(job, plan));
      paper.heading('Inlets and ends');
      putTable(paper, inletsTable(job, plan));
    },
    (paper) => putCautions(paper, { job, plan, taken }),
  ],
  dig: ({ job, plan }) =>
    digLines(job, plan).map((line) => (paper) => {
      const table = digTable(job, plan, line);
      // Short lines share a sheet.
      if (paper.title !== DIG || heightOfTable(paper, table) + 40 > paper.rest.height) {
        paper.page(DIG, 'landscape');
        paper.paragraph('From the way out upward. Set up the level on a known level; rod = line of sight − invert.');
      }
      paper.heading(`Dig sheet of line ${line.letter}`);
      putTable(paper, table);
    }),
  parts: ({ job, taken }) => [
    (paper) => {
      paper.page('Parts and earth');
      putTable(paper, partsSheet(job, taken, PLACES));
    },
  ],
};

function putCautions(paper: Paper, { job, plan, taken }: Printed): void {
  paper.page('Before you dig');
  for (const said of cautionsOf(job, plan, taken)) paper.item(said);
  const notes = crewNotes(job);
  if (notes.length > 0) paper.heading('To know here');
  for (const said of notes) paper.item(said);
}

/** Whose offer it is, with its mark at the right. */
function putLetterhead(paper: Paper, { letterhead, mark }: Quote): void {
  const top = paper.y;
  letterhead.forEach((said, k) => paper.paragraph(said, k === 0 ? { weight: 'strong' } : {}));
  if (mark === null) return;
  paper.picture(mark, { width: 110, height: 60, top });
}

function putQuote(paper: Paper, quote: Quote, printed: Printed): void {
  paper.page(quote.title);
  putLetterhead(paper, quote);
  for (const said of quote.head) paper.paragraph(said);
  paper.heading('What is done');
  for (const said of quote.scope) paper.item(said);
  for (const said of quote.promise) paper.paragraph(said);
  paper.heading('Price');
  for (const { said, amount } of quote.price) {
    paper.need(24);
    paper.say(said, paper.left, paper.y, { size: 12 });
    paper.say(amount, paper.left, paper.y - 2, { size: 15, weight: 'strong', width: paper.width, align: 'right' });
    paper.y += 24;
  }
  if (quote.options.length > 0) {
    paper.heading('To choose from');
    for (const { said, amount } of quote.options) paper.choice(`${said}: ${amount}`);
  }
  paper.heading('Not in it');
  for (const said of quote.excluded) paper.item(said);
  paper.heading('To know');
  for (const said of quote.cautions) paper.item(said);
  for (const said of quote.terms) paper.paragraph(said);
  paper.need(70);
  paper.y += 40;
  const half = paper.width / 2 - 20;
  quote.signatures.forEach((said, k) => {
    const left = paper.left + k * (half + 40);
    paper.doc
      .moveTo(left, paper.y)
      .lineTo(left + half, paper.y)
      .lineWidth(0.6)
      .strokeColor('#1d1a16')
      .stroke();
    paper.say(said, left, paper.y + 4, { size: 8.5 });
  });
  paper.y += 24;
  const { strokes, words, ...drawing } = drawingOf(printed.job, printed.plan, false);
  const shown = ({ layer }: { layer: LayerName }): boolean => layer !== 'levels';
  if (drawing.extent)
    putPlan(
      paper,
      { ...drawing, strokes: strokes.filter(shown), words: words.filter(shown) },
      headOf(printed.job).units,
    );
  putWays(paper, quote);
}

/** A page of its own: how it is built, and what the other ways would come to. */
function putWays(paper: Paper, { ways }: Quote): void {
  if (ways.length > 0) paper.page('How it is built, and why');
  for (const { question, said } of ways) {
    paper.need(60);
    paper.heading(question);
    for (const each of said) paper.item(each);
  }
}

/** What who lives there does and may expect, on one sheet. */
function putCare(paper: Paper, { job, plan }: Printed): void {
  const sheet = careSheet(job, plan);
  paper.page(sheet.title);
  const part = (title: string, said: readonly string[]): void => {
    if (said.length === 0) return;
    paper.heading(title);
    for (const each of said) paper.item(each);
  };
  part('What you can do', sheet.yours);
  part('What we come for', sheet.ours);
  part('After each large storm', sheet.afterStorms);
  part('Warranty', sheet.warranty);
  part('What was said', sheet.agreed);
}

function putAsBuilt(paper: Paper, { job, plan }: Printed, pictureOf: PictureOf): void {
  paper.page('As built', 'landscape');
  paper.paragraph(
    'Where each lies by two tapes from corners of the house, and how deep: before anybody digs here again.',
  );
  putTable(paper, asBuiltTable(job, plan));
  const before = plannedBefore(job);
  const built = builtOnPlan(job, plan, before);
  if (built) putBuilt(paper, job, built);
  if (before) for (const moved of movedRuns(job, plan, before)) paper.item(movedWords(job, before, moved));
  putPhotos(paper, job, pictureOf);
}

/** The pieces of work of a paper. */
function stepsOf(name: PdfName, printed: Printed, { company = {}, pictureOf = () => null }: PdfOptions): Step[] {
  const { job, plan } = printed;
  switch (name) {
    case 'quote':
      return [
        (on) => putQuote(on, quoteOf(job, plan, printed.taken, company), printed),
        (on) => {
          const strip = filmstripOf(job, plan);
          if (strip) putStills(on, job, plan, strip);
        },
      ];
    case 'care':
      return [(on) => putCare(on, printed)];
    case 'as-built':
      return [...STEPS.plan(printed), (on) => putAsBuilt(on, printed, pictureOf)];
    case 'set':
      return SHEETS.flatMap((sheet) => STEPS[sheet](printed));
    default:
      return STEPS[name](printed);
  }
}

export interface PdfOptions {
  size: PaperSize;
  /** Day that it is made, as it is written. */
  made: string;
  /** Whose offer it is. */
  company?: Company;
  /** Photos that are here; none when left out. */
  pictureOf?: PictureOf;
  /** Told after each piece of work. */
  onStep?: (done: number, of: number) => void;
}

/** A PDF of some of a job's sheets. What cannot be drawn for want of places is said in it. */
export async function pdfOf(job: Job, name: PdfName, options: PdfOptions): Promise<Buffer> {
  const { size, made, onStep } = options;
  const plan = planJob(job);
  const printed: Printed = { job, plan, taken: takeOff(job, plan) };
  const { name: title } = headOf(job);
  const paper = new Paper(size, title, made, title);
  const steps = stepsOf(name, printed, options);
  for (const [k, step] of steps.entries()) {
    step(paper);
    onStep?.(k + 1, steps.length);
    // Others are answered between two pages.
    await breath();
  }
  if (paper.title === '') {
    paper.page(title);
    paper.paragraph('Nothing is laid yet: there is nothing to print.');
  }
  return paper.end();
}

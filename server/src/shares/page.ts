/** A page that is read without being let in: plain HTML with its drawing, no script. It shows what its reader needs, and nothing else. */
import {
  cautionsOf,
  crewNotes,
  digLines,
  digTable,
  drawingOf,
  headOf,
  letterhead,
  partsSheet,
  planJob,
  quoteOf,
  showLength,
  takeOff,
  text,
  type Audience,
  type Company,
  type Drawing,
  type Job,
  type Table,
} from '@katabasis/core';
import { alongWords, asBuiltTable, photosAlong } from '@katabasis/core/as-built';
import { careSheet } from '@katabasis/core/care';
import { esc } from './esc';
import { stillsHtml } from './stills';

const STYLE = `
:root{color-scheme:light}body{margin:0 auto;max-width:52rem;padding:16px;background:#faf7f0;color:#1d1a16;font:17px/1.5 system-ui,sans-serif}
h1{font-size:1.5rem;margin:.2em 0}h2{font-size:1.15rem;margin:1.4em 0 .4em}p,li{margin:.3em 0}
table{border-collapse:collapse;width:100%;font-variant-numeric:tabular-nums}th,td{text-align:left;padding:6px 8px;border-bottom:1px solid #b9b09f;vertical-align:top}
header p{margin:0}.mark{float:right;max-width:9rem;max-height:5rem}.r{text-align:right;white-space:nowrap}.wide{overflow-x:auto}.price{font-size:1.6rem;font-weight:700}svg{width:100%;height:auto;background:#fff;border:1px solid #b9b09f}
.stills{display:grid;grid-template-columns:repeat(auto-fit,minmax(15rem,1fr));gap:12px}figure{margin:0}figure img{width:100%;height:auto}figcaption{font-weight:700}
`;

export const page = (title: string, body: string): string =>
  `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width,initial-scale=1"><meta name="robots" content="noindex"><title>${esc(title)}</title><style>${STYLE}</style></head><body><main>${body}</main></body></html>`;

const list = (items: readonly string[]): string => `<ul>${items.map((item) => `<li>${esc(item)}</li>`).join('')}</ul>`;

function tableHtml({ columns, rows }: Table, leave: (title: string) => boolean = () => false): string {
  const shown = columns.flatMap((column, k) => (leave(column.title) ? [] : [{ ...column, k }]));
  const cell = (tag: string, said: string, right?: true): string =>
    `<${tag}${right ? ' class="r"' : ''}>${esc(said)}</${tag}>`;
  const head = shown.map(({ title, right }) => cell('th', title, right)).join('');
  const body = rows
    .map((row) => `<tr>${shown.map(({ k, right }) => cell('td', row[k] ?? '', right)).join('')}</tr>`)
    .join('');
  return `<div class="wide"><table><thead><tr>${head}</tr></thead><tbody>${body}</tbody></table></div>`;
}

const PENS: Partial<Record<string, string>> = {
  buildings: 'fill="#e2dccf" stroke="#1d1a16" stroke-width="1.5"',
  surfaces: 'fill="#f1ede4" stroke="#b9b09f"',
  pipes: 'fill="none" stroke="#0b5a8f" stroke-width="3"',
  services: 'fill="none" stroke="#a5361f" stroke-dasharray="4 4"',
  works: 'fill="none" stroke="#2f7a70" stroke-width="2"',
  trees: 'fill="none" stroke="#4f6b3a"',
  inlets: 'fill="#fff" stroke="#1d1a16"',
  discharges: 'fill="#cfe3f1" stroke="#0b5a8f" stroke-width="2"',
  barriers: 'fill="none" stroke="#6d6455" stroke-dasharray="6 4"',
};

function svg({ extent, strokes, words }: Drawing): string {
  if (!extent) return '';
  const scale = 900 / Math.max(extent.east - extent.west, extent.north - extent.south, 1);
  const x = (east: number): string => ((east - extent.west) * scale + 20).toFixed(1);
  const y = (north: number): string => ((extent.north - north) * scale + 20).toFixed(1);
  const drawn = strokes.map((stroke) => {
    const pen = PENS[stroke.layer];
    if (!pen) return '';
    if (stroke.shape === 'mark')
      return `<circle cx="${x(stroke.at.east)}" cy="${y(stroke.at.north)}" r="${Math.max(5, stroke.radius * scale).toFixed(1)}" ${pen}/>`;
    const points = stroke.places.map(({ east, north }) => `${x(east)},${y(north)}`).join(' ');
    return stroke.shape === 'outline'
      ? `<polygon points="${points}" ${pen}/>`
      : `<polyline points="${points}" ${pen}/>`;
  });
  const said = words.filter(({ layer }) => layer === 'discharges' || layer === 'inlets' || layer === 'buildings');
  const texts = said.map(
    (each) =>
      `<text x="${x(each.at.east)}" y="${y(each.at.north)}" dx="8" dy="-6" font-size="15">${esc(each.said)}</text>`,
  );
  const [width, height] = [(extent.east - extent.west) * scale + 40, (extent.north - extent.south) * scale + 40];
  return `<h2>Plan</h2><svg viewBox="0 0 ${width.toFixed(0)} ${height.toFixed(0)}" role="img" aria-label="Plan of the yard">${drawn.join('')}${texts.join('')}</svg>`;
}

/** What a crew needs: how deep, in what order, with what, and what to mind. No price is in it. */
function forCrew(job: Job): string {
  const plan = planJob(job);
  const taken = takeOff(job, plan);
  const digs = digLines(job, plan).map(
    (line) =>
      `<h2>Line ${esc(line.letter)}, from its foot upward</h2>${tableHtml(digTable(job, plan, line), (title) => title === 'Rod' || title === 'As laid')}`,
  );
  const notes = crewNotes(job);
  const known = notes.length > 0 ? `<h2>To know here</h2>${list(notes)}` : '';
  return `${known}<h2>Before you dig</h2>${list(cautionsOf(job, plan, taken))}${svg(drawingOf(job, plan, false))}${digs.join('')}<h2>Parts</h2>${tableHtml(partsSheet(job, taken), (title) => title === 'Measured')}`;
}

/** What a customer needs: what is done, its price, what is not in it. No cost and no margin is in it. */
function forCustomer(job: Job, company: Company): string {
  const plan = planJob(job);
  const quote = quoteOf(job, plan, takeOff(job, plan), company);
  const price = quote.price
    .map(({ said, amount }) => `<p>${esc(said)}: <span class="price">${esc(amount)}</span></p>`)
    .join('');
  const options =
    quote.options.length > 0
      ? `<h2>To choose from</h2>${list(quote.options.map(({ said, amount }) => `${said}: ${amount}`))}`
      : '';
  const ways = quote.ways.map(({ question, said }) => `<h3>${esc(question)}</h3>${list(said)}`).join('');
  const built = ways === '' ? '' : `<h2>How it is built, and why</h2>${ways}`;
  const mark = quote.mark === null ? '' : `<img class="mark" alt="" src="${esc(quote.mark)}">`;
  const from = quote.letterhead.map((said) => `<p>${esc(said)}</p>`).join('');
  return `<header>${mark}${from}</header>${quote.head.map((said) => `<p>${esc(said)}</p>`).join('')}<h2>What is done</h2>${list(quote.scope)}${list(quote.promise)}<h2>Price</h2>${price}${options}${svg(drawingOf(job, plan, false))}${stillsHtml(job, plan, esc)}${built}<h2>Not in it</h2>${list(quote.excluded)}<h2>To know</h2>${list(quote.cautions)}${list(quote.terms)}`;
}

/** What who lives there needs once it is laid: what to look after and when, and what lies where. No price is in it. */
function forKeeper(job: Job, company: Company): string {
  const plan = planJob(job);
  const sheet = careSheet(job, plan);
  const part = (title: string, said: readonly string[]): string =>
    said.length === 0 ? '' : `<h2>${esc(title)}</h2>${list(said)}`;
  const from = letterhead(company)
    .map((said) => `<p>${esc(said)}</p>`)
    .join('');
  const care = [
    part('What you can do', sheet.yours),
    part('What we come for', sheet.ours),
    part('After each large storm', sheet.afterStorms),
    part('Warranty', sheet.warranty),
    part('What was said', sheet.agreed),
  ].join('');
  const built = `<h2>What lies where</h2><p>By two tapes from corners of the house. Call for locates before anybody digs all the same.</p>${tableHtml(asBuiltTable(job, plan))}`;
  const photos = photosAlong(job)
    .map(({ photo, run, along }) => {
      const said = esc(
        `${alongWords(job, { run }, text(showLength(along, headOf(job).units)))}: ${photo.note ?? photo.name}`,
      );
      return `<figure><img loading="lazy" src="?photo=${photo.file}" alt=""><figcaption>${said}</figcaption></figure>`;
    })
    .join('');
  const open = photos === '' ? '' : `<h2>While the trench was open</h2><div class="stills">${photos}</div>`;
  return `<header>${from}</header><p><a href="?dates">Put these dates into your calendar</a></p>${care}${svg(drawingOf(job, plan, false))}${built}${open}`;
}

const PAGES: Record<Audience, { title: string; body: (job: Job, company: Company) => string }> = {
  crew: { title: 'Dig sheet', body: forCrew },
  customer: { title: 'Quote', body: forCustomer },
  keeper: { title: 'Looking after it', body: forKeeper },
};

export function sharedPage(job: Job, audience: Audience, company: Company = {}): string {
  const { title: called, body } = PAGES[audience];
  const title = `${called}: ${headOf(job).name}`;
  return page(title, `<h1>${esc(title)}</h1>${body(job, company)}`);
}

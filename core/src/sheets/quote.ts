/** What a customer is offered: the work in plain words, its price, what is not in it, and what to mind. No cost and no margin is in it. */
import { letterhead, type Company } from '../api/company';
import { JUNCTION_FACTS } from '../catalogue/fittings';
import { GRATE_FACTS } from '../catalogue/grates';
import { OUTFALLS } from '../catalogue/outfalls';
import { LINING_FACTS } from '../catalogue/swales';
import { headOf, nameOf, ofKind, rainOf, type Job } from '../job/job';
import { standingNotes } from '../words/notes';
import { kindOf, type ElementKind, type NoteSort } from '../job/kinds';
import type { Plan } from '../verdict/planJob';
import { priceOf } from '../price/price';
import type { TakeOff } from '../quantities/takeOff';
import { many, showArea, showLength, showNominal, showRain, showSmall, showVolume, text } from '../units';
import { compareOptions, isBuilt } from '../variants/variants';
import { WORK_KINDS } from '../works';
import { areaCovered } from '../works/measures';
import { storeOf } from '../works/store';
import { money } from '../price/words';
import { tellSnag } from '../snags/tell';
import { engineersWork } from './engineer';
import { waysExplained, type WayExplained } from './waysExplained';

export interface Quote {
  /** Whose offer it is: a line each, and a picture as a data address. */
  letterhead: readonly string[];
  mark: string | null;
  title: string;
  /** Whom and where, a line each. */
  head: readonly string[];
  scope: readonly string[];
  /** What it is made for, and what it cannot do. */
  promise: readonly string[];
  /** Amounts as they are written: before tax, tax where there is any, and in all. */
  price: readonly { said: string; amount: string }[];
  /** Other plans over the same site that can be had instead, with what each comes to before tax. */
  options: readonly { said: string; amount: string }[];
  /** How it is built and why, with what the other ways would come to. */
  ways: readonly WayExplained[];
  excluded: readonly string[];
  cautions: readonly string[];
  terms: readonly string[];
  signatures: readonly string[];
}

/** Days that an offer stands. */
export const VALID_DAYS = 30;

const USUAL_TERMS = `This offer stands for ${VALID_DAYS} days. What the ground shows otherwise is priced and agreed before it is dug further.`;

const EXCLUDED = [
  'Rock, buried concrete, old footings and anything else under the ground that nobody could see.',
  'Mending of private lines that were not marked: irrigation, lighting, pool, fence, a drop to a shed.',
  'Fees of permits and of inspections, unless they are named above.',
  'Planting, beyond turf or seed over what was dug.',
];

const CAUTIONS = [
  'No drain carries every storm. In a rain rarer than the one named above water may stand or run over the ground for a while.',
  'Grates and ends must be kept clear; look at them after every storm and clean them in autumn.',
  'Fresh backfill settles: the turf over it is left a little proud, and comes down within a year.',
];

/** Works as a customer walks them: first what leads over the ground, then what lies in it. */
const isOver = (kind: ElementKind): boolean => kindOf(kind).leadsOn === true;
const WORKS = [...WORK_KINDS.filter(isOver), ...WORK_KINDS.filter((kind) => !isOver(kind))];

/** The sizes of some pipes, each once, smallest first. */
function sizes(job: Job, nominals: readonly number[]): string {
  const { units } = headOf(job);
  return [...new Set(nominals)]
    .sort((a, b) => a - b)
    .map((nominal) => text(showNominal(nominal, units)))
    .join(', ');
}

/** "A, B and C", with how many more where there are many. */
function listed(names: readonly string[], most = 6): string {
  const shown = names.length > most ? [...names.slice(0, most - 1), `${names.length - most + 1} more`] : names;
  return shown.length < 2 ? (shown[0] ?? '') : `${shown.slice(0, -1).join(', ')} and ${shown.at(-1)}`;
}

/** How long, wide and deep a work is, and what lines it, after its name; nothing where nobody has said. */
function sizeWords(job: Job, plan: Plan, id: string): string {
  const { units } = headOf(job);
  const element = job.elements.get(id);
  const long = (metres: number): string => text(showLength(metres, units));
  const small = (metres: number): string => text(showSmall(metres, units));
  const planned = plan.works[id];
  const words: string[] = [];
  if (planned && 'length' in planned && planned.length > 0) words.push(`${long(planned.length)} long`);
  switch (element?.kind) {
    case 'swale':
      words.push(
        `${small(element.depth)} deep`,
        element.lining === 'bare' ? 'left bare' : `lined with ${LINING_FACTS[element.lining].label.toLowerCase()}`,
      );
      break;
    case 'berm':
      words.push(`${small(element.height)} high`);
      break;
    case 'culvert':
      words.push(`${text(showNominal(element.nominal, units))} pipe`);
      break;
    case 'drain':
    case 'drainField':
      words.push(`${text(showNominal(element.nominal, units))} pipe`, `${small(element.depth)} deep`);
      break;
    case 'stoneDrain':
      words.push(`${small(element.width)} wide`, `${small(element.depth)} deep`);
      break;
    case 'pavedBed':
      words.push(text(showArea(areaCovered(element), units)), `${small(element.depth)} of stone`);
      break;
    case 'barrel':
      words.push(text(showVolume(element.volume, units)));
      break;
    case 'discharge': {
      const store = storeOf(element);
      if (store) words.push(text(showArea(store.area, units)), `${small(store.depth)} deep`);
      if (element.stone) words.push('an apron of stone');
      break;
    }
  }
  return words.map((each) => `, ${each}`).join('');
}

function scopeOf(job: Job, plan: Plan): string[] {
  const { units } = headOf(job);
  const scope: string[] = [];
  for (const { letter, runs: ids } of plan.lines) {
    const runs = ids.flatMap((id) => plan.runs[id] ?? []);
    if (runs.length === 0) continue;
    const length = runs.reduce((sum, run) => sum + run.length, 0);
    const heads = new Set(runs.map(({ from }) => from));
    const foot = runs.find(({ to }) => !heads.has(to))!.to;
    const tos = new Set(runs.map(({ to }) => to));
    const sources = [...heads].filter((id) => !tos.has(id)).map((id) => nameOf(job, id));
    const drop =
      Math.max(...runs.map(({ invertUp }) => invertUp)) - Math.min(...runs.map(({ invertDown }) => invertDown));
    scope.push(
      `Line ${letter}: lay ${text(showLength(length, units))} of buried pipe (${sizes(
        job,
        runs.map(({ nominal }) => nominal),
      )}) from ${listed(sources)} to ${nameOf(job, foot)}, falling ${text(showSmall(drop, units))} on the way.`,
    );
  }
  const downspouts = ofKind(job, 'downspout').filter(({ id }) => typeof plan.landings[id]?.invert === 'number');
  if (downspouts.length > 0)
    scope.push(`Join ${many(downspouts.length, 'downspout')}: ${listed(downspouts.map(({ name }) => name))}.`);
  for (const basin of ofKind(job, 'basin'))
    scope.push(`Set a catch basin with a ${GRATE_FACTS[basin.grate].label} grate: ${basin.name}.`);
  for (const channel of ofKind(job, 'channel'))
    scope.push(`Set ${text(showLength(channel.length, units))} of channel drain: ${channel.name}.`);
  for (const kind of WORKS)
    for (const { id, ...element } of job.elements.ofKind(kind)) {
      if ('here' in element && element.here) continue;
      scope.push(`Build ${kindOf(kind).label.toLowerCase()}: ${nameOf(job, id)}${sizeWords(job, plan, id)}.`);
    }
  for (const { name, form } of ofKind(job, 'junction'))
    if (form === 'sedimentTrap' || form === 'cleanout')
      scope.push(`Set a ${JUNCTION_FACTS[form].label.toLowerCase()}: ${name}.`);
  for (const discharge of ofKind(job, 'discharge'))
    scope.push(
      `Let the water out at ${discharge.name} (${OUTFALLS[discharge.form].label.toLowerCase()}${sizeWords(job, plan, discharge.id)}).`,
    );
  const piped = Object.keys(plan.runs).length > 0;
  scope.push(
    `Call for the marks, dig, ${piped ? 'lay to its fall, test with water before covering, ' : ''}backfill in lifts and make the surface good.`,
  );
  return scope;
}

function promiseOf(job: Job, plan: Plan): string[] {
  const rain = rainOf(job);
  const falls = rain ? text(showRain(rain.intensity, headOf(job).units)) : null;
  const storm =
    rain && rain.source.type !== 'typed'
      ? `the rain that comes once in ${rain.source.returnPeriod} years (${falls})`
      : falls === null
        ? 'the rain that was agreed'
        : `a rain of ${falls}`;
  const made = `Made for ${storm}.`;
  if (plan.verdict.state === 'stop' || plan.verdict.state === 'fix')
    return [`This plan is not finished: ${plan.verdict.sentence}`, made];
  const { openings } = plan;
  return [
    made,
    ...(openings
      ? [`Doors and window wells named on the plan are checked in the rain of once in ${openings.returnPeriod} years.`]
      : []),
  ];
}

/** Options that can be taken and have no Stop: nobody is offered a plan that does not hold. */
const optionsOf = (job: Job, plan: Plan): Quote['options'] =>
  // Once it is built, what was planned before is no option any more.
  ofKind(job, 'variant').length === 0 || isBuilt(job)
    ? []
    : compareOptions(job, plan).flatMap((each) =>
        'price' in each && (each.id === null || each.verdict.state !== 'stop')
          ? [
              {
                said: each.id === null ? `${each.name}, as above` : each.name,
                amount: money(each.price.price, each.price.currency),
              },
            ]
          : [],
      );

/** Notes of one sort that are for the customer. */
const said = (job: Job, sort: NoteSort, as: string): string[] =>
  standingNotes(job)
    .filter((note) => note.sort === sort)
    .map(({ text: words, on }) => `${as}${sort === 'warned' ? `, ${on}` : ''}: ${words}`);

/** What the customer wants otherwise than it should be, with the day on which he was told what that does. */
const wantedOtherwise = (job: Job, plan: Plan): string[] =>
  plan.snags.flatMap((snag) =>
    snag.accepted && snag.severity === 'fix'
      ? [
          `You want it otherwise, and were told on ${snag.accepted.on}: ${tellSnag(job, plan, snag).headline} ${snag.accepted.reason}`,
        ]
      : [],
  );

/** A customer's quote of a plan, by the company that makes it. */
export function quoteOf(job: Job, plan: Plan, taken: TakeOff, company: Company = {}): Quote {
  const { name, client, site, date, offer } = headOf(job);
  const price = priceOf(job, taken);
  const cash = (amount: number): string => money(amount, price.currency);
  return {
    letterhead: letterhead(company),
    mark: company.mark ?? null,
    title: `Quote: ${name}`,
    head: [
      ...(offer ? [`Offer ${offer}`] : []),
      ...(client ? [`For ${client}`] : []),
      ...(site ? [site] : []),
      ...(date ? [`Work about ${date}`] : []),
    ],
    scope: [...scopeOf(job, plan), ...said(job, 'promise', 'Promised'), ...said(job, 'extra', 'Agreed on the way')],
    promise: promiseOf(job, plan),
    price: [
      { said: price.tax > 0 ? 'All of this, before tax' : 'All of this', amount: cash(price.price) },
      ...(price.tax > 0
        ? [
            { said: 'Tax', amount: cash(price.tax) },
            { said: 'In all', amount: cash(price.total) },
          ]
        : []),
    ],
    options: optionsOf(job, plan),
    ways: waysExplained(job, plan),
    excluded: [...engineersWork(job, plan, taken), ...EXCLUDED, ...said(job, 'byOthers', 'Done by others')],
    cautions: [...CAUTIONS, ...wantedOtherwise(job, plan), ...said(job, 'warned', 'You were told')],
    terms: company.terms ? company.terms.split(/\n+/) : [USUAL_TERMS],
    signatures: ['Customer, date', `${company.name ?? 'Contractor'}, date`],
  };
}

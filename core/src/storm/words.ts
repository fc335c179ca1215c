/** The layers of defence in words that are read in ten seconds. */
import { headOf, nameOf, rainOf, type Job } from '../job/job';
import { SURFACE_FACTS } from '../catalogue/surfaces';
import type { CaseId } from './cases';
import type { Drowning, WaterKind } from './drowning';
import type { LayerCell, LayerId, LayerPart } from './layer';
import type { Layers } from './layers';
import { showFlow, showPercent, showRain, showSmall, text } from '../units';
import { resolveSettings } from '../job/settings';

export const LAYER_LABELS: Record<LayerId, string> = {
  gutters: 'Gutters and downspouts',
  grates: 'Grates and stone',
  pipes: 'Solid pipe',
  stores: 'Pits, beds and pumps',
  swales: 'Swales and culverts',
  drains: 'Drains in the ground',
  berms: 'Berms',
  doors: 'Doors',
};

/** A case's name, and what it is in this job. */
export function caseWords(job: Job, id: CaseId, blocked: Layers['blocked']): { label: string; note: string } {
  const { units, settings } = headOf(job);
  const rain = rainOf(job);
  const years = rain && rain.source.type !== 'typed' ? `${rain.source.returnPeriod}-year` : 'design';
  switch (id) {
    case 'ordinary':
      return { label: 'Ordinary rain', note: text(showRain(resolveSettings(settings).ordinaryRain, units)) };
    case 'design':
      return { label: 'Design rain', note: years };
    case 'rarer':
      return { label: 'Rarer rain', note: `${rain?.openings?.returnPeriod ?? ''}-year` };
    case 'blocked':
      return { label: 'A grate blocked', note: blocked === null ? years : nameOf(job, blocked) };
    case 'frozen':
      return { label: 'Ends frozen', note: 'pop-ups and kerbs shut' };
    case 'power':
      return { label: 'Power cut', note: 'pumps stand still' };
    case 'high':
      return { label: 'Swale brimful', note: 'where lines end' };
    case 'saturated':
      return { label: 'Ground full', note: `soft ground sheds ${text(showPercent(SURFACE_FACTS.saturated.usual))}` };
  }
}

const somewhere = (job: Job, to: string | null): string => (to === null ? 'over the ground' : `to ${nameOf(job, to)}`);

/** What stands in a cell. */
export function cellWords(job: Job, { state, passed, to, left }: LayerCell): string {
  const { units } = headOf(job);
  switch (state) {
    case 'dry':
      return 'dry';
    case 'takes':
      return left === null ? 'takes all' : `${text(showSmall(left, units))} to spare`;
    case 'passes':
      return `passes ${text(showFlow(passed, units))} ${somewhere(job, to)}`;
    case 'close':
      return `${text(showSmall(left!, units))} to spare`;
    case 'wet':
      return left! > -0.0005 ? 'wet to the sill' : `wet by ${text(showSmall(-left!, units))}`;
  }
}

/** What one thing of a layer does, as its working says it. */
export function partWords(job: Job, { id, offered, passed, to, left }: LayerPart): string {
  const { units } = headOf(job);
  const name = nameOf(job, id);
  if (left !== null)
    return left < 0
      ? `${name}: water stands ${text(showSmall(-left, units))} over it.`
      : `${name}: water stays ${text(showSmall(left, units))} below it.`;
  if (offered <= 0) return `${name}: no water comes near it.`;
  const came = `${name}: ${text(showFlow(offered, units))} comes`;
  return passed > 0
    ? `${came}, ${text(showFlow(offered - passed, units))} is taken, ${text(showFlow(passed, units))} goes on ${somewhere(job, to)}.`
    : `${came}, all of it is taken.`;
}

const lower = (words: string): string => words.charAt(0).toLowerCase() + words.slice(1);

/** What gives way first. */
export function firstWords(job: Job, { first, cases, blocked }: Layers): string {
  if (cases.length === 0) return 'Choose a rain first: without one nothing can be tried.';
  if (!first) return 'Nothing gives way in any of these.';
  const { label } = caseWords(job, first.case, blocked);
  const worst = first.cell.parts.reduce((most, each) =>
    each.passed > most.passed || (each.left ?? 0) < (most.left ?? 0) ? each : most,
  );
  return `First to give way: ${nameOf(job, worst.id)}, with ${lower(label)}.`;
}

const KINDS: Record<WaterKind, string> = { roof: 'roof', surface: 'yard', ground: 'ground' };

/** Lines of which one drowns another. */
export function drowningWords(job: Job, { outlet, kinds, at, case: id }: Drowning): string {
  const waters = kinds.map((kind) => KINDS[kind]);
  return `The line to ${nameOf(job, outlet)} carries ${waters.slice(0, -1).join(', ')} and ${waters.at(-1)} water together; with ${lower(caseWords(job, id, null).label)} it comes up at ${nameOf(job, at)}. Lines of their own would not drown one another.`;
}

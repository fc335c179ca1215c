/** What gives way first in words that are read in ten seconds. */
import { headOf, nameOf, rainOf, type Job } from '../../job/job';
import { resolveSettings } from '../../job/settings';
import { showRain, showSmall, showVolume, text } from '../../units';
import type { Drowning, WaterKind } from './drowning';
import type { GivesWay } from './givesWay';
import { isMuch, type LayerCell, type LayerId, type LayerPart } from './layer';
import type { CaseId } from './layerCases';

const LAYER_LABELS: Record<LayerId, string> = {
  gutters: 'Gutters and downspouts',
  grates: 'Grates and stone',
  pipes: 'Solid pipe',
  stores: 'Pits, beds and pumps',
  swales: 'Swales and culverts',
  drains: 'Drains in the ground',
  berms: 'Berms',
  doors: 'Doors',
};

export interface CaseSaid {
  id: CaseId;
  label: string;
  note: string;
}

export interface CellSaid {
  state: LayerCell['state'];
  words: string;
  parts: readonly { id: string; words: string }[];
}

/** The table as it is read. */
export interface GivesWaySaid {
  sentence: string;
  mark: 'holds' | 'fix' | 'mind';
  of: number;
  done: number;
  cases: readonly CaseSaid[];
  layers: readonly { id: LayerId; label: string; cells: readonly (CellSaid | null)[] }[];
  drowning: readonly { outlet: string; words: string }[];
}

/** A case's name, and what it is in this job. */
function caseSaid(job: Job, id: CaseId, blocked: string | null): CaseSaid {
  const { units, settings } = headOf(job);
  const rain = rainOf(job);
  const years = rain && rain.source.type !== 'typed' ? `${rain.source.returnPeriod}-year` : 'design';
  const said = (label: string, note: string): CaseSaid => ({ id, label, note });
  switch (id) {
    case 'ordinary':
      return said('Ordinary rain', text(showRain(resolveSettings(settings).ordinaryRain, units)));
    case 'design':
      return said('Design rain', years);
    case 'rarer':
      return said('Rarer rain', `${rain?.openings?.returnPeriod ?? ''}-year`);
    case 'blocked':
      return said('A grate blocked', blocked === null ? years : nameOf(job, blocked));
    case 'frozen':
      return said('Ends frozen', 'pop-ups and kerbs shut');
    case 'power':
      return said('Power cut', 'pumps stand still');
    case 'high':
      return said('Ways out under water', 'what they end in brimful');
    case 'saturated':
      return said('Ground soaked', 'after days of rain');
  }
}

const somewhere = (job: Job, to: string | null): string => (to === null ? 'over the ground' : `to ${nameOf(job, to)}`);

function cellWords(job: Job, layer: LayerId, { state, passed, to, left, deep }: LayerCell): string {
  const { units } = headOf(job);
  const volume = text(showVolume(passed, units));
  switch (state) {
    case 'dry':
      return 'dry';
    case 'takes':
    case 'close':
      return left === null ? 'takes all' : `${text(showSmall(left, units))} to spare`;
    case 'passes':
      return layer === 'pipes' && to !== null
        ? `${volume} backs up at ${nameOf(job, to)}`
        : `passes ${volume} ${somewhere(job, to)}`;
    case 'stands':
      return layer === 'pipes' && to !== null
        ? `full, ${text(showSmall(deep, units))} stands at ${nameOf(job, to)}`
        : `${text(showSmall(deep, units))} stands`;
    case 'wet':
      return left! > -0.0005 ? 'wet to the sill' : `wet by ${text(showSmall(-left!, units))}`;
  }
}

/** What one thing of a layer does, as its working says it. */
function partWords(job: Job, layer: LayerId, { id, came, passed, to, left, deep }: LayerPart): string {
  const { units } = headOf(job);
  const name = nameOf(job, id);
  const volume = (cubic: number): string => text(showVolume(cubic, units));
  if (left !== null && !isMuch(passed, came))
    return left < 0
      ? `${name}: water stands ${text(showSmall(-left, units))} over it.`
      : `${name}: water stays ${text(showSmall(left, units))} below it.`;
  if (layer === 'doors') return `${name}: no water comes near it.`;
  const stands =
    deep > 0 ? ` ${text(showSmall(deep, units))} stands over ${layer === 'pipes' && to ? nameOf(job, to) : 'it'}.` : '';
  const comes = `${name}: ${volume(came)} comes`;
  if (!isMuch(passed, came)) return `${comes}, all of it is taken.${stands}`;
  return layer === 'pipes' && to !== null
    ? `${comes}, ${volume(passed)} of it backs up, most at ${nameOf(job, to)}.${stands}`
    : `${comes}, ${volume(came - passed)} is taken, ${volume(passed)} goes on ${somewhere(job, to)}.${stands}`;
}

const lower = (words: string): string => words.charAt(0).toLowerCase() + words.slice(1);

function sentenceOf(job: Job, { first, cases, blocked, done, of }: GivesWay): string {
  if (cases.length === 0) return 'Choose a rain first: without one nothing can be tried.';
  if (!first) return done < of ? 'Nothing has given way so far.' : 'Nothing gives way in any of these.';
  const { label } = caseSaid(job, first.case, blocked);
  const worst = first.cell.parts.reduce((most, each) =>
    each.passed > most.passed || (each.left ?? 0) < (most.left ?? 0) ? each : most,
  );
  return `First to give way: ${nameOf(job, worst.id)}, with ${lower(label)}.`;
}

/** The design rain must be carried; what gives way beyond it is to be known. */
function markOf({ first, done, of }: GivesWay): GivesWaySaid['mark'] {
  if (!first) return done < of ? 'mind' : 'holds';
  return first.case === 'ordinary' || first.case === 'design' ? 'fix' : 'mind';
}

const KINDS: Record<WaterKind, string> = { roof: 'roof', surface: 'yard', ground: 'ground' };

/** Lines of which one drowns another. */
function drowningWords(job: Job, { outlet, kinds, at, case: id }: Drowning): string {
  const waters = kinds.map((kind) => KINDS[kind]);
  return `The line to ${nameOf(job, outlet)} carries ${waters.slice(0, -1).join(', ')} and ${waters.at(-1)} water together; with ${lower(caseSaid(job, id, null).label)} it backs up at ${nameOf(job, at)}. Lines of their own would not drown one another.`;
}

export function givesWaySaid(job: Job, found: GivesWay): GivesWaySaid {
  const { of, done, cases, blocked, layers, drowning } = found;
  const cellSaid = (layer: LayerId, cell: LayerCell | null): CellSaid | null =>
    cell && {
      state: cell.state,
      words: cellWords(job, layer, cell),
      parts: cell.parts.map((part) => ({ id: part.id, words: partWords(job, layer, part) })),
    };
  return {
    sentence: sentenceOf(job, found),
    mark: markOf(found),
    of,
    done,
    cases: cases.map((id) => caseSaid(job, id, blocked)),
    layers: layers.map(({ id, cells }) => ({
      id,
      label: LAYER_LABELS[id],
      cells: cells.map((cell) => cellSaid(id, cell)),
    })),
    drowning: drowning.map((each) => ({ outlet: each.outlet, words: drowningWords(job, each) })),
  };
}

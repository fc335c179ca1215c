/** Layers of defence: what each takes, what it passes on and to whom, rain by rain and when one fails. */
import type { Job } from '../job/job';
import { holding, Kept } from '../numeric/kept';
import type { Plan } from '../verdict/planJob';
import { situated } from '../yard/situate';
import { casesOf, loaded, type CaseId } from './cases';
import { drowningIn, firstOf, type Drowning } from './drowning';
import { LAYERS, type LayerCell, type LayerId } from './layer';
import { leadsTo, type LeadsTo } from './overflow';
import { Telling } from './telling';
import { tryCase } from './tried';

export interface Layers {
  cases: readonly CaseId[];
  /** The grate that is blocked where one is: of all that were tried the one that harms most, by id; null where none is. */
  blocked: string | null;
  layers: readonly { id: LayerId; cells: readonly LayerCell[] }[];
  /** What gives way first, in the order of the cases; null where all holds. */
  first: { layer: LayerId; case: CaseId; cell: LayerCell } | null;
  /** Lines that carry waters of several kinds, and where one comes up through another's inlet. */
  drowning: readonly Drowning[];
  /** What the next ones may keep of them. */
  readonly kept?: Kept;
}

const fails = ({ state }: LayerCell): boolean => state === 'passes' || state === 'wet';

const worst = (tellings: readonly Telling[]): Telling | undefined =>
  tellings.reduce<Telling | undefined>((most, each) => (most && !each.harmsMoreThan(most) ? most : each), undefined);

/**
 * The design rain with a grate full of leaves: every one is tried, and the one told that harms most. What it lets past runs off unled, or to
 * another that may be too small for it: only then the water of the whole job is another, and worked out anew.
 */
function blockedWorst(job: Job, plan: Plan, design: Telling, leads: LeadsTo): Telling[] {
  const tellings = loaded(job, plan).map((blocked) => {
    const given = { ...design.tried, id: 'blocked' as const, blocked };
    return new Telling(leads(blocked) === null ? given : tryCase(given, leads, design.tried), leads);
  });
  const found = worst(tellings);
  if (!found) return [];
  const { blocked } = found.tried;
  // One that leads on was tried whole already.
  if (blocked !== null && leads(blocked) !== null) return [found];
  return [new Telling(tryCase({ ...design.tried, id: 'blocked', blocked }, leads, design.tried), leads)];
}

/** The layers of a job. `plan` is its own; `before`: those of the job before an edit, of which is kept what reads the same. */
export function layersOf(given: Job, plan: Plan, before?: Layers): Layers {
  const here = situated(given, plan);
  const kept = new Kept(here.kept, before?.kept);
  const job: Job = { ...here, kept };
  const leads = leadsTo(job);
  const tellings = casesOf(job, plan).flatMap((each) => {
    const telling = new Telling(tryCase(each, leads), leads);
    return each.id === 'design' ? [telling, ...blockedWorst(job, plan, telling, leads)] : [telling];
  });
  const tried = tellings.map((telling) => telling.tried);
  const layers = LAYERS.map((id) => ({ id, cells: tellings.map((telling) => telling.cell(id)) })).filter(({ cells }) =>
    cells.some(({ parts }) => parts.length > 0),
  );
  const first =
    tried
      .flatMap(({ id: each }, k) => layers.map(({ id: layer, cells }) => ({ layer, case: each, cell: cells[k]! })))
      .find(({ cell }) => fails(cell)) ?? null;
  kept.close();
  const found = {
    cases: tried.map(({ id }) => id),
    blocked: tried.find(({ id }) => id === 'blocked')?.blocked ?? null,
    layers,
    first,
    drowning: firstOf(tried.flatMap(drowningIn)),
  };
  return holding(found, 'kept', kept);
}

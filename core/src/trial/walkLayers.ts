/**
 * The balance of the layers of defence, by the trials: what falls in a case is what is carried and what runs off unled, what one passes on
 * comes to the next, and nothing passes on more than comes to it. Reckoned from the job's own areas.
 */
import { SURFACE_FACTS } from '../catalogue/surfaces';
import { headOf, ofKind, rainOf, type Job } from '../job/job';
import { resolveSettings } from '../job/settings';
import { gatheringArea } from '../runoff/roofArea';
import type { CaseId } from '../storm/cases';
import type { LayerPart } from '../storm/layer';
import { layersOf, type Layers } from '../storm/layers';
import { WORK_KINDS } from '../works';
import type { Plan } from '../verdict/planJob';

/** What is told as nothing, m³/s: a twentieth of a litre a second. */
const UNSEEN = 5.1e-5;

/** HEC-22's factor of a rare storm. */
const rare = (years: number): number => (years >= 100 ? 1.25 : years >= 50 ? 1.2 : years >= 25 ? 1.1 : 1);

/** What falls in a case, m³/s; null where it cannot be summed so: a table gives each inlet a rain of its own, works keep water back, and what is led nowhere is lost. */
function fallen(job: Job, plan: Plan, id: CaseId): number | null {
  const rain = rainOf(job);
  if (!rain || rain.table || rain.openings?.table) return null;
  if (WORK_KINDS.some((kind) => ofKind(job, kind).length > 0)) return null;
  if (plan.snags.some(({ code }) => code === 'lostWater' || code === 'nothingLeads')) return null;
  const own = id === 'rarer' ? rain.openings!.intensity : rain.intensity;
  const intensity = id === 'ordinary' ? resolveSettings(headOf(job).settings).ordinaryRain : own;
  const years =
    id === 'rarer' ? rain.openings!.returnPeriod : rain.source.type === 'typed' ? 0 : rain.source.returnPeriod;
  const factor = id === 'ordinary' ? 1 : rare(years);
  const runs = (area: number, c: number): number => area * Math.min(1, c * factor) * intensity;
  const soft = (cover: string): boolean => cover === 'mulch' || cover.startsWith('lawn');
  const roofs = ofKind(job, 'roofFace').map((face) => runs(gatheringArea(face), face.coefficient ?? 0.95));
  const ground = ofKind(job, 'surface').map(({ area, cover, coefficient }) => {
    const c = coefficient ?? SURFACE_FACTS[cover].usual;
    return runs(area ?? 0, id === 'saturated' && soft(cover) ? Math.max(c, SURFACE_FACTS.saturated.usual) : c);
  });
  const always = ofKind(job, 'fixedFlow').map(({ flow, feeds }) => (feeds.length > 0 ? flow : 0));
  return [...roofs, ...ground, ...always].reduce((sum, each) => sum + each, 0);
}

const sumOf = (parts: readonly LayerPart[], what: (part: LayerPart) => number): number =>
  parts.reduce((sum, part) => sum + what(part), 0);

/** One case of a table: what is wrong with its sums. */
function walkCase(job: Job, plan: Plan, { layers, cases }: Layers, k: number): string[] {
  const id = cases[k]!;
  const wrong: string[] = [];
  const parts = (layer: string): readonly LayerPart[] =>
    layers.find((each) => each.id === layer)?.cells[k]!.parts ?? [];
  const all = layers.flatMap(({ cells }) => cells[k]!.parts);
  for (const part of all) {
    if (part.passed < 0 || part.passed > part.offered + 1e-9)
      wrong.push(`${id}: ${part.id} passes on ${part.passed} of ${part.offered}`);
    if (part.to === null || part.passed <= UNSEEN) continue;
    if (!job.elements.get(part.to)) wrong.push(`${id}: ${part.id} leads to nothing`);
    const comes = Math.max(0, ...all.filter((each) => each.id === part.to).map(({ offered }) => offered));
    const enters = plan.landings[part.to] ? comes : Infinity;
    if (enters < part.passed - UNSEEN)
      wrong.push(`${id}: of ${part.passed} from ${part.id} ${comes} comes to ${part.to}`);
  }
  const falls = fallen(job, plan, id);
  if (falls === null) return wrong;
  const pipes = parts('pipes');
  const carried = sumOf(pipes, ({ offered, passed }) => offered - passed);
  const unled = sumOf([...parts('gutters'), ...parts('grates'), ...pipes], ({ passed, to }) =>
    to === null ? passed : 0,
  );
  if (!(Math.abs(carried + unled - falls) <= UNSEEN * (1 + all.length)))
    wrong.push(`${id}: of ${falls} that falls ${carried} is carried and ${unled} runs off`);
  return wrong;
}

/** What is wrong with the layers table of a job, one line each. */
export function walkLayers(job: Job, plan: Plan, told = layersOf(job, plan)): string[] {
  return told.cases.flatMap((_, k) => walkCase(job, plan, told, k));
}

/** Drains in the ground. */
import { FABRIC_FACTS, STONE_FACTS } from '../../catalogue/stone';
import { elementOf, keptOf, ofKind, type Job } from '../../job/job';
import { placesOf, wayOfRun } from '../../job/places';
import { isLaid, rootReach, type Drain, type DrainField, type Run } from '../../job/kinds';
import { step } from '../../numeric/kept';
import type { Solution } from '../../plan/solution';
import { distanceTo, footOnWay, isWithin, type Place } from '../../site/place';
import { unlikeSoil } from '../../works/drain';
import type { Rule } from '../snag';
import { valuesOf } from '../valuesOf';
import { DAY, rule, worksIn } from './work';

const elementAt = (job: Job, id: string): Drain | DrainField =>
  (elementOf(job, 'drain', id) ?? elementOf(job, 'drainField', id))!;

/** Places along a way, no further apart than a short pace, m. */
function alongWay(way: readonly Place[]): Place[] {
  return way.flatMap((a, k) => {
    const b = way[k + 1];
    if (!b) return [a];
    const steps = Math.max(1, Math.ceil(Math.hypot(b.east - a.east, b.north - a.north) / 0.5));
    return Array.from({ length: steps }, (_, at) => ({
      east: a.east + ((b.east - a.east) * at) / steps,
      north: a.north + ((b.north - a.north) * at) / steps,
    }));
  });
}

const perforated = step('perforated runs', ({ runs }: { runs: readonly Run[] }) =>
  runs.filter((run) => run.perforated),
);

const perforatedRuns = (job: Job): readonly Run[] => keptOf(job).ask(perforated, { runs: ofKind(job, 'run') });

/** Perforated pipe of a job on the plan: runs, and drains with all their pipes. */
function perforatedWays(job: Job, solution: Solution): { id: string; ways: readonly (readonly Place[])[] }[] {
  const runs = perforatedRuns(job)
    .filter(isLaid)
    .map((run) => ({ id: run.id, ways: [wayOfRun(job, run) ?? []] }));
  const drains = worksIn(job, solution, 'drain', 'drainField').map((plan) => {
    const drain = elementAt(job, plan.id);
    const ways = plan.lines ? [...plan.lines.laterals, plan.lines.collector] : [placesOf(drain)];
    return { id: plan.id, ways };
  });
  return [...runs, ...drains];
}

/** C·A of rain (m²) that comes down perforated pipe, by id: in a run all that it carries, in a drain what pipes bring it. */
function rainIn(job: Job, { runs, landings }: Solution): { id: string; area: number }[] {
  const perforated = new Set(perforatedRuns(job).map(({ id }) => id));
  const planned = perforated.size > 0 ? valuesOf(job, runs).filter(({ id }) => perforated.has(id)) : [];
  const drains = [...ofKind(job, 'drain'), ...ofKind(job, 'drainField')];
  return [
    ...planned.map(({ id, effectiveArea }) => ({ id, area: effectiveArea })),
    ...drains.map(({ id }) => ({ id, area: landings[id]?.passingArea ?? 0 })),
  ].filter(({ area }) => area > 1e-9);
}

/** Whether a roof's water is among what comes down to a landing or a run. */
function takesRoof(job: Job, { runs }: Solution, id: string): boolean {
  const start = runs[id]?.from ?? id;
  const above = new Map<string, string[]>();
  for (const run of valuesOf(job, runs)) above.set(run.to, [...(above.get(run.to) ?? []), run.from]);
  const left = [start];
  for (let at = left.pop(); at !== undefined; at = left.pop()) {
    if (job.elements.get(at)?.kind === 'downspout') return true;
    left.push(...(above.get(at) ?? []));
  }
  return false;
}

/** From the nearest building, m; ∞ where neither is on the plan. */
const fromBuildings = (job: Job, ways: readonly (readonly Place[])[]): number =>
  Math.min(
    Number.POSITIVE_INFINITY,
    ...ofKind(job, 'building').flatMap(({ outline }) =>
      outline ? ways.flatMap((way) => alongWay(way).map((place) => distanceTo(outline, place))) : [],
    ),
  );

export const drainRules: readonly Rule[] = [
  rule(
    'drainUnderHouse',
    'stop',
    'count',
    (make, job, solution) =>
      perforatedWays(job, solution).flatMap(({ id, ways }) => {
        const under = ofKind(job, 'building').find(
          ({ outline }) => outline && ways.some((way) => alongWay(way).some((place) => isWithin(outline, place))),
        );
        return under ? [make(id, 1, 0, { other: under.id })] : [];
      }),
    (snag, say) => ({
      headline: `${say.name(snag.at)} would lie under ${say.name(snag.other!)}.`,
      why: 'Perforated pipe lets water out as well as in: under a building it wets the footing.',
      instead: 'Draw it clear of the building, 10 ft away where there is room.',
    }),
  ),
  rule(
    'drainUphill',
    'stop',
    'pitch',
    (make, job) =>
      [...ofKind(job, 'drain'), ...ofKind(job, 'drainField')]
        .filter(({ pitch }) => pitch !== undefined && pitch < 0)
        .map(({ id, pitch }) => make(id, pitch!, 0)),
    (snag, say) => ({
      headline: `${say.name(snag.at)} runs uphill, at ${say.show('pitch', snag.figure)}.`,
      why: 'Level it still drains, for water rises in it; uphill it keeps what it takes in.',
    }),
    'uphill',
  ),
  rule(
    'roofInPerforated',
    'stop',
    'length',
    (make, job, solution) => {
      const ways = new Map(perforatedWays(job, solution).map((each) => [each.id, each.ways]));
      return rainIn(job, solution).flatMap(({ id }) => {
        const away = fromBuildings(job, ways.get(id) ?? []);
        return away < solution.settings.buildingClearance && takesRoof(job, solution, id)
          ? [make(id, away, solution.settings.buildingClearance)]
          : [];
      });
    },
    (snag, say) => ({
      headline: `Roof water runs into perforated pipe ${say.show('length', snag.figure)} from a building, in ${say.name(snag.at)}.`,
      why: 'It comes out through the holes beside the footing that it was led away from.',
      instead: 'Carry roof water in a solid pipe of its own; it may share the trench, not the pipe.',
    }),
  ),
  rule(
    'rainInPerforated',
    'fix',
    'flow',
    (make, job, solution) => {
      const flowOf = (id: string): number => solution.runs[id]?.flow ?? solution.landings[id]!.passing;
      return rainIn(job, solution).map(({ id }) => make(id, flowOf(id), 0));
    },
    (snag, say) => ({
      headline: `${say.show('flow', snag.figure)} from roofs and grates runs in perforated pipe, ${say.name(snag.at)}.`,
      why: 'Grit and leaves block its holes from inside, and in a storm it wets the ground that it should dry.',
      instead: 'Lead basins and downspouts in a solid pipe; beside the drain they share the trench, not the pipe.',
    }),
    'rain in it',
  ),
  rule(
    'drainShallow',
    'fix',
    'small',
    (make, job, solution) =>
      worksIn(job, solution, 'drain', 'drainField')
        .filter(({ head, worked, conductivity }) => head <= 0.005 || (worked === null && conductivity > 0))
        .map(({ id, firm }) => make(id, elementAt(job, id).depth, firm)),
    (snag, say) => ({
      headline: `${say.name(snag.at)} lies ${say.show('small', snag.figure)} deep; the ground is to be firm ${say.show('small', snag.limit)} deep.`,
      why: 'Between drains the water stands higher than in them. One no deeper than that dries only the strip over itself.',
    }),
    'too shallow',
  ),
  rule(
    'drainWide',
    'fix',
    'length',
    (make, job, solution) =>
      worksIn(job, solution, 'drain', 'drainField')
        .filter(({ spacing, worked }) => worked !== null && spacing > worked * 1.02)
        .map(({ id, spacing, worked }) => make(id, spacing, worked!)),
    (snag, say) => ({
      headline: `${say.name(snag.at)} has its pipes ${say.show('length', snag.figure)} apart; this soil wants ${say.show('length', snag.limit)}.`,
      why: 'Hooghoudt: by conductivity, depth and what sinks in. Midway between wider pipes the ground stays soft.',
    }),
    'too wide apart',
  ),
  rule(
    'drainFull',
    'fix',
    'flow',
    (make, job, solution) =>
      worksIn(job, solution, 'drain', 'drainField')
        .map(({ id, flow, capacity }) => ({ id, capacity, flow: Math.max(flow, solution.landings[id]?.entering ?? 0) }))
        .filter(({ flow, capacity }) => flow > capacity)
        .map(({ id, flow, capacity }) => make(id, flow, capacity)),
    (snag, say) => ({
      headline: `${say.show('flow', snag.figure)} of ground water comes to ${say.name(snag.at)}, whose pipe carries ${say.show('flow', snag.limit)}.`,
      why: 'With its springs it fills to the stone over it, and the ground beside stays wet.',
    }),
    'too small',
  ),
  rule(
    'soilUnlikely',
    'mind',
    'count',
    (make, job, solution) =>
      worksIn(job, solution, 'drain', 'drainField').flatMap((plan) => (unlikeSoil(plan) ? [make(plan.id, 0, 1)] : [])),
    (snag, say) => ({
      headline: `The conductivity given for ${say.name(snag.at)} is a hundred times off for its soil.`,
      why: 'The spacing rests on it. Test a hole again, or name the soil anew.',
      instead: 'Dig a hole with the auger, fill it, and time how it falls.',
    }),
  ),
  rule(
    'drainSlow',
    'mind',
    'time',
    (make, job, solution) =>
      worksIn(job, solution, 'drain', 'drainField')
        .filter(({ firmTime }) => firmTime !== null && firmTime > 3 * DAY)
        .map(({ id, firmTime }) => make(id, firmTime!, 3 * DAY)),
    (snag, say) => ({
      headline: `The ground over ${say.name(snag.at)} is firm ${say.show('time', snag.figure)} after rain that filled it.`,
      why: 'What the soil lets through sets the pace. Closer or deeper pipes are quicker; in clay, surface inlets come first.',
    }),
  ),
  rule(
    'beddingPoor',
    'fix',
    'count',
    (make, job) =>
      [...ofKind(job, 'drain'), ...ofKind(job, 'drainField'), ...ofKind(job, 'stoneDrain')]
        .filter(({ stone, fabric }) => stone === 'pea' || fabric === 'woven')
        .map(({ id }) => make(id, 1, 0)),
    (snag, say) => ({
      headline: `${say.name(snag.at)} is bedded in what chokes it.`,
      why: `${STONE_FACTS.pea.label}: ${STONE_FACTS.pea.note}. ${FABRIC_FACTS.woven.label}: it ${FABRIC_FACTS.woven.note}.`,
    }),
  ),
  rule(
    'drainAmongRoots',
    'mind',
    'length',
    (make, job, solution) =>
      perforatedWays(job, solution).flatMap(({ id, ways }) =>
        ofKind(job, 'tree').flatMap((tree) => {
          const { place } = tree;
          if (!place) return [];
          const near = Math.min(
            Number.POSITIVE_INFINITY,
            ...ways.flatMap((way) => footOnWay(way, place)?.distance ?? []),
          );
          return near < rootReach(tree) ? [make(id, near, rootReach(tree), { other: tree.id })] : [];
        }),
      ),
    (snag, say) => ({
      headline: `${say.name(snag.at)} lies ${say.show('length', snag.figure)} from ${say.name(snag.other!)}, whose roots reach ${say.show('length', snag.limit)}.`,
      why: 'Roots grow into every hole that gives water. Lay it solid with tight joints there, or further away.',
    }),
  ),
];

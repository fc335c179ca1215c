/**
 * Every figure and sentence of a job's plan in one fixed order, by value and not by the names of fields: a rename changes nothing here,
 * a changed bit of a number does. Held while code is moved; recorded anew when a figure is meant to change.
 */
import { createHash } from 'node:crypto';
import { headOf, type Job } from '../job/job';
import { sizeJob } from '../design/sizeJob';
import { choicesOf } from '../network/choices';
import type { Solution } from '../plan/solution';
import { planJob, type Plan } from '../verdict/planJob';
import type { Element } from '../job/kinds';
import { fixOf } from '../design/fixes';
import { channelCapacity } from '../inlets';
import type { Channel } from '../job/kinds';
import { tellSnag } from '../snags/tell';
import { verdictOf } from '../verdict/verdict';
import { inletWorking, INLET_QUANTITIES } from '../words/workings/inletWorking';
import { landingWorking, LANDING_QUANTITIES } from '../words/workings/landingWorking';
import { budgetWorking } from '../words/workings/budgetWorking';
import { contributingAreaWorking } from '../words/workings/contributingAreaWorking';
import { runWorking, RUN_QUANTITIES } from '../words/workings/runWorking';

function runFigures(solution: Solution): unknown {
  return Object.values(solution.runs).map((run) => [
    run.id,
    run.from,
    run.to,
    run.line,
    run.length,
    run.material,
    run.nominal,
    run.diameter,
    run.roughness,
    run.pitch,
    run.leastPitch,
    run.drop,
    run.invertUp,
    run.invertDown,
    run.crownUp,
    run.crownDown,
    run.groundUp,
    run.groundDown,
    run.coverUp,
    run.coverDown,
    run.leastCover,
    run.effectiveArea,
    run.flow,
    run.ordinaryFlow,
    run.intensity,
    run.timeOfConcentration,
    run.countedArea,
    run.fixedFlow,
    run.waterUp,
    run.waterDown,
    run.regime,
    run.parallel,
    run.widestAbove,
    run.travelTime,
    run.capacity,
    run.fullVelocity,
    run.depth,
    run.depthRatio,
    run.velocity,
    run.overloaded,
    run.ordinaryDepth,
    run.ordinaryShear,
    run.criticalShear,
    run.cleans,
    choicesOf(solution, run).map((choice) => [
      choice.nominal,
      choice.capacity,
      choice.depthRatio,
      choice.velocity,
      choice.cleans,
      choice.verdict,
    ]),
  ]);
}

function inletFigures(job: Job, solution: Solution): unknown {
  return Object.entries(solution.inlets).map(([id, inlet]) => {
    const shared = [
      id,
      inlet.kind,
      inlet.offered,
      inlet.taken,
      inlet.passedOn,
      inlet.kind === 'channel' ? channelCapacity(job.elements.get(id) as Channel) : inlet.capacity,
    ];
    if (inlet.kind === 'basin')
      return [
        ...shared,
        inlet.ponding,
        inlet.control,
        inlet.inlet.weirLength,
        inlet.inlet.openArea,
        inlet.inlet.clogging,
        inlet.freeboard,
        inlet.sump,
      ];
    if (inlet.kind === 'downspout')
      return [
        ...shared,
        inlet.overshoot,
        inlet.control,
        inlet.gutter,
        inlet.valley && [inlet.valley.offered, inlet.valley.capacity, inlet.valley.gutterRun],
      ];
    const { stations, depths, maxDepth, over, overLength, outletControl, outlets } = inlet.profile;
    return [
      ...shared,
      stations,
      depths,
      maxDepth,
      over,
      overLength,
      outletControl,
      outlets.map(({ at, flow }) => [at, flow]),
      inlet.outletCapacity,
      inlet.outletFlow,
      inlet.freeboard,
    ];
  });
}

/** All numbers of a solution, in one order. */
function figures(job: Job, solution: Solution): unknown {
  const { sources } = solution;
  return [
    solution.rain,
    Object.values(solution.settings),
    solution.stray,
    solution.lines.map(({ letter, runs }) => [letter, runs]),
    runFigures(solution),
    inletFigures(job, solution),
    Object.values(solution.landings).map((at) => [
      at.id,
      at.kind,
      at.groundLevel,
      at.crown,
      at.invert,
      at.cover,
      at.enteringArea,
      at.passingArea,
      at.entering,
      at.passing,
      at.outlet,
      at.waterLevel,
    ]),
    solution.budgets.map((each) => [
      each.source,
      each.discharge,
      each.available,
      each.setDeeper,
      each.growth,
      each.spent.map(({ run, fall }) => [run, fall]),
      each.left,
      each.shortBy,
    ]),
    sources.contributingAreas.map((shed) => [shed.id, shed.area, shed.coefficient, shed.effectiveArea, shed.time]),
    [sources.atLanding, sources.atDownspout, sources.fixed, sources.lost].map((map) => [...map]),
    [...sources.valleys].map(([id, { area, gutterRun }]) => [id, area, gutterRun]),
    [...sources.arrivals].map(([id, parts]) => [id, parts.map(({ time, area }) => [time, area])]),
    [...solution.onSlope].map(([id, on]) => [
      id,
      on.share,
      on.depth,
      on.velocity,
      on.needed,
      on.offered,
      on.passed,
      on.to,
    ]),
    solution.openings && [
      solution.openings.returnPeriod,
      solution.openings.intensity,
      Object.entries(solution.openings.freeboards),
    ],
  ];
}

/** Rules that came after the record was made: what they find is left out of it. */
const LATER: readonly string[] = ['sedimentTrapMissing'];

function workings(job: Job, plan: Plan): unknown {
  return [
    Object.keys(plan.runs).map((id) => RUN_QUANTITIES.map((quantity) => runWorking(job, plan, id, quantity))),
    Object.keys(plan.landings).map((id) =>
      LANDING_QUANTITIES.map((quantity) => landingWorking(job, plan, id, quantity)),
    ),
    Object.keys(plan.inlets).map((id) => INLET_QUANTITIES.map((quantity) => inletWorking(job, plan, id, quantity))),
    plan.sources.contributingAreas.map(({ id }) => contributingAreaWorking(job, plan, id)),
    plan.budgets.map(({ discharge }) => budgetWorking(job, plan, discharge)),
  ];
}

/** Elements with the ids that were made for them just now all alike: they are random. */
const withoutDice = (puts: readonly Element[]): Element[] =>
  JSON.parse(JSON.stringify(puts).replace(/-[a-z0-9]{12}"/g, '-new"')) as Element[];

/** Sentences, fixes and sizes that follow from the figures. */
function words(job: Job, plan: Plan): unknown {
  const snags = plan.snags.filter(({ code }) => !LATER.includes(code));
  const { state, sentence, at, stops, fixes, minds } = verdictOf(job, plan, snags);
  const sizing = Object.keys(plan.runs).length <= 10 ? sizeJob(job, plan) : null;
  return [
    [state, sentence, at, stops, fixes, minds],
    headOf(job).name,
    snags.map((snag) => {
      const { headline, why, instead, figure, limit } = tellSnag(job, plan, snag);
      const fix = fixOf(job, plan, snag);
      return [
        snag.code,
        snag.severity,
        snag.at,
        snag.measure,
        snag.figure,
        snag.limit,
        snag.other,
        snag.years,
        snag.stone,
        headline,
        why,
        instead,
        figure,
        limit,
        fix && [fix.label, fix.change.label, sorted(withoutDice(fix.change.puts)), fix.change.removes],
      ];
    }),
    sizing &&
      [sizing.best, ...sizing.others].map(({ cost, sizes, change }) => [
        cost,
        Object.entries(sizes),
        sorted(change.puts),
      ]),
    sorted(workings(job, plan)),
  ];
}

/** The same with the fields of every object in the order of their names, so that the order in which code writes them does not matter. */
function sorted(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sorted);
  if (typeof value !== 'object' || value === null) return value;
  return Object.entries(value)
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([key, inner]) => [key, sorted(inner)]);
}

const hashOf = (value: unknown): string =>
  createHash('sha256').update(JSON.stringify(value)).digest('hex').slice(0, 16);

/** Hashes of a job's figures and of its words. */
export function digestOf(job: Job): { figures: string; words: string } {
  const plan = planJob(job);
  return { figures: hashOf(figures(job, plan)), words: hashOf(words(job, plan)) };
}

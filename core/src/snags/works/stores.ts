/** What keeps water or lifts it: pits, gardens, beds, barrels, pump basins, stone along a slab; and pipe within pipe. */
import { elementOf, ofKind, type Job } from '../../job/job';
import type { Place } from '../../site/place';
import { distanceTo, footOnWay } from '../../site/place';
import { MOST_STARTS } from '../../works/pumpBasin';
import type { Rule } from '../snag';
import { DAY, HOUR, rarerIn, rule, SMALL, worksIn } from './work';

/** Floor of a pit over the ground water, m: 2 ft. */
const OVER_TABLE = 0.6096;
/** From a septic field, m: 50 ft; the local rule governs. */
const SEPTIC = 15.24;
/** Top of open stone below the slab, m: 2 in. */
const BELOW_SLAB = 0.0508;
/** Leaves for a quarter of an hour to somebody who must come. */
const WARNING = 0.25 * HOUR;

function fromSeptic(job: Job, place: Place | undefined): number {
  if (!place) return Number.POSITIVE_INFINITY;
  return Math.min(
    Number.POSITIVE_INFINITY,
    ...ofKind(job, 'service').map(({ form, way = [] }) =>
      form !== 'septicField'
        ? Infinity
        : way.length > 2
          ? distanceTo(way, place)
          : (footOnWay(way, place)?.distance ?? Infinity),
    ),
  );
}

/** Doors that open stone guards: in the rarer rain where one is said. */
const doors = (...[job, solution]: Parameters<Rule['find']>) => {
  const rarer = rarerIn(job, solution, 'stoneDrain');
  return (rarer.length > 0 ? rarer : worksIn(job, solution, 'stoneDrain')).filter(
    ({ freeboard }) => freeboard !== null,
  );
};

export const storeRules: readonly Rule[] = [
  rule(
    'pumpTooWeak',
    'stop',
    'length',
    (make, job, solution) =>
      worksIn(job, solution, 'pump')
        .filter(({ rate }) => rate <= 0)
        .map(({ id, lift, most }) => make(id, lift, most)),
    (snag, say) => ({
      headline: `The pump in ${say.name(snag.at)} does not reach: it must lift ${say.show('length', snag.figure)} and lifts ${say.show('length', snag.limit)} at most.`,
      why: 'Where its curve does not come up to the line’s no water moves, and the motor heats.',
    }),
    'does not reach',
  ),
  rule(
    'pumpBehind',
    'fix',
    'flow',
    (make, job, solution) =>
      worksIn(job, solution, 'pump')
        .filter(({ rate, short }) => rate > 0 && short > 0)
        .map(({ id, flow, rate }) => make(id, flow, rate)),
    (snag, say) => ({
      headline: `${say.show('flow', snag.figure)} comes to ${say.name(snag.at)}; its pump lifts ${say.show('flow', snag.limit)} through its line.`,
      why: 'The basin fills to its lid, and the lines that end in it stand full.',
    }),
    'behind',
  ),
  rule(
    'pumpStarts',
    'fix',
    'count',
    (make, job, solution) =>
      worksIn(job, solution, 'pump')
        .filter(({ rate, flow, cyclesPerHour, worstCyclesPerHour }) => {
          const starts = flow >= rate / 2 ? worstCyclesPerHour : (cyclesPerHour ?? 0);
          return rate > 0 && starts > MOST_STARTS;
        })
        .map(({ id, worstCyclesPerHour }) => make(id, worstCyclesPerHour, MOST_STARTS)),
    (snag, say) => ({
      headline: `The pump in ${say.name(snag.at)} starts up to ${say.show('count', snag.figure)} times an hour; ${say.show('count', snag.limit)} is what a small motor bears.`,
      why: 'Most often at an inflow of half its rate. More room between stop and start spares it.',
    }),
    'starts too often',
  ),
  rule(
    'pumpOutage',
    'mind',
    'time',
    (make, job, solution) =>
      worksIn(job, solution, 'pump')
        .filter(({ rate, outage }) => rate > 0 && outage !== null && outage < WARNING)
        .map(({ id, outage }) => make(id, outage!, WARNING)),
    (snag, say) => ({
      headline: `In a power cut ${say.name(snag.at)} runs over in ${say.show('time', snag.figure)} of the design rain.`,
      why: 'Storms take the power with them. Say where it runs over to, give it a battery, or more room.',
    }),
  ),
  rule(
    'pumpBare',
    'mind',
    'count',
    (make, job) =>
      ofKind(job, 'discharge')
        .filter(({ form, pump }) => form === 'pump' && !(pump?.checkValve && pump.alarm && pump.freezeOverflow))
        .map(({ id }) => make(id, 1, 0)),
    (snag, say) => ({
      headline: `${say.name(snag.at)} wants a check valve, an alarm and a way over for frost.`,
      why: 'Without the valve its line runs back at every stop; without an overflow at the wall a frozen line stops the pump.',
    }),
  ),
  rule(
    'storeInWater',
    'stop',
    'small',
    (make, job, solution) =>
      worksIn(job, solution, 'store')
        .filter(({ overTable }) => overTable !== null && overTable < 0)
        .map(({ id, overTable }) => make(id, -overTable!, OVER_TABLE)),
    (snag, say) => ({
      headline: `${say.name(snag.at)} stands ${say.show('small', snag.figure)} deep in ground water in the wet season.`,
      why: 'It fills from below and takes nothing. Make it shallower and wider, or lead the water elsewhere.',
    }),
  ),
  rule(
    'storeNearWater',
    'fix',
    'small',
    (make, job, solution) =>
      worksIn(job, solution, 'store')
        .filter(({ overTable }) => overTable !== null && overTable >= 0 && overTable < OVER_TABLE - SMALL)
        .map(({ id, overTable }) => make(id, overTable!, OVER_TABLE)),
    (snag, say) => ({
      headline: `The floor of ${say.name(snag.at)} lies ${say.show('small', snag.figure)} over the ground water; keep ${say.show('small', snag.limit)}.`,
      why: 'Water must have somewhere to sink to, and the soil between cleans it.',
    }),
  ),
  rule(
    'storeOver',
    'fix',
    'flow',
    (make, job, solution) =>
      worksIn(job, solution, 'store')
        .filter(({ overflow }) => overflow > 1e-9)
        .map(({ id, overflow, fillTime }) => make(id, overflow, 0, fillTime === null ? {} : { time: fillTime })),
    (snag, say) => ({
      headline: `${say.name(snag.at)} is full ${snag.time === undefined ? 'in the storm' : `in ${say.show('time', snag.time)} of the design rain`}; then it is a pond.`,
      why: `${say.show('flow', snag.figure)} runs over at the worst of a day’s storm. Lead that away from the house, or make it larger.`,
    }),
    'too small',
  ),
  rule(
    'storeSlow',
    'fix',
    'time',
    (make, job, solution) =>
      worksIn(job, solution, 'store')
        .filter(({ drainTime }) => drainTime === null || drainTime > DAY)
        .map(({ id, drainTime }) =>
          make(id, drainTime ?? 1e9, 3 * DAY, {
            severity: drainTime === null || drainTime > 3 * DAY ? 'fix' : 'mind',
            ...(drainTime === null ? {} : { time: drainTime }),
          }),
        ),
    (snag, say) => ({
      headline: `${say.name(snag.at)} takes ${snag.time === undefined ? 'for ever' : say.show('time', snag.time)} to soak away.`,
      why: 'A day is good; in three days mosquitoes hatch, and the next storm finds it full.',
      instead: 'Less deep and wider, in soil that takes water; in clay it is the wrong end for a line.',
    }),
    'soaks slowly',
  ),
  rule(
    'storeInClay',
    'fix',
    'count',
    (make, job, solution) =>
      worksIn(job, solution, 'store')
        .filter(({ soil, id }) => {
          const tested = elementOf(job, 'discharge', id)?.store?.conductivity;
          return (soil === 'clay' || soil === 'clayLoam') && (tested === undefined || tested < 1e-6);
        })
        .map(({ id }) => make(id, 1, 0)),
    (snag, say) => ({
      headline: `${say.name(snag.at)} is to soak away into clay.`,
      why: 'Clay takes in a day what a roof sheds in minutes: the pit stands full.',
      instead: 'Find another way out, or test a hole and give its figure.',
    }),
  ),
  rule(
    'storeBySeptic',
    'fix',
    'length',
    (make, job, solution) =>
      worksIn(job, solution, 'store')
        .map(({ id }) => ({ id, away: fromSeptic(job, elementOf(job, 'discharge', id)?.place) }))
        .filter(({ away }) => away < SEPTIC)
        .map(({ id, away }) => make(id, away, SEPTIC)),
    (snag, say) => ({
      headline: `${say.name(snag.at)} soaks away ${say.show('length', snag.figure)} from a septic field; keep ${say.show('length', snag.limit)}.`,
      why: 'Storm water drowns the field. The local rule governs, and may ask for more.',
    }),
  ),
  rule(
    'bedTowardHouse',
    'stop',
    'pitch',
    (make, job) =>
      ofKind(job, 'pavedBed')
        .filter(({ fall }) => fall !== undefined && fall < 0)
        .map(({ id, fall }) => make(id, fall!, 0)),
    (snag, say) => ({
      headline: `The floor of ${say.name(snag.at)} falls toward the building.`,
      why: 'A bed slopes away as its top does, or it leads all that it takes in to the footing.',
    }),
  ),
  rule(
    'bedOver',
    'fix',
    'flow',
    (make, job, solution) =>
      worksIn(job, solution, 'pavedBed')
        .filter(({ over }) => over > 1e-9)
        .map(({ id, over }) => make(id, over, 0)),
    (snag, say) => ({
      headline: `${say.name(snag.at)} fills: ${say.show('flow', snag.figure)} comes up through the paving.`,
      why: 'Deeper stone, a larger outlet or less led into it keep the top dry.',
    }),
    'fills',
  ),
  rule(
    'bedSlow',
    'fix',
    'time',
    (make, job, solution) =>
      worksIn(job, solution, 'pavedBed')
        .filter(({ drainTime }) => drainTime === null || drainTime > 3 * DAY)
        .map(({ id, drainTime }) => make(id, drainTime ?? 1e9, 3 * DAY, drainTime === null ? {} : { time: drainTime })),
    (snag, say) => ({
      headline: `${say.name(snag.at)} takes ${snag.time === undefined ? 'for ever' : say.show('time', snag.time)} to empty.`,
      why: 'What stands in it freezes and heaves the paving. A pipe at its low edge empties it.',
    }),
  ),
  rule(
    'barrelFreezes',
    'mind',
    'count',
    (make, job) =>
      ofKind(job, 'barrel')
        .filter(({ opened, shut }) => opened === undefined || shut === undefined)
        .map(({ id }) => make(id, 1, 0)),
    (snag, say) => ({
      headline: `Nobody has said when ${say.name(snag.at)} is emptied for winter.`,
      why: 'A full barrel bursts in frost, and a shut valve sends the roof’s water over the wall.',
      instead: 'Set the month in which its valve is opened, and the one in which it is shut again.',
    }),
  ),
  rule(
    'waterAtDoor',
    'stop',
    'small',
    (make, job, solution) =>
      doors(job, solution)
        .filter(({ freeboard }) => freeboard! < -SMALL)
        .map(({ id, freeboard }) => make(id, -freeboard!, 0)),
    (snag, say) => ({
      headline: `Water on the slab at ${say.name(snag.at)} stands ${say.show('small', snag.figure)} over the sill.`,
      why: 'The stone takes less than what the slab sheds, or lies too high.',
    }),
    'door wet',
  ),
  rule(
    'stoneDrainClose',
    'fix',
    'small',
    (make, job, solution) =>
      doors(job, solution)
        .filter(({ freeboard }) => freeboard! >= -SMALL && freeboard! < solution.settings.openingMargin - SMALL)
        .map(({ id, freeboard }) => make(id, freeboard!, solution.settings.openingMargin)),
    (snag, say) => ({
      headline: `Water on the slab at ${say.name(snag.at)} comes within ${say.show('small', snag.figure)} of the sill; keep ${say.show('small', snag.limit)}.`,
      why: 'Leaves and ice take their share of every opening.',
    }),
  ),
  rule(
    'stoneOver',
    'fix',
    'flow',
    (make, job, solution) =>
      worksIn(job, solution, 'stoneDrain')
        .filter(({ over }) => over > 1e-9)
        .map(({ id, over, flow }) => make(id, over, flow)),
    (snag, say) => ({
      headline: `${say.show('flow', snag.figure)} runs on over ${say.name(snag.at)}.`,
      why: 'Its stone lets less through than the slab sheds. Wider or longer stone takes more.',
    }),
    'runs over',
  ),
  rule(
    'stoneHigh',
    'fix',
    'small',
    (make, job, solution) =>
      worksIn(job, solution, 'stoneDrain')
        .filter(({ below }) => below !== null && below < BELOW_SLAB - SMALL)
        .map(({ id, below }) => make(id, below!, BELOW_SLAB)),
    (snag, say) => ({
      headline: `The stone of ${say.name(snag.at)} comes ${say.show('small', snag.figure)} below the slab; keep ${say.show('small', snag.limit)}.`,
      why: 'Silt and grass raise it in a few years, and then it dams the slab.',
    }),
  ),
  rule(
    'sleeveSmall',
    'fix',
    'nominal',
    (make, job) =>
      ofKind(job, 'sleeve').flatMap(({ id, holds, nominal }) => {
        const run = holds === undefined ? undefined : elementOf(job, 'run', holds);
        return run && nominal < run.nominal + 0.02 ? [make(id, nominal, run.nominal, { other: run.id })] : [];
      }),
    (snag, say) => ({
      headline: `${say.name(snag.at)} is ${say.show('nominal', snag.figure)} and the pipe in it ${say.show('nominal', snag.limit)}.`,
      why: 'A sleeve is one size larger than what is pushed through it, joints and all.',
    }),
  ),
  rule(
    'grateAtEnd',
    'fix',
    'count',
    (make, job) =>
      ofKind(job, 'discharge')
        .filter(({ end }) => end === 'grate')
        .map(({ id }) => make(id, 1, 0)),
    (snag, say) => ({
      headline: `A grate closes the end of the line at ${say.name(snag.at)}.`,
      why: 'Leaves and sticks float up to it from inside and plug it. A guard that swings open keeps animals out and lets them go.',
    }),
  ),
  rule(
    'oldPipePoor',
    'fix',
    'count',
    (make, job) =>
      ofKind(job, 'run')
        .filter(({ old }) => old?.fate === 'kept' && old.state !== undefined && old.state !== 'sound')
        .map(({ id }) => make(id, 1, 0)),
    (snag, say) => ({
      headline: `${say.name(snag.at)} is an old pipe that is not sound, and still in use.`,
      why: 'What is silted, rooted or broken carries what it carries until the storm that counts.',
      instead: 'Clean and look through it, lay a new one, or cut it off and lead its water elsewhere.',
    }),
  ),
];

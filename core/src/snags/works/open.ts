/** Water in the open: swales, culverts under drives, berms. */
import { elementOf, ofKind, type Job } from '../../job/job';
import { placesOf } from '../../job/places';
import { crossing, footOnWay, type Place } from '../../site/place';
import { BERM_FREEBOARD } from '../../works/berm';
import { sillsBeside } from '../../works/swale';
import { LEAST_FALL, LEAST_FREEBOARD } from '../../works/swale';
import type { Rule } from '../snag';
import { rarerIn, rule, SMALL, worksIn } from './work';

const sidesOf = (way: readonly Place[]): [Place, Place][] => way.slice(1).map((b, k) => [way[k]!, b]);
const crosses = (one: readonly Place[], other: readonly Place[]): boolean =>
  sidesOf(one).some(([a, b]) => sidesOf(other).some(([c, d]) => crossing(a, b, c, d) !== null));

/** Whether a drain lies under a swale: within a pace of the middle of its way. */
function hasDrainUnder(job: Job, id: string): boolean {
  const way = elementOf(job, 'swale', id)?.way;
  const middle = way && way[Math.floor(way.length / 2)];
  return (
    middle !== undefined &&
    ofKind(job, 'drain').some((drain) => (footOnWay(placesOf(drain), middle)?.distance ?? Infinity) < 1)
  );
}

export const openRules: readonly Rule[] = [
  rule(
    'swaleUphill',
    'stop',
    'pitch',
    (make, job, solution) =>
      worksIn(job, solution, 'swale')
        .filter(({ pitch, length }) => pitch <= 0 || length <= 0)
        .map(({ id, pitch }) => make(id, pitch, 0)),
    (snag, say) => ({
      headline: `${say.name(snag.at)} does not fall: ${say.show('pitch', snag.figure)} from its head to its foot.`,
      why: 'Water stands in it. Set its two ends, cut its foot deeper, or turn it the other way.',
    }),
    'uphill',
  ),
  rule(
    'swaleOver',
    'stop',
    'flow',
    (make, job, solution) =>
      worksIn(job, solution, 'swale')
        .filter(({ pitch, freeboard }) => pitch > 0 && freeboard < -SMALL)
        .map(({ id, flow, capacity }) => make(id, flow, capacity)),
    (snag, say) => ({
      headline: `${say.name(snag.at)} runs over: ${say.show('flow', snag.figure)} comes, it carries ${say.show('flow', snag.limit)} to its bank.`,
      why: 'What runs over its bank goes wherever the ground lets it.',
    }),
    'runs over',
  ),
  rule(
    'swaleLow',
    'fix',
    'small',
    (make, job, solution) =>
      worksIn(job, solution, 'swale')
        .filter(({ pitch, freeboard }) => pitch > 0 && freeboard >= -SMALL && freeboard < LEAST_FREEBOARD - SMALL)
        .map(({ id, freeboard }) => make(id, freeboard, LEAST_FREEBOARD)),
    (snag, say) => ({
      headline: `${say.name(snag.at)} runs ${say.show('small', snag.figure)} under its bank; keep ${say.show('small', snag.limit)}.`,
      why: 'Grass grows, silt settles and the next storm is larger.',
    }),
    'low bank',
  ),
  rule(
    'swaleScours',
    'fix',
    'velocity',
    (make, job, solution) =>
      worksIn(job, solution, 'swale')
        .filter(({ velocity, mostVelocity, shear, mostShear }) => velocity > mostVelocity || shear > mostShear)
        .map(({ id, velocity, mostVelocity }) => make(id, velocity, mostVelocity)),
    (snag, say) => ({
      headline: `${say.name(snag.at)} washes out: its water runs at ${say.show('velocity', snag.figure)}.`,
      why: 'Its lining holds less, in speed or in drag. Stone, a blanket until the grass holds, or a wider floor hold more.',
    }),
    'washes out',
  ),
  rule(
    'swaleFlat',
    'mind',
    'pitch',
    (make, job, solution) =>
      worksIn(job, solution, 'swale')
        .filter(({ id, pitch }) => pitch > 0 && pitch < LEAST_FALL - 1e-6 && !hasDrainUnder(job, id))
        .map(({ id, pitch }) => make(id, pitch, LEAST_FALL)),
    (snag, say) => ({
      headline: `${say.name(snag.at)} falls ${say.show('pitch', snag.figure)}; under ${say.show('pitch', snag.limit)} grass stays wet.`,
      why: 'It carries a storm, and is soft for days after. A subsurface drain under its floor dries it.',
    }),
  ),
  rule(
    'swaleToNeighbour',
    'stop',
    'count',
    (make, job) =>
      ofKind(job, 'swale')
        .filter(({ consent }) => consent !== 'given')
        .flatMap((swale) => {
          const line = ofKind(job, 'barrier').find(
            ({ form, way, consent }) =>
              form === 'propertyLine' && consent !== 'given' && way && crosses(placesOf(swale), way),
          );
          return swale.consent === 'needed' || line ? [make(swale.id, 1, 0, line ? { other: line.id } : {})] : [];
        }),
    (snag, say) => ({
      headline: `${say.name(snag.at)} leads water to a neighbour without consent.`,
      why: 'Gathered water let go over a boundary is the neighbour’s to refuse.',
      instead: 'Ask, and note the answer; or end it on this side.',
    }),
  ),
  rule(
    'swaleAtDoor',
    'stop',
    'small',
    (make, job, solution) => {
      const years = solution.openings?.returnPeriod;
      const plans = rarerIn(job, solution, 'swale');
      const { openingMargin } = solution.settings;
      return worst(plans, worksIn(job, solution, 'swale')).flatMap((plan) =>
        sillsBeside(job, plan.id, plan)
          .filter(({ left }) => left < openingMargin - SMALL)
          .map(({ opening, left }) =>
            make(plan.id, left, openingMargin, {
              other: opening,
              ...(years && plans.length > 0 ? { years } : {}),
            }),
          ),
      );
    },
    (snag, say) => ({
      headline: `${say.name(snag.at)} stands ${snag.figure < 0 ? `${say.show('small', -snag.figure)} over` : `${say.show('small', snag.figure)} under`} the sill of ${say.name(snag.other!)}${snag.years ? ` in the ${snag.years}-year rain` : ''}.`,
      why: `Keep ${say.show('small', snag.limit)}. Lead it further away, make it wider, or put a berm between.`,
    }),
  ),
  rule(
    'swaleOverRarer',
    'mind',
    'small',
    (make, job, solution) =>
      rarerIn(job, solution, 'swale')
        .filter(({ pitch, freeboard }) => pitch > 0 && freeboard < -SMALL)
        .map(({ id, freeboard }) => make(id, -freeboard, 0)),
    (snag, say) => ({
      headline: `In the rarer rain ${say.name(snag.at)} runs over its bank.`,
      why: 'See that what runs over goes away from doors: a low place in the bank on the far side says where.',
    }),
  ),
  rule(
    'culvertUphill',
    'stop',
    'pitch',
    (make, job, solution) =>
      worksIn(job, solution, 'culvert')
        .filter(({ pitch }) => pitch < -1e-9)
        .map(({ id, pitch }) => make(id, pitch, 0)),
    (snag, say) => ({
      headline: `${say.name(snag.at)} falls the wrong way, ${say.show('pitch', snag.figure)}.`,
      why: 'It holds water and silts up from its inlet.',
    }),
  ),
  rule(
    'culvertOverRoad',
    'stop',
    'small',
    (make, job, solution) =>
      worksIn(job, solution, 'culvert')
        .filter(({ freeboard, flow }) => flow > 0 && freeboard < -SMALL)
        .map(({ id, freeboard }) => make(id, -freeboard, 0)),
    (snag, say) => ({
      headline: `Water before ${say.name(snag.at)} stands ${say.show('small', snag.figure)} over the road’s edge.`,
      why: 'It runs across the drive, takes the edge with it, and goes where nobody led it.',
    }),
    'over the road',
  ),
  rule(
    'culvertRarer',
    'mind',
    'small',
    (make, job, solution) =>
      rarerIn(job, solution, 'culvert')
        .filter(({ freeboard, flow }) => flow > 0 && freeboard < -SMALL)
        .map(({ id, freeboard }) => make(id, -freeboard, 0)),
    (snag, say) => ({
      headline: `In the rarer rain ${say.show('small', snag.figure)} of water crosses the road over ${say.name(snag.at)}.`,
      why: 'Make the low place over it hard, and lead what crosses on.',
    }),
  ),
  rule(
    'culvertAboveRoad',
    'stop',
    'small',
    (make, job, solution) =>
      worksIn(job, solution, 'culvert')
        .filter(({ cover }) => cover < 0)
        .map(({ id, cover, leastCover }) => make(id, -cover, leastCover)),
    (snag, say) => ({
      headline: `${say.name(snag.at)} would stand ${say.show('small', snag.figure)} out of the road.`,
      why: 'Lay it lower, or two smaller pipes side by side.',
    }),
  ),
  rule(
    'culvertCover',
    'fix',
    'small',
    (make, job, solution) =>
      worksIn(job, solution, 'culvert')
        .filter(({ cover, leastCover }) => cover >= 0 && cover < leastCover - SMALL)
        .map(({ id, cover, leastCover }) => make(id, cover, leastCover)),
    (snag, say) => ({
      headline: `${say.name(snag.at)} has ${say.show('small', snag.figure)} over it; this pipe wants ${say.show('small', snag.limit)} there.`,
      why: 'Wheels crush what lies too shallow. A stiffer or a smaller pipe, two of them, or a lower line.',
    }),
    'cover short',
  ),
  rule(
    'culvertScours',
    'fix',
    'velocity',
    (make, job, solution) =>
      worksIn(job, solution, 'culvert')
        .filter(({ id, stone }) => stone > 0 && !elementOf(job, 'culvert', id)?.stone)
        .map(({ id, velocity, stone }) => make(id, velocity, 0, { stone })),
    (snag, say) => ({
      headline: `${say.name(snag.at)} lets out at ${say.show('velocity', snag.figure)} with no stone there.`,
      why: `It digs a hole at its end. Stone of ${say.show('small', snag.stone ?? 0)} or larger, on fabric, holds it.`,
    }),
  ),
  rule(
    'bermOver',
    'stop',
    'small',
    (make, job, solution) =>
      worst(rarerIn(job, solution, 'berm'), worksIn(job, solution, 'berm'))
        .filter(({ freeboard }) => freeboard !== null && freeboard < -SMALL)
        .map(({ id, freeboard }) => make(id, -freeboard!, 0)),
    (snag, say) => ({
      headline: `Water stands ${say.show('small', snag.figure)} over the crest of ${say.name(snag.at)}.`,
      why: 'A bank that is run over is washed away where it is lowest.',
    }),
    'run over',
  ),
  rule(
    'bermLow',
    'fix',
    'small',
    (make, job, solution) =>
      worst(rarerIn(job, solution, 'berm'), worksIn(job, solution, 'berm'))
        .filter(({ freeboard }) => freeboard !== null && freeboard >= -SMALL && freeboard < BERM_FREEBOARD - SMALL)
        .map(({ id, freeboard }) => make(id, freeboard!, BERM_FREEBOARD)),
    (snag, say) => ({
      headline: `${say.name(snag.at)} stands ${say.show('small', snag.figure)} over the water; keep ${say.show('small', snag.limit)}.`,
      why: 'Earth settles by a tenth in its first year.',
    }),
  ),
  rule(
    'bermTraps',
    'fix',
    'flow',
    (make, job, solution) =>
      worksIn(job, solution, 'berm')
        .filter(({ id }) => elementOf(job, 'berm', id)?.to === undefined)
        .map(({ id, trapped }) => make(id, trapped, 0)),
    (snag, say) => ({
      headline: `Nothing drains the ground behind ${say.name(snag.at)}.`,
      why: 'A berm holds water in as well as out: what falls between it and the house needs a drain of its own, on a line that does not drown.',
    }),
    'traps water',
  ),
  rule(
    'bermDrainDrowns',
    'fix',
    'small',
    (make, job, solution) =>
      worksIn(job, solution, 'berm').flatMap(({ id }) => {
        const to = elementOf(job, 'berm', id)?.to;
        const landing = to === undefined ? undefined : solution.landings[to];
        const over = landing ? (landing.waterLevel ?? -Infinity) - landing.groundLevel : -1;
        return over > SMALL ? [make(id, over, 0, { other: to! })] : [];
      }),
    (snag, say) => ({
      headline: `${say.name(snag.other!)}, which drains behind ${say.name(snag.at)}, drowns by ${say.show('small', snag.figure)}.`,
      why: 'Its line then brings water in behind the berm. Give it a line of its own.',
    }),
  ),
  rule(
    'bermAcross',
    'stop',
    'count',
    (make, job) =>
      ofKind(job, 'berm').flatMap((berm) => {
        const across = ofKind(job, 'swale').find((swale) => crosses(placesOf(berm), placesOf(swale)));
        return across ? [make(berm.id, 1, 0, { other: across.id })] : [];
      }),
    (snag, say) => ({
      headline: `${say.name(snag.at)} lies across ${say.name(snag.other!)}.`,
      why: 'It dams the way that its water should take.',
      instead: 'Leave a gap where the swale passes, or lead it round.',
    }),
  ),
];

/** The rarer rain's plans where there are any. */
const worst = <T>(rarer: T[], design: T[]): T[] => (rarer.length > 0 ? rarer : design);

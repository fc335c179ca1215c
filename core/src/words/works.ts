/** What a work does, in figures that a crew lead asks for: each with its name, and in the job's units. */
import { headOf, type Job } from '../job/job';
import type { Solution } from '../plan/solution';
import {
  CUBIC_METRES_PER_CUBIC_YARD,
  showArea,
  showDuration,
  showFlow,
  showLength,
  showLevel,
  showPitch,
  showSmall,
  showVelocity,
  showVolume,
  type Shown,
  type UnitSystem,
} from '../units';
import type { WorkKind, WorkOf, WorkPlan } from '../works';
import { LEAST_FREEBOARD } from '../works/swale';

export interface Fact {
  label: string;
  shown: Shown;
  tone?: 'stop' | 'fix';
}

const never: Shown = { value: 'never', unit: '' };
const lasts = (seconds: number | null): Shown => (seconds === null ? never : showDuration(seconds));
const words = (value: string): Shown => ({ value, unit: '' });
const earth = (cubicMetres: number, units: UnitSystem): Shown =>
  units === 'us'
    ? { value: (cubicMetres / CUBIC_METRES_PER_CUBIC_YARD).toFixed(1), unit: 'yd³' }
    : { value: cubicMetres.toFixed(1), unit: 'm³' };
const rate = (metresPerSecond: number, units: UnitSystem): Shown =>
  units === 'us'
    ? { value: ((metresPerSecond * 86_400) / 0.0254).toFixed(2), unit: 'in/day' }
    : { value: (metresPerSecond * 86_400_000).toFixed(1), unit: 'mm/day' };

/** A fact told in the colour of its weight where it holds. */
const toned = (tone: 'stop' | 'fix', holds: boolean): Pick<Fact, 'tone'> => (holds ? { tone } : {});

type Tell<K extends WorkKind> = (plan: WorkOf<K>, units: UnitSystem) => Fact[];

const drain: Tell<'drain' | 'drainField'> = (plan, units) => [
  {
    label: 'Ground water at its end',
    shown: showFlow(plan.flow, units),
    ...toned('fix', plan.flow > plan.capacity),
  },
  { label: 'Its pipe carries', shown: showFlow(plan.capacity, units) },
  {
    label: plan.kind === 'drain' ? 'Drains a strip of' : 'Pipes lie apart',
    shown: showLength(plan.spacing, units),
    ...toned('fix', plan.worked !== null && plan.spacing > plan.worked * 1.02),
  },
  ...(plan.worked === null ? [] : [{ label: 'Hooghoudt asks', shown: showLength(plan.worked, units) }]),
  {
    label: 'Trade habit',
    shown:
      plan.habit[0] === plan.habit[1]
        ? showLength(plan.habit[0], units)
        : words(`${showLength(plan.habit[0], units).value} to ${showLength(plan.habit[1], units).value}`),
  },
  { label: 'Firm again after', shown: lasts(plan.firmTime) },
  { label: 'Leads off', shown: rate(plan.rate, units) },
  { label: 'Over', shown: showArea(plan.area, units) },
  { label: 'Pipe', shown: showLength(plan.length, units) },
  { label: 'Room in its stone', shown: showVolume(plan.room, units) },
  { label: 'Leaves at', shown: showLevel(plan.invertFoot, units) },
];

const FACTS: { [K in WorkKind]: Tell<K> } = {
  drain: drain as Tell<'drain'>,
  drainField: drain as Tell<'drainField'>,
  swale: (plan, units) => [
    {
      label: 'Comes down it',
      shown: showFlow(plan.flow, units),
      ...toned('stop', plan.freeboard < 0),
    },
    { label: 'Carries to its bank', shown: showFlow(plan.capacity, units) },
    { label: 'Water in it', shown: showSmall(plan.depth, units) },
    {
      label: 'Under its bank',
      shown: showSmall(plan.freeboard, units),
      ...(plan.freeboard < 0
        ? { tone: 'stop' as const }
        : plan.freeboard < LEAST_FREEBOARD
          ? { tone: 'fix' as const }
          : {}),
    },
    {
      label: 'Speed',
      shown: showVelocity(plan.velocity, units),
      ...toned('fix', plan.velocity > plan.mostVelocity),
    },
    { label: 'Its lining holds', shown: showVelocity(plan.mostVelocity, units) },
    { label: 'Falls', shown: showPitch(plan.pitch), ...toned('stop', plan.pitch <= 0) },
    { label: 'Wide at its bank', shown: showLength(plan.bankWidth, units) },
    { label: 'Long', shown: showLength(plan.length, units) },
    { label: 'To dig out', shown: earth(plan.cut, units) },
    { label: 'To fill', shown: earth(plan.fill, units) },
    { label: 'Deepest cut', shown: showSmall(plan.deepest, units) },
    ...(plan.flat === null
      ? []
      : [
          { label: 'Ground too flat from', shown: showLength(plan.flat.from, units) },
          { label: 'To, from its head', shown: showLength(plan.flat.to, units) },
          { label: 'Cut deeper there, to fall 1 %', shown: showSmall(plan.flat.cut, units) },
        ]),
    { label: 'Soaks away on its way', shown: showFlow(plan.soaks, units) },
  ],
  culvert: (plan, units) => [
    { label: 'Comes to it', shown: showFlow(plan.flow, units) },
    { label: 'Water before it', shown: showSmall(Math.max(0, plan.headwater), units) },
    {
      label: 'Road over the water',
      shown: showSmall(plan.freeboard, units),
      ...toned('stop', plan.freeboard < 0),
    },
    { label: 'Ruled by', shown: words(plan.control === 'inlet' ? 'its inlet' : 'its barrel and outlet') },
    {
      label: 'Cover',
      shown: showSmall(plan.cover, units),
      ...toned('fix', plan.cover < plan.leastCover),
    },
    { label: 'Falls', shown: showPitch(plan.pitch), ...toned('stop', plan.pitch < 0) },
    { label: 'Lets out at', shown: showVelocity(plan.velocity, units) },
    ...(plan.stone > 0 ? [{ label: 'Stone there', shown: showSmall(plan.stone, units) }] : []),
    ...(plan.gained === null ? [] : [{ label: 'Gains by lying askew', shown: showPitch(plan.gained) }]),
  ],
  berm: (plan, units) => [
    { label: 'Crest at', shown: showLevel(plan.crest, units) },
    ...(plan.freeboard === null
      ? []
      : [
          {
            label: 'Over the water',
            shown: showSmall(plan.freeboard, units),
            ...toned('stop', plan.freeboard < 0),
          },
        ]),
    { label: 'Comes down behind it', shown: showFlow(plan.trapped, units) },
    ...(plan.fillTime === null ? [] : [{ label: 'Hollow full after', shown: lasts(plan.fillTime) }]),
    { label: 'Wide at its foot', shown: showLength(plan.baseWidth, units) },
    { label: 'Earth', shown: earth(plan.fill, units) },
  ],
  stoneDrain: (plan, units) => [
    { label: 'Comes off the slab', shown: showFlow(plan.flow, units) },
    {
      label: 'Its stone takes',
      shown: showFlow(plan.capacity, units),
      ...toned('fix', plan.over > 0),
    },
    { label: 'Runs on', shown: showFlow(plan.over, units), ...toned('fix', plan.over > 0) },
    { label: 'Water on the slab', shown: showSmall(plan.depthOnSlab, units) },
    ...(plan.freeboard === null
      ? []
      : [
          {
            label: 'Under the sill',
            shown: showSmall(plan.freeboard, units),
            ...toned('stop', plan.freeboard < 0),
          },
        ]),
    ...(plan.below === null ? [] : [{ label: 'Stone below the slab', shown: showSmall(plan.below, units) }]),
    { label: 'Room in its stone', shown: showVolume(plan.room, units) },
  ],
  pavedBed: (plan, units) => [
    { label: 'Holds', shown: showVolume(plan.volume, units) },
    { label: 'Lost to its slope', shown: showVolume(plan.lost, units) },
    {
      label: 'Deepest in the storm',
      shown: showSmall(plan.peakDepth, units),
      ...toned('fix', plan.over > 0),
    },
    { label: 'Lets out at most', shown: showFlow(plan.peakOutflow, units) },
    { label: 'Empty after', shown: lasts(plan.drainTime) },
    ...(plan.over > 0 ? [{ label: 'Comes up', shown: showFlow(plan.over, units), tone: 'fix' as const }] : []),
  ],
  barrel: (plan, units) => [
    { label: 'Holds', shown: showVolume(plan.volume, units) },
    { label: 'Comes to it', shown: showFlow(plan.flow, units) },
    { label: 'Full after', shown: lasts(plan.fillTime) },
  ],
  pump: (plan, units) => [
    { label: 'Comes to it', shown: showFlow(plan.flow, units) },
    { label: 'Lifts', shown: showFlow(plan.rate, units), ...toned('fix', plan.rate < plan.flow) },
    { label: 'Head, with its line', shown: showLength(plan.head, units) },
    { label: 'Starts an hour', shown: words(plan.cyclesPerHour === null ? 'runs on' : plan.cyclesPerHour.toFixed(1)) },
    { label: 'At worst', shown: words(plan.worstCyclesPerHour.toFixed(0)) },
    { label: 'Between stop and start', shown: showVolume(plan.volume, units) },
    {
      label: 'Runs over in a power cut after',
      shown: plan.outage === null ? words('nothing comes') : showDuration(plan.outage),
    },
  ],
  store: (plan, units) => [
    { label: 'Holds', shown: showVolume(plan.volume, units) },
    { label: 'A day’s storm brings', shown: showVolume(plan.comes, units) },
    { label: 'Full after', shown: plan.fillTime === null ? words('it never fills') : showDuration(plan.fillTime) },
    {
      label: 'Empty after',
      shown: lasts(plan.drainTime),
      ...toned('fix', plan.drainTime === null),
    },
    {
      label: 'Runs over',
      shown: showFlow(plan.overflow, units),
      ...toned('fix', plan.overflow > 0),
    },
    ...(plan.overTable === null ? [] : [{ label: 'Over the ground water', shown: showSmall(plan.overTable, units) }]),
  ],
};

/** Facts of a work in the design rain; none where it has no plan. */
export function workFacts(job: Job, { works }: Pick<Solution, 'works'>, id: string): Fact[] {
  const plan = works[id];
  return plan ? (FACTS[plan.kind] as (plan: WorkPlan, units: UnitSystem) => Fact[])(plan, headOf(job).units) : [];
}

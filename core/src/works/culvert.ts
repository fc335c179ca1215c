/** A culvert under its flow: how high the water stands before the road, and how fast it comes out. */
import { MATERIAL_FACTS } from '../catalogue/pipes';
import { culvertHeadwater, type Headwater } from '../hydraulics/culvert';
import { normalDepth } from '../hydraulics/pipe';
import { apronStone } from '../hydraulics/riprap';
import { BEDDING, BETWEEN_PIPES, LIFT, outsideOf } from '../catalogue/supply';
import type { Culvert } from '../job/kinds';
import { showFlow, showLength, showPitch, showSmall, showVelocity, type UnitSystem } from '../units';
import { toned, words } from './facts';
import { lengthOf } from './measures';
import { waterAt, type SwalePlan } from './swale';
import { work, type Counted, type Fact } from './work';

export interface CulvertPlan extends Headwater {
  kind: 'culvert';
  length: number;
  pitch: number;
  /** Of all its pipes, m³/s. */
  flow: number;
  /** Level of the water before it, m, and the road's edge over that. */
  waterLevel: number;
  freeboard: number;
  /** Road over its crown, m, and what is asked there. */
  cover: number;
  leastCover: number;
  /** That its trench is rammed in, from its bed to the road. */
  lifts: number;
  /** Of the water at its outlet, m. */
  outletDepth: number;
  /** At its outlet, m/s; and the stone that this wants there, m: 0 for none. */
  velocity: number;
  stone: number;
  /** A line straight across instead: how long, its pitch, m/m, and the road over its crown, m; null where that is not said. */
  straight: { length: number; pitch: number; cover: number } | null;
}

/** From here on bare ground at the outlet is washed out, m/s: 4 ft/s. */
const SCOURS = 1.2192;
/** Pitch that water in the barrel is reckoned at where it lies level or falls back, m/m. */
const FLAT = 1e-4;

/** `tailwater`: level of the water at its outlet, m; −∞ where it falls free. */
export function culvertPlan(culvert: Culvert, whole: number, tailwater: number, walkCover: number): CulvertPlan {
  const length = lengthOf(culvert);
  const pitch = length > 0 ? (culvert.invertUp - culvert.invertDown) / length : 0;
  const flow = whole / (culvert.pipes ?? 1);
  const { roughness, leastCoverUnderCars } = MATERIAL_FACTS[culvert.material];
  const diameter = culvert.nominal;
  const standing = Math.max(tailwater, culvert.standingLevel ?? Number.NEGATIVE_INFINITY);
  const water = culvertHeadwater({
    diameter,
    length: Math.max(length, 0.1),
    slope: pitch,
    roughness,
    flow,
    inlet: culvert.inlet,
    tailwater: Math.max(0, standing - culvert.invertDown),
  });
  const waterLevel = culvert.invertUp + (whole > 0 ? Math.max(0, water.headwater) : 0);
  const running = normalDepth({ diameter, slope: Math.max(pitch, FLAT), roughness, flow });
  const velocity = whole > 0 ? running.velocity : 0;
  return {
    kind: 'culvert',
    ...water,
    length,
    pitch,
    flow: whole,
    waterLevel,
    freeboard: culvert.roadLevel - waterLevel,
    cover: culvert.roadLevel - Math.max(culvert.invertUp, culvert.invertDown) - diameter,
    leastCover: culvert.walk ? walkCover : leastCoverUnderCars,
    lifts: Math.max(1, Math.ceil((culvert.roadLevel - Math.min(culvert.invertUp, culvert.invertDown)) / LIFT - 1e-6)),
    outletDepth: whole > 0 ? Math.min(diameter, Math.max(running.depth, standing - culvert.invertDown)) : 0,
    velocity,
    stone:
      velocity > SCOURS
        ? apronStone({ velocity, diameter, flow, tailwater: Math.max(0, standing - culvert.invertDown) })
        : 0,
    straight:
      culvert.straight === undefined
        ? null
        : {
            length: culvert.straight.length,
            pitch: (culvert.invertUp - culvert.straight.invertDown) / culvert.straight.length,
            cover: culvert.roadLevel - Math.max(culvert.invertUp, culvert.straight.invertDown) - diameter,
          },
  };
}

/** Stone that a culvert lets out onto: so many of its widths long and wide, and so thick, m. */
const APRON = { long: 4, wide: 3, thick: 0.3 };

/** What its two ends are made of. */
const endsOf = (inlet: Culvert['inlet'], nominal: number, pipes: number): Counted[] =>
  inlet === 'projecting'
    ? []
    : inlet.startsWith('mitred')
      ? [{ item: { type: 'culvertEnd', nominal }, quantity: 2 * pipes }]
      : [{ item: { type: 'headwall', nominal }, quantity: 2 * pipes }];

/** Room beside it to ram, and its bed of stone, m. */
const RAMMED = 0.3;
/** Sides of the road fall to its ends so, run over rise. */
const BANK = 1.5;

/** Its trench across the road, rammed back; the road's surface sawn and made good, a plate over it while it lies open. */
function earthOf(culvert: Culvert, length: number): Counted[] {
  const { nominal, material, pipes = 1, invertUp, invertDown, roadLevel, paved, walk } = culvert;
  const outside = outsideOf(material, nominal);
  const width = pipes * outside + (pipes - 1) * BETWEEN_PIPES + 2 * RAMMED;
  // Over the pipe: as high as the road, but for its banks.
  const over = Math.max(0, roadLevel - (invertUp + invertDown) / 2 - outside);
  const banks = BANK * over;
  const soil = length > 2 * banks ? over * (length - banks) : (over * length) / 2;
  const dug = width * ((BEDDING + outside) * length + soil);
  const bed = width * BEDDING * length;
  const displaced = bed + (pipes * length * Math.PI * outside ** 2) / 4;
  const across = Math.max(0, length - 2 * banks);
  return [
    { item: { type: 'dug' }, quantity: dug },
    { item: { type: 'stone', stone: 'bedding' }, quantity: bed },
    { item: { type: 'spoil' }, quantity: displaced },
    { item: { type: 'backfill' }, quantity: dug - displaced },
    { item: { type: 'saw' }, quantity: paved ? 2 * across : 0 },
    { item: { type: 'slab' }, quantity: paved ? width * across : 0 },
    { item: { type: 'trafficPlate' }, quantity: walk ? 0 : 1 },
  ];
}

/** A culvert as it would lie straight across; null where nobody has said how long that is. */
export function straightAcross({ straight, way: _way, ...culvert }: Culvert): Culvert | null {
  return straight ? { ...culvert, ...straight } : null;
}

/** What a line straight across would be, beside what lies askew. */
const straightFacts = ({ straight, pitch }: CulvertPlan, units: UnitSystem): Fact[] =>
  straight
    ? [
        { label: 'Straight across it is', shown: showLength(straight.length, units) },
        {
          label: 'and falls',
          shown: showPitch(straight.pitch),
          ...toned('fix', straight.pitch <= 0),
        },
        { label: 'with cover', shown: showSmall(straight.cover, units) },
        { label: 'Gains by lying askew', shown: showPitch(pitch - straight.pitch) },
      ]
    : [];

export const culvertWork = work<Culvert, CulvertPlan>({
  of: 'culvert',
  inRain: {
    turn: 'way',
    plan: (culvert, here) => {
      const below =
        culvert.to === undefined ? undefined : (here.planOf(culvert.to) as SwalePlan | CulvertPlan | undefined);
      const tailwater = below?.kind === 'swale' ? waterAt(below, 0) : Number.NEGATIVE_INFINITY;
      return culvertPlan(culvert, here.comesDown(culvert.id), tailwater, here.settings.leastCover);
    },
  },
  inOpen: ({ flow, waterLevel, freeboard }) =>
    flow > 0 ? { level: waterLevel, runs: freeboard < 0 ? flow : 0 } : null,
  dug: true,
  count: (culvert) => {
    const { nominal, material, pipes = 1, stone, inlet } = culvert;
    const length = lengthOf(culvert);
    if (length === 0) return ['noSize'];
    return [
      ...Array.from(
        { length: pipes },
        () => ({ item: { type: 'pipe', material, nominal }, quantity: length }) as const,
      ),
      ...endsOf(inlet, nominal, pipes),
      ...earthOf(culvert, length),
      {
        item: { type: 'stone', stone: 'apron' },
        quantity: stone ? pipes * APRON.long * APRON.wide * APRON.thick * nominal ** 2 : 0,
      },
    ];
  },
  facts: (plan, units) => [
    { label: 'Comes to it', shown: showFlow(plan.flow, units) },
    { label: 'Water before it', shown: showSmall(Math.max(0, plan.headwater), units) },
    { label: 'Road over the water', shown: showSmall(plan.freeboard, units), ...toned('stop', plan.freeboard < 0) },
    { label: 'Ruled by', shown: words(plan.control === 'inlet' ? 'its inlet' : 'its barrel and outlet') },
    { label: 'Cover', shown: showSmall(plan.cover, units), ...toned('fix', plan.cover < plan.leastCover) },
    { label: 'Backfilled in', shown: words(`${plan.lifts} ${plan.lifts === 1 ? 'lift' : 'lifts'} of 6 in`) },
    { label: 'Falls', shown: showPitch(plan.pitch), ...toned('stop', plan.pitch < 0) },
    { label: 'Lets out at', shown: showVelocity(plan.velocity, units) },
    ...(plan.stone > 0 ? [{ label: 'Stone there', shown: showSmall(plan.stone, units) }] : []),
    ...straightFacts(plan, units),
  ],
  layer: 'works',
});

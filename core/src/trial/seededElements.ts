/** Elements from a seed, of every kind and every way to set it. */
import { DOWNSPOUT_SIZES } from '../catalogue/downspouts';
import { TURNS } from '../catalogue/fittings';
import { GRATES } from '../catalogue/grates';
import { GUTTERS } from '../catalogue/gutters';
import { SOILS } from '../catalogue/soils';
import { MATERIALS, NOMINAL_SIZES } from '../catalogue/pipes';
import type { Basin, Channel, Discharge, Landing, RainElement, Run } from '../job/kinds';
import { type Hand } from '../numeric/dice';

const DURATIONS = [300, 600, 900, 1800, 3600, 7200];
const tableOf = (intensity: number): { durations: number[]; intensities: number[] } => ({
  durations: DURATIONS,
  intensities: DURATIONS.map((duration) => intensity * (870 / (duration + 570)) ** 0.8),
});

export function rainOf(hand: Hand): RainElement {
  const intensity = hand.between(2, 7) * 1e-5;
  const withTable = hand.chance(0.7);
  const rarer = intensity * 1.6;
  return {
    id: 'rain',
    kind: 'rain',
    intensity,
    ...(withTable ? { table: tableOf(intensity) } : {}),
    ...(hand.chance(0.6)
      ? { openings: { returnPeriod: 100, intensity: rarer, ...(withTable ? { table: tableOf(rarer) } : {}) } }
      : {}),
    source: hand.chance(0.3)
      ? { type: 'typed' }
      : { type: 'own', place: 'Made up', returnPeriod: hand.pick([2, 10, 25, 50]) },
  };
}

/** `wild` jobs are set every way there is, and hardly one of them holds; `calm` ones are what a crew would lay, with one thing odd here and there. */
export type Mood = 'wild' | 'calm';

/** What is known of a main. */
const mainOf = (hand: Hand): Partial<Discharge> => ({
  ...(hand.chance(0.5)
    ? { mainDiameter: hand.between(0.15, 0.6), mainPitch: hand.between(0.003, 0.03), mainUsed: hand.between(0, 0.02) }
    : {}),
  ...(hand.chance(0.2) ? { mainCapacity: hand.between(0.005, 0.05) } : {}),
});

/** How a pop-up's line empties. */
const drainOf = (hand: Hand): Partial<Discharge> =>
  hand.chance(0.5)
    ? {
        drain: hand.chance(0.5)
          ? { type: 'weep' }
          : { type: 'leach', area: hand.between(0.2, 3), soil: hand.pick(SOILS) },
      }
    : {};

export function calmDischarge(hand: Hand, id: string): Discharge {
  const groundLevel = hand.between(-2.5, -1);
  const form = hand.pick(['daylight', 'daylight', 'daylight', 'main', 'kerb', 'popup'] as const);
  const common = { id, kind: 'discharge' as const, name: id, form, receiving: 'swale' as const };
  const away = { buildingDistance: hand.between(3, 20), ...(hand.chance(0.7) ? { stone: true } : {}) };
  if (form === 'main') return { ...common, ...away, groundLevel: -0.3, controlLevel: groundLevel, ...mainOf(hand) };
  if (form === 'popup') return { ...common, ...away, groundLevel: hand.between(-1, -0.4), ...drainOf(hand) };
  return {
    ...common,
    ...away,
    groundLevel,
    ...(hand.chance(0.8) ? { bank: { length: hand.between(1, 5), topLevel: hand.between(-0.6, -0.1) } } : {}),
    ...(hand.chance(0.6) ? { controlLevel: groundLevel - hand.between(0, 0.4) } : {}),
    ...(hand.chance(0.3) ? { standingLevel: groundLevel + hand.between(-0.3, 0.4) } : {}),
  };
}

export function dischargeOf(hand: Hand, id: string): Discharge {
  const groundLevel = hand.between(-5, 0.5);
  return {
    id,
    kind: 'discharge',
    name: id,
    groundLevel,
    form: hand.pick(['daylight', 'daylight', 'popup', 'main', 'kerb'] as const),
    receiving: hand.pick(['swale', 'slope', 'ditch', 'street', 'lawn'] as const),
    ...(hand.chance(0.4) ? { controlLevel: groundLevel - hand.between(0, 0.4) } : {}),
    ...(hand.chance(0.3) ? { standingLevel: groundLevel + hand.between(-0.3, 0.6) } : {}),
    ...mainOf(hand),
    ...drainOf(hand),
    ...(hand.chance(0.4)
      ? { bank: { length: hand.between(0.5, 8), topLevel: groundLevel + hand.between(-0.2, 2) } }
      : {}),
    ...(hand.chance(0.3) ? { stone: true } : {}),
    ...(hand.chance(0.7) ? { buildingDistance: hand.between(1, 20) } : {}),
    ...(hand.chance(0.2) ? { assumed: true } : {}),
  };
}

/** What basins and channels have alike. */
function guarded(hand: Hand, groundLevel: number): Pick<Basin, 'sillLevel' | 'spillLevel' | 'approach'> {
  return {
    ...(hand.chance(0.5) ? { sillLevel: groundLevel + hand.between(0.02, 0.4) } : {}),
    ...(hand.chance(0.3) ? { spillLevel: groundLevel + hand.between(0, 0.2) } : {}),
    ...(hand.chance(0.3)
      ? {
          approach: {
            slope: hand.between(0.005, 0.08),
            roughness: hand.pick([0.012, 0.15]),
            width: hand.between(1, 8),
          },
        }
      : {}),
  };
}

function basinOf(hand: Hand, id: string, groundLevel: number): Basin {
  return {
    id,
    kind: 'basin',
    name: id,
    grate: hand.pick(GRATES),
    groundLevel,
    ...guarded(hand, groundLevel),
    ...(hand.chance(0.2) ? { count: 2 } : {}),
    ...(hand.chance(0.2) ? { clogging: hand.between(0, 0.9) } : {}),
    ...(hand.chance(0.2) ? { walled: 0.25 } : {}),
    ...(hand.chance(0.3) ? { sumpDepth: 0.15 } : {}),
  };
}

function channelOf(hand: Hand, id: string, groundLevel: number): Channel {
  const length = hand.between(2, 14);
  return {
    id,
    kind: 'channel',
    name: id,
    groundLevel,
    ...guarded(hand, groundLevel),
    width: hand.pick([0.0508, 0.1016, 0.127]),
    depth: hand.pick([0.1016, 0.1524, 0.2032]),
    length,
    slope: hand.pick([0, 0, 0.005, 0.02]),
    ...(hand.chance(0.3) ? { topSlope: hand.between(0, 0.01) } : {}),
    ...(hand.chance(0.4) ? { section: hand.pick(['flat', 'round'] as const) } : {}),
    ...(hand.chance(0.4) ? { outlet: hand.chance(0.5) ? ('middle' as const) : [0, length / 2, length] } : {}),
    ...(hand.chance(0.3) ? { hole: 'end' as const } : {}),
  };
}

export function landingOf(hand: Hand, id: string, groundLevel: number): Landing {
  const form = hand.pick([
    'wye',
    'tee',
    'cleanout',
    'bend',
    'downspout',
    'downspout',
    'downspout',
    'basin',
    'basin',
    'channel',
  ] as const);
  if (form === 'basin') return basinOf(hand, id, groundLevel);
  if (form === 'channel') return channelOf(hand, id, groundLevel);
  if (form === 'downspout')
    return {
      id,
      kind: 'downspout',
      name: id,
      storey: 1,
      size: hand.pick(DOWNSPOUT_SIZES),
      groundLevel,
      ...(hand.chance(0.4) ? { gutter: hand.pick(GUTTERS) } : {}),
    };
  return {
    id,
    kind: 'junction',
    name: id,
    form,
    groundLevel,
    ...(form === 'bend' && hand.chance(0.5) ? { turn: hand.pick(TURNS) } : {}),
  };
}

function gradeOf(hand: Hand, up: number): Run['grade'] {
  if (hand.chance(0.7)) return { type: 'auto' };
  if (hand.chance(0.5)) return { type: 'pitch', pitch: hand.between(0.002, 0.06) };
  return {
    type: 'levels',
    ...(hand.chance(0.7) ? { up: up - hand.between(0.5, 1) } : {}),
    ...(hand.chance(0.4) ? { down: up - hand.between(0.6, 1.4) } : {}),
  };
}

export function calmRun(hand: Hand, id: string, from: Landing, to: string): Run {
  return {
    id,
    kind: 'run',
    from: from.id,
    to,
    length: hand.between(3, 25),
    material: hand.pick(['smooth', 'doubleWall', 'singleWall'] as const),
    nominal: hand.pick(NOMINAL_SIZES.slice(2, 6)),
    grade: hand.chance(0.95) ? { type: 'auto' } : gradeOf(hand, from.groundLevel),
    ...(hand.chance(0.1) ? { under: 'cars' as const } : {}),
    ...(hand.chance(0.05) ? { parallel: 2 } : {}),
    ...(hand.chance(0.05) ? { throat: 0.0762 } : {}),
  };
}

export function runOf(hand: Hand, id: string, from: Landing, to: string): Run {
  return {
    id,
    kind: 'run',
    from: from.id,
    to,
    length: hand.between(1, 50),
    material: hand.pick(MATERIALS),
    nominal: hand.pick(NOMINAL_SIZES),
    grade: gradeOf(hand, from.groundLevel),
    ...(hand.chance(0.2) ? { under: 'cars' as const } : {}),
    ...(hand.chance(0.1) ? { parallel: 2 } : {}),
    ...(hand.chance(0.1) ? { throat: 0.0762 } : {}),
    ...(hand.chance(0.1) ? { insideDiameter: hand.between(0.09, 0.2) } : {}),
    ...(hand.chance(0.1) ? { shored: true } : {}),
    ...(hand.chance(0.1) ? { assumed: true } : {}),
  };
}

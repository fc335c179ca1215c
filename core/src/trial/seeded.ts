/** Jobs from a seed, of every kind of element and every way to set it: the same on every machine, whatever the test library's own dice do. */
import { DOWNSPOUT_SIZES } from '../catalogue/downspouts';
import { TURNS } from '../catalogue/fittings';
import { GRATES } from '../catalogue/grates';
import { GUTTERS } from '../catalogue/gutters';
import { SOILS } from '../catalogue/soils';
import { MATERIALS, NOMINAL_SIZES } from '../catalogue/pipes';
import { SURFACE_COVERS } from '../catalogue/surfaces';
import type { Basin, Channel, Discharge, Element, Feed, Landing, RainElement, RoofFace, Run } from '../job/kinds';
import { jobFrom, type Job } from '../job/job';
import { handOf, type Hand } from './dice';

const DURATIONS = [300, 600, 900, 1800, 3600, 7200];
const tableOf = (intensity: number): { durations: number[]; intensities: number[] } => ({
  durations: DURATIONS,
  intensities: DURATIONS.map((duration) => intensity * (870 / (duration + 570)) ** 0.8),
});

function rainOf(hand: Hand): RainElement {
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

function calmDischarge(hand: Hand, id: string): Discharge {
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

function dischargeOf(hand: Hand, id: string): Discharge {
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

function landingOf(hand: Hand, id: string, groundLevel: number): Landing {
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

function calmRun(hand: Hand, id: string, from: Landing, to: string): Run {
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

function runOf(hand: Hand, id: string, from: Landing, to: string): Run {
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

function feedsOf(hand: Hand, targets: readonly { id: string }[]): Feed[] {
  if (targets.length === 0 || hand.chance(0.05)) return [];
  const first = hand.pick(targets).id;
  const second = hand.pick(targets).id;
  return second === first || hand.chance(0.7)
    ? [{ to: first, share: 1 }]
    : [
        { to: first, share: 2 },
        { to: second, share: hand.between(0.5, 3) },
      ];
}

const isSpout = (element: Element): element is Extract<Element, { kind: 'downspout' }> => element.kind === 'downspout';
const isInlet = (element: Element): element is Basin | Channel =>
  element.kind === 'basin' || element.kind === 'channel';

const faceShape = (hand: Hand): RoofFace['shape'] =>
  hand.chance(0.5)
    ? { type: 'area', area: hand.between(10, 120) }
    : {
        type: 'sides',
        width: hand.between(4, 15),
        run: hand.between(3, 9),
        pitch: hand.between(0.1, 1),
        alongSlope: hand.chance(0.5),
      };

/** What sheds, and where it runs. */
function shedding(hand: Hand, landings: readonly Landing[]): Element[] {
  const spouts = landings.filter(isSpout);
  const inlets = landings.filter(isInlet);
  const elements: Element[] = [];
  spouts.forEach((spout, k) => {
    const shape = faceShape(hand);
    elements.push({
      id: `face${k}`,
      kind: 'roofFace',
      name: `face${k}`,
      storey: 1,
      shape,
      windDriven: hand.chance(0.3),
      feeds: hand.chance(0.7) ? [{ to: spout.id, share: 1 }] : feedsOf(hand, spouts),
      ...(hand.chance(0.2) ? { valley: { gutterRun: hand.between(1, 9) } } : {}),
      ...(hand.chance(0.2) ? { coefficient: 0.9 } : {}),
    });
    if (hand.chance(0.25))
      elements.push(
        {
          id: `upper${k}`,
          kind: 'downspout',
          name: `upper${k}`,
          storey: 2,
          size: hand.pick(DOWNSPOUT_SIZES),
          groundLevel: 0,
          landsOn: [{ to: spout.id, share: 1 }],
        },
        {
          id: `high${k}`,
          kind: 'roofFace',
          name: `high${k}`,
          storey: 2,
          shape: { type: 'area', area: hand.between(10, 60) },
          feeds: [{ to: `upper${k}`, share: 1 }],
        },
      );
    if (inlets.length > 0 && hand.chance(0.3)) elements.push({ ...spout, spillsTo: hand.pick(inlets).id });
  });
  inlets.forEach((inlet, k) => {
    elements.push({
      id: `ground${k}`,
      kind: 'surface',
      name: `ground${k}`,
      cover: hand.pick(SURFACE_COVERS),
      area: hand.between(20, 400),
      feeds: hand.chance(0.7) ? [{ to: inlet.id, share: 1 }] : feedsOf(hand, inlets),
      ...(hand.chance(0.5)
        ? {
            sheet: {
              length: hand.between(3, 28),
              slope: hand.between(0.005, 0.06),
              roughness: hand.pick([0.012, 0.15, 0.24]),
            },
          }
        : {}),
      ...(hand.chance(0.3)
        ? { shallow: { length: hand.between(3, 40), slope: hand.between(0.005, 0.06), paved: hand.chance(0.5) } }
        : {}),
    });
    const next = inlets[k + 1];
    if (next && hand.chance(0.3)) elements.push({ ...inlet, passesTo: next.id });
  });
  if (hand.chance(0.3))
    elements.push({
      id: 'steady',
      kind: 'fixedFlow',
      name: 'steady',
      flow: hand.between(0.0001, 0.002),
      feeds: feedsOf(hand, [...inlets, ...spouts]),
    });
  return elements;
}

/** A sound job of one to about two dozen runs; now and then with a landing that leads nowhere. */
export function seededJob(seed: number, mood: Mood = 'wild'): Job {
  const hand = handOf(seed * 7919 + 13);
  const calm = mood === 'calm';
  const outs = Array.from({ length: hand.chance(0.25) ? 2 : 1 }, (_, k) =>
    (calm ? calmDischarge : dischargeOf)(hand, `out${k}`),
  );
  const landings: Landing[] = [];
  const runs: Run[] = [];
  const count = 1 + Math.floor(hand.between(0, calm ? 8 : 24));
  for (let k = 0; k < count; k++) {
    // A discharge at first, and later any landing put before it: never round in a loop.
    const to = k === 0 || hand.chance(0.15) ? hand.pick(outs) : hand.pick(landings);
    const rise = to.kind === 'discharge' ? 0 : to.groundLevel;
    const landing = landingOf(hand, `n${k}`, calm ? rise + hand.between(-0.05, 0.3) : hand.between(-1.2, 1.5));
    landings.push(landing);
    if (!hand.chance(calm ? 0 : 0.04)) runs.push((calm ? calmRun : runOf)(hand, `r${k}`, landing, to.id));
  }
  const settings = hand.chance(calm ? 0 : 0.3)
    ? {
        settings: {
          cover: hand.between(0.15, 0.6),
          leastPitch: hand.between(0.005, 0.02),
          ponding: hand.between(0.02, 0.08),
        },
      }
    : {};
  const elements: Element[] = [
    {
      id: 'job',
      kind: 'job',
      name: `Job ${seed}`,
      units: hand.pick(['us', 'metric'] as const),
      pitchStyle: hand.pick(['ground', 'ground', 'single'] as const),
      ...settings,
    },
    rainOf(hand),
    ...outs,
    ...landings,
    ...runs,
  ];
  return jobFrom(`${mood}${seed}`, [...elements, ...shedding(hand, landings)]);
}

/** A large yard for benches: seeded jobs side by side until there are so many runs, and ground beside them up to so many elements. */
export function largeYard(runs: number, size: number): Job {
  const elements: Element[] = [];
  let count = 0;
  for (let seed = 1; count < runs; seed++) {
    const own = seededJob(seed).elements.all.filter(({ kind }) => kind !== 'job' && kind !== 'rain');
    const named = JSON.parse(
      JSON.stringify(own).replace(/"(id|to|from|spillsTo|passesTo)":"/g, `$&s${seed}x`),
    ) as Element[];
    elements.push(...named);
    count += named.filter(({ kind }) => kind === 'run').length;
  }
  const inlets = elements.filter(isInlet);
  for (let k = 0; elements.length < size - 2; k++) {
    const to = inlets[k % inlets.length]!.id;
    elements.push({
      id: `bed${k}`,
      kind: 'surface',
      name: `Bed ${k}`,
      cover: 'mulch',
      area: 0.5,
      feeds: [{ to, share: 1 }],
    });
  }
  const { job, rain } = Object.fromEntries(seededJob(3).elements.all.map((element) => [element.id, element]));
  return jobFrom('large', [job!, rain!, ...elements]);
}

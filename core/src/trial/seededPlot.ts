/** Plots from a seed as a contractor finds them: a house on measured ground that falls away, leaders, doors, paving, trees, a hollow or two, a way out below; nothing of a line yet. */
import { jobFrom, type Job } from '../job/job';
import type { Element } from '../job/kinds';
import type { Place } from '../site/place';
import { handOf, type Hand } from '../numeric/dice';

/** Half of the plot's sides, m, and how far apart its levels are. */
const HALF = 18;
const APART = 2;
/** Rain, m/s: 4 in/h. */
const RAIN = (4 * 0.0254) / 3600;

interface Lie {
  levelAt: (place: Place) => number;
  /** Toward where it falls, rad. */
  down: number;
}

/** Ground that falls 1.5 to 5 % one way, with hollows. */
function lieOf(hand: Hand): Lie {
  const down = hand.between(0, 2 * Math.PI);
  const slope = hand.between(0.015, 0.05);
  const hollows = Array.from({ length: hand.pick([0, 1, 1, 2]) }, () => ({
    east: hand.between(-14, 14),
    north: hand.between(-14, 14),
    deep: hand.between(0.1, 0.3),
  }));
  const levelAt = ({ east, north }: Place): number =>
    -slope * (east * Math.cos(down) + north * Math.sin(down)) -
    hollows.reduce((sum, at) => sum + at.deep * Math.exp(-((east - at.east) ** 2 + (north - at.north) ** 2) / 8), 0);
  return { levelAt, down };
}

const round = (value: number): number => Math.round(value * 1000) / 1000;

/** The house with its leaders and doors. */
function houseOf(hand: Hand, { levelAt }: Lie): Element[] {
  const [wide, high] = [hand.between(5, 8), hand.between(4, 7)];
  const corners: Place[] = [
    { east: -wide, north: -high },
    { east: wide, north: -high },
    { east: wide, north: high },
    { east: -wide, north: high },
  ];
  const spouts = corners.filter(() => hand.chance(0.6));
  if (spouts.length === 0) spouts.push(corners[0]!);
  const off = ({ east, north }: Place): Place => ({ east: 1.02 * east, north: 1.02 * north });
  const doors = [0, 1, 2, 3].filter(() => hand.chance(0.4));
  return [
    { id: 'house', kind: 'building', name: 'House', outline: corners },
    ...spouts.flatMap((corner, k): Element[] => [
      {
        id: `spout${k}`,
        kind: 'downspout',
        name: `Downspout ${k}`,
        storey: 1,
        size: 'rect3x4',
        place: off(corner),
        levelFrom: 'ground',
        groundLevel: round(levelAt(corner)),
      },
      {
        id: `roof${k}`,
        kind: 'roofFace',
        name: `Roof ${k}`,
        storey: 1,
        shape: { type: 'area', area: hand.between(20, 60) },
        feeds: [{ to: `spout${k}`, share: 1 }],
      },
    ]),
    ...doors.map((wall): Element => {
      const [a, b] = [corners[wall]!, corners[(wall + 1) % 4]!];
      const middle = { east: (a.east + b.east) / 2, north: (a.north + b.north) / 2 };
      return {
        id: `door${wall}`,
        kind: 'opening',
        name: `Door ${wall}`,
        form: 'door',
        building: 'house',
        wall,
        sillLevel: round(levelAt(off(middle)) + hand.between(0.15, 0.4)),
      };
    }),
  ];
}

export function seededPlot(seed: number): Job {
  const hand = handOf(seed);
  const lie = lieOf(hand);
  const { levelAt, down } = lie;
  const away = (far: number, side: number): Place => ({
    east: far * Math.cos(down) - side * Math.sin(down),
    north: far * Math.sin(down) + side * Math.cos(down),
  });
  const outs = Array.from({ length: hand.pick([1, 1, 2]) }, (_, k): Element => {
    const place = away(HALF - 0.5, hand.between(-8, 8));
    return {
      id: `out${k}`,
      kind: 'discharge',
      name: `Ditch ${k}`,
      form: 'daylight',
      receiving: 'ditch',
      place,
      groundLevel: round(levelAt(place) - hand.between(0.6, 1)),
      stone: true,
      buildingDistance: 10,
    };
  });
  const trees = Array.from({ length: hand.pick([0, 1, 2, 3]) }, (_, k): Element => ({
    id: `tree${k}`,
    kind: 'tree',
    name: `Tree ${k}`,
    place: away(hand.between(10, 15), hand.between(-12, 12)),
    crown: hand.between(2, 6),
  }));
  const count = (2 * HALF) / APART + 1;
  const levels = Array.from({ length: count * count }, (_, k): Element => {
    const place = { east: -HALF + APART * (k % count), north: -HALF + APART * Math.floor(k / count) };
    return { id: `l${k}`, kind: 'spotLevel', name: `L${k}`, place, level: round(levelAt(place)) };
  });
  return jobFrom(`plot-${seed}`, [
    { id: 'job', kind: 'job', name: `Plot ${seed}`, units: 'metric', pitchStyle: 'ground' },
    { id: 'rain', kind: 'rain', intensity: RAIN, source: { type: 'typed' } },
    ...houseOf(hand, lie),
    ...outs,
    ...trees,
    ...levels,
  ]);
}

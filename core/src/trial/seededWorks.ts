/** Works of every kind about a yard, from a seed: some of them landings that a pipe leaves, some a way of their own. */
import { LININGS } from '../catalogue/swales';
import { SOILS } from '../catalogue/soils';
import type { Element, Landing, Swale } from '../job/kinds';
import { at, HOUSE, type Lie } from './lie';

export interface SeededWorks {
  /** What a pipe leaves. */
  landings: Landing[];
  more: Element[];
  /** The swale that a way out may let out into. */
  takes: Swale | null;
}

const onGround = (lie: Lie): { levelFrom?: 'ground' } => (lie.measured ? { levelFrom: 'ground' } : {});

/** A swale across the yard with levels of its own, and a culvert that takes it on. */
function swaleOf(lie: Lie): { swale: Swale; more: Element[] } {
  const { hand } = lie;
  const north = -hand.between(15, 18);
  const depth = hand.between(0.2, 0.5);
  const way = [at(hand.between(-4, 0), north), at(hand.between(14, 20), north - hand.between(0, 2))];
  const head = lie.level(way[0]!) - depth;
  const foot = Math.min(head - hand.between(0, 0.8), lie.level(way[1]!) - depth);
  const swale: Swale = {
    id: 'swale',
    kind: 'swale',
    name: 'Swale',
    way,
    section: hand.pick(['trapezoid', 'v', 'parabola'] as const),
    bottomWidth: hand.between(0.3, 1),
    sideSlope: hand.between(2, 6),
    depth,
    lining: hand.pick(LININGS),
    headLevel: head,
    footLevel: foot,
  };
  const more: Element[] = [
    {
      id: 'field-above',
      kind: 'surface',
      name: 'Field above',
      cover: hand.pick(['lawnLoam', 'lawnClay', 'paving'] as const),
      area: hand.between(40, 900),
      feeds: [{ to: 'swale', share: 1 }],
    },
  ];
  if (hand.chance(0.4)) {
    more.push({
      id: 'culvert',
      kind: 'culvert',
      name: 'Culvert',
      way: [way[1]!, at(way[1]!.east + hand.between(4, 8), way[1]!.north)],
      nominal: hand.pick([0.3048, 0.381, 0.4572]),
      material: hand.pick(['doubleWall', 'smooth'] as const),
      inlet: hand.pick(['mitred', 'headwall', 'projecting'] as const),
      invertUp: foot,
      invertDown: foot - hand.between(0, 0.2),
      roadLevel: foot + hand.between(0.6, 1.2),
      ...(hand.chance(0.7) ? { stone: true } : {}),
    });
    swale.to = 'culvert';
  }
  if (hand.chance(0.3))
    more.push({
      id: 'berm',
      kind: 'berm',
      name: 'Berm',
      way: [at(2, north + 2), at(12, north + 2)],
      footLevel: lie.level(at(7, north + 2)),
      height: hand.between(0.2, 0.5),
      topWidth: 0.5,
      sideSlope: hand.between(2, 4),
      holds: 'swale',
    });
  return { swale, more };
}

/** What takes water in out of the ground. */
function drains(lie: Lie): Landing[] {
  const { hand } = lie;
  const alike = {
    depth: hand.between(0.45, 0.9),
    nominal: 0.1016,
    soil: hand.pick(SOILS),
    spacing: hand.between(1.5, 9),
    fabric: hand.pick(['wrapped', 'sock', 'none'] as const),
  };
  const found: Landing[] = [];
  if (hand.chance(0.2)) {
    const way = [at(-1, -11), at(hand.between(6, 13), -hand.between(11.2, 12))];
    found.push({
      id: 'drain',
      kind: 'drain',
      name: 'Drain',
      way,
      groundLevel: lie.level(way[1]!),
      ...alike,
      ...onGround(lie),
    });
  }
  if (hand.chance(0.15)) {
    const outline = [at(2, -13), at(11, -13), at(11, -8), at(2, -8)];
    found.push({
      id: 'field',
      kind: 'drainField',
      name: 'Field',
      outline,
      groundLevel: lie.level(outline[0]!),
      ...alike,
      ...onGround(lie),
    });
  }
  return found;
}

/** What takes water through stone or paving, or keeps it by the house. */
function openTops(lie: Lie): { landings: Landing[]; more: Element[] } {
  const { hand } = lie;
  const landings: Landing[] = [];
  const more: Element[] = [];
  if (hand.chance(0.2)) {
    const way = [at(2, -0.6), at(hand.between(5, 11), -0.6)];
    const groundLevel = lie.level(way[1]!) - 0.05;
    landings.push({
      id: 'stone',
      kind: 'stoneDrain',
      name: 'Stone drain',
      way,
      groundLevel,
      width: hand.between(0.2, 0.5),
      depth: hand.between(0.3, 0.5),
      ...(hand.chance(0.6) ? { slabLevel: groundLevel + 0.05 } : {}),
      ...(hand.chance(0.5) ? { sillLevel: groundLevel + hand.between(0.1, 0.35) } : {}),
    });
    more.push({
      id: 'slab',
      kind: 'surface',
      name: 'Slab',
      cover: 'paving',
      area: hand.between(10, 120),
      feeds: [{ to: 'stone', share: 1 }],
    });
  }
  if (hand.chance(0.15)) {
    const outline = [at(-6, -6), at(-1, -6), at(-1, -1), at(-6, -1)];
    landings.push({
      id: 'bed',
      kind: 'pavedBed',
      name: 'Patio',
      outline,
      groundLevel: lie.level(outline[0]!),
      depth: hand.between(0.2, 0.4),
      fall: hand.between(0.005, 0.02),
      ...(hand.chance(0.3) ? { liner: true as const } : {}),
    });
  }
  return { landings, more };
}

/** A barrel under a roof of its own. */
function barrels(lie: Lie): { landings: Landing[]; more: Element[] } {
  const { hand } = lie;
  const landings: Landing[] = [];
  const more: Element[] = [];
  if (hand.chance(0.15)) {
    const place = at(-0.5, 4);
    landings.push({
      id: 'barrel',
      kind: 'barrel',
      name: 'Barrel',
      place,
      groundLevel: lie.level(place),
      volume: hand.between(0.15, 0.6),
    });
    more.push(
      {
        id: 'lean-to',
        kind: 'roofFace',
        name: 'Lean-to',
        storey: 1,
        shape: { type: 'area', area: hand.between(5, 25) },
        feeds: [{ to: 'spout-barrel', share: 1 }],
      },
      {
        id: 'spout-barrel',
        kind: 'downspout',
        name: 'Downspout of the barrel',
        storey: 1,
        size: 'rect2x3',
        place: at(-0.2, 5.2),
        groundLevel: lie.level(at(-0.2, 5.2)),
      },
      {
        id: 'run-spout-barrel',
        kind: 'run',
        from: 'spout-barrel',
        to: 'barrel',
        length: 1.3,
        material: 'smooth',
        nominal: 0.0762,
        grade: { type: 'auto' },
      },
    );
  }
  return { landings, more };
}

export function worksOf(lie: Lie): SeededWorks {
  const { hand } = lie;
  const open = openTops(lie);
  const kept = barrels(lie);
  const landings = [...open.landings, ...kept.landings, ...drains(lie)];
  const way = hand.chance(0.35) ? swaleOf(lie) : null;
  const spring: Element[] =
    landings.length > 0 && hand.chance(0.2)
      ? [
          {
            id: 'spring',
            kind: 'fixedFlow',
            name: 'Spring',
            flow: hand.between(0.0001, 0.0006),
            place: at(HOUSE.east + 1, -4),
            feeds: [{ to: hand.pick(landings).id, share: 1 }],
          },
        ]
      : [];
  return {
    landings,
    more: [...open.more, ...kept.more, ...(way ? [way.swale, ...way.more] : []), ...spring],
    takes: way?.swale ?? null,
  };
}

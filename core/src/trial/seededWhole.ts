/**
 * Whole yards from a seed: a house on ground that falls away from it, levelled or not, with doors drawn and typed, and something of any kind
 * that a job may hold about it. What they are planned as is judged by the walk; most of them want mending first.
 */
import { changed, put } from '../job/change';
import { jobFrom, type Job } from '../job/job';
import type { Element, Landing, Run } from '../job/kinds';
import type { Place } from '../site/place';
import { handOf } from '../numeric/dice';
import { at, HOUSE, lieOf, type Lie } from './lie';
import { outOf } from './seededOuts';
import { rainOf } from './seededElements';
import { siteOf } from './seededSite';
import { worksOf } from './seededWorks';

const stands = (lie: Lie, place: Place): { place: Place; groundLevel: number; levelFrom?: 'ground' } => ({
  place,
  groundLevel: lie.level(place),
  ...(lie.measured ? { levelFrom: 'ground' as const } : {}),
});

/** A roof down a corner of the house. */
function roofs(lie: Lie): { landings: Landing[]; more: Element[] } {
  const { hand } = lie;
  const corners = [at(0, -0.2), at(HOUSE.east, -0.2)].filter(() => hand.chance(0.7));
  const landings = corners.map((place, k): Landing => ({
    id: `spout${k}`,
    kind: 'downspout',
    name: `Downspout ${k}`,
    storey: 1,
    size: 'rect3x4',
    ...stands(lie, place),
  }));
  const more = landings.map(({ id }, k): Element => ({
    id: `roof${k}`,
    kind: 'roofFace',
    name: `Roof ${k}`,
    storey: 1,
    shape: { type: 'area', area: hand.between(20, 70) },
    feeds: [{ to: id, share: 1 }],
  }));
  return { landings, more };
}

/** Inlets about the yard, and what sheds to them. */
function inlets(lie: Lie): { landings: Landing[]; more: Element[] } {
  const { hand } = lie;
  const landings: Landing[] = [];
  const more: Element[] = [];
  const sheds = (to: string, area: number): void =>
    void more.push({
      id: `sheds-${to}`,
      kind: 'surface',
      name: `Ground of ${to}`,
      cover: hand.pick(['paving', 'pavers', 'gravel', 'lawnLoam', 'lawnClay', 'mulch'] as const),
      area,
      feeds: [{ to, share: 1 }],
    });
  for (let k = 0; k < 3; k++) {
    if (!hand.chance(0.5)) continue;
    const place = at(hand.between(1, HOUSE.east - 1), -hand.between(0.6, 9));
    const id = `basin${k}`;
    landings.push({
      id,
      kind: 'basin',
      name: `Basin ${k}`,
      grate: hand.pick(['flat9', 'flat12', 'flat18', 'dome12'] as const),
      sumpDepth: 0.15,
      ...stands(lie, place),
      ...(hand.chance(0.3) ? { sillLevel: lie.level(place) + hand.between(0.05, 0.35) } : {}),
    });
    sheds(id, hand.between(15, 160));
  }
  if (hand.chance(0.35)) {
    const north = -hand.between(0.5, 3);
    const way = [at(hand.between(1, 4), north), at(hand.between(6, 12), north)];
    const { place: _, ...level } = stands(lie, way[1]!);
    landings.push({
      id: 'channel',
      kind: 'channel',
      name: 'Channel',
      way,
      ...level,
      width: 0.1016,
      depth: hand.pick([0.1524, 0.2032]),
      length: way[1]!.east - way[0]!.east,
      slope: hand.pick([0, 0.005, 0.01]),
      ...(hand.chance(0.4) ? { sillLevel: level.groundLevel + hand.between(0.05, 0.3) } : {}),
    });
    sheds('channel', hand.between(15, 80));
  }
  return { landings, more };
}

/** Each landing led to one further down the yard, or out. */
function led(lie: Lie, landings: readonly Landing[], out: string): Run[] {
  const { hand } = lie;
  const order = [...landings].sort((one, next) => next.groundLevel - one.groundLevel);
  return order.map((landing, k): Run => {
    const lower = order.slice(k + 1).filter(({ kind }) => kind === 'basin' || kind === 'junction');
    const to = lower.length > 0 && hand.chance(0.4) ? hand.pick(lower).id : out;
    return {
      id: `run-${landing.id}`,
      kind: 'run',
      from: landing.id,
      to,
      length: hand.between(6, 16),
      ...(hand.chance(0.7) ? { lengthFrom: 'plan' as const } : {}),
      material: hand.pick(['smooth', 'smooth', 'doubleWall', 'singleWall'] as const),
      nominal: hand.pick([0.1016, 0.1016, 0.1524, 0.2032]),
      grade: hand.chance(0.93) ? { type: 'auto' } : { type: 'pitch', pitch: hand.between(0.005, 0.03) },
      ...(hand.chance(0.06) ? { under: hand.pick(['slab', 'cars'] as const) } : {}),
      ...(hand.chance(0.03) ? { perforated: true as const } : {}),
      ...(hand.chance(0.08) ? { material: 'clay' as const, old: { fate: 'kept' as const } } : {}),
      ...(hand.chance(0.06) ? { parallel: 2 } : {}),
    };
  });
}

/** A job of any kinds: nothing in it is unsound, and much of it may be unwise. */
export function seededWhole(seed: number): Job {
  const hand = handOf(seed * 15_485_863 + 11);
  const lie = lieOf(hand);
  const roof = roofs(lie);
  const yard = inlets(lie);
  const works = worksOf(lie);
  const out = outOf(lie, works.takes);
  const junctions = [0, 1].flatMap((k): Landing[] =>
    hand.chance(0.4)
      ? [
          {
            id: `node${k}`,
            kind: 'junction',
            name: `Junction ${k}`,
            form: hand.pick(['wye', 'tee', 'cleanout', 'bend', 'sedimentTrap'] as const),
            ...stands(lie, at(hand.between(0, HOUSE.east), -hand.between(8, 12))),
          },
        ]
      : [],
  );
  const landings = [...roof.landings, ...yard.landings, ...junctions, ...works.landings];
  const runs = led(lie, landings, out.id);
  const job = jobFrom(`whole${seed}`, [
    {
      id: 'job',
      kind: 'job',
      name: `Whole ${seed}`,
      units: hand.pick(['us', 'metric'] as const),
      pitchStyle: hand.pick(['ground', 'ground', 'single'] as const),
      soil: hand.pick(['sand', 'sandyLoam', 'loam', 'clayLoam', 'clay'] as const),
    },
    rainOf(hand),
    out,
    ...landings,
    ...runs,
    ...roof.more,
    ...yard.more,
    ...works.more,
  ]);
  return changed(job, put('Site', ...siteOf(lie, job)));
}

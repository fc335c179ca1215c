/** A way out of any form at the foot of a yard, from a seed. */
import { SOILS } from '../catalogue/soils';
import type { Discharge, Swale } from '../job/kinds';
import { at, type Lie } from './lie';

const FORMS = [
  'daylight',
  'daylight',
  'daylight',
  'kerb',
  'main',
  'popup',
  'pond',
  'dryWell',
  'leachingPit',
  'rainGarden',
  'pump',
] as const;

export function outOf({ hand, level }: Lie, swale: Swale | null): Discharge {
  const form = hand.pick(FORMS);
  const place = at(hand.between(3, 12), -hand.between(17, 26));
  const ground = level(place);
  const common = {
    id: 'out',
    kind: 'discharge' as const,
    name: 'Way out',
    form,
    place,
    receiving: hand.pick(['swale', 'slope', 'ditch', 'street', 'lawn'] as const),
    ...(hand.chance(0.8) ? { stone: true as const } : {}),
  };
  const lower = ground - hand.between(0, 1.2);
  if (form === 'main')
    return {
      ...common,
      groundLevel: ground,
      controlLevel: lower - 0.4,
      ...(hand.chance(0.7) ? { mainDiameter: hand.between(0.2, 0.4), mainPitch: hand.between(0.005, 0.02) } : {}),
    };
  if (form === 'popup')
    return {
      ...common,
      groundLevel: ground,
      ...(hand.chance(0.6) ? { drain: { type: 'weep', soil: hand.pick(SOILS) } } : {}),
    };
  if (form === 'dryWell' || form === 'leachingPit' || form === 'rainGarden')
    return {
      ...common,
      groundLevel: ground,
      store: {
        area: hand.between(1, 25),
        depth: hand.between(0.2, 1.2),
        cover: form === 'rainGarden' ? 0 : hand.between(0.2, 0.6),
        voids: form === 'rainGarden' ? 1 : hand.between(0.38, 0.95),
        soil: hand.pick(SOILS),
      },
    };
  if (form === 'pump') {
    const rate = hand.between(0.002, 0.012);
    return {
      ...common,
      groundLevel: ground,
      pump: {
        curve: [
          { flow: 0, head: hand.between(4, 10) },
          { flow: rate, head: hand.between(1.5, 3.5) },
          { flow: 2 * rate, head: 0 },
        ],
        area: hand.between(0.3, 1.2),
        start: ground - hand.between(0.8, 1),
        stop: ground - hand.between(1.2, 1.6),
        mainLength: hand.between(5, 25),
        mainDiameter: hand.pick([0.0381, 0.0508]),
        outletLevel: ground + hand.between(0, 1.5),
        checkValve: true,
        ...(hand.chance(0.5) ? { alarm: true as const, freezeOverflow: true as const } : {}),
      },
    };
  }
  if (swale && form === 'daylight' && hand.chance(0.5))
    return {
      ...common,
      receiving: 'swale',
      into: swale.id,
      groundLevel: Math.min(lower, (swale.headLevel! + swale.footLevel!) / 2 + 0.1),
    };
  return {
    ...common,
    groundLevel: lower,
    ...(hand.chance(0.4) ? { bank: { length: hand.between(1, 4), topLevel: ground } } : {}),
    ...(hand.chance(0.25) ? { standingLevel: lower + hand.between(-0.2, 0.3) } : {}),
  };
}

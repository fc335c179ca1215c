/** What sheds water, from a seed: roofs, ground and flows, and where they run. */
import { DOWNSPOUT_SIZES } from '../catalogue/downspouts';
import { SURFACE_COVERS } from '../catalogue/surfaces';
import type { Basin, Channel, Element, Feed, Landing, RoofFace } from '../job/kinds';
import { type Hand } from '../numeric/dice';

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
export const isInlet = (element: Element): element is Basin | Channel =>
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
export function shedding(hand: Hand, landings: readonly Landing[]): Element[] {
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

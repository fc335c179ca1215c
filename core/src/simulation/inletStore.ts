/** Water that stands over an inlet, and what goes down it. */
import { sagCapacity, type SagInlet } from '../hydraulics/sagInlet';
import { inletOf } from '../inlets';
import type { Basin, Channel, Landing, StoneDrain } from '../job/kinds';
import { STONE_FACTS } from '../catalogue/stone';
import { lengthOf } from '../works/measures';

/** Open share of a channel's grate, and what of it leaves take. */
const CHANNEL_OPEN = 0.3;
const CHANNEL_CLOGGED = 0.3;
/** Water over open stone from which all of its top takes, m. */
export const OVER_STONE = 0.01;

/** What an inlet in the ground takes (m³/s) with water so deep over it, m; null of a landing that is none. */
export type Takes = (depth: number) => number;

const sag =
  (inlet: SagInlet): Takes =>
  (depth) =>
    depth > 0 ? sagCapacity({ ...inlet, depth }).flow : 0;

function channelTakes({ length, width }: Channel): Takes {
  // Water comes over both of its edges.
  return sag({ weirLength: 2 * length, openArea: CHANNEL_OPEN * length * width, clogging: CHANNEL_CLOGGED });
}

function stoneTakes(drain: StoneDrain): Takes {
  const most =
    STONE_FACTS[drain.stone ?? 'round'].through * drain.width * lengthOf(drain) * (1 - (drain.clogging ?? 0.3));
  return (depth) => most * Math.min(1, Math.max(0, depth / OVER_STONE));
}

const basinTakes = (basin: Basin): Takes => sag(inletOf(basin));

/** What takes water in from above; null of a fitting, a way out or what only pipes lead to. */
export function takesOf(landing: Landing): Takes | null {
  switch (landing.kind) {
    case 'basin':
      return basinTakes(landing);
    case 'channel':
      return channelTakes(landing);
    case 'stoneDrain':
      return stoneTakes(landing);
    default:
      return null;
  }
}

/** Working of an inlet's figures: a basin's, a channel drain's, a downspout's. */
import type { BasinPlan, ChannelPlan } from '../../inlets';
import { isLaid, diameterOf, type Basin, type Channel, type Downspout, type GroundInlet } from '../../job/kinds';
import { headOf, ofKind, type Job } from '../../job/job';
import type { Solution } from '../../plan/solution';
import { showSump, type UnitSystem } from '../../units';
import { channelDepth, channelFull, channelHole, channelOver } from './channelWorking';
import { downspoutWorking } from './downspoutWorking';
import { carriedOver, grateCapacity, grateDepth, sumpWorking } from './grateWorking';
import { rarerSillWorking, sillWorking } from './sillWorking';
import { inBoth, type Working } from './working';
import { situated } from '../../yard/situate';

export const INLET_QUANTITIES = ['water', 'capacity', 'outlet', 'over', 'passed', 'sump', 'sill', 'rarerSill'] as const;
export type InletQuantity = (typeof INLET_QUANTITIES)[number];

/** What basins and channels have alike. */
function shared(
  element: GroundInlet,
  inlet: BasinPlan | ChannelPlan,
  solution: Solution,
  quantity: InletQuantity,
  units: UnitSystem,
): Working | null {
  const slope = solution.onSlope.get(element.id);
  if (quantity === 'passed') return slope ? carriedOver(slope, units) : null;
  if (quantity === 'sill') return inlet.freeboard === null ? null : sillWorking(element, inlet, solution, units);
  return quantity === 'rarerSill' ? rarerSillWorking(element, solution, units) : null;
}

function basinWorking(
  basin: Basin,
  inlet: BasinPlan,
  solution: Solution,
  quantity: InletQuantity,
  units: UnitSystem,
): Working | null {
  if (quantity === 'water') return grateDepth(basin, inlet, units);
  if (quantity === 'capacity') return grateCapacity(basin, inlet, solution.settings.ponding, units);
  if (quantity === 'sump')
    return inlet.sump === null ? null : sumpWorking(basin, inlet, showSump(inlet.sump, units), units);
  return shared(basin, inlet, solution, quantity, units);
}

function channelWorking(
  channel: Channel,
  inlet: ChannelPlan,
  solution: Solution,
  quantity: InletQuantity,
  units: UnitSystem,
): Working | null {
  if (quantity === 'water') return channelDepth(inlet, units);
  if (quantity === 'capacity') return channelFull(channel, inlet, units);
  if (quantity === 'over') return channelOver(inlet, units);
  return shared(channel, inlet, solution, quantity, units);
}

/** Working of one figure of a basin, channel or downspout; null when it has no such figure. */
export function inletWorking(
  given: Job,
  solution: Solution,
  id: string,
  quantity: InletQuantity = 'water',
): Working | null {
  const job = situated(given, solution);
  const element = job.elements.get(id);
  const inlet = solution.inlets[id];
  return inBoth(headOf(job).units, (units) => {
    if (inlet?.kind === 'basin') return basinWorking(element as Basin, inlet, solution, quantity, units);
    if (inlet?.kind === 'channel') {
      const channel = element as Channel;
      if (quantity !== 'outlet') return channelWorking(channel, inlet, solution, quantity, units);
      const pipe = ofKind(job, 'run').find((run) => run.from === id && isLaid(run));
      return pipe ? channelHole(channel, inlet, diameterOf(pipe), units) : null;
    }
    return inlet?.kind === 'downspout'
      ? downspoutWorking(element as Downspout, inlet, solution.settings.gutterDepth, units)
      : null;
  });
}

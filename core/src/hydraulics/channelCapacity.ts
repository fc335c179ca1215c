/** What a channel drain takes before it overtops. */
import { rootBetween } from '../numeric/root';
import { GRAVITY } from '../units/constants';
import { channelProfile, type ChannelDrain } from './channelDrain';

/** Steps in which the capacity is closed in, and how many before it is given up: no channel that can be built needs more than two. */
const WIDEN = 4;
const MAX_WIDENINGS = 30;

/**
 * Most inflow all along, m²/s, at which `over` (how far the water stands over the top, m) is naught; `near` is of its size. None where a
 * trickle overtops it, as in one that climbs to its outlet by more than its depth. NaN where no inflow fills it to the brim: a channel
 * that nobody could build.
 */
export function brimfulInflow(near: number, over: (lateralInflow: number) => number): number {
  let high = near;
  for (let k = 0; over(high) < 0; k++) {
    if (k === MAX_WIDENINGS) return Number.NaN;
    high *= WIDEN;
  }
  let low = high / WIDEN;
  for (let k = 0; over(low) > 0; k++) {
    if (k === MAX_WIDENINGS) return 0;
    low /= WIDEN;
  }
  return rootBetween(low, high, over, 1e-10);
}

/** No more than what leaves at critical depth over the full section, and near that if level and smooth, m³/s. */
export const freeOverfallFlow = ({ width, depth }: ChannelDrain): number => width * Math.sqrt(GRAVITY) * depth ** 1.5;

/** Most inflow all along that the channel takes with a free drop at its outlet, without overtopping: m²/s, and m³/s over its length. */
export function channelCapacity(channel: ChannelDrain): { lateralInflow: number; flow: number } {
  const lateralInflow = brimfulInflow(
    freeOverfallFlow(channel) / channel.length,
    (q) => channelProfile({ ...channel, lateralInflow: q }).over,
  );
  return { lateralInflow, flow: lateralInflow * channel.length };
}

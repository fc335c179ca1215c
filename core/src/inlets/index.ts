import type { BasinPlan } from './basin';
import type { ChannelPlan } from './channel';
import type { DownspoutPlan } from './downspout';

export type InletPlan = BasinPlan | ChannelPlan | DownspoutPlan;
export { basinPlan, inletOf, type BasinPlan } from './basin';
export { channelCapacity, channelPlan, holeCapacity, holeOf, type ChannelPlan } from './channel';
export { downspoutPlan, type DownspoutPlan, type RoofWater } from './downspout';
export { leftUnder, MAX_OVER_SILL, runOffLevel } from './sill';

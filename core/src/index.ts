export * from './catalogue';
export * from './defaults';
export { criticalShear } from './hydraulics/cleansing';
export { filledShare, fullFlow, MOST_OVER_FULL, normalDepth, type PartFull, type PipeSection } from './hydraulics/pipe';
export type { RunFlow } from './hydraulics/runFlow';
export * from './job';
export { controlLevel, letterOf, type FallBudget } from './network';
export { smallestThatWorks, type SizeChoice } from './network/choices';
export { solveWaterLine, type WaterNetwork } from './network/waterLine';
export { planJob, type Plan } from './plan';
export { gatheringArea, planArea, windFactor } from './runoff/roofArea';
export { coefficientOf, type Shed } from './runoff/sources';
export { sizeJob, type JobSizing, type SizedJob } from './sizing';
export { budgetFrom, choicesOf, solve, type LandingPlan, type RunPlan, type Solution } from './solve';
export * from './snags';
export { intensityOf, fitRain, type IntensityTable } from './rain/intensity';
export { designRain, openingRain, rarerThan, ROOF_DURATION, type FrequencyRows } from './rain/design';
export { readFrequencyTable, type FrequencyTable } from './rain/csv';
export {
  inletOf,
  MOST_OVER_SILL,
  type BasinPlan,
  type ChannelPlan,
  type DownspoutPlan,
  type InletPlan,
} from './inlets';
export { sagCapacity, sagDepth } from './hydraulics/sagInlet';
export * from './units';
export type { Verdict } from './verdict';
export { inletWorking, type InletQuantity } from './working/inletWorking';
export { landingWorking, type LandingQuantity } from './working/landingWorking';
export * from './working/working';
export * from './wire';

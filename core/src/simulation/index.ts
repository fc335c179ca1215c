export { failuresOf, rainfallOf, STORM_RAINS, stormCases, USUAL_STORM, type StormCase, type StormRain } from './cases';
export { type Failure, type FailureKind } from './failing';
export { RAIN_SHAPES, type Rainfall, type RainShape } from './rainfall';
export { rankCases, worseFirst, type Ranked } from './ranking';
export { WETNESS, type Wetness } from './ground/soak';
export { runStorm, StormRun, type StormFrame, type StormTold } from './stormRun';
export { failureWords, stormSentence } from './words';

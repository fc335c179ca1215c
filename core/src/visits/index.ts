export { showGrit, showRainDepth, showPace, watch } from './figures';
export { doableNext } from './line/doable';
export { drainingOf, type Draining } from './draining';
export * from './jars';
export { fitPit, type PitFit } from './drainDown';
export { explain, type Explanation } from './line/explain';
export {
  doableWords,
  explainedWords,
  joinedCauses,
  nextWords as nextTestWords,
  rainCauseWords,
  sure,
} from './explained';
export { grateShare, withShut } from './grateShare';
export { lawnLoss } from './lawnLoss';
export { expectHose } from './line/hoseTest';
export { nextTest, type NextTest } from './line/nextTest';
export type { RainCause, RainExplained, RainTold } from './rainVisit';
export { oldFound } from './oldFound';
export { bucketSays, drains, sayVisit } from './said';
export { hoseExpects } from './saidHose';
export type { VisitSaid } from './visitSaid';
export { testsOfLine } from './visitTests';
export { leadsOut, wayDown, type WayDown } from './line/wayDown';
export { keepVisit, lastBucket, openHose, visitLabel, visitsOf, visitTitle, withSaid } from './keeping';

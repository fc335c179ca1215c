export { showGrit, showRainDepth, showPace, watch } from './figures';
export { doableNext } from './doable';
export { drainingOf, type Draining } from './draining';
export { fitPit, type PitFit } from './drainDown';
export { explain, type Explanation } from './explain';
export {
  doableWords,
  explainedWords,
  joinedCauses,
  nextWords as nextTestWords,
  rainCauseWords,
  sure,
} from './explained';
export { grateShare, withShut } from './grateShare';
export { expectHose } from './hoseTest';
export { nextTest, type NextTest } from './nextTest';
export type { RainCause, RainExplained, RainTold } from './rainVisit';
export { bucketSays, drains, sayVisit } from './said';
export { hoseExpects } from './saidHose';
export type { VisitSaid } from './visitSaid';
export { testsOfLine } from './visitTests';
export { wayDown, type WayDown } from './wayDown';
export { keepVisit, lastBucket, openHose, visitLabel, visitsOf, visitTitle, withSaid } from './keeping';

export { builtPoints, laidLines, pipesNear, type Below, type BuiltPoint, type LaidLine } from './asBuilt';
export { keepPlanned, movedRuns, movedWords, plannedBefore, type Moved } from './moved';
export { alongWords, builtOnPlan, photosAlong, type BuiltMark, type BuiltOnPlan } from './onPlan';
export { asBuiltTable, depthWords, tieWords } from './words';
export { cornersOf, type Corner, type Ties } from './ties';

export { builtPoints, laidLines, pipesNear, type Below, type BuiltPoint, type LaidLine } from './asBuilt';
export { asBuiltTable, depthWords, tieWords } from './words';
export { cornersOf, type Corner, type Ties } from './ties';

export { Elements } from './elements';
export { agreedAltered, agreedSentence, isFixed } from './agreed';
export * from './change';
export {
  freeName,
  freeOf,
  leadElsewhere,
  lengthFitsSplit,
  newRun,
  onPlan,
  ownName,
  runAlong,
  splitRun,
  waysOn,
} from './edits/insert';
export { moveWhole } from './edits/move';
export { resized } from './edits/pipes';
export { quickElements, QUICK_INLETS, type QuickInlet, type QuickInletKind, type QuickJob } from './edits/quickJob';
export { removal } from './edits/remove';
export { freeInvert, invertSetAt, setInvert } from './edits/setInvert';
export * from './faults';
export { Findings, MAX_FAULTS, type Fault } from './findings';
export * from './file';
export * from './job';
export * from './kinds';
export { orderPlaces } from './order';
export * from './places';
export * from './settings';

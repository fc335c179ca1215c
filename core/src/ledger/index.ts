export { compared, costOfLine, outcomeOf, plannedThen, type Compared, type CostCame } from './compared';
export { ledgerEntry } from './entry';
export {
  earnedOf,
  ENOUGH,
  inOneCurrency,
  kindsOfJob,
  machinesFrom,
  marginOf,
  ownPaces,
  partsFrom,
  ratesWith,
  workFrom,
  type KindOfJob,
  type OwnPart,
  type OwnPaces,
} from './own';
export { TRAIT_LABELS, traitsOf } from './traits';
export { behind, COST_LABELS, factor, kindWords, percent, STEP_LABELS } from './words';
export { jobsTable, kindsTable, pacesTable, sumsTable } from './yearTables';
export { yearOf, yearsOf, type Year, type YearJob } from './year';

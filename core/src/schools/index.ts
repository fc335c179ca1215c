export { byCompany, sideOfCompany, withSide } from './company';
export { differenceOf, standingOf, type Difference, type Standing } from './difference';
export { SCHOOL_GROUPS, sideLabel, type School, type SchoolGroup } from './school';
export { SCHOOLS, schoolById, schoolsIn } from './schools';
export { differenceWords, GROUP_LABELS as SCHOOL_GROUP_LABELS } from './words';

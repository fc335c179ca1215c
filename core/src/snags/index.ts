export { RULES } from './rules';
export { LEAST_SHORT, LEVEL_TOLERANCE, SEVERITIES, snagKey, type Severity, type Snag, type SnagWords } from './snag';

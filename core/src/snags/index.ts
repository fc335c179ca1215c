export { RULES } from './rules';
export { LEAST_SHORT, LEVEL_TOLERANCE, SEVERITIES, type Severity, type Snag, type SnagWords } from './snag';

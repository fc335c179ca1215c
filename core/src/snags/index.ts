export { RULES } from './rules';
export { LEVEL_TOLERANCE, SEVERITIES, type Severity, type Snag, type SnagWords } from './snag';

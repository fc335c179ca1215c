export { RULES } from './rules';
export { SEVERITIES, snagKey, type Severity, type Snag, type SnagWords } from './snag';
export { LEAST_SHORT, LEVEL_TOLERANCE } from '../numeric/tolerance';
